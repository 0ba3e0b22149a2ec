import type { ProgramEntry } from '@burl/contract';
import { readStreams } from '@burl/contract/machine-stream';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, demoJob, problemsOf, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let floor: Caller;
let id: string;

beforeAll(async () => {
  server = await startTestServer();
  floor = await server.as('floor');
  const { job } = await demoJob(floor, 'TT-0412');
  const [program] = (await floor('GET', `/api/jobs/${job.id}/programs`)).json<ProgramEntry[]>();
  id = program!.id;
});
afterAll(() => server.stop());

describe('the simulated machine beside a program', () => {
  it('tells of itself now, as XML of the open standard', async () => {
    const answer = await floor('GET', `/api/programs/${id}/machine/current`);
    expect(answer.headers['content-type']).toContain('application/xml');
    const { samples, nextSequence } = readStreams(answer.body);
    expect(samples).toHaveLength(1);
    expect(nextSequence).toBe(samples[0]!.sequence + 1);
  });

  it('streams what came since, each sample once, the same whoever asks', async () => {
    const now = readStreams((await floor('GET', `/api/programs/${id}/machine/current`)).body).nextSequence;
    const ask = async (from: number) =>
      readStreams((await floor('GET', `/api/programs/${id}/machine/sample?from=${from}&count=1000`)).body);
    const first = await ask(now - 4000);
    expect(first.samples.map((s) => s.sequence)).toEqual(
      Array.from({ length: 1000 }, (_, i) => now - 4000 + i),
    );
    expect((await ask(now - 4000)).samples).toEqual(first.samples);
    expect(first.nextSequence).toBe(now - 3000);
    const later = await ask(first.nextSequence);
    const lines = new Set([...first.samples, ...later.samples].map((s) => s.line));
    expect(lines.size).toBeGreaterThan(3);
    expect(Math.max(...first.samples.map((s) => s.loadPercent))).toBeGreaterThan(3);
  });

  it('refuses what is no sequence or too many at once, and a program that is not there', async () => {
    expect(problemsOf(await floor('GET', `/api/programs/${id}/machine/sample?from=x`))).toEqual(['from']);
    expect(problemsOf(await floor('GET', `/api/programs/${id}/machine/sample?count=5000`))).toEqual([
      'count',
    ]);
    const none = '00000000-0000-4000-8000-000000000000';
    expect((await floor('GET', `/api/programs/${none}/machine/current`)).statusCode).toBe(404);
  });
});
