import type { Invitation, PersonRecord } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, problemsOf, startTestServer, type TestServer } from '../../test/client.ts';
import { disableDemo } from '../store/demo-accounts.ts';
import { auditEvents } from '../store/schema/trail.ts';

let server: TestServer;
let administrator: Caller;
beforeAll(async () => {
  server = await startTestServer();
  administrator = await server.as('administrator');
});
afterAll(() => server.stop());

const PASSWORD = 'keel anchor violet tram';
const all = async (): Promise<PersonRecord[]> => (await administrator('GET', '/api/people')).json();
const one = async (email: string): Promise<PersonRecord> => (await all()).find((p) => p.email === email)!;
const invite = async (email: string, role = 'engineer'): Promise<Invitation> =>
  (await administrator('POST', '/api/people', { name: 'Tomas Vale', email, role })).json();
const redeem = (link: string, password = PASSWORD) =>
  server.anybody('POST', '/api/password-links', { token: link.split('#')[1], password });
const signIn = (email: string, password: string) =>
  server.anybody('POST', '/api/session', { email, password });
const change = (p: PersonRecord, to: Partial<PersonRecord>) =>
  administrator('PUT', `/api/people/${p.id}`, {
    name: p.name,
    role: p.role,
    state: p.state,
    version: p.version,
    ...to,
  });

describe('people', () => {
  it('are invited by a link that works once', async () => {
    const { person, link } = await invite('tomas@shop.example');
    expect(person.invited).toBe(true);
    expect((await signIn(person.email, PASSWORD)).statusCode).toBe(401);
    expect((await redeem(link)).statusCode).toBe(200);
    expect((await signIn(person.email, PASSWORD)).statusCode).toBe(200);
    expect((await redeem(link)).statusCode).toBe(409);
    const again = await administrator('POST', '/api/people', {
      name: 'Another',
      email: 'TOMAS@shop.example',
      role: 'floor',
    });
    expect(problemsOf(again)).toEqual(['email']);
  });

  it('lose their password and their sessions when an administrator makes another link', async () => {
    const { person, link } = await invite('reset@shop.example');
    await redeem(link);
    const cookie = String((await signIn(person.email, PASSWORD)).headers['set-cookie']).split(';')[0]!;
    const looks = () => server.anybody('GET', '/api/jobs', undefined, { cookie });
    expect((await looks()).statusCode).toBe(200);
    const next = (
      await administrator('POST', `/api/people/${person.id}/password-links`, {})
    ).json<Invitation>();
    expect((await looks()).statusCode).toBe(401);
    expect((await signIn(person.email, PASSWORD)).statusCode).toBe(401);
    expect((await redeem(next.link, 'something else entirely')).statusCode).toBe(200);
  });

  it('are disabled and signed out at once, and an open link of theirs sets nothing', async () => {
    const { person, link } = await invite('gone@shop.example');
    expect((await change(person, { state: 'disabled' })).json<PersonRecord>().state).toBe('disabled');
    expect((await redeem(link)).statusCode).toBe(409);
  });

  it('are changed by one administrator at a time, and one always stays', async () => {
    const ines = await one('administrator@burl.example');
    expect((await change(ines, { role: 'floor' })).json<{ message: string }>().message).toMatch(
      /last administrator stays/,
    );
    expect((await change(ines, { state: 'disabled' })).statusCode).toBe(409);
    const ada = await one('engineer@burl.example');
    expect((await change(ada, { name: 'Ada E.' })).statusCode).toBe(200);
    expect((await change(ada, { name: 'Ada F.' })).json()).toMatchObject({ error: 'stale' });
  });

  it('change their own password with the present one, and stay signed in only here', async () => {
    const [here, there] = [await server.as('floor'), await server.as('floor')];
    const set = (current: string, password: string) =>
      here('PUT', '/api/session/password', { current, password });
    expect((await set('wrong', PASSWORD)).statusCode).toBe(403);
    const done = await set('burl-demo-2026', PASSWORD);
    expect(done.statusCode).toBe(200);
    expect((await there('GET', '/api/jobs')).statusCode).toBe(401);
    const cookie = String(done.headers['set-cookie']).split(';')[0]!;
    expect((await server.anybody('GET', '/api/jobs', undefined, { cookie })).statusCode).toBe(200);
  });

  it.each([
    ['short', 'short-one'],
    ['common', 'iloveyou12345'],
    ['common with a year', 'liverpool2026'],
    ['one sign again and again', 'aaaaaaaaaaaaaaaa'],
    ['the own address', 'engineer-engineer-1'],
  ])('do not choose a password others would guess: %s', async (_, password) => {
    const call = await server.as('engineer');
    const answer = await call('PUT', '/api/session/password', { current: 'burl-demo-2026', password });
    expect([400, 422]).toContain(answer.statusCode);
    expect(problemsOf(answer)).toEqual(['password']);
    // Nothing of what was typed comes back, not even its beginning.
    expect(answer.body).not.toContain(password.slice(0, 5));
  });

  it('leave in the trail who did what to whom', async () => {
    const events = await server.connection.db.select().from(auditEvents);
    const did = events.filter((e) => e.personName === 'Ines Okafor').map((e) => e.action);
    expect(did).toEqual(
      expect.arrayContaining(['invited person', 'changed person', 'made password link', 'signed in']),
    );
    expect(events.find((e) => e.action === 'changed person')!.detail).toMatchObject({
      before: { state: 'active' },
      after: { state: 'disabled' },
    });
  });

  it('of the demo can sign in no more once they are removed, and nothing says they are there', async () => {
    const says = async () =>
      (await server.anybody('GET', '/api/session')).json<{ demo: unknown[]; demoAccounts: boolean }>();
    expect((await says()).demoAccounts).toBe(true);
    expect(await disableDemo(server.connection.db)).toBe(4);
    expect(await says()).toMatchObject({ demo: [], demoAccounts: false });
    expect((await signIn('engineer@burl.example', 'burl-demo-2026')).statusCode).toBe(401);
    expect((await administrator('GET', '/api/people')).statusCode).toBe(401);
  });
});
