import type { MillingState } from '../milling-state.ts';
import { exact, scale, sensitiveTo } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { chipWindow, runoutSensitivity } from '../chip-window.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** The tooth that stands out takes its own chip and part of its neighbour's. */
export const maximumChipLimit: Limit<MillingState> = {
  id: 'chip-thick',
  group: 'cutter',
  name: 'maximum chip thickness',
  assess(s) {
    const w = chipWindow(s.context);
    const worst = s.chipMm + s.runoutStep.value;
    const runout = s.runoutStep.terms[0]?.source;
    const chip = runout ? sensitiveTo(exact(worst), runout, runoutSensitivity(s, 1)) : exact(worst);
    return {
      predicted: { estimate: chip, unit: 'mm-fine' },
      allowed: { value: w.thickest, unit: 'mm-fine', from: 'thick end of the alloy’s window' },
      share: scale(chip, 1 / w.thickest),
      why: () =>
        say(
          'Max chip thickness with runout {0}; {1} allowed.',
          measure(worst, 'mm-fine'),
          measure(w.thickest, 'mm-fine'),
        ),
      formula: 'hex + runout step ≤ hmax of the window',
      inputs: () => [
        input('hex', 'max chip thickness', s.chipMm, 'mm-fine'),
        input('δ', 'runout step', s.runoutStep.value, 'mm-fine'),
        input('hmax', 'thick end of the window', w.thickest, 'mm-fine'),
      ],
      source: 'Martellotti 1941; judgement rules G-01, G-102',
    };
  },
};
