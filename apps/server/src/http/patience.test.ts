import { jobFieldsOf } from '@burl/contract';
import { type AddressInfo, connect, type Socket } from 'node:net';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, demoJob, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let port: number;
beforeAll(async () => {
  server = await startTestServer(
    {},
    { arrival: { headersTimeout: 600, requestTimeout: 1200, connectionsCheckingInterval: 200 } },
  );
  engineer = await server.as('engineer');
  await server.app.listen({ port: 0, host: '127.0.0.1' });
  port = (server.app.server.address() as AddressInfo).port;
});
afterAll(() => server.stop());

/** Opens a connection, sends some bytes and says no more; resolves with what came back until it was closed. */
const begin = (text: string): Promise<string> =>
  new Promise((done, fail) => {
    let said = '';
    const socket: Socket = connect(port, '127.0.0.1', () => socket.write(text));
    socket.on('data', (chunk) => (said += chunk.toString()));
    socket.on('close', () => done(said));
    socket.on('error', fail);
  });

describe('what does not come to its end', () => {
  it.each([
    ['a request without its last header', 'POST /api/session HTTP/1.1\r\nHost: x\r\n'],
    [
      'a body that stops half-way',
      'POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 400\r\n\r\n{"email":',
    ],
  ])('%s is closed', async (_, text) => {
    expect(await begin(text)).toMatch(/^HTTP\/1.1 408/);
  });

  it('a body nobody may send is refused before it came', async () => {
    const said = begin(
      'POST /api/jobs HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 500000\r\n\r\n',
    );
    expect(await said).toMatch(/^HTTP\/1.1 401/);
  });

  it('ten writes that wait for a lock get an answer each, and meanwhile health, sign-in page and reading go on', async () => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const other = await server.connection.pool.connect();
    const holder = other as pg.PoolClient;
    await holder.query('begin');
    await holder.query('select 1 from jobs where id = $1 for update', [job.id]);
    const save = () => engineer('PUT', `/api/jobs/${job.id}`, { ...jobFieldsOf(job), version: job.version });
    const waiting = Array.from({ length: 10 }, save);
    const health = await server.anybody('GET', '/api/health');
    expect(health.statusCode).toBe(200);
    const answers = await Promise.all(waiting);
    for (const a of answers) expect([a.statusCode, a.json<{ error: string }>().error]).toEqual([503, 'busy']);
    await holder.query('rollback');
    holder.release();
    expect((await save()).statusCode).toBe(200);
  });
});
