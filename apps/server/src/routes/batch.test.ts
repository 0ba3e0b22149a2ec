import {
  type Crib,
  type Job,
  type JobDetail,
  type KeptRates,
  type Release,
  releaseChecks,
} from '@burl/contract';
import { EMPTY_JOB_PLAN, EMPTY_SETUP_PLAN, USUAL_RATES, usualHolding } from '@burl/core';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  demoJob,
  freshJob,
  problemsOf,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
});
afterAll(() => server.stop());

const ratesNow = async (): Promise<KeptRates> => (await engineer('GET', '/api/crib')).json<Crib>().rates;

describe('rates of the shop', () => {
  it('are the usual ones until somebody states others; who was quicker wins, and it is written down', async () => {
    expect(await ratesNow()).toEqual({ rates: USUAL_RATES, version: 0 });
    const rates = { ...USUAL_RATES, currency: 'CHF', machinePerHour: 120 };
    const kept = await engineer('PUT', '/api/shop-rates', { rates, version: 0 });
    expect([kept.statusCode, kept.json<KeptRates>().version]).toEqual([200, 1]);
    expect((await ratesNow()).rates.currency).toBe('CHF');
    expect((await engineer('PUT', '/api/shop-rates', { rates, version: 0 })).statusCode).toBe(409);
  });

  it('are refused by field, and not for everybody to change', async () => {
    const { version } = await ratesNow();
    const bad = { ...USUAL_RATES, currency: 'euro', linkFeedShare: 4 };
    expect(problemsOf(await engineer('PUT', '/api/shop-rates', { rates: bad, version })).sort()).toEqual([
      'rates.currency',
      'rates.linkFeedShare',
    ]);
    expect((await floor('PUT', '/api/shop-rates', { rates: USUAL_RATES, version })).statusCode).toBe(403);
  });
});

describe('plan of a job and its setups', () => {
  it('is kept with the job, and stays where a change does not speak of it', async () => {
    const { job } = await freshJob(engineer);
    const {
      id,
      plan: _,
      status: __,
      revision: ___,
      revisionReason: ____,
      updatedAt: _____,
      updatedBy: ______,
      version,
      ...fields
    } = job;
    const plan = { ...EMPTY_JOB_PLAN, spares: 2, part: { lengthMm: 80, widthMm: 40, heightMm: 10 } };
    const first = (await engineer('PUT', `/api/jobs/${id}`, { ...fields, plan, version })).json<Job>();
    expect(first.plan).toEqual(plan);
    const second = (
      await engineer('PUT', `/api/jobs/${id}`, { ...fields, notes: 'n', version: first.version })
    ).json<Job>();
    expect(second.plan).toEqual(plan);
    const bad = { ...plan, part: { ...plan.part, heightMm: -3 }, spares: 1.5 };
    expect(
      problemsOf(
        await engineer('PUT', `/api/jobs/${id}`, { ...fields, plan: bad, version: second.version }),
      ).sort(),
    ).toEqual(['plan.part.heightMm', 'plan.spares']);
  });

  it('holds a setup’s holding; one that cannot be, or a machine nobody has, is refused by its field', async () => {
    const { setups } = await freshJob(engineer);
    const [setup] = setups;
    const put = (plan: unknown) =>
      engineer('PUT', `/api/setups/${setup!.id}`, { name: setup!.name, plan, version: setup!.version });
    const hot = { ...usualHolding('adhesive'), values: { ...usualHolding('adhesive').values, cure: 3 } };
    expect(problemsOf(await put({ ...EMPTY_SETUP_PLAN, holding: hot }))).toEqual(['plan.holding.cure']);
    expect(problemsOf(await put({ ...EMPTY_SETUP_PLAN, machineId: 'nobody-has-it' }))).toEqual([
      'plan.machineId',
    ]);
    const kept = await put({ ...EMPTY_SETUP_PLAN, holding: usualHolding('vacuum'), partsPerLoad: 6 });
    expect(kept.json<{ plan: unknown }>().plan).toMatchObject({
      partsPerLoad: 6,
      holding: { kind: 'vacuum' },
    });
  });
});

describe('a release', () => {
  it('keeps the batch as it was worked out, and has to be ticked for what is at stake', async () => {
    const { job } = await demoJob(engineer, 'CV-0588');
    const asked = await engineer('POST', `/api/jobs/${job.id}/release-requests`, {
      note: 'The plates, four a load.',
    });
    expect(asked.statusCode).toBe(201);
    const release = asked.json<Release>();
    expect(release.snapshot.batch!.minutes.blanks).toBe(33);
    expect(release.snapshot.setups!.map((s) => s.plan.partsPerLoad)).toEqual([4, 4]);
    expect(release.snapshot.batch!.first.flagged).toBe(true);
    const approver = await server.as('approver');
    // One tick short of all is refused; the last one is of the first piece.
    const all = releaseChecks(release.snapshot).map((c) => c.id);
    const decide = (checks: readonly string[]) =>
      approver('POST', `/api/releases/${release.id}/decision`, { decision: 'release', reason: '', checks });
    expect((await decide(all.filter((c) => c !== 'batch first piece'))).statusCode).toBe(422);
    expect((await decide(all)).statusCode).toBe(200);
    const pdf = await approver('GET', `/api/releases/${release.id}/sheet.pdf?paper=a4&units=metric`);
    expect([pdf.statusCode, pdf.body.slice(0, 5)]).toEqual([200, '%PDF-']);
    // The floor signs the first piece on its way, step by step; no step that the sheet has not.
    const sign = (step: string, result: 'done' | 'failed' = 'done', word = '') =>
      floor('POST', '/api/prove-out', {
        id: randomUUID(),
        releaseId: release.id,
        operationId: null,
        step,
        result,
        word,
        at: new Date().toISOString(),
        photo: null,
      });
    expect((await sign('first-piece-1')).statusCode).toBe(201);
    expect((await sign('first-piece-99')).statusCode).toBe(404);
    expect((await sign('first-piece-x')).statusCode).toBe(400);
    expect((await sign('first-piece-2', 'failed', 'it moved by 0.1')).statusCode).toBe(201);
    const found = (await engineer('GET', '/api/findings')).json<{ text: string }[]>();
    expect(found.some((f) => /look whether the part has moved.* it moved by 0\.1/.test(f.text))).toBe(true);
  });

  it('minutes on the desk hold changes, loading and probing', async () => {
    const detail: JobDetail = await demoJob(engineer, 'CV-0588');
    const [row] = (await engineer('GET', '/api/jobs?search=CV-0588')).json<{ minutes: number }[]>();
    expect(detail.setups).toHaveLength(2);
    expect(row!.minutes).toBeGreaterThan(30);
  });
});
