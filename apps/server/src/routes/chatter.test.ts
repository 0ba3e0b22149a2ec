import type { CombinationDetail, CombinationInput, Crib, TestCutInput, TipInput } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
});
afterAll(() => server.stop());

const COMBINATION: CombinationInput = {
  machineId: 'axis5-24k',
  machineSerial: 'A5-0118',
  holderId: 'shrink-12-80',
  cutterId: 'em-bull-12-z5-re0.5-var',
  stickOutMm: 60,
  note: '',
};
const TIP: TipInput = {
  axis: 'x',
  source: 'measured',
  modes: [{ hz: 1200, damping: 0.03, stiffness: 2e7 }],
  receptance: null,
  coherence: null,
  misfit: 0.02,
  origin: 'tap.csv',
};
const CUT: TestCutInput = {
  alloyId: 'ti-6al-4v-annealed',
  heard: 'chatter',
  rpm: 2400,
  overridePercent: 90,
  axialDepthMm: 6,
  radialEngagementMm: 1,
  feedPerToothMm: 0.06,
  direction: 'climb',
  hz: 1300,
  simulated: false,
  note: '',
  attachment: null,
};

const all = async (): Promise<CombinationDetail[]> => (await engineer('GET', '/api/resonance')).json();
let serial = 0;
async function fresh(): Promise<string> {
  const made = await engineer('POST', '/api/resonance', { ...COMBINATION, machineSerial: `SN-${++serial}` });
  expect(made.statusCode).toBe(201);
  return made.json<{ id: string }>().id;
}
const problems = (answer: { json: <T>() => T }): string[] =>
  answer.json<{ problems: { field: string }[] }>().problems.map((p) => p.field);

describe('the demo', () => {
  it('has a combination that was tapped in both directions, with a page of the notebook', async () => {
    const tapped = (await all()).find((c) => c.machineSerial === 'A5-0117' && c.stickOutMm === 48)!;
    expect(tapped.tips.map((t) => t.axis)).toEqual(['x', 'y']);
    expect(tapped.tips[0]!.receptance!.hz.length).toBeGreaterThan(1000);
    expect(tapped.cuts.map((c) => c.heard)).toEqual(['stable', 'marginal', 'chatter']);
  });
});

describe('a combination', () => {
  it('is remembered once under machine, holder, cutter and stick-out', async () => {
    const id = await fresh();
    expect((await all()).some((c) => c.id === id)).toBe(true);
    const again = await engineer('POST', '/api/resonance', { ...COMBINATION, machineSerial: `SN-${serial}` });
    expect([again.statusCode, problems(again)]).toEqual([422, ['stickOutMm']]);
  });

  it('names what the crib does not have, and what is no stick-out', async () => {
    const unknown = await engineer('POST', '/api/resonance', { ...COMBINATION, cutterId: 'nobodys' });
    expect([unknown.statusCode, problems(unknown)]).toEqual([422, ['cutterId']]);
    const short = await engineer('POST', '/api/resonance', { ...COMBINATION, stickOutMm: 0 });
    expect(problems(short)).toEqual(['stickOutMm']);
  });
});

describe('a combination that is edited', () => {
  const edit = (id: string, change: object, version = 1) =>
    engineer('PUT', `/api/resonance/${id}`, {
      ...COMBINATION,
      machineSerial: `SN-${serial}`,
      ...change,
      version,
    });

  it('is corrected in everything while nothing was measured in it, by one person at a time', async () => {
    const id = await fresh();
    const moved = await edit(id, { stickOutMm: 61, note: 'after the crash' });
    expect(moved.json()).toMatchObject({ stickOutMm: 61, note: 'after the crash', version: 2 });
    expect((await edit(id, { stickOutMm: 62 })).json()).toMatchObject({ error: 'stale' });
    expect((await floor('PUT', `/api/resonance/${id}`, {})).statusCode).toBe(403);
  });

  it('keeps what was measured of: serial and note alone may change then', async () => {
    const id = await fresh();
    await engineer('POST', `/api/resonance/${id}/tips`, TIP);
    const moved = await edit(id, { stickOutMm: 61 });
    expect([moved.statusCode, problems(moved)]).toEqual([422, ['stickOutMm']]);
    expect((await edit(id, { machineSerial: `SN-${serial}b` })).statusCode).toBe(200);
    const { resonance } = (await floor('GET', '/api/crib')).json<Crib>();
    expect(resonance.tips.some((t) => t.machineSerial === `SN-${serial}b`)).toBe(true);
  });

  it('counts no more once it is removed, and comes back with all that was measured', async () => {
    const id = await fresh();
    await engineer('POST', `/api/resonance/${id}/tips`, TIP);
    const known = async () =>
      (await floor('GET', '/api/crib'))
        .json<Crib>()
        .resonance.tips.some((t) => t.machineSerial === `SN-${serial}`);
    expect(await known()).toBe(true);
    expect((await engineer('DELETE', `/api/resonance/${id}`)).statusCode).toBe(200);
    expect(await known()).toBe(false);
    expect((await all()).some((c) => c.id === id)).toBe(false);
    expect((await engineer('POST', `/api/resonance/${id}/tips`, TIP)).statusCode).toBe(404);
    expect((await engineer('DELETE', `/api/resonance/${id}`)).statusCode).toBe(404);
    expect((await engineer('POST', `/api/resonance/${id}/restoration`)).statusCode).toBe(200);
    expect((await engineer('POST', `/api/resonance/${id}/restoration`)).statusCode).toBe(409);
    expect(await known()).toBe(true);
  });

  it('does not come back where another took its place', async () => {
    const id = await fresh();
    await engineer('DELETE', `/api/resonance/${id}`);
    const again = await engineer('POST', '/api/resonance', { ...COMBINATION, machineSerial: `SN-${serial}` });
    expect(again.statusCode).toBe(201);
    const back = await engineer('POST', `/api/resonance/${id}/restoration`);
    expect([back.statusCode, problems(back)]).toEqual([422, ['stickOutMm']]);
  });
});

describe('a tap test', () => {
  it('is kept, the newest counts, and every bench gets it with the crib', async () => {
    const id = await fresh();
    await engineer('POST', `/api/resonance/${id}/tips`, TIP);
    await engineer('POST', `/api/resonance/${id}/tips`, {
      ...TIP,
      modes: [{ hz: 1250, damping: 0.03, stiffness: 2e7 }],
    });
    const mine = (await all()).find((c) => c.id === id)!;
    expect(mine.tips.map((t) => t.modes[0]!.hz)).toEqual([1250]);
    const { resonance } = (await floor('GET', '/api/crib')).json<Crib>();
    const tip = resonance.tips.find((t) => t.machineSerial === `SN-${serial}`)!;
    // Tapped along x only: taken to be alike along y.
    expect(tip.structure.y).toEqual(tip.structure.x);
  });

  it.each([
    ['modes', { modes: [] }],
    ['modes[0].damping', { modes: [{ hz: 1200, damping: 1.2, stiffness: 2e7 }] }],
    // A mode that rings for minutes is noise, and nobody could look finely enough round it.
    ['modes[0].damping', { modes: [{ hz: 1200, damping: 1e-9, stiffness: 2e7 }] }],
    ['modes[0].hz', { modes: [{ hz: 1e-6, damping: 0.03, stiffness: 2e7 }] }],
    ['modes[0].shape[1]', { modes: [{ hz: 1200, damping: 0.03, stiffness: 2e7, shape: [1, 1e300] }] }],
    ['receptance', { receptance: { hz: Array.from({ length: 20 }, (_, i) => i), re: [1], im: [1] } }],
  ])('is refused for its %s', async (field, change) => {
    const id = await fresh();
    const answer = await engineer('POST', `/api/resonance/${id}/tips`, { ...TIP, ...change });
    expect([answer.statusCode, problems(answer)]).toEqual([400, [field]]);
    expect((await all()).find((c) => c.id === id)!.tips).toEqual([]);
  });

  it.each([
    ['modes', { modes: [{ hz: 1200, damping: 0.03, stiffness: 2e5 }] }],
    ['machineSerial', { origin: 'simulated hammer' }],
    [
      'modes',
      // Far too stiff as measured; a soft mode of the model above the range must not hide it.
      {
        modes: [
          { hz: 1200, damping: 0.03, stiffness: 2e10 },
          { hz: 6000, damping: 0.03, stiffness: 2e7 },
        ],
        receptance: {
          hz: Array.from({ length: 20 }, (_, i) => 200 * (i + 1)),
          re: Array.from({ length: 20 }, () => 1e-10),
          im: Array.from({ length: 20 }, () => -1e-11),
        },
      },
    ],
  ])('that no real tip can have is refused for its %s', async (field, change) => {
    const id = await fresh();
    const answer = await engineer('POST', `/api/resonance/${id}/tips`, { ...TIP, ...change });
    expect([answer.statusCode, problems(answer)]).toEqual([422, [field]]);
    expect((await all()).find((c) => c.id === id)!.tips).toEqual([]);
  });

  it('may be simulated on a practice serial', async () => {
    const made = await engineer('POST', '/api/resonance', { ...COMBINATION, machineSerial: 'PRACTICE 1' });
    const { id } = made.json<{ id: string }>();
    const simulated = { ...TIP, origin: 'simulated hammer' };
    expect((await engineer('POST', `/api/resonance/${id}/tips`, simulated)).statusCode).toBe(201);
    const cut = { ...CUT, simulated: true };
    expect((await engineer('POST', `/api/resonance/${id}/cuts`, cut)).statusCode).toBe(201);
    expect((await all()).find((c) => c.id === id)!.cuts[0]!.simulated).toBe(true);
  });

  it('is brought back over a newer one, which stays in the history', async () => {
    const id = await fresh();
    await engineer('POST', `/api/resonance/${id}/tips`, { ...TIP, origin: 'good.csv' });
    await engineer('POST', `/api/resonance/${id}/tips`, { ...TIP, origin: 'mistaken.csv' });
    const mine = async (): Promise<CombinationDetail> => (await all()).find((c) => c.id === id)!;
    const [earlier] = (await mine()).earlier;
    expect(earlier!.origin).toBe('good.csv');
    expect((await floor('POST', `/api/resonance/tips/${earlier!.id}/restore`)).statusCode).toBe(403);
    expect((await engineer('POST', `/api/resonance/tips/${earlier!.id}/restore`)).statusCode).toBe(201);
    const after = await mine();
    expect(after.tips[0]!.origin).toBe('good.csv');
    expect(after.earlier.map((t) => t.origin)).toEqual(['mistaken.csv', 'good.csv']);
    const gone = await engineer('POST', '/api/resonance/tips/00000000-0000-4000-8000-000000000000/restore');
    expect(gone.statusCode).toBe(404);
  });

  it('is not kept by someone who may not edit', async () => {
    const id = await fresh();
    expect((await floor('POST', `/api/resonance/${id}/tips`, TIP)).statusCode).toBe(403);
  });
});

describe('the notebook', () => {
  it('is written by whoever stands at the machine, with a recording that comes back as it was', async () => {
    const id = await fresh();
    const base64 = Buffer.from('RIFF....WAVE').toString('base64');
    const made = await floor('POST', `/api/resonance/${id}/cuts`, {
      ...CUT,
      attachment: { name: 'squeal.wav', type: 'audio/wav', base64 },
    });
    expect(made.statusCode).toBe(201);
    const [cut] = (await all()).find((c) => c.id === id)!.cuts;
    expect(cut).toMatchObject({
      heard: 'chatter',
      rpm: 2400,
      overridePercent: 90,
      attachmentName: 'squeal.wav',
    });
    expect(cut).not.toHaveProperty('attachment');
    const sound = await engineer('GET', `/api/resonance/cuts/${cut!.id}/attachment`);
    expect(sound.headers['content-type']).toContain('audio/wav');
    expect(sound.body).toBe('RIFF....WAVE');
  });

  it.each([
    ['overridePercent', { overridePercent: 5 }],
    ['hz', { hz: 3 }],
    ['heard', { heard: 'loud' }],
    ['attachment.type', { attachment: { name: 'a.exe', type: 'application/x-exe', base64: 'AA==' } }],
  ])('refuses a wrong %s and keeps what stands', async (field, change) => {
    const id = await fresh();
    await floor('POST', `/api/resonance/${id}/cuts`, CUT);
    const answer = await floor('POST', `/api/resonance/${id}/cuts`, { ...CUT, ...change });
    expect([answer.statusCode, problems(answer)]).toEqual([400, [field]]);
    expect((await all()).find((c) => c.id === id)!.cuts).toHaveLength(1);
  });

  it.each([
    ['rpm', { rpm: 99_999 }],
    ['radialEngagementMm', { radialEngagementMm: 50 }],
    ['axialDepthMm', { axialDepthMm: 80 }],
    ['machineSerial', { simulated: true }],
  ])('refuses what cannot have been run here: %s', async (field, change) => {
    const id = await fresh();
    const answer = await floor('POST', `/api/resonance/${id}/cuts`, { ...CUT, ...change });
    expect([answer.statusCode, problems(answer)]).toEqual([422, [field]]);
    expect((await all()).find((c) => c.id === id)!.cuts).toEqual([]);
  });

  it('a cut is struck by an engineer only', async () => {
    const id = await fresh();
    const { id: cut } = (await floor('POST', `/api/resonance/${id}/cuts`, CUT)).json<{ id: string }>();
    expect((await floor('DELETE', `/api/resonance/cuts/${cut}`)).statusCode).toBe(403);
    expect((await engineer('DELETE', `/api/resonance/cuts/${cut}`)).statusCode).toBe(200);
    expect((await engineer('DELETE', `/api/resonance/cuts/${cut}`)).statusCode).toBe(404);
  });
});
