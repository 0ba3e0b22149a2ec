import type { JobDetail, Variant } from '@burl/contract';
import {
  type MillingOperation,
  drivenHolders,
  drivenLathes,
  smallMachines,
  workingHolders,
} from '@burl/core';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  cribOf,
  demoJob,
  freshJob,
  pickFields,
  problemsOf,
  startTestServer,
  type TestServer,
  workedOut,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let approver: Caller;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  approver = await server.as('approver');
});
afterAll(() => server.stop());

const variantOf = (d: JobDetail): Variant => d.setups[0]!.operations[0]!.variants[0]!;

describe('demo', () => {
  it('shows nine jobs: two over, four tight, one clear, one waiting, one released and clear', async () => {
    const jobs = await workedOut(engineer);
    const by = Object.fromEntries(jobs.map((j) => [j.number, [j.status, j.governing?.state]]));
    expect(by).toEqual({
      'GW-1187': ['draft', 'over'],
      'TT-0420': ['draft', 'tight'],
      'TM-0231': ['draft', 'tight'],
      'GS-0140': ['draft', 'clear'],
      'CV-0588': ['draft', 'tight'],
      'CV-0612': ['draft', 'over'],
      'CV-0715': ['draft', 'tight'],
      'CV-0093': ['requested', 'tight'],
      'TT-0412': ['released', 'clear'],
    });
    expect(jobs.reduce((n, j) => n + j.operations, 0)).toBe(43);
  });
});

describe('a variant', () => {
  it('is saved, read back, and its version counts up', async () => {
    const job = await freshJob(engineer);
    const v = variantOf(job);
    const document = { ...v.document, notes: 'listen at the bottom' };
    const saved = (
      await engineer('PUT', `/api/variants/${v.id}`, { document, version: v.version })
    ).json<Variant>();
    expect(saved.version).toBe(v.version + 1);
    const again = variantOf((await engineer('GET', `/api/jobs/${job.job.id}`)).json<JobDetail>());
    expect(again.document).toEqual(document);
  });

  it('refuses the second of two edits and hands over what was saved', async () => {
    const job = await freshJob(engineer);
    const v = variantOf(job);
    const mine = { ...v.document, notes: 'mine' };
    const theirs = { ...v.document, notes: 'theirs' };
    const answers = await Promise.all([
      engineer('PUT', `/api/variants/${v.id}`, { document: mine, version: v.version }),
      approver('PUT', `/api/variants/${v.id}`, { document: theirs, version: v.version }),
    ]);
    expect(answers.map((a) => a.statusCode).sort()).toEqual([200, 409]);
    const won = answers.find((a) => a.statusCode === 200)!.json<Variant>();
    const lost = answers.find((a) => a.statusCode === 409)!.json<{ error: string; current: Variant }>();
    expect(lost.error).toBe('stale');
    expect(lost.current.document).toEqual(won.document);
  });

  it('refuses the impossible with field and range, and keeps what was saved', async () => {
    const job = await freshJob(engineer);
    const v = variantOf(job);
    const bad = await engineer('PUT', `/api/variants/${v.id}`, {
      document: { ...v.document, cut: { ...v.document.cut, feedPerRevMm: -1 } },
      version: v.version,
    });
    expect(bad.statusCode).toBe(422);
    expect(problemsOf(bad)).toEqual(['cut.feedPerRevMm']);
    const shapeless = await engineer('PUT', `/api/variants/${v.id}`, {
      document: { ...v.document, coolant: 'lemonade', extra: 1 },
      version: v.version,
    });
    expect(shapeless.statusCode).toBe(400);
    expect(shapeless.body).toMatch(/coolant/);
    const now = variantOf((await engineer('GET', `/api/jobs/${job.job.id}`)).json<JobDetail>());
    expect(now).toEqual(v);
  });

  it('is copied under the next letter, chosen, and at most four stand side by side', async () => {
    const job = await freshJob(engineer);
    const op = job.setups[0]!.operations[0]!;
    for (const letter of ['B', 'C', 'D']) {
      expect((await engineer('POST', `/api/operations/${op.id}/variants`)).json<Variant>().label).toBe(
        letter,
      );
    }
    expect((await engineer('POST', `/api/operations/${op.id}/variants`)).statusCode).toBe(422);
    const chosen = await engineer('PUT', `/api/operations/${op.id}`, {
      name: op.name,
      selected: 'C',
      version: op.version,
    });
    expect(chosen.json()).toMatchObject({ selected: 'C' });
    const stale = await engineer('PUT', `/api/operations/${op.id}`, {
      name: op.name,
      selected: 'A',
      version: op.version,
    });
    expect(stale.statusCode).toBe(409);
  });
});

describe('letters of variants', () => {
  it('stay: the letter of one that is gone is not given to the next copy', async () => {
    const job = await freshJob(engineer);
    const op = job.setups[0]!.operations[0]!;
    const copy = async (): Promise<Variant> =>
      (await engineer('POST', `/api/operations/${op.id}/variants`)).json<Variant>();
    const b = await copy();
    expect(b.label).toBe('B');
    await engineer('PUT', `/api/operations/${op.id}`, { name: op.name, selected: 'B', version: op.version });
    expect((await engineer('DELETE', `/api/variants/${op.variants[0]!.id}`)).statusCode).toBe(200);
    expect((await copy()).label).toBe('C');
  });
});

describe('a job and its route', () => {
  it('names what is wrong in a request for a job', async () => {
    const fields = pickFields(await demoJob(engineer, 'GW-1187'));
    const bad = await engineer('POST', '/api/jobs', { ...fields, quantity: 0, due: 'soon' });
    expect(problemsOf(bad).sort()).toEqual(['due', 'quantity']);
    const unknown = await engineer('POST', '/api/jobs', { ...fields, alloyId: 'unobtainium' });
    expect([unknown.statusCode, problemsOf(unknown)]).toEqual([422, ['alloyId']]);
  });

  it('refuses a stale change of the job with both versions', async () => {
    const { job } = await freshJob(engineer);
    const fields = pickFields({ job, setups: [], holes: [] });
    const url = `/api/jobs/${job.id}`;
    expect((await engineer('PUT', url, { ...fields, quantity: 30, version: job.version })).statusCode).toBe(
      200,
    );
    const late = await engineer('PUT', url, { ...fields, quantity: 40, version: job.version });
    expect(late.statusCode).toBe(409);
    expect(late.json<{ current: { quantity: number } }>().current.quantity).toBe(30);
  });

  it('takes a new order only when it names every operation once', async () => {
    const before = await demoJob(engineer, 'GW-1187');
    const order = before.setups.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id) }));
    const turned = order.map((s) => ({ ...s, operations: [...s.operations].reverse() }));
    const after = (
      await engineer('PUT', `/api/jobs/${before.job.id}/order`, { setups: turned })
    ).json<JobDetail>();
    expect(after.setups.map((s) => s.operations.map((o) => o.id))).toEqual(turned.map((s) => s.operations));
    const short = await engineer('PUT', `/api/jobs/${before.job.id}/order`, { setups: order.slice(1) });
    expect(short.statusCode).toBe(409);
    await engineer('PUT', `/api/jobs/${before.job.id}/order`, { setups: order });
  });

  it('keeps a setup that has operations and removes an empty one', async () => {
    const job = await freshJob(engineer);
    const more = (
      await engineer('POST', `/api/jobs/${job.job.id}/setups`, { name: 'Setup 2' })
    ).json<JobDetail>();
    expect((await engineer('DELETE', `/api/setups/${job.setups[0]!.id}`)).statusCode).toBe(409);
    const fewer = (await engineer('DELETE', `/api/setups/${more.setups[1]!.id}`)).json<JobDetail>();
    expect(fewer.setups).toHaveLength(1);
  });

  it('tells who else is in an operation', async () => {
    const { setups } = await demoJob(engineer, 'GW-1187');
    const url = `/api/operations/${setups[0]!.operations[1]!.id}/presence`;
    expect((await engineer('PUT', url)).json()).toEqual({ others: [] });
    expect((await approver('PUT', url)).json()).toEqual({ others: ['Ada Eder'] });
  });

  it('writes the record, which nobody can change', async () => {
    const { job } = await freshJob(engineer);
    const events = (await engineer('GET', `/api/jobs/${job.id}/events`)).json<
      { person: string; action: string }[]
    >();
    expect(events.map((e) => e.action)).toEqual(['added operation', 'made job']);
    for (const command of [
      'update audit_events set action = $$x$$',
      'delete from audit_events',
      'truncate audit_events',
    ]) {
      await expect(server.connection.db.execute(sql.raw(command))).rejects.toMatchObject({
        cause: { message: 'audit events are append-only' },
      });
    }
  });

  it('reads text as text, whatever it looks like', async () => {
    const fields = pickFields(await demoJob(engineer, 'GW-1187'));
    const part = `'; drop table jobs; -- <script>alert(1)</script>`;
    const made = (await engineer('POST', '/api/jobs', { ...fields, number: 'T-3', part })).json<JobDetail>();
    expect(made.job.part).toBe(part);
    expect((await engineer('GET', '/api/jobs')).statusCode).toBe(200);
  });
});

describe('the crib', () => {
  it('carries the whole reference data with provenance', async () => {
    const crib = await cribOf(engineer);
    expect([crib.alloys.length, crib.machines.length, crib.holders.length]).toEqual([
      51,
      9 + smallMachines().length + drivenLathes().length,
      13 + workingHolders().length + drivenHolders().length,
    ]);
    const built = crib.cutters.filter((c) => c.origin === 'built-in');
    expect(built.length).toBeGreaterThan(1500);
    expect(new Set(built.map((c) => c.id)).size).toBe(built.length);
    expect((crib.alloys[0]!.document.sources ?? []).length).toBeGreaterThan(3);
  });

  it('keeps built-in entries, lets a shop copy one and change the copy', async () => {
    const crib = await cribOf(engineer);
    const original = crib.alloys.find((a) => a.id === '718-aged')!;
    expect(
      (await engineer('PUT', '/api/crib/alloys/718-aged', { version: 1, document: original.document }))
        .statusCode,
    ).toBe(423);
    const copied = await engineer('POST', '/api/crib/alloys', {
      copyOf: '718-aged',
      id: 'our-718',
      name: 'Our 718',
    });
    expect(copied.statusCode).toBe(201);
    expect(
      (await engineer('POST', '/api/crib/alloys', { copyOf: '718-aged', id: 'our-718', name: 'Twice' }))
        .statusCode,
    ).toBe(422);
    const copy = copied.json<{ version: number; document: typeof original.document }>();
    const kc = { low: 2500, typical: 2600, high: 2700 };
    const document = { ...copy.document, kienzle: { ...copy.document.kienzle, kc11_n_mm2: kc } };
    const put = (body: unknown) => engineer('PUT', '/api/crib/alloys/our-718', body);
    expect((await put({ version: 1, document })).json()).toMatchObject({ version: 2 });
    expect((await put({ version: 1, document })).statusCode).toBe(409);
    const upside = await put({
      version: 2,
      document: {
        ...document,
        kienzle: { ...document.kienzle, kc11_n_mm2: { low: 3, typical: 2, high: 1 } },
      },
    });
    expect([upside.statusCode, problemsOf(upside)]).toEqual([400, ['document.kienzle.kc11_n_mm2']]);
  });

  it('takes no cutter made of what the crib does not have, and its jobs stay readable', async () => {
    await engineer('POST', '/api/crib/cutters', {
      copyOf: 'em-bull-12-z5-re0.5-var',
      id: 'our-mill',
      name: 'Our mill',
    });
    const mine = (await cribOf(engineer)).cutters.find((c) => c.id === 'our-mill')!.document;
    for (const part of ['substrate', 'coating']) {
      const document = { ...mine, extended: { ...mine.extended, [part]: 'constructor' } };
      const refused = await engineer('PUT', '/api/crib/cutters/our-mill', { version: 1, document });
      expect([refused.statusCode, problemsOf(refused)]).toEqual([422, [`document.extended.${part}`]]);
    }
    expect((await engineer('GET', '/api/jobs')).statusCode).toBe(200);
    expect((await engineer('DELETE', '/api/crib/cutters/our-mill')).statusCode).toBe(200);
  });

  it('keeps an entry that an operation uses, and removes one that none does', async () => {
    const job = await demoJob(engineer, 'GW-1187');
    const op = job.setups[0]!.operations[1]!.variants[0]!;
    await engineer('POST', '/api/crib/holders', {
      copyOf: 'shrink-12-80',
      id: 'our-shrink',
      name: 'Our shrink holder',
    });
    const document: MillingOperation = {
      ...(op.document as MillingOperation),
      tooling: { ...op.document.tooling, holderId: 'our-shrink' },
    };
    await engineer('PUT', `/api/variants/${op.id}`, { document, version: op.version });
    expect((await engineer('DELETE', '/api/crib/holders/our-shrink')).statusCode).toBe(409);
    await engineer('PUT', `/api/variants/${op.id}`, { document: op.document, version: op.version + 1 });
    expect((await engineer('DELETE', '/api/crib/holders/our-shrink')).statusCode).toBe(200);
  });

  it('refuses a machine curve with one point', async () => {
    await engineer('POST', '/api/crib/machines', {
      copyOf: 'bench-2kw',
      id: 'our-bench',
      name: 'Our bench mill',
    });
    const machine = (await cribOf(engineer)).machines.find((m) => m.id === 'our-bench')!.document;
    const document = {
      ...machine,
      power_torque: { ...machine.power_torque, s1: machine.power_torque.s1.slice(0, 1) },
    };
    const answer = await engineer('PUT', '/api/crib/machines/our-bench', { version: 1, document });
    expect(answer.json<{ message: string }>().message).toMatch(/s1.*two points or more/);
  });

  it('puts a cutter in a holder under a name, with versions', async () => {
    const input = {
      name: 'Rougher',
      cutterId: 'em-bull-12-z4-re1-var',
      holderId: 'shrink-12-80',
      stickOutMm: 40,
      runoutUm: null,
    };
    const made = (await engineer('POST', '/api/assemblies', input)).json<{ id: string; version: number }>();
    const url = `/api/assemblies/${made.id}`;
    expect((await engineer('PUT', url, { ...input, runoutUm: 5, version: 1 })).json()).toMatchObject({
      runoutUm: 5,
      version: 2,
    });
    expect((await engineer('PUT', url, { ...input, version: 1 })).statusCode).toBe(409);
    const pair = await engineer('POST', '/api/assemblies', { ...input, cutterId: 'face45-63-z6' });
    expect(pair.statusCode).toBe(422);
    expect(pair.json<{ message: string }>().message).toMatch(/A shell mill goes on an arbor/);
    expect((await engineer('POST', '/api/assemblies', { ...input, holderId: 'nothing' })).statusCode).toBe(
      422,
    );
  });
});
