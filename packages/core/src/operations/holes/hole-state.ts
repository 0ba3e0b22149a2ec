import type { OperationContext } from '../context.ts';
import type { Alloy } from '../../crib/alloy.ts';
import type { HoleOperation } from '../hole-operation.ts';
import type { Estimate, Source } from '../../judging/estimate.ts';
import { type CutParts, cutOfParts } from '../cut-of-parts.ts';
import type { CutState } from '../cut-state.ts';

/** What every step of a hole is judged by besides the cut itself. */
export interface HoleState<O extends HoleOperation = HoleOperation> extends CutState<O> {
  /** What twists or bends the tool over what breaks it; null where nothing of the kind is known. */
  readonly breaking: Estimate | null;
  /** How far the made diameter may be off, mm on the diameter; null where this step does not make the size. */
  readonly sizeErrorMm: Estimate | null;
  /** Allowed deviation of that kind, mm; null where nobody asks. */
  readonly sizeAllowedMm: number | null;
}

/** What a step's own model works out. */
export interface HoleParts extends CutParts {
  readonly breaking: Estimate | null;
  readonly sizeErrorMm: Estimate | null;
  readonly sizeAllowedMm?: number | null;
}

/** Assembles what all steps of a hole share. */
export const holeState = <O extends HoleOperation>(
  op: O,
  context: OperationContext,
  p: HoleParts,
): HoleState<O> => ({
  ...cutOfParts(op, context, p),
  breaking: p.breaking,
  sizeErrorMm: p.sizeErrorMm,
  sizeAllowedMm:
    p.sizeAllowedMm !== undefined
      ? p.sizeAllowedMm
      : op.hole.toleranceMm === null
        ? null
        : op.hole.toleranceMm / 2,
});

/** How well a hole's size is foretold. */
export const SIZE_MODEL: Source = {
  id: 'size-model',
  label: 'size of the finished hole',
  kind: 'assumed',
  sigma: 0.3,
  narrowBy: 'measure the first holes with a plug or a probe',
};

/** Part of a lean that stock and wear move about; the rest is set out at the first hole. */
export const VARIES = 0.3;

/** Tensile strength, MPa; a third of Brinell in tens where the crib states none. */
export const strengthOf = (alloy: Alloy): number =>
  alloy.tensile_strength_mpa?.typical ??
  (alloy.hardness.scale === 'HB' ? 3.4 * alloy.hardness.typical : 33 * alloy.hardness.typical);

/** Shear a tool is twisted off at, over its transverse rupture strength. */
export const TWIST_OFF = 0.45;
