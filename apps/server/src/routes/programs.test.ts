import type { ProgramEntry, ProgramText } from '@burl/contract';
import { readProgram, PLAIN_SETTINGS, stockBlock } from '@burl/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  demoJob,
  freshJob,
  problemsOf,
  startTestServer,
  type TestServer,
} from '../../test/client.ts';

let server: TestServer;
let engineer: Caller;
let floor: Caller;
let jobId: string;

beforeAll(async () => {
  server = await startTestServer();
  engineer = await server.as('engineer');
  floor = await server.as('floor');
  jobId = (await freshJob(engineer)).job.id;
});
afterAll(() => server.stop());

const TEXT = '%\r\nO7 (MÜLLER \u00e9)\r\nG1 X1 F9\r\nM30\r\n%\r\n';
const file = (text: string, name = 'o7.nc') => ({
  name,
  type: 'text/plain',
  base64: Buffer.from(text, 'latin1').toString('base64'),
});
const keep = (body: object, by: Caller = engineer) =>
  by('POST', `/api/jobs/${jobId}/programs`, { operationId: null, stock: null, rewrite: null, ...body });

describe('programs of a job', () => {
  it('are kept byte for byte, newest first, without their text in the list', async () => {
    const first = (await keep({ file: file(TEXT) })).json<ProgramEntry>();
    await keep({ file: file('G0 X1\n', 'second.nc') });
    const list = (await floor('GET', `/api/jobs/${jobId}/programs`)).json<ProgramEntry[]>();
    expect(list.map((p) => p.name)).toEqual(['second.nc', 'o7.nc']);
    expect(Object.keys(list[0]!)).not.toContain('bytes');
    const { base64 } = (await floor('GET', `/api/programs/${first.id}/text`)).json<ProgramText>();
    expect(Buffer.from(base64, 'base64').toString('latin1')).toBe(TEXT);
    expect(first.size).toBe(TEXT.length);
  });

  it('remember what they were rewritten from, and keep that while they are there', async () => {
    const from = (await keep({ file: file(TEXT, 'a.nc') })).json<ProgramEntry>();
    const rewrite = { fromId: from.id, releaseId: null, minutesBefore: 4, minutesAfter: 9, changes: 12 };
    const to = (await keep({ file: file(TEXT, 'b.nc'), rewrite })).json<ProgramEntry>();
    expect(to.rewrite).toEqual(rewrite);
    const refused = await engineer('DELETE', `/api/programs/${from.id}`);
    expect([refused.statusCode, refused.json<{ message: string }>().message]).toEqual([
      409,
      'b.nc was rewritten from it: remove that first.',
    ]);
    expect((await engineer('DELETE', `/api/programs/${to.id}`)).statusCode).toBe(200);
    expect((await engineer('DELETE', `/api/programs/${from.id}`)).statusCode).toBe(200);
    expect((await engineer('GET', `/api/programs/${from.id}/text`)).statusCode).toBe(404);
  });

  it('begin with the material somebody says', async () => {
    const kept = (await keep({ file: file(TEXT, 'c.nc') })).json<ProgramEntry>();
    const stock = {
      ...stockBlock([0, 0, -5], [10, 10, 0]),
      pockets: [{ low: [1, 1], high: [5, 5], cornerMm: 1, floor: null }],
    };
    const said = await engineer('PUT', `/api/programs/${kept.id}/stock`, { stock });
    expect(said.json<ProgramEntry>().stock).toEqual(stock);
  });

  it('are refused by field: a binary file, an empty one, material upside down, a foreign operation', async () => {
    expect(problemsOf(await keep({ file: file('MZ\0\0') }))).toEqual(['file']);
    expect(problemsOf(await keep({ file: { ...file('x'), base64: '' } }))).toEqual(['file.base64']);
    expect(problemsOf(await keep({ file: file(TEXT), stock: stockBlock([0, 0, 0], [10, 10, -5]) }))).toEqual([
      'stock',
    ]);
    expect(problemsOf(await keep({ file: { ...file(TEXT), type: 'image/png' } }))).toEqual(['file.type']);
    const other = (await demoJob(engineer, 'GW-1187')).setups[0]!.operations[0]!.id;
    expect((await keep({ file: file(TEXT), operationId: other })).statusCode).toBe(404);
    expect((await keep({ file: file(TEXT) }, floor)).statusCode).toBe(403);
    expect((await engineer('GET', '/api/programs/x/text')).statusCode).toBe(404);
  });

  it('of the demo are there: one that came by mail, one that was written', async () => {
    const { job } = await demoJob(engineer, 'GW-1187');
    const [mailed] = (await engineer('GET', `/api/jobs/${job.id}/programs`)).json<ProgramEntry[]>();
    expect(mailed!.stock!.pockets).toHaveLength(1);
    const { base64 } = (await engineer('GET', `/api/programs/${mailed!.id}/text`)).json<ProgramText>();
    const { notes } = readProgram(atob(base64), PLAIN_SETTINGS, { motion: () => undefined });
    expect(notes).toEqual([]);
    const manifold = await demoJob(engineer, 'TM-0231');
    const [written] = (await engineer('GET', `/api/jobs/${manifold.job.id}/programs`)).json<ProgramEntry[]>();
    expect(written).toMatchObject({ name: 'o0231-channels.nc', rewrite: null });
  });
});
