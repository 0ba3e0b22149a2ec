import * as contract from '@burl/contract';
import type { HeldServer } from './held-server.ts';
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
  let [slowestHealth, during, going, tried] = [0, '', true, 0];
  let current = '';
  const watch = (async () => {
    while (going) {
      const { ms, status } = await ask('GET', '/api/health');
      if (status !== 200) faults.push(`health said ${status} during ${current}`);
      if (ms > slowestHealth) [slowestHealth, during] = [ms, current];
      await new Promise((next) => setTimeout(next, 20));
    }
  })();
  const send = async (by: Visitor, e: Offered, shape: string): Promise<void> => {
    current = `${e.method} ${e.path}: ${shape}`;
    const path = e.path.replace(/:id/g, NOBODY).replace(/:kind/g, 'alloys').replace(/:\w+/g, 'x');
    const { status } = await by(
      e.method,
      path,
      SHAPES[shape]!(Math.floor((e.most ?? USUAL_MOST) * at) - 100),
    );
    tried++;
    // A connection closed early is how a body nobody may send is refused.
    if (status >= 500) faults.push(`${status} ${current}`);
  };
  for (const e of taking()) {
    for (const shape of Object.keys(SHAPES)) {
      await send(engineer, e, shape);
      await send(ask, e, shape);
    }
  }
  // Ten at once that nobody may send.
  current = 'ten at once from nobody';
  await Promise.all(
    Array.from({ length: 10 }, () =>
      ask('POST', '/api/jobs/import', SHAPES['many small things']!(9_000_000)),
    ),
  );
  going = false;
  await watch;
  return [
    {
      ...below('each route at its body limit: health, longest', slowestHealth, 250, 'ms'),
      measured: `${Math.round(slowestHealth)} ms (${during})`,
    },
    none('bodies at the limit answered with a fault', faults, `${tried}`),
  ];
}
