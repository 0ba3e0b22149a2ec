import { DEMO_PASSWORD } from '../src/seed/demo.ts';
import type { HeldServer } from './held-server.ts';
import { below, none, type Row } from './row.ts';
import { visitor } from './visitor.ts';

const ADDRESSES = 100;

/** Guesses at one account from a hundred addresses; the server has to trust 127.0.0.1 as its proxy. */
export async function holdGuesses(server: HeldServer, count: number): Promise<Row[]> {
  const ask = visitor(server.url);
  const at = (address: string, email: string, password: string) =>
    ask('POST', '/api/session', { email, password }, { 'x-forwarded-for': address });
  const before = server.log().length;
  let looked = 0;
  const others: string[] = [];
  for (let i = 0; i < count; i += 10) {
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, n) =>
        at(`198.51.100.${(i + n) % ADDRESSES}`, 'approver@burl.example', `guess ${i + n}`),
      ),
    );
    looked += answers.filter((a) => a.status === 401).length;
    if (i % 100 === 0) {
      const other = await at('192.0.2.9', 'engineer@burl.example', DEMO_PASSWORD);
      if (other.status !== 200) others.push(`${other.status}`);
    }
  }
  const logged = server
    .log()
    .slice(before)
    .split('\n')
    .filter((l) => /sign-in (failed|slowed)/.test(l) && l.includes('198.51.100.')).length;
  return [
    below(
      `${count} guesses at one account from ${ADDRESSES} addresses: passwords looked at`,
      looked,
      21,
      'guesses',
    ),
    {
      what: 'guesses written into the log with their address',
      wanted: `${count}`,
      measured: `${logged}`,
      met: logged === count,
    },
    none('others kept from signing in meanwhile', others, `${Math.ceil(count / 100)}`),
  ];
}
