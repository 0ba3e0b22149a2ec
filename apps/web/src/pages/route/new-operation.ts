import {
  isDrill,
  isMillingCutter,
  type MillingFeatureKind,
  problemInWords,
  problemsOf,
  type System,
} from '@burl/core';
import type { Crib, Job, OperationInput } from '@burl/contract';
import { blankOperation } from '@burl/contract';
import { contextOf } from '../../judging/context.ts';

/** What is cut: a feature to mill, or a hole to drill. */
export type Made = MillingFeatureKind | 'hole';

/** A new operation as it is typed. */
export interface NewOperation {
  readonly made: Made;
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly cornerRadiusMm: number | null;
  readonly diameterMm: number;
  readonly count: number;
  readonly through: boolean;
  readonly cutterId: string;
}

export const FIRST: NewOperation = {
  made: 'pocket',
  name: '',
  lengthMm: 60,
  widthMm: 40,
  depthMm: 20,
  cornerRadiusMm: 8,
  diameterMm: 8,
  count: 1,
  through: false,
  cutterId: '',
};

/** The name it gets when none is typed. */
export const nameOf = (n: NewOperation): string =>
  n.name.trim() || (n.made === 'hole' ? `Drill ${n.diameterMm} × ${n.depthMm}` : `Rough ${n.made}`);

/** Cutters that could do it, those rated for the alloy first, then the nearest or the smallest. */
export function cuttersFor(crib: Crib, n: NewOperation, suits: (groups: readonly string[]) => boolean) {
  const hole = n.made === 'hole';
  const off = (diameter = 0): number => (hole ? Math.abs(diameter - n.diameterMm) : diameter);
  return crib.cutters
    .map((c) => c.document)
    .filter((c) => (hole ? isDrill(c) : isMillingCutter(c)))
    .sort(
      (a, b) =>
        Number(suits(b.suits_iso_groups)) - Number(suits(a.suits_iso_groups)) ||
        off(a.properties.DC) - off(b.properties.DC),
    );
}

/** What to send, or why it cannot be. */
export function inputOf(
  crib: Crib,
  job: Job,
  n: NewOperation,
  setupId: string,
  system: System,
): OperationInput | string {
  if (!n.cutterId) return 'Choose a cutter from the list.';
  const { made, lengthMm, widthMm, depthMm, cornerRadiusMm, diameterMm, through, count } = n;
  const document = blankOperation(
    crib,
    job,
    n.cutterId,
    made === 'hole'
      ? { diameterMm, depthMm, through, count }
      : {
          kind: made,
          lengthMm,
          widthMm,
          depthMm,
          cornerRadiusMm: made === 'pocket' ? cornerRadiusMm : null,
        },
  );
  if (!document)
    return 'No holder in the crib takes this shank and fits the spindle. Copy a holder in the crib, or choose another cutter.';
  const context = contextOf(crib, document, job.quantity);
  const problems = context ? problemsOf(document, context) : [];
  return problems.length > 0
    ? problems.map((p) => problemInWords(p, system)).join('; ')
    : { setupId, name: nameOf(n), document };
}
