import { gunzipSync } from 'node:zlib';
import type { Crib, JobDetail } from '@burl/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, demoJob, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
});
afterAll(() => server.stop());

describe('answers', () => {
  it('are sent packed to who can unpack them', async () => {
    const plain = await engineer('GET', '/api/crib');
    const packed = await engineer('GET', '/api/crib', undefined, { 'accept-encoding': 'gzip' });
    expect(packed.headers['content-encoding']).toBe('gzip');
    expect(packed.rawPayload.length).toBeLessThan(plain.rawPayload.length / 5);
    expect(JSON.parse(gunzipSync(packed.rawPayload).toString()) as Crib).toEqual(plain.json<Crib>());
  });

  it('are not sent again while nothing changed, and are once something did', async () => {
    const before = await demoJob(engineer, 'GW-1187');
    const url = `/api/jobs/${before.job.id}`;
    const first = await engineer('GET', url);
    const tag = String(first.headers['etag']);
    const same = await engineer('GET', url, undefined, { 'if-none-match': tag });
    expect([same.statusCode, same.body]).toEqual([304, '']);
    const variant = before.setups[0]!.operations[1]!.variants[0]!;
    const saved = await engineer('PUT', `/api/variants/${variant.id}`, {
      document: { ...variant.document, featuresPerEdge: 3 },
      version: variant.version,
    });
    expect(saved.statusCode).toBe(200);
    const changed = await engineer('GET', url, undefined, { 'if-none-match': tag });
    expect(changed.statusCode).toBe(200);
    expect(changed.json<JobDetail>().setups[0]!.operations[1]!.variants[0]!.document.featuresPerEdge).toBe(3);
  });

  it('are nobody else’s, and asked about before each use', async () => {
    const answer = await engineer('GET', '/api/jobs');
    expect(answer.headers['cache-control']).toBe('private, no-cache');
  });
});
