import {
  chosenVariant,
  batchAt,
  type Crib,
  type JobDetail,
  operationAsItStands,
  operationsOfRelease,
  type Release,
} from '@burl/contract';
import { blankInSetup, type BlankSizes, type CheckSettings, type ProgramOperation } from '@burl/core';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import type { ProgramSource } from './source.ts';

/** Operations a job's programs are held against: those of its released sheet, else as they stand. */
export function operationsOfJob(
  detail: JobDetail,
  crib: Crib,
  sheet: Release | undefined,
): readonly ProgramOperation[] {
  if (sheet) return operationsOfRelease(sheet.snapshot);
  return detail.setups.flatMap((s) =>
    s.operations.flatMap((o) => {
      const document = chosenVariant(o)?.document;
      if (!document) return [];
      const context = contextOf(crib, document, batchAt(detail.job, s));
      if (!context || !judge(document, context).evaluation) return [];
      return [
        operationAsItStands({ id: o.id, name: o.name, document, workOffset: s.plan.workOffset }, context),
      ];
    }),
  );
}

/** The job's blank as it stands in the setup of an operation; in its first where the operation is not known. */
export function blankOfJob({ job, setups }: JobDetail, operationId: string | null): BlankSizes | null {
  const setup = setups.find((s) => s.operations.some((o) => o.id === operationId)) ?? setups[0];
  return setup ? blankInSetup(job.plan, setup.plan.up) : null;
}

/** Cell of the material's grid for a program: finer for small parts. */
const CELL = 0.25;

/** What a program is checked with. */
export function settingsOf(
  source: ProgramSource,
  operations: readonly ProgramOperation[],
  blank: BlankSizes | null,
  crib: Crib,
  purpose: readonly number[],
): CheckSettings {
  return {
    operations,
    machine: operations[0]?.context.machine ?? null,
    stock: source.stock,
    blank,
    cellMm: CELL,
    clearPlaneMm: null,
    speedsOnPurpose: purpose,
    inheritance: { alloys: crib.alloys.map((e) => e.document) },
  };
}
