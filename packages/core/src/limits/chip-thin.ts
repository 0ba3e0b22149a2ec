import type { MillingState } from '../evaluation/milling-state.ts';
import { exact, power, scale, sensitiveTo } from '../uncertainty/estimate.ts';
import { measure, say } from '../units/sentence.ts';
import { chipWindow } from './chip-window.ts';
import { input, type Limit } from './limit.ts';

/** A chip thinner than the edge is round is not cut but rubbed, and hardens the surface. */
export const chipThinLimit: Limit<MillingState> = {
  id: 'chip-thin',
  group: 'cutter',
  name: 'chip, not rubbing',
  assess(s) {
    const w = chipWindow(s.context);
    const runout = s.runoutStep.terms[0]?.source;
    // The tooth that stands back cuts what the others left it; half the step is the usual loss.
    const sensitivity = -(0.5 * s.runoutStep.value) / Math.max(s.chipMm, 1e-9);
    const chip = runout ? sensitiveTo(exact(s.chipMm), runout, Math.max(-2, sensitivity)) : exact(s.chipMm);
    return {
      predicted: { estimate: chip, unit: 'mm-fine' },
      allowed: {
        value: w.thinnest,
        unit: 'mm-fine',
        from: w.setBy === 'edge radius' ? 'edge radius' : 'thin end of the alloy’s window',
      },
      share: scale(power(chip, -1), w.thinnest),
      why: () =>
        say(
          'The thickest chip is {0}; below {1} this edge, {2} round, rubs.',
          measure(s.chipMm, 'mm-fine'),
          measure(w.thinnest, 'mm-fine'),
          measure(w.edgeRadius, 'mm-fine'),
        ),
      formula: 'hex = fz·sin κ·sin φ ≥ larger of window and edge radius',
      inputs: () => [
        input('hex', 'thickest chip', s.chipMm, 'mm-fine'),
        input('fz', 'feed per tooth', s.op.cut.feedPerToothMm, 'mm/tooth'),
        input('rβ', 'edge radius', w.edgeRadius, 'mm-fine'),
        input('hmin', 'thin end of the window', w.thinnest, 'mm-fine'),
      ],
      source: 'Martellotti 1941; judgement rules G-01, G-02',
    };
  },
};
