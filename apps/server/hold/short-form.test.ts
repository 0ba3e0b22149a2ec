import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestServer } from '../test/client.ts';
import { type EmptyDatabase, emptyDatabase } from '../test/database.ts';
import { holdBodiesAtLimit } from './bodies-at-limit.ts';
import { holdGuesses } from './guesses.ts';
import { type HeldServer, holdServer } from './held-server.ts';
import { holdHostileRequests } from './hostile-requests.ts';
import type { Row } from './row.ts';
import { holdSchedules } from './schedules.ts';
import { holdSignOuts } from './sign-outs.ts';

/** Times hang on who else uses the machine: here only what must never be counts, `npm run hold` judges the times. */
const sound = (rows: readonly Row[]): string[] =>
  rows.filter((r) => r.wanted === '0' && !r.met).map((r) => `${r.what}: ${r.measured}`);

describe('a server from outside', () => {
  let database: EmptyDatabase;
  let server: HeldServer;
  beforeAll(async () => {
    process.env['BURL_HOLD_SOURCE'] = '1';
    database = await emptyDatabase();
    server = await holdServer(database.url, { BURL_TRUSTED_PROXIES: '127.0.0.1' });
  });
  afterAll(async () => {
    await server.stop();
    await database.drop();
  });

  it('ends sessions for good', async () => expect(sound(await holdSignOuts(server, 5))).toEqual([]), 60_000);
  it(
    'answers requests nobody honest would send',
    async () => expect(sound(await holdHostileRequests(server, 400, 7))).toEqual([]),
    120_000,
  );
  it(
    'takes bodies at the limit of each route without a fault',
    async () => expect(sound(await holdBodiesAtLimit(server, 0.2))).toEqual([]),
    120_000,
  );
  it('slows guesses down, and logs them', async () => {
    const rows = await holdGuesses(server, 100);
    expect(rows.filter((r) => !r.met)).toEqual([]);
  }, 60_000);
});

it('whatever people do at the same moment: one release in force, what is locked is what was judged, one event a write', async () => {
  const server = await startTestServer();
  const rows = await holdSchedules(server, 12, 3);
  await server.stop();
  expect(sound(rows)).toEqual([]);
}, 120_000);
