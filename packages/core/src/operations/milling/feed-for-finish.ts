import { uncertain } from '../../judging/estimate.ts';
import type { OperationContext } from '../context.ts';
import { tidy } from '../starting.ts';
import { chipWindow } from './chip-window.ts';
import { milledRa } from './limits/surface-finish.ts';
import { millingInput } from './milling-input.ts';
import type { MillingOperation } from './milling-operation.ts';

/** Ra is aimed this far under what is asked: marks are foretold, tearing is not. */
const UNDER = 0.85;
/** Steps of feed that are tried, each a tenth lower, and how many. */
const STEP = 0.9;
const TRIED = 22;

/** Feed per tooth, mm, no higher than `feedMm`, whose marks stay under the Ra asked for and whose chip is still cut; `feedMm` where none is. */
export function feedForFinish(op: MillingOperation, context: OperationContext, feedMm: number): number {
  const { raUm, allowanceMm } = op.feature;
  if (raUm === null || allowanceMm > 0) return feedMm;
  const { edgeRadius } = chipWindow(context);
  for (let i = 0; i < TRIED; i++) {
    const fz = tidy(feedMm * STEP ** i);
    const at = { ...op, cut: { ...op.cut, feedPerToothMm: fz } };
    const input = millingInput(at, context);
    if (i > 0 && input.chip < edgeRadius) break;
    const ra = milledRa({
      op: at,
      context,
      teeth: input.pitch.length,
      runoutStep: uncertain(Math.max(1e-9, ...input.steps), input.runout),
      diameterInCutMm: input.diameter,
    });
    if (ra.raUm <= UNDER * raUm) return fz;
  }
  return feedMm;
}
