import type { AttachedFile, Person } from '@burl/contract';
import { InputError } from '@burl/core';
import { eq, sql } from 'drizzle-orm';
import { fileTypeFromBuffer } from 'file-type';
import type { Database, Transaction } from './client.ts';
import { notFound } from './refusal.ts';
import { attachments, testCuts } from './schema/chatter.ts';

/** Room for recordings and pictures, bytes: of one person, and of the whole site. */
export const ROOM = { person: 500_000_000, site: 20_000_000_000 } as const;

/** The bytes of an attachment. Throws when its content is no sound and no picture, whatever it says it is. */
export async function attachedBytes({ name, type, base64 }: AttachedFile): Promise<Buffer> {
  const bytes = Buffer.from(base64, 'base64');
  const found = await fileTypeFromBuffer(bytes);
  const [is] = found?.mime.split('/') ?? [];
  const [says] = type.split('/');
  // A recording by a browser comes in a container that holds film too.
  const sound = is === 'audio' || found?.mime === 'video/webm' || found?.mime === 'video/mp4';
  if (says === 'audio' ? !sound : is !== 'image')
    throw new InputError([
      {
        field: 'attachment',
        value: `${name}: ${found?.mime ?? 'unknown content'}`,
        allowed:
          says === 'audio' ? 'a recording like WAV, FLAC, OGG or MP3' : 'a picture like JPEG, PNG or WebP',
      },
    ]);
  return bytes;
}

/** Throws when the person's or the site's room for recordings and pictures is full. */
export async function requireRoom(tx: Transaction, person: Person, bytes: Buffer): Promise<void> {
  const { rows } = await tx.execute<{ site: number; person: number }>(sql`
    select coalesce(sum(size), 0)::float8 as site,
      coalesce(sum(size) filter (where person_id = ${person.id}), 0)::float8 as person
    from (select size, person_id from attachments union all select size, person_id from floor_files) kept`);
  const used = rows[0];
  for (const whose of ['person', 'site'] as const) {
    if ((used?.[whose] ?? 0) + bytes.length > ROOM[whose])
      throw new InputError([
        {
          field: 'attachment',
          value: `${(bytes.length / 1e6).toFixed(1)} MB`,
          allowed: `${(ROOM[whose] / 1e6).toFixed(0)} MB together ${whose === 'person' ? 'for one person' : 'for everybody'}; remove old recordings first`,
        },
      ]);
  }
}

/** Keeps the bytes of a cut's attachment. Throws when the person's or the site's room is full. */
export async function keepAttachment(
  tx: Transaction,
  person: Person,
  testCutId: string,
  bytes: Buffer,
): Promise<void> {
  await requireRoom(tx, person, bytes);
  await tx.insert(attachments).values({ testCutId, personId: person.id, size: bytes.length, bytes });
}

/** Recording or picture of a cut. Refuses when there is none. */
export async function attachmentOf(
  db: Database,
  id: string,
): Promise<{ bytes: Buffer; type: string; name: string }> {
  const [row] = await db
    .select({ bytes: attachments.bytes, type: testCuts.attachmentType, name: testCuts.attachmentName })
    .from(attachments)
    .innerJoin(testCuts, eq(testCuts.id, attachments.testCutId))
    .where(eq(attachments.testCutId, id));
  if (!row?.type) throw notFound('This recording');
  return { bytes: row.bytes, type: row.type, name: row.name ?? 'file' };
}
