import type { MillingState } from '../milling-state.ts';
import { softModes } from '../../../physics/dynamics/tip-structure.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Harmonics of the tooth-passing frequency that still carry force. */
const HARMONICS = 3;
/** Distance from a mode under which the tip swings with every tooth, in half-widths of its peak. */
const CLOSE = 2;

/** Whether only class values are known of the tip: where its modes lie is a guess, and a rougher's wall is finished later. */
const cannotTell = ({ op, stability }: MillingState): boolean =>
  stability.knowledge.trust === 'generic' && op.feature.allowanceMm > 0;

/**
 * The teeth push at speed × teeth and its multiples. That is a forced vibration and no chatter: it does not grow, but near
 * a mode it shakes the wall. In a good pocket of the lobes the two go together, so it is a matter of care.
 */
export const toothPassingLimit: Limit<MillingState> = {
  id: 'tooth-passing',
  group: 'vibration',
  name: 'tooth-passing frequency',
  needsTip: true,
  assess(state) {
    const { op, stability, teeth } = state;
    // A face has no wall; a tip that swings along it moves marks, it deepens none.
    if (cannotTell(state) || op.feature.kind === 'face') return null;
    const tooth = (op.cut.speedRpm * teeth) / 60;
    let nearest: { hz: number; harmonic: number; off: number } | null = null;
    const { x, y } = softModes(stability.structure, 0.25);
    for (const mode of [...x, ...y]) {
      for (let h = 1; h <= HARMONICS; h++) {
        const off = Math.abs(h * tooth - mode.hz) / (mode.damping * mode.hz) / CLOSE;
        if (!nearest || off < nearest.off) nearest = { hz: mode.hz, harmonic: h, off };
      }
    }
    if (!nearest) return null;
    const share = Math.min(9, 1 / Math.max(nearest.off, 0.11));
    const guess = stability.knowledge.trust === 'generic';
    return {
      predicted: { estimate: exact(nearest.harmonic * tooth), unit: 'Hz' },
      allowed: { value: nearest.hz, unit: 'Hz', from: `mode to keep off, ${stability.knowledge.from}` },
      share: exact(share),
      verdict: share <= 1 ? 'clear' : guess ? 'unproven' : 'tight',
      why: () =>
        share <= 1
          ? say(
              'Tooth-passing frequency {0}; nearest mode {1}, far enough.',
              measure(tooth, 'Hz'),
              measure(nearest.hz, 'Hz'),
            )
          : say(
              `Tooth-passing frequency {0}${nearest.harmonic > 1 ? `, ${nearest.harmonic} times that` : ''} meets the mode at {1}: no chatter, but the wall will show it when finishing.`,
              measure(tooth, 'Hz'),
              measure(nearest.hz, 'Hz'),
            ),
      formula: 'h·n·z/60 against fn ± 2·ζ·fn',
      inputs: () => [
        input('n', 'spindle speed', op.cut.speedRpm, 'rpm'),
        input('z', 'teeth', teeth, 'pieces'),
        input('fn', 'nearest mode', nearest.hz, 'Hz'),
      ],
      source: 'forced vibration of a mode; Schmitz & Smith 2019, ch. 4',
    };
  },
};
