import type { AttachedFile, Person } from '@burl/contract';
import { and, eq, notInArray } from 'drizzle-orm';
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
  await keepBytes(tx, person, ofId, {
    slot,
    name: file.name,
    type: file.type,
    bytes: await attachedBytes(file),
  });
}

async function keepBytes(
  tx: Transaction,
  person: Person,
  ofId: string,
  file: Pick<typeof floorFiles.$inferSelect, 'slot' | 'name' | 'type' | 'bytes'>,
): Promise<void> {
  await requireRoom(tx, person, file.bytes);
  await tx.insert(floorFiles).values({ ...file, ofId, personId: person.id, size: file.bytes.length });
}

/** Gives an entry that puts another right the photo and recording it brings none of. */
export async function takeOverFloorFiles(
  tx: Transaction,
  person: Person,
  from: string,
  to: string,
): Promise<void> {
  const { slot, name, type, bytes } = floorFiles;
  const brought = tx.select({ slot }).from(floorFiles).where(eq(floorFiles.ofId, to));
  const missing = await tx
    .select({ slot, name, type, bytes })
    .from(floorFiles)
    .where(and(eq(floorFiles.ofId, from), notInArray(slot, brought)));
  for (const file of missing) await keepBytes(tx, person, to, file);
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
