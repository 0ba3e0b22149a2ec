import { asQuery, type Desk, type JobSummary } from '@burl/contract';
import { eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, demoJob, startTestServer, type TestServer, workedOut } from '../../test/client.ts';
import { jobs, jobSummaries } from '../store/schema/jobs.ts';
import { jobList } from './job-list.ts';
import { summaries } from './summaries.ts';
import { type Work, workHere } from './work.ts';

let server: TestServer;
let engineer: Caller;
const asked: string[] = [];
/** Counts what is worked out; one job can be made to hang or fail. */
let fails: string | null = null;
const run: Work['run'] = (task, given) => {
  if (task === 'summary') {
    const { number } = given[0] as { number: string };
    asked.push(number);
    if (number === fails) return Promise.reject(new Error('it takes for ever'));
  }
  return workHere.run(task, given);
};
const work: Work = { run, close: async () => undefined };

beforeAll(async () => {
  server = await startTestServer({}, { work });
  engineer = await server.as('engineer');
  await list();
});
afterAll(() => server.stop());

const list = (): Promise<JobSummary[]> => workedOut(engineer);

describe('the list of jobs', () => {
  it('is read, not worked out, while nothing changed', async () => {
    asked.length = 0;
    const before = await list();
    expect(await list()).toEqual(before);
    expect(asked).toEqual([]);
    expect(before.every((j) => !j.pending && j.minutes > 0)).toBe(true);
  });

  it('works out anew the job that changed, and those that name a changed entry', async () => {
    const { setups } = await demoJob(engineer, 'GW-1187');
    const variant = setups[0]!.operations[1]!.variants[0]!;
    const document = { ...variant.document, cut: { ...variant.document.cut, axialDepthMm: 8 } };
    asked.length = 0;
    const before = (await list()).find((j) => j.number === 'GW-1187')!;
    await engineer('PUT', `/api/variants/${variant.id}`, { document, version: variant.version });
    const after = (await list()).find((j) => j.number === 'GW-1187')!;
    expect(asked).toEqual(['GW-1187']);
    expect(after.minutes).not.toBe(before.minutes);
  });

  it('shows one bad job as one marked row, and all the others as they are', async () => {
    fails = 'TM-0231';
    const { db } = server.connection;
    await db.update(jobSummaries).set({ staleSince: sql`date_trunc('milliseconds', clock_timestamp())` });
    const rows = await list();
    fails = null;
    expect(rows.find((j) => j.number === 'TM-0231')!.governing).toMatchObject({
      state: 'over',
      limit: 'cannot be judged',
    });
    expect(rows.filter((j) => j.governing?.limit === 'cannot be judged')).toHaveLength(1);
  });

  it('comes at once when much is to be worked out, and says of which', async () => {
    const { db } = server.connection;
    const [row] = await db.select().from(jobs).where(eq(jobs.number, 'TT-0420'));
    const { id: _, number: __, ...fields } = row!;
    await db.insert(jobs).values(Array.from({ length: 60 }, (_x, i) => ({ ...fields, number: `L-${i}` })));
    const kept = summaries(db, work, 'test');
    const first = await jobList(db, kept, 'test').of({});
    expect(first.filter((j) => j.pending)).toHaveLength(60);
    await kept.refresh();
    expect((await jobList(db, kept, 'test').of({})).filter((j) => j.pending)).toEqual([]);
  });

  it('is worked out anew by another physics', async () => {
    const { db } = server.connection;
    asked.length = 0;
    await summaries(db, work, 'of tomorrow').refresh();
    expect(asked.length).toBe((await list()).length);
  });

  const asks = async (query: string) => (await engineer('GET', `/api/jobs${query}`)).json<JobSummary[]>();

  it('is found by every word of a search, in number, part, customer or lot; signs of a pattern are only signs', async () => {
    const numbers = async (search: string) =>
      (await asks(asQuery({ search }))).map((j) => j.number).filter((n) => !n.startsWith('L-'));
    expect(await numbers('tidal PLATE')).toEqual(['TT-0420']);
    expect(await numbers('gw-11')).toEqual(['GW-1187']);
    expect(await numbers('bonnet plate')).toEqual([]);
    expect(await numbers('%')).toEqual([]);
    expect(await numbers("'; drop table jobs; --")).toEqual([]);
  });

  it('goes on after the last that is known, each job once', async () => {
    const seen: string[] = [];
    for (let before: string | undefined; ; before = seen.at(-1)) {
      const next = await asks(asQuery({ before, most: 25 }));
      if (next.length === 0) break;
      seen.push(...next.map((j) => j.id));
    }
    const { db } = server.connection;
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen.length).toBe((await db.select().from(jobs)).length);
  });

  it('counts what each column of the desk holds, beyond what it shows', async () => {
    const desk = (await engineer('GET', '/api/desk?search=turbine+lock+plate')).json<Desk>();
    expect(desk.draft.total).toBe(61);
    expect(desk.draft.jobs).toHaveLength(30);
    expect(desk.released).toEqual({ jobs: [], total: 0 });
  });

  it.each(['?most=0', '?most=1e3', '?most=201', '?status=lost', '?before=yesterday'])(
    'refuses %s with what is allowed',
    async (query) => {
      const answer = await engineer('GET', `/api/jobs${query}`);
      expect(answer.statusCode).toBe(400);
      expect(answer.json<{ problems: object[] }>().problems).toHaveLength(1);
    },
  );
});
