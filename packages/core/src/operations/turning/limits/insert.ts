import type { LimitState } from '../../../judging/result.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { chipsBreakFrom, jetBar } from '../../lathe/coolant-jet.ts';
import { held } from '../../holes/limits/assessments.ts';
import { deepestOfEdge } from '../depth-of-edge.ts';
import { isFullRadius } from '../profile/reach.ts';
import type { TurningState } from '../turning-state.ts';

/** Over the window the edge breaks; under it the chip is not broken, which is a nuisance and a hazard but no damage. */
const LONG_CHIPS = 0.8;

/** Feed within the insert's window, and not over what its nose stands. */
export const insertFeedLimit: Limit<TurningState> = {
  id: 'insert-feed',
  group: 'cutter',
  name: 'insert feed',
  assess({ op, context }) {
    const { cut } = op;
    const { cutter } = context;
    const bar = jetBar(op, context);
    const window = cutter.extended.f_window_mm_per_rev;
    const nose = cutter.properties.RE ?? 0.8;
    const most = Math.min(window?.[1] ?? Infinity, MOST_OF_NOSE * nose);
    const feed = cut.feedPerRevMm;
    const breaks = (window?.[0] ?? 0) * chipsBreakFrom(bar);
    const thin = feed < breaks;
    const jet = bar > 0 ? `, coolant {2} through the tool` : '';
    const state: LimitState = feed > most ? 'over' : feed > 0.95 * most || thin ? 'tight' : 'clear';
    return {
      ...held(
        feed,
        most,
        'mm/rev',
        most < (window?.[1] ?? Infinity) ? 'nose radius' : 'window of the insert',
        {
          why: () =>
            thin
              ? say(
                  `Feed {0}; chips stay long below {1} (insert${jet}).`,
                  measure(feed, 'mm/rev'),
                  measure(breaks, 'mm/rev'),
                  measure(bar, 'bar'),
                )
              : say('Feed {0}; {1} allowed (insert).', measure(feed, 'mm/rev'), measure(most, 'mm/rev')),
          formula: 'fn within the window, and at most 0.7·RE',
          inputs: () => [input('RE', 'nose radius', nose, 'mm')],
          source: 'cutter record; judgement rule G-115',
        },
      ),
      verdict: state,
    };
  },
};
/** Feed over the nose radius a roughing edge takes at most. */
const MOST_OF_NOSE = 0.7;

/** Depth the edge is long enough for, and that reaches past the nose. */
export const insertDepthLimit: Limit<TurningState> = {
  id: 'insert-depth',
  group: 'cutter',
  name: 'depth of cut',
  assess({ depthMm, context: { cutter }, op }) {
    const window = cutter.extended.ap_window_mm;
    const most = deepestOfEdge(cutter) ?? Infinity;
    const nose = cutter.properties.RE ?? 0.8;
    const round = (cutter.properties['EPSR'] ?? 80) === 0 || isFullRadius(cutter);
    const edge = (cutter.extended.edge_radius_um?.[1] ?? 15) / 1000;
    // What its record says it is made for goes before the rule.
    const usual = Math.min(LEAST_OF_NOSE * nose, window?.[0] ?? Infinity);
    const least = round ? 3 * edge : Math.max(usual, 3 * edge);
    const shallow = !round && depthMm < LONG_CHIPS * Math.max(window?.[0] ?? 0, (2 / 3) * nose);
    const deep = depthMm > most;
    const state: LimitState =
      deep || depthMm < least ? 'over' : shallow || depthMm > 0.97 * most ? 'tight' : 'clear';
    return {
      predicted: { estimate: exact(depthMm), unit: 'mm' },
      allowed:
        deep || depthMm >= least
          ? { value: most, unit: 'mm', from: cutter.name }
          : { value: least, unit: 'mm', from: 'nose and edge radius' },
      share: exact(depthMm < least ? least / depthMm : depthMm / most),
      verdict: state,
      why: () =>
        depthMm < least
          ? say(
              'Depth {0} cuts on the nose only and pushes part and tool apart; {1} needed.',
              measure(depthMm, 'mm'),
              measure(least, 'mm'),
            )
          : shallow && !deep
            ? say(
                'Depth {0}, less than the nose of {1}: the chip former is not reached.',
                measure(depthMm, 'mm'),
                measure(nose, 'mm'),
              )
            : say('Depth {0}; {1} allowed (insert).', measure(depthMm, 'mm'), measure(most, 'mm')),
      formula: 'ap ≥ RE/4, better 2/3·RE; ap within the window of the insert',
      inputs: () => [
        input('ap', 'depth of cut', op.cut.depthMm, 'mm'),
        input('RE', 'nose radius', nose, 'mm'),
      ],
      source: 'cutter record; judgement rule G-115',
    };
  },
};
const LEAST_OF_NOSE = 0.25;

/** A chip thinner than the edge is round is rubbed off, not cut. */
export const leastChipLimit: Limit<TurningState> = {
  id: 'turned-chip',
  group: 'cutter',
  name: 'minimum chip',
  assess({ chip, leastChipMm }) {
    const h = chip.equivalentMm;
    return {
      predicted: { estimate: exact(h), unit: 'mm-fine' },
      allowed: { value: leastChipMm, unit: 'mm-fine', from: 'radius of the edge' },
      share: exact(leastChipMm / h),
      why: () =>
        say(
          'Chip {0}; at least {1} needed to cut (edge radius).',
          measure(h, 'mm-fine'),
          measure(leastChipMm, 'mm-fine'),
        ),
      formula: 'h ≥ 0.3·rβ',
      inputs: () => [input('h', 'equivalent chip', h, 'mm-fine')],
      source: 'judgement rule G-02',
    };
  },
};

/** Edge to the feed from which the depth line is notched, degrees. */
const STEEP = 70;
/** The line where the edge leaves the part wears a notch in alloys that harden; a small lead angle or another depth moves it. */
export const notchLimit: Limit<TurningState> = {
  id: 'notch',
  group: 'heat and life',
  name: 'depth-of-cut notch',
  assess({ context: { alloy, cutter }, passes, chip, op }) {
    const rating = alloy.ratings_0_3.notch;
    if (rating < 2) return null;
    const steep = chip.lineLeadDeg > STEEP;
    const repeated = passes > 1 && !op.cut.varied;
    return {
      predicted: null,
      allowed: null,
      share: null,
      verdict: steep && repeated ? 'tight' : 'clear',
      why: () =>
        steep && repeated
          ? say(
              `${alloy.name} notches the edge at the depth line; {0} passes at one depth meet the same place. Vary the depth, or take a round insert.`,
              measure(passes, 'pieces'),
            )
          : op.cut.varied && passes > 1
            ? say(`${alloy.name} notches the edge at the depth line; the depth differs from pass to pass.`)
            : say(`${cutter.name}: the chip thins where the edge leaves the part.`),
      formula: 'edge under 70° to the feed where it leaves the part, or no two passes at one depth',
      inputs: () => [input('κ', 'edge at the depth line', chip.lineLeadDeg, 'deg')],
      source: 'judgement rule G-118',
    };
  },
};
