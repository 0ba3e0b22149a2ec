import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  jobFieldsOf,
  releaseChecks,
  sharedCautions,
  type JobDetail,
  type Release,
  type ReleaseSummary,
} from '@burl/contract';
import type { LightMyRequestResponse } from 'fastify';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, demoJob, freshJob, startTestServer, type TestServer } from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let approver: Caller;
let floor: Caller;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  approver = await server.as('approver');
  floor = await server.as('floor');
});
afterAll(() => server.stop());

const ask = (jobId: string, call = engineer): Promise<LightMyRequestResponse> =>
  call('POST', `/api/jobs/${jobId}/release-requests`, { note: 'first drill of this kind here' });
const checksOf = ({ snapshot }: Release): string[] => releaseChecks(snapshot).map((c) => c.id);
const decide = (id: string, body: object, call = approver): Promise<LightMyRequestResponse> =>
  call('POST', `/api/releases/${id}/decision`, body);
const release = async (jobId: string): Promise<Release> => {
  const request = (await ask(jobId)).json<Release>();
  const checks = checksOf(request);
  return (await decide(request.id, { decision: 'release', reason: '', checks })).json<Release>();
};

describe('release', () => {
  it('goes from request to sheet through two people and locks the numbers', async () => {
    const { job, setups } = await freshJob(engineer);
    const asked = await ask(job.id);
    expect(asked.statusCode).toBe(201);
    const request = asked.json<Release>();
    expect(request.snapshot.operations[0]!.evaluation.limits.length).toBeGreaterThan(15);
    const v = setups[0]!.operations[0]!.variants[0]!;
    const edit = () => engineer('PUT', `/api/variants/${v.id}`, { document: v.document, version: v.version });
    expect((await edit()).statusCode).toBe(423);
    expect((await floor('GET', `/api/jobs/${job.id}/sheet`)).statusCode).toBe(404);
    const checks = checksOf(request);
    const done = (await decide(request.id, { decision: 'release', reason: 'good', checks })).json<Release>();
    expect([done.state, done.decidedBy]).toEqual(['released', 'Leo Lindqvist']);
    expect((await edit()).json()).toMatchObject({ error: 'locked' });
    const sheet = (await floor('GET', `/api/jobs/${job.id}/sheet`)).json<Release>();
    expect(sheet.snapshot.operations[0]!.document).toEqual(v.document);
  });

  it('is not given to one’s own request, nor without every check, nor twice', async () => {
    const { job } = await freshJob(engineer);
    const own = (await ask(job.id, approver)).json<Release>();
    const self = await decide(own.id, { decision: 'release', reason: '', checks: checksOf(own) });
    expect([self.statusCode, self.json<{ message: string }>().message]).toEqual([
      403,
      'Nobody releases their own request: a second person has to.',
    ]);
    await approver('POST', `/api/releases/${own.id}/withdrawal`);
    const again = (await ask(job.id)).json<Release>();
    const { id } = again;
    const checks = checksOf(again);
    expect((await decide(id, { decision: 'release', reason: '', checks: checks.slice(1) })).statusCode).toBe(
      422,
    );
    expect((await decide(id, { decision: 'release', reason: '', checks }, engineer)).statusCode).toBe(403);
    expect((await decide(id, { decision: 'release', reason: '', checks })).statusCode).toBe(200);
    expect((await decide(id, { decision: 'return', reason: 'changed my mind', checks })).statusCode).toBe(
      423,
    );
  });

  it('is not given by whoever changed the numbers, though an engineer asked', async () => {
    const { job, setups } = await freshJob(engineer);
    const { id, document, version } = setups[0]!.operations[0]!.variants[0]!;
    const cut = { ...document.cut, speedRpm: document.cut.speedRpm - 5 };
    await approver('PUT', `/api/variants/${id}`, { document: { ...document, cut }, version });
    const request = (await ask(job.id)).json<Release>();
    const given = await decide(request.id, {
      decision: 'release',
      reason: '',
      checks: checksOf(request),
    });
    expect([given.statusCode, given.json<{ message: string }>().message]).toEqual([
      403,
      expect.stringMatching(/somebody who did not has to release it/),
    ]);
    // Sending it back needs no second pair of eyes.
    expect(
      (await decide(request.id, { decision: 'return', reason: 'ask a colleague', checks: [] })).statusCode,
    ).toBe(200);
  });

  it('goes back only with a reason, and the job can be edited again', async () => {
    const { job, setups } = await freshJob(engineer);
    const { id } = (await ask(job.id)).json<Release>();
    expect((await decide(id, { decision: 'return', reason: '', checks: [] })).statusCode).toBe(400);
    const back = (
      await decide(id, { decision: 'return', reason: 'measure the runout first', checks: [] })
    ).json<Release>();
    expect([back.state, back.reason]).toEqual(['returned', 'measure the runout first']);
    const v = setups[0]!.operations[0]!.variants[0]!;
    expect(
      (await engineer('PUT', `/api/variants/${v.id}`, { document: v.document, version: v.version }))
        .statusCode,
    ).toBe(200);
  });

  it('wants a reason in the note when a limit is over, and something to release', async () => {
    const over = await freshJob(engineer, (op) => ({ ...op, coolant: 'dry' }));
    const silent = await engineer('POST', `/api/jobs/${over.job.id}/release-requests`, { note: '' });
    expect([silent.statusCode, silent.json<{ message: string }>().message]).toEqual([
      422,
      expect.stringMatching(/why Drill may go out/),
    ]);
    const empty = await demoJob(engineer, 'GW-1187');
    const { job } = (
      await engineer('POST', '/api/jobs', { ...jobFieldsOf(empty.job), number: 'T-2' })
    ).json<JobDetail>();
    expect((await ask(job.id)).statusCode).toBe(422);
  });

  it('opens the next revision with a reason and shows what differs from the last', async () => {
    const { job, setups } = await freshJob(engineer);
    const first = await release(job.id);
    expect((await engineer('POST', `/api/jobs/${job.id}/revisions`, { reason: '' })).statusCode).toBe(400);
    await engineer('POST', `/api/jobs/${job.id}/revisions`, { reason: 'edge chipped in hole nine' });
    const v = setups[0]!.operations[0]!.variants[0]!;
    const slower = { ...v.document, cut: { ...v.document.cut, speedRpm: 600 } };
    await engineer('PUT', `/api/variants/${v.id}`, { document: slower, version: v.version });
    expect((await floor('GET', `/api/jobs/${job.id}/sheet`)).json<Release>().id).toBe(first.id);
    const second = (await ask(job.id)).json<Release>();
    expect(second).toMatchObject({
      revision: 2,
      comparedWith: 1,
      revisionReason: 'edge chipped in hole nine',
    });
    expect(second.differences).toEqual([
      {
        operationId: setups[0]!.operations[0]!.id,
        name: 'Drill',
        kind: 'changed',
        differences: [{ path: 'cut.speedRpm', before: v.document.cut.speedRpm, after: 600 }],
      },
    ]);
    await decide(second.id, { decision: 'release', reason: '', checks: checksOf(second) });
    const states = (await engineer('GET', `/api/jobs/${job.id}/releases`))
      .json<ReleaseSummary[]>()
      .map((r) => [r.revision, r.state]);
    expect(states).toEqual([
      [2, 'released'],
      [1, 'superseded'],
    ]);
  });
});

describe('sheet as PDF', () => {
  const folder = mkdtempSync(join(tmpdir(), 'burl-sheet-'));
  afterAll(() => rmSync(folder, { recursive: true }));

  /** Text of a PDF by poppler, the reader a person would use. */
  function read(pdf: Buffer): { text: string; size: string } {
    const file = join(folder, 'sheet.pdf');
    writeFileSync(file, pdf);
    return {
      text: execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
      size: /Page size:\s+(.*)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))![1]!,
    };
  }

  it.each([
    ['a4', 'metric', '595.28 x 841.89 pts (A4)', /rpm/],
    ['letter', 'inch', '612 x 792 pts (letter)', /ipm/],
  ])(
    '%s in %s carries numbers, cautions, assumptions, signatures, revision',
    async (paper, units, size, unit) => {
      const { job } = await demoJob(engineer, 'TT-0412');
      const [inForce] = (await floor('GET', `/api/jobs/${job.id}/releases`)).json<ReleaseSummary[]>();
      const answer = await floor(
        'GET',
        `/api/releases/${inForce!.id}/sheet.pdf?paper=${paper}&units=${units}`,
      );
      expect(answer.headers['content-type']).toBe('application/pdf');
      const sheet = read(answer.rawPayload);
      expect(sheet.size).toBe(size);
      // What every operation carries is told once, and the signatures stand with an operation.
      const { snapshot } = (await floor('GET', `/api/releases/${inForce!.id}`)).json<Release>();
      const [shared] = sharedCautions(snapshot);
      const words = shared!.split(' ').slice(0, 4).join(' ');
      expect(sheet.text.split(words)).toHaveLength(2);
      const signed = sheet.text.split('\f').find((page) => page.includes('Signatures'))!;
      expect(signed).toMatch(/Cutter: /);
      for (const part of [
        /TT-0412/,
        /Revision 1/,
        /Rough lock pocket/,
        /Cautions/,
        /Class D/,
        /Assumed/,
        /Released by Leo Lindqvist/,
        /qualified person decide/,
        unit,
      ]) {
        expect(sheet.text).toMatch(part);
      }
    },
  );

  it('is refused for a request, a wrong paper and wrong units', async () => {
    const { job } = await demoJob(engineer, 'CV-0093');
    const [waiting] = (await engineer('GET', `/api/jobs/${job.id}/releases`)).json<ReleaseSummary[]>();
    expect((await engineer('GET', `/api/releases/${waiting!.id}/sheet.pdf`)).statusCode).toBe(409);
    expect((await engineer('GET', `/api/releases/${waiting!.id}/sheet.pdf?paper=napkin`)).statusCode).toBe(
      400,
    );
    expect((await engineer('GET', `/api/releases/${waiting!.id}/sheet.pdf?units=cubits`)).statusCode).toBe(
      400,
    );
  });
});
