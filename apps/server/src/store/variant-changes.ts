import { type Person, type Variant, VARIANT_LABELS, type VariantUpdate } from '@burl/contract';
import { InputError } from '@burl/core';
import { eq } from 'drizzle-orm';
import type { Database } from './client.ts';
import { changed, record } from './audit.ts';
import { jobOfOperation, openForEditing, operationOfVariant, touch, variantOf } from './job-store.ts';
import { requirePossible } from './possible.ts';
import { inUse, stale } from './refusal.ts';
import { operations, variants } from './schema/jobs.ts';

/** Copies the chosen variant of an operation under the next letter. */
export const copyVariant = (db: Database, person: Person, operationId: string): Promise<Variant> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfOperation(tx, operationId);
    await openForEditing(tx, jobId);
    const [op] = await tx.select().from(operations).where(eq(operations.id, operationId));
    const existing = await tx.select().from(variants).where(eq(variants.operationId, operationId));
    // A letter somebody may have written down is not given to another one while there are fresh ones.
    const last = Math.max(-1, ...existing.map((v) => VARIANT_LABELS.indexOf(v.label)));
    const label =
      VARIANT_LABELS[last + 1] ?? VARIANT_LABELS.find((l) => !existing.some((v) => v.label === l));
    if (!label)
      throw new InputError([{ field: 'variants', value: existing.length, allowed: 'up to 4: A to D' }]);
    const from = existing.find((v) => v.label === op!.selected) ?? existing[0]!;
    const [variant] = await tx
      .insert(variants)
      .values({ operationId, label, document: from.document, updatedBy: person.name })
      .returning();
    await record(tx, person, {
      action: 'copied variant',
      jobId,
      subject: `${op!.name} ${label}`,
      detail: { from: from.label },
    });
    await touch(tx, jobId, person);
    return variantOf(variant!);
  });

/** Saves the numbers of a variant; refuses what is impossible, and what somebody else was quicker to save. */
export const saveVariant = (
  db: Database,
  person: Person,
  id: string,
  { document, version }: VariantUpdate,
): Promise<Variant> =>
  db.transaction(async (tx) => {
    const { jobId, operationId } = await operationOfVariant(tx, id);
    const job = await openForEditing(tx, jobId);
    const [before] = await tx.select().from(variants).where(eq(variants.id, id)).for('update');
    if (before!.version !== version) throw stale(variantOf(before!));
    await requirePossible(tx, document, job);
    const [after] = await tx
      .update(variants)
      .set({ document, version: version + 1, updatedAt: new Date(), updatedBy: person.name })
      .where(eq(variants.id, id))
      .returning();
    const [op] = await tx
      .select({ name: operations.name })
      .from(operations)
      .where(eq(operations.id, operationId));
    await record(tx, person, {
      action: 'saved numbers',
      jobId,
      subject: `${op?.name ?? ''} ${after!.label}`,
      detail: { version: after!.version, ...changed(before!.document, document) },
    });
    await touch(tx, jobId, person);
    return variantOf(after!);
  });

/** The chosen variant stays. */
export const removeVariant = (db: Database, person: Person, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const { operationId, jobId } = await operationOfVariant(tx, id);
    await openForEditing(tx, jobId);
    const [op] = await tx.select().from(operations).where(eq(operations.id, operationId));
    const [variant] = await tx.select().from(variants).where(eq(variants.id, id));
    if (variant!.label === op!.selected) throw inUse('The chosen variant stays: choose another first.');
    await tx.delete(variants).where(eq(variants.id, id));
    await record(tx, person, {
      action: 'removed variant',
      jobId,
      subject: `${op!.name} ${variant!.label}`,
      detail: { document: variant!.document },
    });
    await touch(tx, jobId, person);
  });
