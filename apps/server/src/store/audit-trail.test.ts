import { type JobDetail, jobFieldsOf } from '@burl/contract';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  demoJob,
  detailOf,
  freshJob,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';
import { verifyTrail } from './audit-trail.ts';
import { auditEvents } from './schema/trail.ts';

let server: TestServer;
let engineer: Caller;
beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
});
afterAll(() => server.stop());

const db = () => server.connection.db;
/** What was written down while something was done. */
async function eventsOf(deed: () => Promise<unknown>) {
  const before = (await db().select().from(auditEvents)).length;
  await deed();
  return (await db().select().from(auditEvents).orderBy(auditEvents.id)).slice(before);
}

describe('the trail', () => {
  let detail: JobDetail;
  beforeAll(async () => {
    detail = await freshJob(engineer);
  });
  const jobId = () => detail.job.id;
  const operation = () => detail.setups[0]!.operations[0]!;
  const variant = () => operation().variants[0]!;

  it.each<[string, string, () => Promise<unknown>, object]>([
    [
      'numbers',
      'saved numbers',
      async () => {
        const { id, document, version } = variant();
        const cut = { ...document.cut, speedRpm: document.cut.speedRpm - 10 };
        await engineer('PUT', `/api/variants/${id}`, { document: { ...document, cut }, version });
      },
      { changes: [{ path: 'cut.speedRpm' }] },
    ],
    [
      'a variant',
      'copied variant',
      () => engineer('POST', `/api/operations/${operation().id}/variants`, { from: variant().label }),
      {},
    ],
    [
      'a setup',
      'added setup',
      () => engineer('POST', `/api/jobs/${jobId()}/setups`, { name: 'Second side' }),
      {},
    ],
    [
      'the job',
      'changed job',
      () =>
        engineer('PUT', `/api/jobs/${jobId()}`, {
          ...jobFieldsOf(detail.job),
          part: 'Another part',
          version: detail.job.version,
        }),
      { changes: [{ path: 'part', after: 'Another part' }] },
    ],
    [
      'an assembly',
      'made assembly',
      () =>
        engineer('POST', '/api/assemblies', {
          name: 'T12',
          cutterId: variant().document.tooling.cutterId,
          holderId: variant().document.tooling.holderId,
          stickOutMm: 60,
          runoutUm: null,
        }),
      {},
    ],
  ])('says of %s who changed it, before and after, once', async (_, action, deed, expected) => {
    const events = await eventsOf(deed);
    expect(events.map((e) => e.action)).toEqual([action]);
    expect(events[0]).toMatchObject({ personName: 'Ada Eder' });
    expect(events[0]!.detail).toMatchObject(expected);
    detail = await detailOf(engineer, jobId());
  });

  it('says nothing of what was refused', async () => {
    const { id, document } = variant();
    const events = await eventsOf(() => engineer('PUT', `/api/variants/${id}`, { document, version: 9999 }));
    expect(events).toEqual([]);
  });

  it('holds together, also when many write at once', async () => {
    await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        engineer('POST', `/api/jobs/${jobId()}/setups`, { name: `S ${i}` }),
      ),
    );
    const check = await verifyTrail(db());
    expect(check.broken).toEqual([]);
    expect(check.events).toBe((await db().select().from(auditEvents)).length);
    expect(check.head).toMatch(/^[\da-f]{64}$/);
  });

  it('tells when somebody with all rights of the database changed, removed or added an event', async () => {
    const { rows } = await db().execute<{ id: string }>(
      sql`select id::text from audit_events order by id limit 3`,
    );
    const [first, second] = rows.map((r) => Number(r.id));
    const tampered = async (command: ReturnType<typeof sql>): Promise<readonly string[]> => {
      let broken: readonly string[] = [];
      await db()
        .transaction(async (tx) => {
          await tx.execute(sql`alter table audit_events disable trigger all`);
          await tx.execute(sql`alter table audit_chain disable trigger all`);
          await tx.execute(command);
          broken = (await verifyTrail(tx as never)).broken;
          await tx.rollback();
        })
        .catch(() => undefined);
      return broken;
    };
    expect(await tampered(sql`update audit_events set person_name = 'Nobody' where id = ${first}`)).toEqual([
      `event ${first} is not as it was written`,
    ]);
    expect(await tampered(sql`delete from audit_events where id = ${second}`)).toEqual([
      `event ${second} is missing`,
    ]);
    expect(await tampered(sql`delete from audit_chain where seq = 2`)).toContain('links 2 to 2 are missing');
    expect(
      await tampered(
        sql`insert into audit_events (person_name, action, subject, detail) values ('X', 'released', 'Y', '{}')`,
      ),
    ).toEqual([expect.stringMatching(/is in no link/)]);
    expect((await verifyTrail(db())).broken).toEqual([]);
  });
});

describe('the role the application has', () => {
  const role = 'burl_test_app';
  let as: pg.Client;
  beforeAll(async () => {
    const { grantApplication } = await import('./grants.ts');
    const url = new URL(server.connection.url);
    const password = 'only-for-this-test';
    await db().execute(
      sql.raw(
        `do $$ begin create role ${role} login password '${password}'; exception when duplicate_object then null; end $$`,
      ),
    );
    url.username = role;
    url.password = password;
    await grantApplication(db(), url.href);
    as = new pg.Client({ connectionString: url.href });
    await as.connect();
  });
  afterAll(() => as.end());

  it('adds to the trail, and each event is chained for it', async () => {
    await as.query(
      `insert into audit_events (person_name, action, subject, detail) values ('Ada Eder', 'looked', 'x', '{}')`,
    );
    expect((await verifyTrail(db())).broken).toEqual([]);
  });

  it.each([
    `update audit_events set action = 'nothing'`,
    `delete from audit_events`,
    `truncate audit_events`,
    `alter table audit_events disable trigger all`,
    `insert into audit_chain (seq, event_id, hash) values (99999, 1, 'x')`,
    `delete from audit_chain`,
    `drop table jobs`,
    `create or replace function chain_audit_event() returns trigger language sql as ''`,
    `alter role ${role} superuser`,
  ])('may not: %s', async (command) => {
    await expect(as.query(command)).rejects.toMatchObject({
      code: expect.stringMatching(/^42501|^42P13|^P0001/) as string,
    });
  });

  it('may work: jobs are read and written', async () => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const { rowCount } = await as.query('update jobs set notes = notes where id = $1', [job.id]);
    expect(rowCount).toBe(1);
  });
});
