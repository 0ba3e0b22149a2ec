import { type HeldServer } from './held-server.ts';
import { none, type Row } from './row.ts';
import { signedIn } from './visitor.ts';

const IN_FLIGHT = 20;

/** Signs out while twenty requests are on their way, again and again: the session must stay ended. */
export async function holdSignOuts(server: HeldServer, rounds: number): Promise<Row[]> {
  const revived: string[] = [];
  for (let i = 0; i < rounds; i++) {
    const person = await signedIn(server.url, 'engineer');
    const before = Array.from({ length: IN_FLIGHT / 2 }, () => person('GET', '/api/jobs'));
    const out = person('DELETE', '/api/session', {});
    const after = Array.from({ length: IN_FLIGHT / 2 }, () => person('GET', '/api/session'));
    await Promise.all([...before, out, ...after]);
    const { status } = await person('GET', '/api/jobs');
    if (status !== 401) revived.push(`round ${i}: ${status}`);
  }
  return [
    none(`sign-outs with ${IN_FLIGHT} requests in flight: sessions that came back`, revived, `${rounds}`),
  ];
}
