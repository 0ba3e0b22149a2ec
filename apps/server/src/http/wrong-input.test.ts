import type { JobDetail } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  cribOf,
  demoJob,
  pickFields,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let fields: Record<string, unknown>;
let job: JobDetail;
const log: string[] = [];
beforeAll(async () => {
  server = await startTestServer({}, { log: { write: (line) => void log.push(line) } });
  engineer = await server.as('engineer');
  job = await demoJob(engineer, 'GW-1187');
  fields = { ...pickFields(job), number: 'W-1' };
});
afterAll(() => server.stop());

interface Answer {
  readonly error: string;
  readonly problems?: { field: string; value: unknown; allowed: string }[];
}

/** As text: written out by hand, since nothing else would. */
const deep = (n: number): string => `{"notes":${'['.repeat(n)}${']'.repeat(n)}}`;

describe('input nobody can use', () => {
  it.each<[string, () => unknown, string]>([
    ['an empty date', () => ({ ...fields, due: '' }), 'due'],
    ['a day that is not', () => ({ ...fields, due: '2026-02-31' }), 'due'],
    ['NUL', () => ({ ...fields, notes: 'a\u0000b' }), 'notes'],
    ['half of a surrogate pair', () => ({ ...fields, part: 'Ring \ud800' }), 'part'],
    ['a number beyond counting', () => ({ ...fields, quantity: 1e300 }), 'quantity'],
    ['a field of its own', () => ({ ...fields, price: 12 }), ''],
    ['JSON deeper than anything', () => deep(5000), ''],
    ['a list of everything', () => Array.from({ length: 20_000 }, () => 1), ''],
  ])('%s is refused by field, value and what is allowed', async (_, body, field) => {
    const answer = await engineer('POST', '/api/jobs', body(), { 'content-type': 'application/json' });
    expect(answer.statusCode).toBe(400);
    const { problems } = answer.json<Answer>();
    expect(problems!.length).toBeGreaterThan(0);
    if (field !== '') expect(problems!.map((p) => p.field)).toEqual([field]);
    for (const p of problems!) expect(p.allowed).not.toBe('');
  });

  it.each([2 ** 31, 2 ** 53, -1, 1.5, '1'])('version %s is refused where it stands', async (version) => {
    const variant = job.setups[0]!.operations[0]!.variants[0]!;
    const answer = await engineer('PUT', `/api/variants/${variant.id}`, {
      document: variant.document,
      version,
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.json<Answer>().problems!.map((p) => p.field)).toEqual(['version']);
  });

  it('an entry a job names is not removed, by one or by two at once', async () => {
    const alloy = (await cribOf(engineer)).alloys[0]!;
    const copied = await engineer('POST', '/api/crib/alloys', {
      copyOf: alloy.id,
      id: 'own-alloy',
      name: 'Own',
    });
    expect(copied.statusCode).toBeLessThan(300);
    await engineer('POST', '/api/jobs', { ...fields, number: 'W-2', alloyId: 'own-alloy' });
    const remove = () => engineer('DELETE', '/api/crib/alloys/own-alloy');
    expect((await remove()).json()).toMatchObject({ error: 'in-use' });
    const two = await Promise.all([remove(), remove()]);
    expect(two.map((a) => a.statusCode)).toEqual([409, 409]);
    const { job: made } = await demoJob(engineer, 'W-2');
    const gone = await Promise.all([
      engineer('DELETE', `/api/jobs/${made.id}`),
      engineer('DELETE', `/api/jobs/${made.id}`),
    ]);
    expect(gone.map((a) => a.statusCode).sort()).toEqual([200, 404]);
  });

  it('names no more than fifty problems, and says how many more there are', async () => {
    const answer = await engineer('POST', '/api/jobs/import', {
      format: 'burl-job',
      setups: Array.from({ length: 45 }, () => ({ name: 5, operations: 'none', notes: 7 })),
    });
    expect(answer.statusCode).toBeLessThan(500);
    expect(answer.json<Answer>().problems!.length).toBeLessThanOrEqual(50);
    expect(answer.body.length).toBeLessThan(20_000);
  });

  it('never sends one’s own words back as news of the database', async () => {
    const answer = await engineer('POST', '/api/jobs', {
      ...fields,
      number: 'W-3',
      notes: 'the spindle terminates; connection terminated',
      quantity: -1,
    });
    expect(answer.json<Answer>().error).toBe('input');
  });

  it('leaves little in the log, and none of what was sent', async () => {
    log.length = 0;
    const secret = 'zanzibar-note';
    await engineer('POST', '/api/jobs', { ...fields, number: secret, notes: `${secret}\u0000`.repeat(100) });
    await engineer('GET', `/api/jobs/${secret}`);
    await server.anybody('POST', '/api/session', { email: 'engineer@burl.example', password: secret });
    expect(log.join('')).not.toContain(secret);
    expect(log.join('').length).toBeLessThan(4000);
    // A sign-in that failed is written down with its address.
    expect(log.some((l) => l.includes('sign-in failed') && l.includes('127.0.0.1'))).toBe(true);
  });
});
