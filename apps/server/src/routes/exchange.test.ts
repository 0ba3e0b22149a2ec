import { JOB_FILE_VERSION, type JobDetail, type JobFile, type JobSummary } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harmless } from '@burl/contract/crib-files/cell-text';
import { type Caller, cribOf, demoJob, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let other: TestServer;
let engineer: Caller;
let elsewhere: Caller;

beforeAll(async () => {
  server = await startTestServer();
  other = await startTestServer();
  engineer = await server.as('engineer');
  elsewhere = await other.as('engineer');
});
afterAll(async () => {
  await server.stop();
  await other.stop();
});

const exported = async (call: Caller, jobId: string): Promise<JobFile> =>
  (await call('GET', `/api/jobs/${jobId}/export`)).json<JobFile>();
const count = async (call: Caller): Promise<number> =>
  (await call('GET', '/api/jobs')).json<JobSummary[]>().length;

describe('job file', () => {
  it.each(['GW-1187', 'CV-0093', 'TT-0412'])('%s comes back from another shop as it went', async (number) => {
    const { job } = await demoJob(engineer, number);
    const file = await exported(engineer, job.id);
    const made = (await elsewhere('POST', '/api/jobs/import', file)).json<JobDetail>();
    expect(await exported(elsewhere, made.job.id)).toEqual(file);
  });

  it('brings a crib entry that differs under an id of its own and leaves the shop’s alone', async () => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const file = await exported(engineer, job.id);
    const alloys = file.crib.alloys.map((a) => ({ ...a, name: 'Alloy 718 as they see it' }));
    const made = (
      await elsewhere('POST', '/api/jobs/import', { ...file, crib: { ...file.crib, alloys } })
    ).json<JobDetail>();
    expect(made.job.alloyId).toBe('718-aged-file1');
    const crib = await cribOf(elsewhere);
    expect(crib.alloys.find((a) => a.id === '718-aged')!.document.name).not.toMatch(/as they see it/);
    expect(crib.alloys.find((a) => a.id === '718-aged-file1')).toMatchObject({
      origin: 'shop',
      copiedFrom: '718-aged',
    });
    expect(made.setups[0]!.operations[0]!.variants[0]!.document.workedOutFor.alloyId).toBe('718-aged-file1');
  });

  it('brings a substrate or coating that differs under an id of its own, and its cutters with it', async () => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const file = await exported(engineer, job.id);
    const [id] = Object.keys(file.crib.substrates);
    const softer = { ...file.crib.substrates[id!]!, youngModulusGpa: 480 };
    const crib = { ...file.crib, substrates: { ...file.crib.substrates, [id!]: softer } };
    const answer = await elsewhere('POST', '/api/jobs/import', { ...file, crib });
    expect(answer.statusCode).toBe(201);
    const back = await exported(elsewhere, answer.json<JobDetail>().job.id);
    const own = `${id}-file1`;
    expect(back.crib.substrates[own]).toEqual(softer);
    expect(back.crib.cutters.some((c) => c.extended.substrate === own)).toBe(true);
    // The shop's own is as it was.
    expect((await cribOf(elsewhere)).materials.substrates[id!]).toEqual(file.crib.substrates[id!]);
  });

  it.each([
    [
      'a lost decimal point',
      (f: JobFile) =>
        JSON.parse(
          JSON.stringify(f).replace(/"gauge_length_mm":[\d.]+/, '"gauge_length_mm":60000'),
        ) as unknown,
    ],
    [
      'twenty thousand setups',
      (f: JobFile) => ({ ...f, setups: Array.from({ length: 20_000 }, () => f.setups[0]) }),
    ],
    [
      'two hundred holders of one id',
      (f: JobFile) => ({
        ...f,
        crib: { ...f.crib, holders: Array.from({ length: 200 }, () => f.crib.holders[0]) },
      }),
    ],
  ])('with %s is refused soon, with an answer one can read', async (_, damage) => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const answer = await engineer('POST', '/api/jobs/import', damage(await exported(engineer, job.id)));
    expect([400, 413, 422]).toContain(answer.statusCode);
    expect(answer.body.length).toBeLessThan(20_000);
  });

  it.each([
    ['a newer version', (f: JobFile) => ({ ...f, version: JOB_FILE_VERSION + 1 }), /newer Burl/],
    ['another format', (f: JobFile) => ({ ...f, format: 'shopping-list' }), /not a job file/],
    [
      'a missing crib entry',
      (f: JobFile) => ({ ...f, crib: { ...f.crib, cutters: [] } }),
      /tooling\.cutterId/,
    ],
    [
      'a damaged operation',
      (f: JobFile) => ({ ...f, setups: [{ ...f.setups[0], operations: [{ name: 'x' }] }] }),
      /setups\[0\]\.operations\[0\]/,
    ],
    [
      'an impossible cut',
      (f: JobFile) =>
        JSON.parse(JSON.stringify(f).replace('"axialDepthMm":24', '"axialDepthMm":240')) as unknown,
      /axialDepthMm is 240; allowed: 0 to 26\.4 mm/,
    ],
    ['a list', () => [], /not a job file/],
  ])('with %s is refused with the reason and changes nothing', async (_what, damage, reason) => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const file = await exported(engineer, job.id);
    const [jobs, crib] = [await count(engineer), await cribOf(engineer)];
    const answer = await engineer('POST', '/api/jobs/import', damage(file));
    expect([answer.statusCode, answer.json<{ message: string }>().message]).toEqual([
      422,
      expect.stringMatching(reason),
    ]);
    expect(await count(engineer)).toBe(jobs);
    expect(await cribOf(engineer)).toEqual(crib);
  });
});

describe('operations as CSV', () => {
  it.each(['=1', '+1', '-1', '@a', '\n=1', '\t=1', ' =1', '\u200b=1', '＝1', '＋1', '－1', '＠a', '\r\n+1'])(
    'makes text of %j, which a spreadsheet would run',
    (cell) => expect(harmless(cell)).toBe(`'${cell}`),
  );
  it('leaves names as they are', () => {
    expect(['Face 1 = 2', 'T12'].map(harmless)).toEqual(['Face 1 = 2', 'T12']);
  });

  it('has a line each with units in the heads, and no formula a spreadsheet would run', async () => {
    const { job, setups } = await demoJob(engineer, 'GW-1187');
    const op = setups[0]!.operations[0]!;
    await engineer('PUT', `/api/operations/${op.id}`, {
      name: '=1+1, "quoted"',
      selected: op.selected,
      version: op.version,
    });
    const answer = await engineer('GET', `/api/jobs/${job.id}/operations.csv`);
    expect(answer.headers['content-type']).toBe('text/csv; charset=utf-8');
    const lines = answer.body.trim().split('\r\n');
    expect(lines).toHaveLength(5);
    expect(lines[0]).toMatch(/^job,setup,operation,variant,kind,alloy,.*n rpm,vc m\/min/);
    expect(lines[1]).toContain(`"'=1+1, ""quoted"""`);
    expect(lines[2]).toMatch(/over,wall deflection$/);
  });
});
