import { chosenVariant, type CombinationDetail, type Crib, type JobDetail } from '@burl/contract';
import { type MillingOperation, type OperationContext, problemsOf } from '@burl/core';
import { blankOperation, ONE_PART } from '@burl/contract';
import { contextOf } from '../../judging/context.ts';

/** The cut the lobes are asked for; numbers nobody has set follow from the cutter. */
export interface CutAsked {
  readonly alloyId: string;
  readonly radialMm: number | null;
  readonly feedPerToothMm: number | null;
  readonly speedRpm: number | null;
  readonly depthMm: number | null;
  readonly direction: 'climb' | 'conventional';
}

export const NOTHING_ASKED: CutAsked = {
  alloyId: 'ti-6al-4v-annealed',
  radialMm: null,
  feedPerToothMm: null,
  speedRpm: null,
  depthMm: null,
  direction: 'climb',
};

/** Share of the diameter a stepover is first taken at, and depth in diameters. */
const USUAL_WIDTH = 0.25;
const USUAL_DEPTH = 1;

/** An operation of a job as the cut that is asked for. */
export function askedOf(detail: JobDetail | undefined, operationId: string | null): CutAsked | null {
  const operation = detail?.setups.flatMap((s) => s.operations).find((o) => o.id === operationId);
  const op = (operation && chosenVariant(operation))?.document;
  if (!op || !('feature' in op)) return null;
  return {
    alloyId: op.alloyId,
    radialMm: op.cut.radialEngagementMm,
    feedPerToothMm: op.cut.feedPerToothMm,
    speedRpm: op.cut.speedRpm,
    depthMm: op.cut.axialDepthMm,
    direction: op.cut.direction,
  };
}

/** The combination with a cut, as an operation the core can judge; null where the crib lacks an entry. */
export function operationOf(
  crib: Crib,
  combination: Pick<
    CombinationDetail,
    'machineId' | 'machineSerial' | 'holderId' | 'cutterId' | 'stickOutMm'
  >,
  asked: CutAsked,
): { op: MillingOperation; context: OperationContext } | null {
  const cutter = crib.cutters.find((c) => c.id === combination.cutterId)?.document;
  const diameter = cutter?.properties.DC ?? 10;
  const depth = asked.depthMm ?? Math.min(USUAL_DEPTH * diameter, cutter?.properties.APMX ?? diameter);
  const blank = blankOperation(
    crib,
    { alloyId: asked.alloyId, machineId: combination.machineId, ...ONE_PART },
    combination.cutterId,
    { kind: 'side', lengthMm: 100, widthMm: diameter, depthMm: depth, cornerRadiusMm: null },
  );
  if (!blank || !('feature' in blank)) return null;
  const op: MillingOperation = {
    ...blank,
    tooling: {
      ...blank.tooling,
      holderId: combination.holderId,
      stickOutMm: combination.stickOutMm,
    },
    cut: {
      axialDepthMm: depth,
      radialEngagementMm: asked.radialMm ?? USUAL_WIDTH * diameter,
      feedPerToothMm: asked.feedPerToothMm ?? blank.cut.feedPerToothMm,
      speedRpm: asked.speedRpm ?? blank.cut.speedRpm,
      direction: asked.direction,
    },
  };
  const context = contextOf(crib, op, ONE_PART);
  if (!context || problemsOf(op, context).length > 0) return null;
  // This very machine's page: what others of its kind taught does not count here.
  const book = context.resonance ?? { tips: [], observations: [] };
  return { op, context: { ...context, resonance: { ...book, serial: combination.machineSerial } } };
}
