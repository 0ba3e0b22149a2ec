import type { MillingState } from '../milling-state.ts';
import { bandOf, exact, power, scale, sensitiveTo } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { isSurface } from '../engaged-edge.ts';
import { chipWindow } from '../chip-window.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Of a roughing window's thin end, what is still cut and not rubbed; between both the edge works, but not for long. */
const STILL_CUTS = 0.6;

/** The same in aluminium, which does not harden under a sharp edge that rubs a little. */
const STILL_CUTS_SOFT = 0.4;

/** Of the edge's radius, what a pass over a curved surface still shears: chips are thin there all along. Crib rule hm. */
const STILL_SHEARS = 0.3;

const stillCuts = ({ alloy }: MillingState['context']): number =>
  alloy.family === 'aluminium' ? STILL_CUTS_SOFT : STILL_CUTS;

/** A chip thinner than the edge is round is not cut but rubbed, and hardens the surface. */
export const minimumChipLimit: Limit<MillingState> = {
  id: 'chip-thin',
  group: 'cutter',
  name: 'minimum chip thickness',
  assess(s) {
    const w = chipWindow(s.context);
    const runout = s.runoutStep.terms[0]?.source;
    // The tooth that stands back cuts what the others left it; half the step is the usual loss.
    const sensitivity = -(0.5 * s.runoutStep.value) / Math.max(s.chipMm, 1e-9);
    // A finishing pass is meant to be thin: its edge has only to be able to cut.
    const finishing = s.op.feature.allowanceMm === 0;
    const rubs = isSurface(s.op)
      ? STILL_SHEARS * w.edgeRadius
      : finishing
        ? w.edgeRadius
        : Math.max(w.edgeRadius, stillCuts(s.context) * w.thinnest);
    const comfortable = finishing ? w.edgeRadius : w.thinnest;
    const chip = runout ? sensitiveTo(exact(s.chipMm), runout, Math.max(-2, sensitivity)) : exact(s.chipMm);
    const tight = s.chipMm >= rubs && comfortable * bandOf(power(chip, -1)).high > 1;
    return {
      predicted: { estimate: chip, unit: 'mm-fine' },
      allowed: {
        value: rubs,
        unit: 'mm-fine',
        from:
          finishing || w.setBy === 'edge radius'
            ? 'edge radius'
            : 'what still cuts, under the thin end of the alloy’s window',
      },
      share: scale(power(chip, -1), rubs),
      ...(tight ? { verdict: 'tight' as const } : {}),
      why: () =>
        comfortable > rubs
          ? say(
              'Max chip thickness {0}; cuts well from {1}, only rubs below {3} (edge radius {2}).',
              measure(s.chipMm, 'mm-fine'),
              measure(comfortable, 'mm-fine'),
              measure(w.edgeRadius, 'mm-fine'),
              measure(rubs, 'mm-fine'),
            )
          : say(
              'Max chip thickness {0}; at least {1} needed (edge radius {2}).',
              measure(s.chipMm, 'mm-fine'),
              measure(comfortable, 'mm-fine'),
              measure(w.edgeRadius, 'mm-fine'),
            ),
      formula: 'hex = fz·sin κ·sin φ ≥ larger of window and edge radius',
      inputs: () => [
        input('hex', 'max chip thickness', s.chipMm, 'mm-fine'),
        input('fz', 'feed per tooth', s.op.cut.feedPerToothMm, 'mm/tooth'),
        input('rβ', 'edge radius', w.edgeRadius, 'mm-fine'),
        input('hmin', 'thin end of the window', w.thinnest, 'mm-fine'),
        input('h rub', 'below this it only rubs', rubs, 'mm-fine'),
      ],
      source: 'Martellotti 1941; judgement rules G-01, G-02',
    };
  },
};
