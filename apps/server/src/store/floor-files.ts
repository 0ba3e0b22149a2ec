import type { AttachedFile, Person } from '@burl/contract';
import { and, eq } from 'drizzle-orm';
import { attachedBytes, requireRoom } from './attachments.ts';
import type { Database, Transaction } from './client.ts';
import { present } from './refusal.ts';
import { floorFiles } from './schema/floor.ts';

type Slot = (typeof floorFiles.$inferSelect)['slot'];

/** Keeps a photo or a recording of a trial or a step. Throws when it is none, or when there is no room. */
export async function keepFloorFile(
  tx: Transaction,
  person: Person,
  ofId: string,
  slot: Slot,
  file: AttachedFile | null,
): Promise<void> {
  if (!file) return;
  const bytes = await attachedBytes(file);
  await requireRoom(tx, person, bytes);
  await tx.insert(floorFiles).values({
    ofId,
    slot,
    name: file.name,
    type: file.type,
    personId: person.id,
    size: bytes.length,
    bytes,
  });
}

/** A photo or recording. Refuses when there is none. */
export async function floorFileOf(
  db: Database,
  ofId: string,
  slot: string,
): Promise<{ readonly bytes: Buffer; readonly type: string; readonly name: string }> {
  const [row] = await db
    .select({ bytes: floorFiles.bytes, type: floorFiles.type, name: floorFiles.name })
    .from(floorFiles)
    .where(and(eq(floorFiles.ofId, ofId), eq(floorFiles.slot, slot as Slot)));
  return present(row, 'This file');
}
