import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { createServer, request, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestServer, type TestServer } from '../../test/client.ts';
import { siteSettings } from './settings.ts';

interface Answer {
  readonly status: number;
  readonly cookie: string;
  readonly body: string;
}

/** A certificate of our own, for loopback only. */
function certificate(): { key: Buffer; cert: Buffer } {
  const folder = mkdtempSync(join(tmpdir(), 'burl-tls-'));
  const [key, cert] = [join(folder, 'key.pem'), join(folder, 'cert.pem')];
  execFileSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:P-256',
      '-nodes',
      '-days',
      '1',
      '-subj',
      '/CN=burl.test',
      '-keyout',
      key,
      '-out',
      cert,
    ],
    { stdio: 'ignore' },
  );
  const both = { key: readFileSync(key), cert: readFileSync(cert) };
  rmSync(folder, { recursive: true });
  return both;
}

/** Ends TLS and passes on what it hears, as any proxy does; it says for whom it asks. */
function tlsProxy(target: number): Server {
  return createServer(certificate(), (from, to) => {
    const headers = {
      ...from.headers,
      'x-forwarded-for': String(from.headers['x-test-client'] ?? '203.0.113.7'),
      'x-forwarded-proto': 'https',
      'x-forwarded-host': 'burl.test',
    };
    const onward = plainRequest(
      { host: '127.0.0.1', port: target, method: from.method, path: from.url, headers },
      (answer) => {
        to.writeHead(answer.statusCode!, answer.headers);
        answer.pipe(to);
      },
    );
    from.pipe(onward);
  });
}

const portOf = (server: { address(): AddressInfo | string | null }): number =>
  (server.address() as AddressInfo).port;

const ENVIRONMENT = {
  BURL_PUBLIC_ORIGIN: 'https://burl.test',
  BURL_TRUSTED_PROXIES: '127.0.0.1',
  BURL_SIGN_INS_PER_MINUTE: '4',
};

describe('behind a proxy that ends TLS', () => {
  let server: TestServer;
  let proxy: Server;

  beforeAll(async () => {
    server = await startTestServer(siteSettings(ENVIRONMENT));
    await server.app.listen({ port: 0, host: '127.0.0.1' });
    proxy = tlsProxy(portOf(server.app.server));
    await new Promise<void>((done) => proxy.listen(0, '127.0.0.1', done));
  });
  afterAll(async () => {
    proxy.close();
    await server.stop();
  });

  const ask = (method: string, path: string, body?: object, headers: Record<string, string> = {}) =>
    new Promise<Answer>((done, fail) => {
      const text = body === undefined ? '' : JSON.stringify(body);
      const out = request(
        {
          host: '127.0.0.1',
          port: portOf(proxy),
          method,
          path,
          rejectUnauthorized: false,
          headers: {
            host: 'burl.test',
            origin: 'https://burl.test',
            ...(text && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
            ...headers,
          },
        },
        (answer) => {
          let said = '';
          answer.on('data', (chunk: Buffer) => (said += chunk.toString()));
          answer.on('end', () =>
            done({
              status: answer.statusCode!,
              cookie: String(answer.headers['set-cookie'] ?? ''),
              body: said,
            }),
          );
        },
      );
      out.on('error', fail);
      out.end(text);
    });
  const signIn = (password = 'burl-demo-2026', client = '203.0.113.7') =>
    ask('POST', '/api/session', { email: 'engineer@burl.example', password }, { 'x-test-client': client });

  it('people sign in, and their cookie goes over HTTPS and to this host only', async () => {
    const { status, cookie } = await signIn();
    expect(status).toBe(200);
    expect(cookie).toMatch(/^__Host-burl=/);
    expect(cookie).toMatch(/; Secure/);
    expect(cookie).not.toMatch(/Domain/i);
    const mine = { cookie: cookie.split(';')[0]! };
    expect((await ask('GET', '/api/jobs', undefined, mine)).status).toBe(200);
    expect((await ask('POST', '/api/jobs', {}, mine)).status).toBe(400);
    expect((await ask('POST', '/api/jobs', {}, { ...mine, origin: 'https://elsewhere.test' })).status).toBe(
      403,
    );
  });

  it('the limit is one for each address, and an address that is made up behind the proxy is not believed', async () => {
    const codes = [];
    for (let i = 0; i < 5; i++) codes.push((await signIn('wrong one', '203.0.113.66')).status);
    expect(codes).toEqual([401, 401, 401, 401, 429]);
    expect((await signIn('burl-demo-2026', '203.0.113.8')).status).toBe(200);
  });

  it('says what is missing to somebody who comes without TLS', async () => {
    const answer = await server.anybody('POST', '/api/session', {
      email: 'engineer@burl.example',
      password: 'burl-demo-2026',
    });
    expect([answer.statusCode, answer.json<{ error: string }>().error]).toEqual([400, 'plain-http']);
  });
});

describe('settings of a site', () => {
  it('refuse HTTPS without a proxy to trust, and what is no origin', () => {
    expect(() => siteSettings({ BURL_HTTPS: '1' })).toThrow(/BURL_TRUSTED_PROXIES is empty/);
    expect(() => siteSettings({ BURL_PUBLIC_ORIGIN: 'burl.example/path' })).toThrow(/BURL_PUBLIC_ORIGIN is/);
    expect(() => siteSettings({ BURL_SESSION_HOURS: '0' })).toThrow(
      'BURL_SESSION_HOURS is 0; allowed: 0.1 to 168',
    );
    expect(siteSettings({}).secureCookie).toBe(false);
  });
});
