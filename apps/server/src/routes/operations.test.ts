import type { JobDetail } from '@burl/contract';
import { PLAIN_DEMAND } from '@burl/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  demoJob,
  detailOf,
  freshJob,
  problemsOf,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
});
afterAll(() => server.stop());

const NOBODY = '00000000-0000-4000-8000-000000000000';
type Write = readonly [name: string, method: 'POST' | 'PUT' | 'DELETE', url: string, body?: unknown];

/** Every way to change what stands in a job's route, as it would be asked of this job; other ids where they are given. */
function writesTo(
  d: JobDetail,
  ids: { job?: string; setup?: string; op?: string; variant?: string; hole?: string } = {},
): Write[] {
  const setup = d.setups[0]!;
  const op = setup.operations[0]!;
  const variant = op.variants[0]!;
  const [jobId, setupId, opId, variantId] = [
    ids.job ?? d.job.id,
    ids.setup ?? setup.id,
    ids.op ?? op.id,
    ids.variant ?? variant.id,
  ];
  const holeId = ids.hole ?? d.holes[0]?.id ?? NOBODY;
  const demand = { ...PLAIN_DEMAND, name: 'More' };
  return [
    ['add a setup', 'POST', `/api/jobs/${jobId}/setups`, { name: 'More' }],
    ['rename a setup', 'PUT', `/api/setups/${setupId}`, { name: 'Other', version: setup.version }],
    ['remove a setup', 'DELETE', `/api/setups/${setupId}`],
    [
      'add an operation',
      'POST',
      `/api/jobs/${jobId}/operations`,
      { setupId, name: 'More', document: variant.document },
    ],
    ['put an operation back', 'POST', `/api/jobs/${jobId}/operations/back`, { ...backOf(op, 0), setupId }],
    [
      'rename an operation',
      'PUT',
      `/api/operations/${opId}`,
      { name: 'Other', selected: op.selected, version: op.version },
    ],
    ['remove an operation', 'DELETE', `/api/operations/${opId}`],
    [
      'change the order',
      'PUT',
      `/api/jobs/${jobId}/order`,
      { setups: d.setups.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id).reverse() })) },
    ],
    ['copy a variant', 'POST', `/api/operations/${opId}/variants`],
    [
      'save numbers',
      'PUT',
      `/api/variants/${variantId}`,
      { document: { ...variant.document, notes: 'other' }, version: variant.version },
    ],
    ['remove a variant', 'DELETE', `/api/variants/${variantId}`],
    ['state holes', 'POST', `/api/jobs/${jobId}/holes`, { demand }],
    ['change holes', 'PUT', `/api/holes/${holeId}`, { demand, chosen: null, changes: {}, version: 1 }],
    ['remove holes', 'DELETE', `/api/holes/${holeId}`],
  ];
}

/** What puts an operation back at a place. */
const backOf = (o: JobDetail['setups'][number]['operations'][number], place: number) => ({
  setupId: o.setupId,
  name: o.name,
  place,
  selected: o.selected,
  variants: o.variants.map(({ label, document }) => ({ label, document })),
  holeId: o.holeId,
  holeStep: o.holeStep,
});

describe('the route of a job that is locked', () => {
  it.each(['CV-0093', 'TT-0412'])(
    '%s: every change is refused with what to do instead, and nothing changes',
    async (number) => {
      const before = await demoJob(engineer, number);
      for (const [name, method, url, body] of writesTo(before)) {
        // This job states no holes, so there is none of it to change.
        if (url.includes(NOBODY)) continue;
        const answer = await engineer(method, url, body);
        expect([name, answer.statusCode]).toEqual([name, 423]);
        expect(answer.json<{ message: string }>().message).toMatch(
          /withdraw the request|open the next revision/,
        );
      }
      expect(await demoJob(engineer, number)).toEqual(before);
    },
  );

  it('holes and their steps stay as they were asked to be released', async () => {
    const { job } = await demoJob(engineer, 'GS-0140');
    const asked = await engineer('POST', `/api/jobs/${job.id}/release-requests`, { note: 'ready' });
    expect(asked.statusCode).toBe(201);
    const before = await detailOf(engineer, job.id);
    const holes = writesTo(before).filter(([name]) => name.endsWith('holes'));
    expect(holes).toHaveLength(3);
    for (const [name, method, url, body] of holes)
      expect([name, (await engineer(method, url, body)).statusCode]).toEqual([name, 423]);
    expect(await detailOf(engineer, job.id)).toEqual(before);
  });
});

describe('what is not there', () => {
  it('is said to be gone, whatever was to be done with it', async () => {
    const job = await freshJob(engineer);
    const gone = { job: NOBODY, setup: NOBODY, op: NOBODY, variant: NOBODY, hole: NOBODY };
    for (const [name, method, url, body] of writesTo(job, gone)) {
      const answer = await engineer(method, url, body);
      expect([name, answer.statusCode]).toEqual([name, 404]);
      expect(answer.json<{ message: string }>().message).toMatch(/is not there/);
    }
    expect((await engineer('PUT', `/api/operations/${NOBODY}/presence`)).statusCode).toBe(404);
  });

  it('is no id at all: named as such', async () => {
    const job = await freshJob(engineer);
    const none = { job: 'x', setup: 'x', op: 'x', variant: 'x', hole: 'x' };
    for (const [name, method, url, body] of writesTo(job, none)) {
      const answer = await engineer(method, url, body);
      expect([name, answer.statusCode >= 400 && answer.statusCode < 500]).toEqual([name, true]);
    }
  });

  it('an operation cannot be put into another job’s setup', async () => {
    const [mine, other] = [await freshJob(engineer), await demoJob(engineer, 'GW-1187')];
    const { document } = mine.setups[0]!.operations[0]!.variants[0]!;
    const answer = await engineer('POST', `/api/jobs/${mine.job.id}/operations`, {
      setupId: other.setups[0]!.id,
      name: 'Smuggled',
      document,
    });
    expect(answer.statusCode).toBe(404);
    expect(await demoJob(engineer, 'GW-1187')).toEqual(other);
  });
});

describe('two people at once', () => {
  it.each([
    ['a setup', 'setups', (d: JobDetail) => d.setups[0]!, {}],
    ['an operation', 'operations', (d: JobDetail) => d.setups[0]!.operations[0]!, { selected: 'A' }],
  ] as const)(
    'renaming %s: the second learns what the first saved, and nothing of it is lost',
    async (_, path, of, more) => {
      const job = await freshJob(engineer);
      const { id, version } = of(job);
      const first = await engineer('PUT', `/api/${path}/${id}`, { name: 'First', version, ...more });
      expect(first.statusCode).toBe(200);
      const second = await engineer('PUT', `/api/${path}/${id}`, { name: 'Second', version, ...more });
      expect(second.statusCode).toBe(409);
      expect(second.json<{ current: { name: string; version: number } }>().current).toMatchObject({
        name: 'First',
        version: version + 1,
      });
      const again = await engineer('PUT', `/api/${path}/${id}`, {
        name: 'Second',
        version: version + 1,
        ...more,
      });
      expect(again.statusCode).toBe(200);
      expect(of(await detailOf(engineer, job.job.id)).name).toBe('Second');
    },
  );

  it('an order made before somebody added an operation is refused with the route as it is', async () => {
    const job = await freshJob(engineer);
    const setup = job.setups[0]!;
    const order = { setups: [{ id: setup.id, operations: setup.operations.map((o) => o.id) }] };
    await engineer('POST', `/api/jobs/${job.job.id}/operations`, {
      setupId: setup.id,
      name: 'Added meanwhile',
      document: setup.operations[0]!.variants[0]!.document,
    });
    const answer = await engineer('PUT', `/api/jobs/${job.job.id}/order`, order);
    expect(answer.statusCode).toBe(409);
    const { current } = answer.json<{ current: { setups: JobDetail['setups'] } }>();
    expect(current.setups[0]!.operations.map((o) => o.name)).toEqual(['Drill', 'Added meanwhile']);
  });
});

describe('setups and operations', () => {
  it('an operation moves to another setup, and a removed one leaves the others in order', async () => {
    const job = await freshJob(engineer);
    const first = job.setups[0]!;
    const { document } = first.operations[0]!.variants[0]!;
    const more = (
      await engineer('POST', `/api/jobs/${job.job.id}/setups`, { name: 'Turned over' })
    ).json<JobDetail>();
    const second = more.setups[1]!;
    for (const name of ['Two', 'Three', 'Four'])
      await engineer('POST', `/api/jobs/${job.job.id}/operations`, { setupId: first.id, name, document });
    const ids = (await detailOf(engineer, job.job.id)).setups[0]!.operations.map((o) => o.id);
    const moved = (
      await engineer('PUT', `/api/jobs/${job.job.id}/order`, {
        setups: [
          { id: second.id, operations: [ids[3]] },
          { id: first.id, operations: [ids[2], ids[0], ids[1]] },
        ],
      })
    ).json<JobDetail>();
    expect(moved.setups.map((s) => [s.name, s.operations.map((o) => o.name)])).toEqual([
      ['Turned over', ['Four']],
      [first.name, ['Three', 'Drill', 'Two']],
    ]);
    const fewer = (await engineer('DELETE', `/api/operations/${ids[0]}`)).json<JobDetail>();
    expect(fewer.setups[1]!.operations.map((o) => o.name)).toEqual(['Three', 'Two']);
    const events = (await engineer('GET', `/api/jobs/${job.job.id}/events`)).json<
      { action: string; subject: string }[]
    >();
    expect(events[0]).toMatchObject({ action: 'removed operation', subject: 'Drill' });
  });

  it('only a variant that is there can be chosen, and the chosen one stays', async () => {
    const job = await freshJob(engineer);
    const op = job.setups[0]!.operations[0]!;
    const choose = (selected: string, version: number) =>
      engineer('PUT', `/api/operations/${op.id}`, { name: op.name, selected, version });
    expect(problemsOf(await choose('B', op.version))).toEqual(['selected']);
    expect(problemsOf(await choose('Z', op.version))).toEqual(['selected']);
    const copy = (await engineer('POST', `/api/operations/${op.id}/variants`)).json<{
      id: string;
      label: string;
    }>();
    expect(copy.label).toBe('B');
    expect((await choose('B', op.version)).statusCode).toBe(200);
    const kept = await engineer('DELETE', `/api/variants/${copy.id}`);
    expect([kept.statusCode, kept.json<{ error: string }>().error]).toEqual([409, 'in-use']);
    expect((await engineer('DELETE', `/api/variants/${op.variants[0]!.id}`)).json()).toEqual({
      removed: op.variants[0]!.id,
    });
    // A letter that was given once stays with what it named.
    expect(
      (await engineer('POST', `/api/operations/${op.id}/variants`)).json<{ label: string }>().label,
    ).toBe('C');
  });

  it.each([
    ['no name', { name: '' }, 'name'],
    ['blanks for a name', { name: '   ' }, 'name'],
    ['a name as long as a page', { name: 'x'.repeat(3000) }, 'name'],
    ['no number for a name', { name: 7 }, 'name'],
    ['a field nobody knows', { name: 'Setup', colour: 'red' }, 'colour'],
  ])('a setup with %s is refused by field', async (_, body, field) => {
    const job = await freshJob(engineer);
    const answer = await engineer('POST', `/api/jobs/${job.job.id}/setups`, body);
    expect(answer.statusCode).toBeGreaterThanOrEqual(400);
    expect(answer.statusCode).toBeLessThan(500);
    expect(answer.body).toContain(field);
    expect((await detailOf(engineer, job.job.id)).setups).toHaveLength(1);
  });
});

describe('an operation that was removed', () => {
  it('comes back where it stood, with every variant and the one that was chosen', async () => {
    const job = await freshJob(engineer);
    const { document } = job.setups[0]!.operations[0]!.variants[0]!;
    const setupId = job.setups[0]!.id;
    for (const name of ['Two', 'Three'])
      await engineer('POST', `/api/jobs/${job.job.id}/operations`, { setupId, name, document });
    const two = (await detailOf(engineer, job.job.id)).setups[0]!.operations[1]!;
    const b = (await engineer('POST', `/api/operations/${two.id}/variants`)).json<{
      id: string;
      version: number;
    }>();
    const other = { ...document, notes: 'slower, for the thin wall' };
    await engineer('PUT', `/api/variants/${b.id}`, { document: other, version: b.version });
    await engineer('PUT', `/api/operations/${two.id}`, { name: 'Two', selected: 'B', version: two.version });
    const whole = (await detailOf(engineer, job.job.id)).setups[0]!.operations[1]!;
    await engineer('DELETE', `/api/operations/${two.id}`);

    const answer = await engineer('POST', `/api/jobs/${job.job.id}/operations/back`, backOf(whole, 1));
    expect(answer.statusCode).toBe(201);
    const { operations } = answer.json<JobDetail>().setups[0]!;
    expect(operations.map((o) => o.name)).toEqual(['Drill', 'Two', 'Three']);
    expect(operations[1]!.selected).toBe('B');
    expect(operations[1]!.variants.map((v) => [v.label, v.document])).toEqual([
      ['A', document],
      ['B', other],
    ]);
  });

  it('of a kind of hole is its step again, but of no other job’s', async () => {
    const manifold = await demoJob(engineer, 'TM-0231');
    const { id } = manifold.job;
    const operations = manifold.setups[0]!.operations;
    const at = operations.findIndex((o) => o.holeStep === 'tap');
    const tap = operations[at]!;
    await engineer('DELETE', `/api/operations/${tap.id}`);
    const mine = await freshJob(engineer);
    const setupId = mine.setups[0]!.id;
    const stray = await engineer('POST', `/api/jobs/${mine.job.id}/operations/back`, {
      ...backOf(tap, 0),
      setupId,
    });
    expect(stray.statusCode).toBe(404);
    const back = (
      await engineer('POST', `/api/jobs/${id}/operations/back`, backOf(tap, at))
    ).json<JobDetail>();
    const there = back.setups[0]!.operations[at]!;
    expect([there.name, there.holeId, there.holeStep]).toEqual([tap.name, tap.holeId, 'tap']);
    expect(back.setups[0]!.operations.map((o) => o.name)).toEqual(operations.map((o) => o.name));
  });

  it.each([
    ['two variants of one letter', { variants: 'twice' }, 'variants'],
    ['a chosen letter it has not', { selected: 'C' }, 'variants'],
    ['no variant', { variants: [] }, 'variants'],
    ['a place before the first', { place: -1 }, 'place'],
    ['a step nobody knows', { holeStep: 'polish' }, 'holeStep'],
  ])('is refused with %s', async (_, change, field) => {
    const job = await freshJob(engineer);
    const op = job.setups[0]!.operations[0]!;
    const back = { ...backOf(op, 0), ...change };
    const [variant] = backOf(op, 0).variants;
    const body = back.variants === 'twice' ? { ...back, variants: [variant, variant] } : back;
    const answer = await engineer('POST', `/api/jobs/${job.job.id}/operations/back`, body);
    expect(answer.statusCode).toBeGreaterThanOrEqual(400);
    expect(answer.statusCode).toBeLessThan(500);
    expect(problemsOf(answer)).toContain(field);
    expect((await detailOf(engineer, job.job.id)).setups[0]!.operations).toHaveLength(1);
  });

  it('with an impossible cut is refused by variant and field', async () => {
    const job = await freshJob(engineer);
    const op = job.setups[0]!.operations[0]!;
    const back = backOf(op, 0);
    const document = { ...back.variants[0]!.document, flankWearMm: 7 };
    const answer = await engineer('POST', `/api/jobs/${job.job.id}/operations/back`, {
      ...back,
      variants: [back.variants[0], { label: 'B', document }],
    });
    expect(problemsOf(answer)).toEqual(['variants[1].document.flankWearMm']);
  });
});
