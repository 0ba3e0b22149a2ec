import type { ReleasedOperation } from '@burl/contract';
import { eq } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { present, Refusal } from './refusal.ts';
import { releases } from './schema/releases.ts';

/** An operation as it stood on a sheet that was released. Refuses what never was. */
export async function sheetOperation(
  db: Database | Transaction,
  releaseId: string,
  operationId: string,
): Promise<{
  readonly jobId: string;
  readonly jobNumber: string;
  readonly heatLot: string;
  readonly revision: number;
  readonly operation: ReleasedOperation;
}> {
  const [row] = await db.select().from(releases).where(eq(releases.id, releaseId));
  const release = present(row, 'This release');
  if (release.state !== 'released' && release.state !== 'superseded')
    throw new Refusal('state', 'Only what runs from a released sheet is logged.');
  const operation = release.snapshot.operations.find((o) => o.operationId === operationId);
  return {
    jobId: release.jobId,
    jobNumber: release.snapshot.job.number,
    heatLot: release.snapshot.job.heatLot,
    revision: release.revision,
    operation: present(operation, 'This operation on the sheet'),
  };
}
