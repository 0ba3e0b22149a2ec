import { eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, startTestServer, type TestServer } from '../../test/client.ts';
import { people, sessions } from '../store/schema/people.ts';
import { purgeSessions, USUAL_SPAN } from '../store/sessions.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.stop());

const status = async (call: Caller): Promise<number> => (await call('GET', '/api/jobs')).statusCode;
const age = (column: 'created_at' | 'seen_at', minutes: number) =>
  server.connection.db.execute(
    sql`update sessions set ${sql.identifier(column)} = now() - make_interval(mins => ${minutes})`,
  );

describe('a session', () => {
  it('is over when it is ended, with requests on their way', async () => {
    const call = await server.as('engineer');
    const onTheirWay = Array.from({ length: 20 }, () => call('GET', '/api/jobs'));
    await call('DELETE', '/api/session', {});
    const more = Array.from({ length: 5 }, () => call('GET', '/api/crib'));
    await Promise.all([...onTheirWay, ...more]);
    expect(await status(call)).toBe(401);
  });

  it('ends after a shift, whatever was done in it, and after a long break', async () => {
    const shift = await server.as('engineer');
    await age('created_at', USUAL_SPAN.hours * 60 - 1);
    expect(await status(shift)).toBe(200);
    await age('created_at', USUAL_SPAN.hours * 60 + 1);
    expect(await status(shift)).toBe(401);
    const idle = await server.as('engineer');
    await age('seen_at', USUAL_SPAN.idleMinutes - 1);
    expect(await status(idle)).toBe(200);
    await age('seen_at', USUAL_SPAN.idleMinutes + 1);
    expect(await status(idle)).toBe(401);
  });

  it('is removed once it ran out, and keeps no secret a reader of the table could use', async () => {
    const call = await server.as('floor');
    await age('seen_at', USUAL_SPAN.idleMinutes + 1);
    expect(await purgeSessions(server.connection.db, USUAL_SPAN)).toBeGreaterThan(0);
    expect(await server.connection.db.select().from(sessions)).toHaveLength(0);
    expect(await status(call)).toBe(401);
    await server.as('floor');
    const [row] = await server.connection.db.select().from(sessions);
    expect(row!.idHash).toMatch(/^[\da-f]{64}$/);
  });

  it('writes when it was last used once a minute, not with each request', async () => {
    const call = await server.as('floor');
    const seen = async () =>
      (
        await server.connection.db
          .select()
          .from(sessions)
          .orderBy(sql`created_at desc`)
          .limit(1)
      )[0]!.seenAt;
    const before = await seen();
    await status(call);
    expect(await seen()).toEqual(before);
    await age('seen_at', 2);
    await status(call);
    expect((await seen()).getTime()).toBeGreaterThan(before.getTime());
  });

  it('gives the rights its person has now', async () => {
    const call = await server.as('approver');
    const who = eq(people.email, 'approver@burl.example');
    const edit = async () => (await call('POST', '/api/jobs', {})).statusCode;
    expect(await edit()).toBe(400);
    await server.connection.db.update(people).set({ role: 'floor' }).where(who);
    expect(await edit()).toBe(403);
    await server.connection.db.update(people).set({ role: 'approver', state: 'disabled' }).where(who);
    expect(await edit()).toBe(401);
    await server.connection.db.update(people).set({ state: 'active' }).where(who);
    expect(await edit()).toBe(400);
    await server.connection.db
      .update(people)
      .set({ epoch: sql`epoch + 1` })
      .where(who);
    expect(await edit()).toBe(401);
  });

  it('is a new one after signing in again: what was planted before is worth nothing', async () => {
    const planted = 'burl=planted.c2ln';
    const answer = await server.anybody(
      'POST',
      '/api/session',
      { email: 'floor@burl.example', password: 'burl-demo-2026' },
      { cookie: planted },
    );
    expect(String(answer.headers['set-cookie'])).not.toContain('planted');
    expect((await server.anybody('GET', '/api/jobs', undefined, { cookie: planted })).statusCode).toBe(401);
  });
});
