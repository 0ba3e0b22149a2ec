import { type HoleDemand, PLAIN_DEMAND } from '@burl/core';
import type { HoleKindRecord, JobDetail, JobFile, Release } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  cribOf,
  demoJob,
  detailOf,
  pickFields,
  problemsOf,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';
import { demoSteps } from '../seed/demo-holes.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;
beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
});
afterAll(() => server.stop());

const M6: HoleDemand = { ...PLAIN_DEMAND, name: 'Threads', thread: 'M6', depthMm: 12, partValue: 2400 };

let count = 0;
/** An empty job in super duplex with one kind of hole. */
async function fresh(demand = M6): Promise<{ job: JobDetail['job']; setupId: string; kind: HoleKindRecord }> {
  const fields = pickFields(await demoJob(engineer, 'TM-0231'));
  const made = (await engineer('POST', '/api/jobs', { ...fields, number: `H-${++count}` })).json<JobDetail>();
  const answer = await engineer('POST', `/api/jobs/${made.job.id}/holes`, { demand });
  expect(answer.statusCode).toBe(201);
  return { job: made.job, setupId: made.setups[0]!.id, kind: answer.json<HoleKindRecord>() };
}
async function stepsOf(job: JobDetail['job'], demand: HoleDemand, chosen: string) {
  const steps = demoSteps(await cribOf(engineer), job, { demand, chosen, setup: 0 });
  return steps.map((s) => ({ name: s.name, step: s.key, document: s.op }));
}

describe('kinds of holes', () => {
  it('of the demo stand in its jobs with their steps in the route', async () => {
    const { holes, setups } = await demoJob(engineer, 'TM-0231');
    expect(holes.map((h) => h.demand.name)).toEqual(['Channels 8 deep', 'Flange threads', 'Bolt holes']);
    const steps = setups[0]!.operations.filter((o) => o.holeId === holes[1]!.id).map((o) => o.holeStep);
    expect(steps).toEqual(['drill', 'chamfer', 'tap']);
    const seat = await demoJob(engineer, 'GS-0140');
    expect(seat.setups[0]!.operations.map((o) => o.holeStep)).toEqual(['drill', 'chamfer', 'ream']);
  });

  it('are stated, changed and removed; a stale change is refused with the present one', async () => {
    const { job, kind } = await fresh();
    const next = {
      demand: { ...M6, depthMm: 14 },
      chosen: 'tap',
      changes: { tap: { drill: { speedRpm: 900 } } },
    };
    const changed = await engineer('PUT', `/api/holes/${kind.id}`, { ...next, version: kind.version });
    expect([changed.statusCode, changed.json<HoleKindRecord>().version]).toEqual([200, 2]);
    const stale = await engineer('PUT', `/api/holes/${kind.id}`, { ...next, version: kind.version });
    expect(stale.statusCode).toBe(409);
    expect((await detailOf(engineer, job.id)).holes[0]).toMatchObject(next);
    expect((await engineer('DELETE', `/api/holes/${kind.id}`)).statusCode).toBe(200);
    expect((await detailOf(engineer, job.id)).holes).toEqual([]);
    expect((await engineer('DELETE', `/api/holes/${kind.id}`)).statusCode).toBe(404);
  });

  it.each([
    ['a depth below 0', { ...M6, depthMm: -3 }, 422, 'depthMm'],
    ['a thread of no table', { ...M6, thread: 'M6.1' }, 422, 'thread'],
    ['a word for a number', { ...M6, diameterMm: 'six' }, 400, 'demand.diameterMm'],
    ['a pattern nobody knows', { ...M6, pattern: { kind: 'spiral' } }, 400, 'demand.pattern.kind'],
  ])('%s is refused by its field', async (_what, demand, status, field) => {
    const { job } = await fresh();
    const answer = await engineer('POST', `/api/jobs/${job.id}/holes`, { demand });
    expect([answer.statusCode, problemsOf(answer)]).toEqual([status, [field]]);
    expect((await detailOf(engineer, job.id)).holes).toHaveLength(1);
  });

  it('changes of steps nobody knows are refused', async () => {
    const { kind } = await fresh();
    const answer = await engineer('PUT', `/api/holes/${kind.id}`, {
      demand: M6,
      chosen: null,
      changes: { tap: { polish: {} } },
      version: 1,
    });
    expect(answer.statusCode).toBe(400);
  });

  it('the floor reads and does not write', async () => {
    const { job, kind } = await fresh();
    expect((await floor('GET', `/api/jobs/${job.id}`)).json<JobDetail>().holes).toHaveLength(1);
    expect((await floor('DELETE', `/api/holes/${kind.id}`)).statusCode).toBe(403);
    expect((await floor('POST', `/api/jobs/${job.id}/holes`, { demand: M6 })).statusCode).toBe(403);
  });
});

describe('steps in the route', () => {
  it('are put there, and another way takes the place of the first', async () => {
    const { job, setupId, kind } = await fresh();
    const url = `/api/holes/${kind.id}/steps`;
    const tapped = await engineer('POST', url, { setupId, steps: await stepsOf(job, M6, 'tap') });
    expect(tapped.statusCode).toBe(201);
    const after = await engineer('POST', `/api/jobs/${job.id}/operations`, {
      setupId,
      name: 'Last',
      document: (await demoJob(engineer, 'TM-0231')).setups[0]!.operations[0]!.variants[0]!.document,
    });
    expect(after.statusCode).toBe(201);
    await engineer('POST', url, { setupId, steps: await stepsOf(job, M6, 'thread-mill') });
    const { setups } = await detailOf(engineer, job.id);
    expect(setups[0]!.operations.map((o) => o.holeStep)).toEqual(['drill', 'chamfer', 'thread-mill', null]);
    expect(setups[0]!.operations.every((o) => o.variants.length === 1)).toBe(true);
  });

  it('an impossible step refuses all of them and leaves the route as it was', async () => {
    const { job, setupId, kind } = await fresh();
    const steps = await stepsOf(job, M6, 'tap');
    await engineer('POST', `/api/holes/${kind.id}/steps`, { setupId, steps });
    const broken = steps.map((s, i) =>
      i === 2 ? { ...s, document: { ...s.document, hole: { ...s.document.hole, startMm: 7 } } } : s,
    );
    const answer = await engineer('POST', `/api/holes/${kind.id}/steps`, { setupId, steps: broken });
    expect([answer.statusCode, problemsOf(answer)]).toEqual([422, ['steps[2].document.hole.startMm']]);
    expect((await detailOf(engineer, job.id)).setups[0]!.operations).toHaveLength(3);
  });

  it('go with the kind when it is removed', async () => {
    const { job, setupId, kind } = await fresh();
    await engineer('POST', `/api/holes/${kind.id}/steps`, { setupId, steps: await stepsOf(job, M6, 'tap') });
    await engineer('DELETE', `/api/holes/${kind.id}`);
    expect((await detailOf(engineer, job.id)).setups[0]!.operations).toEqual([]);
  });

  it('are locked while release is asked for, and released with what the setter has to know', async () => {
    const { job, setupId, kind } = await fresh();
    await engineer('POST', `/api/holes/${kind.id}/steps`, {
      setupId,
      steps: await stepsOf(job, M6, 'thread-mill'),
    });
    const asked = await engineer('POST', `/api/jobs/${job.id}/release-requests`, {
      note: 'first of this kind',
    });
    expect(asked.statusCode).toBe(201);
    expect((await engineer('DELETE', `/api/holes/${kind.id}`)).statusCode).toBe(423);
    const [first] = (await engineer('GET', `/api/jobs/${job.id}/releases`)).json<{ id: string }[]>();
    const { snapshot } = (await engineer('GET', `/api/releases/${first!.id}`)).json<Release>();
    expect(snapshot.operations.map((o) => o.evaluation.kind)).toEqual([
      'drilling',
      'chamfering',
      'thread-milling',
    ]);
    expect(snapshot.operations.every((o) => o.evaluation.risk)).toBe(true);
  });
});

describe('job file', () => {
  it('carries kinds of holes and ties their steps to them again', async () => {
    const { job, setupId, kind } = await fresh();
    await engineer('POST', `/api/holes/${kind.id}/steps`, { setupId, steps: await stepsOf(job, M6, 'tap') });
    const file = (await engineer('GET', `/api/jobs/${job.id}/export`)).json<JobFile>();
    expect(file.holes).toEqual([{ demand: M6, chosen: null, changes: {} }]);
    expect(file.setups[0]!.operations.map((o) => [o.hole, o.step])).toEqual([
      [0, 'drill'],
      [0, 'chamfer'],
      [0, 'tap'],
    ]);
    const made = (await engineer('POST', '/api/jobs/import', file)).json<JobDetail>();
    const back = await detailOf(engineer, made.job.id);
    expect(back.holes[0]!.demand).toEqual(M6);
    expect(back.setups[0]!.operations.every((o) => o.holeId === back.holes[0]!.id)).toBe(true);
  });

  it('refuses a step of a kind that is not in it', async () => {
    const { job, setupId, kind } = await fresh();
    await engineer('POST', `/api/holes/${kind.id}/steps`, { setupId, steps: await stepsOf(job, M6, 'tap') });
    const file = (await engineer('GET', `/api/jobs/${job.id}/export`)).json<JobFile>();
    const answer = await engineer('POST', '/api/jobs/import', { ...file, holes: [] });
    expect([answer.statusCode, problemsOf(answer)]).toEqual([422, ['setups[0].operations[0].hole']]);
  });
});
