import { randomUUID } from 'node:crypto';
import {
  type Finding,
  type JobDetail,
  type LearntRecord,
  type ProveOutInput,
  type ProveOutRecord,
  type Proposal,
  type Release,
  type Trial,
  type TrialDiagnosis,
  type TrialInput,
  type TrialPage,
} from '@burl/contract';
import { NOTHING_SEEN } from '@burl/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  cribOf,
  demoJob,
  problemsOf,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;
let sheet: Release;
let job: JobDetail;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
  job = await demoJob(floor, 'TT-0412');
  sheet = (await floor('GET', `/api/jobs/${job.job.id}/sheet`)).json<Release>();
});
afterAll(() => server.stop());

/** The operation of the sheet the trials are of. */
const operation = () => sheet.snapshot.operations[0]!;

const trial = (change: Partial<TrialInput> = {}): TrialInput => ({
  id: randomUUID(),
  releaseId: sheet.id,
  operationId: operation().operationId,
  at: new Date(Date.now() - 60_000).toISOString(),
  machineSerial: 'SN-7',
  heatLot: sheet.snapshot.job.heatLot,
  edge: 1,
  features: 4,
  minutes: null,
  ...NOTHING_SEEN,
  loadPercent: 30,
  idlePercent: 4,
  sound: 'quiet',
  part: 'good',
  note: '',
  corrects: null,
  photo: null,
  recording: null,
  ...change,
});
const log = async (change: Partial<TrialInput> = {}): Promise<Trial> => {
  const answer = await floor('POST', '/api/trials', trial(change));
  expect(answer.statusCode, answer.body).toBe(201);
  return answer.json<Trial>();
};
const findings = async (): Promise<Finding[]> => (await engineer('GET', '/api/findings')).json<Finding[]>();

/** One pixel of PNG. */
const PIXEL =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

describe('prove-out', () => {
  const step = (change: Partial<ProveOutInput> = {}): ProveOutInput => ({
    id: randomUUID(),
    releaseId: sheet.id,
    operationId: operation().operationId,
    step: 'tool',
    result: 'done',
    word: '',
    at: new Date().toISOString(),
    photo: null,
    ...change,
  });

  it('is signed step by step; one sent twice is kept once', async () => {
    const input = step();
    expect((await floor('POST', '/api/prove-out', input)).statusCode).toBe(201);
    expect((await floor('POST', '/api/prove-out', input)).statusCode).toBe(201);
    const steps = (await floor('GET', `/api/releases/${sheet.id}/prove-out`)).json<ProveOutRecord[]>();
    expect(steps.filter((s) => s.id === input.id)).toMatchObject([{ step: 'tool', by: 'Mira Fontaine' }]);
  });

  it('a step that fails is a finding with its photo, which an engineer answers once', async () => {
    const photo = { name: 'tool.png', type: 'image/png', base64: PIXEL };
    const input = step({ result: 'failed', word: 'Tool 12 in the spindle, sheet says 4', photo });
    expect((await floor('POST', '/api/prove-out', input)).statusCode).toBe(201);
    const found = (await findings()).find((f) => f.sourceId === input.id)!;
    expect(found.text).toContain('Tool 12 in the spindle');
    expect((await floor('GET', `/api/floor-files/${input.id}/photo`)).headers['content-type']).toBe(
      'image/png',
    );
    expect(
      (await floor('POST', `/api/findings/${found.id}/answer`, { answer: 'Swap them' })).statusCode,
    ).toBe(403);
    const answer = () => engineer('POST', `/api/findings/${found.id}/answer`, { answer: 'Tool 4 loaded' });
    expect((await answer()).json<Finding>().answeredBy).toBe('Ada Eder');
    expect((await answer()).statusCode).toBe(409);
    expect((await findings()).some((f) => f.id === found.id)).toBe(false);
  });

  it('refuses a step of no operation, a failure without a word, and what is no picture', async () => {
    expect((await floor('POST', '/api/prove-out', step({ operationId: null }))).statusCode).toBe(404);
    expect(problemsOf(await floor('POST', '/api/prove-out', step({ result: 'failed' })))).toEqual(['word']);
    const photo = {
      name: 'x.png',
      type: 'image/png',
      base64: Buffer.from('not a picture').toString('base64'),
    };
    const answer = await floor('POST', '/api/prove-out', step({ result: 'failed', word: 'wrong', photo }));
    expect(problemsOf(answer)).toEqual(['attachment']);
    expect((await findings()).some((f) => f.text.includes('wrong'))).toBe(false);
  });
});

describe('a trial', () => {
  it('is kept with the cut as it was really run and what it is held against', async () => {
    const plain = await log();
    const slower = await log({ speedOverride: 80, feedOverride: 80 });
    expect(slower.speedRpm / plain.speedRpm).toBeCloseTo(0.8, 9);
    expect(slower.feedPerEdgeMm).toBeCloseTo(plain.feedPerEdgeMm, 9);
    expect(slower.speedRatio! / plain.speedRatio!).toBeCloseTo(0.8, 3);
    const speedOnly = await log({ speedOverride: 50 });
    expect(speedOnly.feedPerEdgeMm / plain.feedPerEdgeMm).toBeCloseTo(2, 9);
    expect(plain.minutes).toBeCloseTo(4 * operation().evaluation.time.cutting, 6);
    expect(plain.expectedLoad).toBeGreaterThan(1);
  });

  it('keeps what was measured on the surface beside what was expected, and what a tablet of before says nothing of', async () => {
    const measured = await log({ raUm: 1.3, rzUm: 7.5, sizeErrorMm: -0.012 });
    expect(measured).toMatchObject({ raUm: 1.3, rzUm: 7.5, sizeErrorMm: -0.012 });
    // A rougher leaves no surface that is judged.
    const finishes = operation().evaluation.numbers.some((n) => n.key === 'Ra');
    expect(measured.expectedRaUm === null).toBe(!finishes);
    const { raUm: _, rzUm: __, sizeErrorMm: ___, ...before } = trial();
    const answer = await floor('POST', '/api/trials', before);
    expect(answer.statusCode, answer.body).toBe(201);
    expect(answer.json<Trial>()).toMatchObject({ raUm: null, rzUm: null, sizeErrorMm: null });
    const { db } = server.connection;
    const kept = await db.execute(sql`select seen from trials where id = ${measured.id}`);
    expect(kept.rows[0]).toMatchObject({ seen: { raUm: 1.3 } });
    const bad = trial({ raUm: -1, rzUm: 5000, sizeErrorMm: 40 });
    expect(problemsOf(await floor('POST', '/api/trials', bad)).sort()).toEqual([
      'raUm',
      'rzUm',
      'sizeErrorMm',
    ]);
  });

  it('sent twice is kept once, whatever came between', async () => {
    const input = trial();
    for (let n = 0; n < 3; n++) expect((await floor('POST', '/api/trials', input)).statusCode).toBe(201);
    const all = (await floor('GET', `/api/jobs/${job.job.id}/trials`)).json<Trial[]>();
    expect(all.filter((t) => t.id === input.id)).toHaveLength(1);
  });

  it('a broken edge goes before the engineer with feature, minutes and expectation, and gets a diagnosis', async () => {
    const broken = await log({ ending: 'broken', brokeAt: 'corner', features: 2.6, part: 'scrapped' });
    const found = (await findings()).find((f) => f.sourceId === broken.id)!;
    expect(found.text).toMatch(
      /^Edge 1 broken \(corner\) in feature 3, after [\d.]+\smin of cutting; about [\d.]+\smin expected\. Part scrapped\.$/,
    );
    const { suspects } = (await engineer('GET', `/api/trials/${broken.id}/diagnosis`)).json<TrialDiagnosis>();
    expect(suspects.reduce((s, c) => s + c.chance, 0)).toBeCloseTo(1, 9);
    expect(suspects.slice(0, 2).map((s) => s.id)).toContain('spike');
    expect(suspects.find((s) => s.id === 'spike')!.because).toContain('it broke in a corner');
  });

  it('is put right by another that names it, and by one only; nothing is changed or taken away', async () => {
    const photo = { name: 'edge.png', type: 'image/png', base64: PIXEL };
    const wrong = await log({ ending: 'worn', features: 40, part: 'scrapped', photo });
    expect((await findings()).map((f) => f.sourceId)).toContain(wrong.id);
    const right = await log({ ending: 'worn', features: 4, corrects: wrong.id });
    expect(right.files).toEqual(['photo']);
    expect((await findings()).map((f) => f.sourceId)).not.toContain(wrong.id);
    expect((await floor('POST', '/api/trials', trial({ corrects: wrong.id }))).statusCode).toBe(409);
    const all = (await floor('GET', `/api/jobs/${job.job.id}/trials`)).json<Trial[]>();
    expect(all.find((t) => t.id === wrong.id)!.correctedBy).toBe(right.id);
    const page = (await floor('GET', '/api/trials?ending=worn')).json<TrialPage>();
    expect(page.trials.map((t) => t.id)).toContain(right.id);
    expect(page.trials.map((t) => t.id)).not.toContain(wrong.id);
    // The page ends where it is full; the count goes on.
    expect(page.trials).toHaveLength(Math.min(page.count!.n, 50));
    expect(page.count!.more).toBe(false);
    const { db } = server.connection;
    await expect(db.execute(sql`update trials set minutes = 1 where id = ${right.id}`)).rejects.toThrow();
    await expect(db.execute(sql`delete from trials where id = ${right.id}`)).rejects.toThrow();
    await expect(db.execute(sql`delete from prove_out_steps`)).rejects.toThrow();
  });

  it('refuses what cannot be, by field, and an operation that is on no sheet', async () => {
    const bad = trial({ speedOverride: 0, wearMm: 9, ending: 'lost' as never, at: '2031-01-01T00:00:00Z' });
    expect(problemsOf(await floor('POST', '/api/trials', bad)).sort()).toEqual(
      ['at', 'ending', 'speedOverride', 'wearMm'].sort(),
    );
    expect((await floor('POST', '/api/trials', trial({ operationId: randomUUID() }))).statusCode).toBe(404);
  });
});

describe('the logbook', () => {
  it('pages by its place, newest first, and counts what a question finds', async () => {
    const first = (await floor('GET', '/api/trials?most=3')).json<TrialPage>();
    const second = (await floor('GET', `/api/trials?most=3&before=${first.next}`)).json<TrialPage>();
    const both = (await floor('GET', '/api/trials?most=6')).json<TrialPage>();
    expect([...first.trials, ...second.trials].map((t) => t.id)).toEqual(both.trials.map((t) => t.id));
    const times = both.trials.map((t) => t.at);
    expect([...times].sort().reverse()).toEqual(times);
    const found = (await floor('GET', '/api/trials?machineSerial=SN-7&kind=milling')).json<TrialPage>();
    expect(found.count).toEqual({ n: found.trials.length, more: false });
    expect(second.count).toBeNull();
    expect(problemsOf(await floor('GET', '/api/trials?ending=lost'))).toEqual(['ending']);
  });

  it('goes out as CSV and comes back once: whole or not at all', async () => {
    const csv = (await floor('GET', '/api/trials.csv?machineSerial=SN-7')).body;
    const [head, ...lines] = csv.trim().split('\r\n');
    expect(lines.length).toBeGreaterThan(4);
    const again = await engineer('POST', '/api/trials/import', { text: csv, dryRun: false });
    expect(again.json()).toMatchObject({ taken: 0, rows: lines.length, problems: [] });
    const idless = [head, ...lines.map((l) => l.replace(/^[^,]*/, ''))].join('\r\n');
    const dry = await engineer('POST', '/api/trials/import', { text: idless, dryRun: true });
    expect(dry.json()).toMatchObject({ taken: 0, problems: [] });
    const broken = idless.replace(operation().document.alloyId, 'no-such-alloy');
    const refused = (await engineer('POST', '/api/trials/import', { text: broken, dryRun: false })).json<{
      taken: number;
      problems: { row: number; column: string }[];
    }>();
    expect(refused).toMatchObject({ taken: 0, problems: [{ row: 1, column: 'alloy' }] });
    const taken = await engineer('POST', '/api/trials/import', { text: idless, dryRun: false });
    expect(taken.json()).toMatchObject({ taken: lines.length });
  });
});

describe('what is learnt', () => {
  const question = () => ({
    kind: 'life' as const,
    alloyId: operation().document.alloyId,
    edgeFamily: edgeFamily,
    leftOut: [] as { trial: string; reason: string }[],
  });
  let edgeFamily = '';

  it('is a proposal with bands, trials and the operations it would change; accepted it counts, reversed it does not', async () => {
    for (const minutes of [9, 11, 12]) {
      const t = await log({ ending: 'worn', minutes });
      ({ edgeFamily } = t);
    }
    const before = (await cribOf(engineer)).learnt;
    expect(before.map((c) => c.kind === 'life' && c.alloyId)).toEqual(['s32750']);
    const made = (await engineer('POST', '/api/fits', question())).json<Proposal>();
    const [speed] = made.numbers;
    expect(speed!.after[1]).toBeLessThan(speed!.before[1]);
    expect(speed!.after[2] / speed!.after[0]).toBeLessThan(speed!.before[2] / speed!.before[0]);
    expect(made.judged).toBeGreaterThan(0);
    expect((await cribOf(engineer)).learnt).toEqual(before);
    expect(
      (await floor('POST', '/api/learnt', { ...question(), stamp: made.stamp, note: '' })).statusCode,
    ).toBe(403);
    const kept = await engineer('POST', '/api/learnt', {
      ...question(),
      stamp: made.stamp,
      note: 'three edges',
    });
    expect(kept.statusCode).toBe(201);
    const [record] = kept.json<LearntRecord[]>();
    expect((await cribOf(engineer)).learnt).toHaveLength(before.length + 1);
    const taken = await engineer('POST', `/api/learnt/${record!.id}/reversal`, { reason: 'coolant was off' });
    expect(taken.json<LearntRecord>().reversedBy).toBe('Ada Eder');
    expect((await cribOf(engineer)).learnt).toEqual(before);
  });

  it('leaves a trial out with its reason, and is not accepted when trials came meanwhile', async () => {
    const all = (await engineer('POST', '/api/fits', question())).json<Proposal>();
    const short = all.trials.find((t) => t.trial.minutes === 9)!.trial;
    const asked = { ...question(), leftOut: [{ trial: short.id, reason: 'coolant line was off' }] };
    const without = (await engineer('POST', '/api/fits', asked)).json<Proposal>();
    expect(without.trials.find((t) => t.trial.id === short.id)).toMatchObject({
      leftOut: 'coolant line was off',
      z: null,
    });
    expect(without.numbers[0]!.after[1]).toBeGreaterThan(all.numbers[0]!.after[1]);
    await log({ ending: 'worn', minutes: 10 });
    const late = await engineer('POST', '/api/learnt', { ...asked, stamp: without.stamp, note: '' });
    expect(late.statusCode).toBe(409);
    expect(late.json()).toMatchObject({ current: { stamp: expect.any(String) } });
  });

  it('reads force and drive from load meters', async () => {
    const made = (
      await engineer('POST', '/api/fits', { ...question(), kind: 'load', edgeFamily: '' })
    ).json<Proposal>();
    expect(made.constants.map((c) => c.kind).sort()).toEqual(['drive', 'force']);
    expect(made.numbers.map((n) => n.name).join()).toMatch(/kc1\.1.*efficiency.*Idle/);
  });
});
