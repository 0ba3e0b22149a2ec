import { isPolymer } from '../../../crib/alloy.ts';
import type { DrillingState } from '../drilling-state.ts';
import type { OperationContext } from '../../context.ts';
import { exact, power, scale, type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Chip window of mid-range steel the drills' feed windows are stated for, mm. */
const STEEL_CHIP = 0.06;

/** A drill made for steel goes so much faster in what is softer; in a polymer nothing loads its corners. */
const [MOST_IN_METAL, MOST_IN_POLYMER] = [1.2, 1.8];

const WINDOW: Source = {
  id: 'drill-feed-window',
  label: 'feed window of the drill, scaled from steel',
  kind: 'library',
  sigma: 0.12,
  narrowBy: 'a trial hole with a look at lips and chip',
};

/** Feed window of this drill in this alloy, mm/rev. */
export function drillFeedWindow({ alloy, cutter }: OperationContext): readonly [number, number] | null {
  const window = cutter.extended.fr_window_mm_per_rev;
  if (!window) return null;
  const thicker = alloy.hm_window.c_mm / STEEL_CHIP;
  const most = isPolymer(alloy) ? MOST_IN_POLYMER : MOST_IN_METAL;
  return [window[0] * Math.min(MOST_IN_METAL, thicker), window[1] * Math.min(most, thicker)];
}

/** Too little feed rubs and hardens the bottom of the hole. */
export const drillFeedLowLimit: Limit<DrillingState> = {
  id: 'drill-feed-low',
  group: 'cutter',
  name: 'minimum feed',
  assess({ op: { cut }, context }) {
    const window = drillFeedWindow(context);
    if (!window) return null;
    return {
      predicted: { estimate: exact(cut.feedPerRevMm), unit: 'mm/rev' },
      allowed: { value: window[0], unit: 'mm/rev', from: 'low end of the drill’s window in this alloy' },
      share: scale(power(uncertain(cut.feedPerRevMm, WINDOW), -1), window[0]),
      why: () =>
        say(
          'Feed {0}; at least {1} needed (below, the lips rub and work-harden the bottom).',
          measure(cut.feedPerRevMm, 'mm/rev'),
          measure(window[0], 'mm/rev'),
        ),
      formula: 'fn ≥ window low·(alloy chip / steel chip)',
      inputs: () => [
        input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev'),
        input('low', 'window', window[0], 'mm/rev'),
      ],
      source: 'cutter record; judgement rules G-02, G-63',
    };
  },
};

/** Too much feed chips the corners. */
export const drillFeedHighLimit: Limit<DrillingState> = {
  id: 'drill-feed-high',
  group: 'cutter',
  name: 'maximum feed',
  assess({ op: { cut }, context }) {
    const window = drillFeedWindow(context);
    if (!window) return null;
    return {
      predicted: { estimate: exact(cut.feedPerRevMm), unit: 'mm/rev' },
      allowed: { value: window[1], unit: 'mm/rev', from: 'high end of the drill’s window in this alloy' },
      share: scale(uncertain(cut.feedPerRevMm, WINDOW), 1 / window[1]),
      why: () =>
        say(
          'Feed {0}; {1} allowed (drill in this alloy).',
          measure(cut.feedPerRevMm, 'mm/rev'),
          measure(window[1], 'mm/rev'),
        ),
      formula: 'fn ≤ window high·(alloy chip / steel chip)',
      inputs: () => [
        input('fn', 'feed per revolution', cut.feedPerRevMm, 'mm/rev'),
        input('high', 'window', window[1], 'mm/rev'),
      ],
      source: 'cutter record',
    };
  },
};
