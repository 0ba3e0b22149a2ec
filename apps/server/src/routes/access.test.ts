import { type Role, ROLES } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, startTestServer, type TestServer } from '../../test/client.ts';
import type { Access } from '@burl/contract';

let server: TestServer;
const callers = new Map<Role, Caller>();

beforeAll(async () => {
  server = await startTestServer();
  for (const role of ROLES) callers.set(role, await server.as(role));
});
afterAll(() => server.stop());

const NOBODY = '00000000-0000-4000-8000-000000000000';
const MAY: Readonly<Record<Access, readonly Role[]>> = {
  public: ROLES,
  person: ROLES,
  editor: ['engineer', 'approver'],
  approver: ['approver'],
  administrator: ['administrator'],
};

interface OpenApi {
  readonly paths: Record<string, Record<string, { description?: string }>>;
}

/** Every route as the server itself describes it, with the access it demands. */
async function routes(): Promise<
  { method: 'GET' | 'POST' | 'PUT' | 'DELETE'; url: string; access: Access }[]
> {
  const { paths } = (await server.anybody('GET', '/api/openapi.json')).json<OpenApi>();
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, d]) => ({
      method: method.toUpperCase() as 'GET',
      url: path.replace('{kind}', 'alloys').replace(/\{\w+\}/g, NOBODY),
      access: (d.description?.replace('For: ', '') ?? 'public') as Access,
    })),
  );
}

describe('access', () => {
  it('describes every route, and every one but sign-in and health wants a person', async () => {
    const all = await routes();
    expect(all.length).toBeGreaterThan(30);
    const open = all.filter((r) => r.access === 'public').map((r) => `${r.method} ${r.url}`);
    expect(open.sort()).toEqual([
      'GET /api/health',
      'GET /api/session',
      'POST /api/password-links',
      'POST /api/session',
    ]);
  });

  it('refuses the signed-out everywhere else', async () => {
    for (const r of (await routes()).filter((x) => x.access !== 'public')) {
      const answer = await server.anybody(r.method, r.url, r.method === 'GET' ? undefined : {});
      expect([r.method, r.url, answer.statusCode]).toEqual([r.method, r.url, 401]);
    }
  });

  it('lets in exactly the roles a route names', async () => {
    for (const r of (await routes()).filter((x) => x.access !== 'public' && x.url !== '/api/session')) {
      for (const [role, call] of callers) {
        const { statusCode } = await call(r.method, r.url, r.method === 'GET' ? undefined : {});
        const refused = statusCode === 403;
        expect([r.method, r.url, role, refused]).toEqual([
          r.method,
          r.url,
          role,
          !MAY[r.access].includes(role),
        ]);
      }
    }
  });

  it('refuses writes that come from another site', async () => {
    const engineer = callers.get('engineer')!;
    const elsewhere = await engineer('POST', '/api/jobs', {}, { origin: 'https://elsewhere.example' });
    expect(elsewhere.statusCode).toBe(403);
    const crossSite = await engineer('POST', '/api/jobs', {}, { 'sec-fetch-site': 'cross-site' });
    expect(crossSite.statusCode).toBe(403);
    const here = await engineer(
      'POST',
      '/api/jobs',
      {},
      { origin: 'http://localhost:4180', host: 'localhost:4180' },
    );
    expect(here.statusCode).toBe(400);
  });
});

describe('sign-in', () => {
  it('sets a signed, HTTP-only, same-site cookie and tells wrong passwords and addresses nothing', async () => {
    const right = await server.anybody('POST', '/api/session', {
      email: 'engineer@burl.example',
      password: 'burl-demo-2026',
    });
    expect(String(right.headers['set-cookie'])).toMatch(/HttpOnly/);
    expect(String(right.headers['set-cookie'])).toMatch(/SameSite=Strict/);
    expect(right.body).not.toMatch(/argon|hash/i);
    const wrong = await server.anybody('POST', '/api/session', {
      email: 'engineer@burl.example',
      password: 'x',
    });
    const unknown = await server.anybody('POST', '/api/session', {
      email: 'nobody@burl.example',
      password: 'x',
    });
    expect([wrong.statusCode, wrong.body]).toEqual([401, unknown.body]);
  });

  it('refuses a cookie whose signature was tampered with', async () => {
    const cookie = 'burl=made-up-session.c2lnbmF0dXJl';
    expect((await server.anybody('GET', '/api/jobs', undefined, { cookie })).statusCode).toBe(401);
  });

  it('is over after signing out', async () => {
    const call = await server.as('floor');
    expect((await call('GET', '/api/jobs')).statusCode).toBe(200);
    await call('DELETE', '/api/session', {});
    expect((await call('GET', '/api/jobs')).statusCode).toBe(401);
  });

  it('is limited per minute', async () => {
    const strict = await startTestServer({ signInsPerMinute: 3 });
    const attempt = () => strict.anybody('POST', '/api/session', { email: 'a@b.example', password: 'x' });
    const codes = [];
    for (let i = 0; i < 4; i++) codes.push((await attempt()).statusCode);
    expect(codes).toEqual([401, 401, 401, 429]);
    await strict.stop();
  });

  it('sends security headers without inline script, and no stack trace', async () => {
    const answer = await server.anybody('GET', '/api/nothing');
    expect(answer.statusCode).toBe(404);
    const policy = String(answer.headers['content-security-policy']);
    expect(policy).toMatch(/script-src 'self' 'wasm-unsafe-eval'(;|$)/);
    expect(policy).toMatch(/frame-ancestors 'none'/);
    expect(answer.headers['x-content-type-options']).toBe('nosniff');
    // Nobody is told what answers, and in which version.
    expect([answer.headers['server'], answer.headers['x-powered-by']]).toEqual([undefined, undefined]);
    const broken = await callers.get('engineer')!('POST', '/api/jobs', { number: 5 });
    expect(broken.body).not.toMatch(/at .*\.ts|node_modules/);
    expect(broken.json<{ problems: { field: string }[] }>().problems.map((p) => p.field)).toContain('number');
  });

  it('refuses a body over the limit', async () => {
    const answer = await callers.get('engineer')!('POST', '/api/jobs', { notes: 'x'.repeat(1_100_000) });
    expect(answer.statusCode).toBe(413);
  });
});
