import { chosenVariant, batchAt } from '@burl/contract';
import { blankInSetup, type BlankSizes, type Operation, type OperationContext, type Stock } from '@burl/core';
import { eq } from 'drizzle-orm';
import type { Database } from './client.ts';
import { contextInCrib, wholeCrib } from './crib-store.ts';
import { jobDetail } from './job-store.ts';
import { present } from './refusal.ts';
import { programs } from './schema/programs.ts';

/** What the simulated machine needs of a kept program: its text, its material, its operation. Throws when there is none. */
export async function machineCase(
  db: Database,
  id: string,
): Promise<{
  readonly name: string;
  readonly text: string;
  readonly material: { readonly stock: Stock | null; readonly blank: BlankSizes | null };
  readonly operation: { readonly document: Operation; readonly context: OperationContext } | null;
}> {
  const [found] = await db.select().from(programs).where(eq(programs.id, id));
  const row = present(found, 'This program');
  const { job, setups } = await jobDetail(db, row.jobId);
  const crib = await wholeCrib(db);
  const of = setups
    .flatMap((s) => s.operations.map((o) => ({ s, o })))
    .find(({ o }) => o.id === row.operationId);
  const document = of && chosenVariant(of.o)?.document;
  const setup = of?.s ?? setups[0];
  return {
    name: row.name,
    text: row.bytes.toString('latin1'),
    material: { stock: row.stock, blank: setup ? blankInSetup(job.plan, setup.plan.up) : null },
    operation:
      of && document ? { document, context: contextInCrib(crib, document, batchAt(job, of.s)) } : null,
  };
}
