import * as contract from '@burl/contract';
import type { HeldServer } from './held-server.ts';
import { watchHealth } from './health-watch.ts';
import { below, none, type Row } from './row.ts';
import { signedIn, visitor, type Visitor } from './visitor.ts';

interface Offered {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
  readonly most?: number;
}
const USUAL_MOST = 512 * 1024;
const NOBODY = '00000000-0000-4000-8000-000000000000';

/** Every endpoint that takes a body. */
function taking(): Offered[] {
  const groups = [
    contract.SESSION,
    contract.PEOPLE,
    contract.CRIB,
    contract.CRIB.change,
    contract.JOBS,
    contract.SETUPS,
    contract.OPERATIONS,
    contract.VARIANTS,
    contract.HOLES,
    contract.RELEASES,
    contract.CHATTER,
    contract.EXCHANGE,
  ];
  return groups
    .flatMap((g) => Object.values(g) as Offered[])
    .filter((e) => 'method' in e && e.method !== 'GET' && (e.body !== null || e.most !== undefined));
}

/** Bodies of so many bytes, each expensive in a way of its own. */
const SHAPES: Readonly<Record<string, (bytes: number) => string>> = {
  'one long word': (n) => JSON.stringify({ name: 'x'.repeat(n - 40) }),
  'a list of zeros': (n) => `{"setups":[${'0,'.repeat((n - 40) / 2)}0]}`,
  'many small things': (n) => `{"setups":[${'{},'.repeat((n - 40) / 3)}{}]}`,
  'many keys': (n) => {
    let text = '{"a":1';
    for (let i = 0; text.length < n - 40; i++) text += `,"k${i}":${i}`;
    return `${text}}`;
  },
  deep: (n) => `{"a":${'['.repeat(n / 2 - 40)}${']'.repeat(n / 2 - 40)}}`,
  'not JSON': (n) => `{"a":${'"\\u0041'.repeat(n / 8)}`,
};

/** Each route at the largest body it takes, from somebody signed in and from nobody, while health is asked for. */
export async function holdBodiesAtLimit(server: HeldServer, at = 1): Promise<Row[]> {
  const ask = visitor(server.url);
  const engineer = await signedIn(server.url, 'engineer');
  const faults: string[] = [];
  const sent: { at: number; what: string }[] = [];
  const health = watchHealth(server.url);
  const send = async (by: Visitor, e: Offered, shape: string, body: string): Promise<void> => {
    const what = `${e.method} ${e.path}: ${shape}`;
    sent.push({ at: Date.now(), what });
    const path = e.path.replace(/:id/g, NOBODY).replace(/:kind/g, 'alloys').replace(/:\w+/g, 'x');
    const { status } = await by(e.method, path, body);
    // A connection closed early is how a body nobody may send is refused.
    if (status >= 500) faults.push(`${status} ${what}`);
  };
  for (const e of taking()) {
    for (const [shape, make] of Object.entries(SHAPES)) {
      const body = make(Math.floor((e.most ?? USUAL_MOST) * at) - 100);
      await send(engineer, e, shape, body);
      await send(ask, e, shape, body);
    }
  }
  sent.push({ at: Date.now(), what: 'ten at once from nobody' });
  const large = SHAPES['many small things']!(9_000_000);
  await Promise.all(Array.from({ length: 10 }, () => ask('POST', '/api/jobs/import', large)));
  const seen = await health();
  const during = sent.findLast((s) => s.at <= seen.at + 5)?.what ?? 'nothing';
  return [
    {
      ...below('each route at its body limit: health, longest', seen.longestMs, 250, 'ms'),
      measured: `${Math.round(seen.longestMs)} ms (${during})`,
    },
    {
      what: 'health that was not well meanwhile',
      wanted: '0',
      measured: `${seen.failed} of ${seen.asked}`,
      met: seen.failed === 0,
    },
    none('bodies at the limit answered with a fault', faults, `${sent.length}`),
  ];
}
