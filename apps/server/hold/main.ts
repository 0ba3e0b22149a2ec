import { fork } from 'node:child_process';
import { CRIB_KINDS } from '@burl/contract';
import { startTestServer } from '../test/client.ts';
import { type EmptyDatabase, emptyDatabase } from '../test/database.ts';
import { holdBodiesAtLimit } from './bodies-at-limit.ts';
import { holdDesk, holdLoad, holdReaders } from './crowd.ts';
import { holdFilledCrib } from './crib-filled.ts';
import type { EntriesHeld } from './entries.ts';
import { growthTable, measureServices } from './growth.ts';
import { holdGuesses } from './guesses.ts';
import { holdHalfSent } from './half-sent.ts';
import { type HeldServer, holdServer } from './held-server.ts';
import { holdHostileRequests } from './hostile-requests.ts';
import { holdKillRounds } from './kill-rounds.ts';
import { holdLogbook } from './logbook.ts';
import { below, none, printRows, type Row } from './row.ts';
import { holdSchedules } from './schedules.ts';
import { holdSeveralServers } from './several-servers.ts';
import { holdSignOuts } from './sign-outs.ts';
import { fillShop, fillSummaries, untilWorkedOut } from './shop.ts';
import { signedIn } from './visitor.ts';

/** A server on a database of its own, gone afterwards whatever happens. */
async function onServer(
  work: (server: HeldServer, database: EmptyDatabase) => Promise<Row[]>,
  environment: Readonly<Record<string, string>> = {},
): Promise<Row[]> {
  const database = await emptyDatabase();
  const server = await holdServer(database.url, environment);
  try {
    return await work(server, database);
  } finally {
    await server.stop();
    await database.drop();
  }
}

/** Kinds side by side, each in a process. */
async function entries(count: number): Promise<Row[]> {
  const held = await Promise.all(
    CRIB_KINDS.map(
      (kind) =>
        new Promise<EntriesHeld>((done, fail) => {
          const child = fork(new URL('./entries-process.ts', import.meta.url), [kind, String(count)], {
            execArgv: ['--import', 'tsx'],
          });
          child.once('message', (held) => done(held as EntriesHeld));
          child.once('error', fail);
          child.once('exit', (code) => code && fail(new Error(`${kind}: ended with ${code}`)));
        }),
    ),
  );
  return held.flatMap((h) => [
    none(`mutated ${h.kind}: errors that are no refusal`, h.uncaught, `${h.tried}, ${h.refused} refused`),
    below(`mutated ${h.kind}: longest to judge one`, h.longestMs, 5000, 'ms'),
  ]);
}

/** `size` is 1 for the whole of it; less for a look. */
const SCENARIOS: Readonly<Record<string, (size: number) => Promise<Row[]>>> = {
  load: (size) =>
    onServer(async (server, { url }) => {
      await fillShop(url, Math.ceil(1000 * size));
      await untilWorkedOut(await signedIn(server.url, 'engineer'), 900);
      console.log(growthTable(await measureServices(server)));
      return [
        ...(await holdLoad(server, { people: 50, seconds: Math.ceil(600 * size) })),
        ...(await holdReaders(server, { people: 300, seconds: Math.ceil(180 * size) })),
      ];
    }),
  desk: (size) =>
    onServer(
      async (server, { url }) => {
        await fillShop(url, Math.ceil(10_000 * size), 6);
        await fillSummaries(url);
        return holdDesk(server, { people: 50, seconds: Math.ceil(120 * size) });
      },
      // Told apart from working numbers out: what is asked here is how soon a desk is read.
      { BURL_SUMMARIES: '0' },
    ),
  bodies: () => onServer((server) => holdBodiesAtLimit(server)),
  entries: (size) => entries(Math.ceil(100_000 * size)),
  crib: (size) => onServer((server) => holdFilledCrib(server, { tools: Math.ceil(20_000 * size) })),
  logbook: (size) => onServer((server, { url }) => holdLogbook(server, url, Math.ceil(1_000_000 * size))),
  hostile: (size) => onServer((server) => holdHostileRequests(server, Math.ceil(20_000 * size))),
  kill: (size) => holdKillRounds(Math.ceil(200 * size)),
  'sign-outs': (size) => onServer((server) => holdSignOuts(server, Math.ceil(200 * size))),
  servers: (size) => holdSeveralServers(emptyDatabase, Math.ceil(20 * size)),
  schedules: async (size) => {
    const server = await startTestServer();
    return holdSchedules(server, Math.ceil(1000 * size)).finally(() => server.stop());
  },
  guesses: (size) =>
    onServer((server) => holdGuesses(server, Math.ceil(1000 * size)), { BURL_TRUSTED_PROXIES: '127.0.0.1' }),
  'half-sent': (size) => onServer((server) => holdHalfSent(server, Math.ceil(500 * size))),
};

/** Nothing here goes on for ever. */
const MOST_MINUTES = 60;

const args = process.argv.slice(2);
const sizeAt = args.indexOf('--size');
const size = sizeAt < 0 ? 1 : Number(args.splice(sizeAt, 2)[1]);
const unknown = args.find((a) => !(a in SCENARIOS));
if (unknown !== undefined || !(size > 0 && size <= 1)) {
  console.error(`usage: npm run hold [-- ${Object.keys(SCENARIOS).join(' | ')} …] [--size 0.01 to 1]`);
  process.exit(2);
}
const rows: Row[] = [];
for (const name of args.length > 0 ? args : Object.keys(SCENARIOS)) {
  const began = Date.now();
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(
      () => fail(new Error(`not done after ${MOST_MINUTES} minutes`)),
      MOST_MINUTES * 60_000,
    );
  });
  const found = await Promise.race([SCENARIOS[name]!(size), late])
    .catch((error: unknown) => [
      { what: name, wanted: 'to end', measured: String(error).slice(0, 300), met: false },
    ])
    .finally(() => clearTimeout(timer));
  rows.push(...found);
  console.log(
    `${name}: ${Math.round((Date.now() - began) / 1000)} s, ${found.filter((r) => r.met).length} of ${found.length} met`,
  );
  for (const r of found.filter((x) => !x.met))
    console.log(`  ${r.what}: wanted ${r.wanted}, measured ${r.measured}`);
}
printRows(rows);
process.exit(rows.every((r) => r.met) ? 0 : 1);
