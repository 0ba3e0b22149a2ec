import { isHighSpeedSteel, type OperationContext } from '../context.ts';
import { into, low, startingRpm, tidy } from '../starting.ts';
import type { EdgeMillingOperation } from './edge-milling-operation.ts';
import { edgeMillingState } from './edge-milling-state.ts';
import { edgePassLimit } from './limits/edge-cut.ts';

/** Passes an edge is ever shared among. */
export const MOST_PASSES = 8;

/** Tip clear of the break: two thirds of a small chamfer, no more than half a millimetre. */
const offTip = ({ edge }: EdgeMillingOperation): number =>
  edge.form === 'chamfer' ? tidy(Math.min(0.5, 0.2 + 0.4 * edge.sizeMm)) : 0;

/** First numbers of an edge: an edge's speed at the widest of the contact, the cutter's chip, passes as the alloy lets. */
export function startingEdgeMilling(
  op: EdgeMillingOperation,
  context: OperationContext,
): EdgeMillingOperation['cut'] {
  const { alloy, cutter } = context;
  const steel = isHighSpeedSteel(context);
  const windows = alloy.vc_windows_m_min;
  const vc =
    op.measured.lifeSpeed30MMin ??
    low(steel ? windows.hss_milling : windows.carbide_milling.moderate_ae_0_2_0_4, steel ? 10 : 20);
  const window = cutter.extended.fz_window_mm;
  const draft: EdgeMillingOperation = {
    ...op,
    cut: {
      ...op.cut,
      offTipMm: offTip(op),
      feedPerToothMm: window ? into(window, 0.4) : tidy(0.005 * (cutter.properties.DC ?? 4)),
      passes: 1,
    },
  };
  const passes =
    Array.from({ length: MOST_PASSES }, (_, i) => i + 1).find((n) => {
      const share = edgePassLimit.assess(
        edgeMillingState({ ...draft, cut: { ...draft.cut, passes: n } }, context),
      )?.share;
      return !share || share.value <= 1;
    }) ?? MOST_PASSES;
  const { diameterInCutMm } = edgeMillingState(draft, context);
  return { ...draft.cut, passes, speedRpm: startingRpm(context, vc, diameterInCutMm) };
}
