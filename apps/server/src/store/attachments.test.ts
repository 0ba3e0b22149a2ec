import { InputError } from '@burl/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, startTestServer, type TestServer } from '../../test/client.ts';
import { attachedBytes, keepAttachment, ROOM } from './attachments.ts';
import { attachments, testCuts } from './schema/chatter.ts';
import { people } from './schema/people.ts';

const base64 = (bytes: Buffer | string): string => Buffer.from(bytes).toString('base64');
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

describe('what is attached', () => {
  it.each([
    [
      'a page that says it is a picture',
      'a.png',
      'image/png',
      base64('<html><script>alert(1)</script></html>'),
    ],
    ['a picture that says it is a recording', 'a.wav', 'audio/wav', base64(PNG)],
    ['a program', 'a.wav', 'audio/wav', base64('MZ\u0090\u0000\u0003')],
  ])('is refused: %s', async (_, name, type, content) => {
    const error = await attachedBytes({ name, type, base64: content }).catch((e: unknown) => e);
    expect(error).toBeInstanceOf(InputError);
    expect((error as InputError).problems[0]!.field).toBe('attachment');
  });

  it('is taken when it is what it says', async () => {
    expect(await attachedBytes({ name: 'chip.png', type: 'image/png', base64: base64(PNG) })).toEqual(PNG);
  });
});

describe('room for it', () => {
  let server: TestServer;
  let floor: Caller;
  beforeAll(async () => {
    server = await startTestServer();
    floor = await server.as('floor');
  });
  afterAll(() => server.stop());

  it('ends for one person, with what to do about it', async () => {
    const { db } = server.connection;
    const [mira] = (await db.select().from(people)).filter((p) => p.role === 'floor');
    const [cut, other] = await db.select().from(testCuts);
    await db
      .insert(attachments)
      .values({ testCutId: cut!.id, personId: mira!.id, size: ROOM.person - 10, bytes: Buffer.alloc(1) })
      .onConflictDoUpdate({
        target: attachments.testCutId,
        set: { personId: mira!.id, size: ROOM.person - 10 },
      });
    await db.transaction(async (tx) => {
      await expect(keepAttachment(tx, mira!, other!.id, PNG)).rejects.toThrow(
        /500 MB together for one person/,
      );
    });
  });

  it('and what is personal is kept by no cache', async () => {
    const engineer = await server.as('engineer');
    const [place] = (await engineer('GET', '/api/resonance')).json<{ id: string }[]>();
    const made = await engineer('POST', `/api/resonance/${place!.id}/cuts`, {
      alloyId: 'ti-6al-4v-annealed',
      rpm: 2400,
      axialDepthMm: 2,
      radialEngagementMm: 6,
      feedPerToothMm: 0.06,
      direction: 'climb',
      heard: 'stable',
      overridePercent: 100,
      hz: null,
      simulated: false,
      note: '',
      attachment: { name: 'chip.png', type: 'image/png', base64: base64(PNG) },
    });
    expect(made.statusCode).toBe(201);
    const [kept] = (await server.connection.db.select().from(testCuts)).filter(
      (c) => c.attachmentName === 'chip.png',
    );
    const answer = await floor('GET', `/api/resonance/cuts/${kept!.id}/attachment`);
    expect(answer.rawPayload).toEqual(PNG);
    expect(answer.headers['cache-control']).toBe('private, no-store');
    expect(answer.headers['content-disposition']).toMatch(/^attachment/);
  });
});
