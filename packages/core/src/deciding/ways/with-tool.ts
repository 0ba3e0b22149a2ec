import { setStickOut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { PLAIN_FINISHING } from '../../physics/path/finishing.ts';

/** The operation with the tool of another context, out as far as the feature asks. */
export function withTool(
  op: MillingOperation,
  { cutter, holder }: Pick<OperationContext, 'cutter' | 'holder'>,
): MillingOperation {
  const deep = op.feature.finishing?.floorMm ?? op.feature.depthMm;
  return {
    ...op,
    pins: [],
    tooling: {
      cutterId: cutter.id,
      holderId: holder.id,
      stickOutMm: setStickOut({ cutter }, deep),
    },
  };
}

/** A curved surface with the tool of another context, tilted as it touches well, degrees to a tenth. */
export function onSurfaceWith(
  op: MillingOperation,
  tool: Pick<OperationContext, 'cutter' | 'holder'>,
  tiltDeg: number,
): MillingOperation {
  const finishing = op.feature.finishing ?? PLAIN_FINISHING;
  const hollowMm = finishing.surface?.hollowMm ?? null;
  return {
    ...withTool(op, tool),
    feature: {
      ...op.feature,
      finishing: { ...finishing, surface: { hollowMm, tiltDeg: Number(tiltDeg.toFixed(1)) } },
    },
  };
}
