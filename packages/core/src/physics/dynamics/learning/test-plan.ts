import type { ChatterCut } from '../chatter-cut.ts';
import type { Belief } from './belief.ts';
import { alongToolOf, bordersOf, chanceOfChatter } from './world-border.ts';

/** A cut worth trying. */
export interface TestProposal {
  readonly rpm: number;
  readonly depthMm: number;
  /** Chance that it chatters. */
  readonly chanceOfChatter: number;
  /** What its sound would tell, bits. */
  readonly gainBits: number;
  /** Gain after what chatter would cost is taken off. */
  readonly worth: number;
}

export interface TestWish {
  readonly fromRpm: number;
  readonly toRpm: number;
  /** Deepest cut that may be tried, mm. */
  readonly mostMm: number;
  /** Speed the job would like to run at: what is learnt near it counts most. */
  readonly atRpm: number;
  /** What a cut that chatters costs against what a bit is worth; 0 asks for the most telling cut whatever happens. */
  readonly fear?: number;
}

const bits = (p: number): number => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)));

/**
 * The next best test cuts: where the worlds disagree most about what will be heard (expected information), less the risk
 * of chattering there. Lindley 1956; the risk grows with how far over the border a cut may be. Best first.
 */
export function nextTests(belief: Belief, cut: ChatterCut, wish: TestWish, count = 3): TestProposal[] {
  const { fromRpm, toRpm, mostMm, atRpm, fear = 0.6 } = wish;
  const speeds = Array.from(
    { length: 13 },
    (_, i) => Math.round((fromRpm + ((toRpm - fromRpm) * i) / 12) / 10) * 10,
  );
  const borders = bordersOf(belief, cut, speeds, mostMm / 2);
  const found: TestProposal[] = [];
  speeds.forEach((rpm, c) => {
    for (let i = 2; i <= 20; i++) {
      const depthMm = Number(((mostMm * i) / 20).toPrecision(2));
      let [mean, own] = [0, 0];
      borders.forEach((b, s) => {
        const p = chanceOfChatter(b[c]!, depthMm, belief.stickOutMm);
        mean += belief.weights[s]! * p;
        own += belief.weights[s]! * bits(p);
      });
      const gainBits = Math.max(0, bits(mean) - own);
      // What is learnt far from the wanted speed says less about it.
      const near = Math.exp(-(Math.log(rpm / atRpm) ** 2) / (2 * 0.35 ** 2));
      found.push({
        rpm,
        depthMm,
        chanceOfChatter: mean,
        gainBits,
        worth: gainBits * near - fear * mean * mean,
      });
    }
  });
  found.sort((a, b) => b.worth - a.worth);
  const chosen: TestProposal[] = [];
  for (const f of found) {
    if (chosen.every((c) => Math.abs(c.rpm / f.rpm - 1) > 0.06)) chosen.push(f);
    if (chosen.length === count) break;
  }
  return chosen;
}

/** One step of a speed ladder. */
export interface LadderStep {
  readonly rpm: number;
  readonly tableFeedMmMin: number;
}

/** A plan for those without a hammer: one depth, speed after speed, the feed moved with it. */
export interface SpeedLadder {
  readonly depthMm: number;
  readonly radialMm: number;
  readonly feedPerToothMm: number;
  readonly steps: readonly LadderStep[];
}

/**
 * Speeds of equal ratio from the slowest to the fastest allowed, at a depth that is likely to chatter somewhere: half of
 * the worlds' middle border at the fastest step is too shallow to tell, so the middle border itself is taken.
 * The feed goes with the speed, so that the chip stays. Throws nothing; an empty range gives one step.
 */
export function speedLadder(
  belief: Belief,
  cut: ChatterCut,
  wish: {
    readonly fromRpm: number;
    readonly toRpm: number;
    readonly mostMm: number;
    readonly radialMm: number;
    readonly feedPerToothMm: number;
    readonly ratio?: number;
  },
): SpeedLadder {
  const { fromRpm, toRpm, mostMm, radialMm, feedPerToothMm, ratio = 1.05 } = wish;
  const count = Math.max(1, Math.min(14, Math.floor(Math.log(toRpm / fromRpm) / Math.log(ratio)) + 1));
  const speeds = Array.from(
    { length: count },
    (_, i) => Math.round((fromRpm * (toRpm / fromRpm) ** (count === 1 ? 0 : i / (count - 1))) / 10) * 10,
  );
  const middle = speeds[speeds.length >> 1]!;
  const borders = bordersOf(belief, cut, [middle], mostMm / 2)
    .map((b, s) => ({ depth: alongToolOf(b[0]!, belief.stickOutMm), w: belief.weights[s]! }))
    .sort((a, b) => a.depth - b.depth);
  let sum = 0;
  let half = mostMm;
  for (const { depth, w } of borders) {
    sum += w;
    if (sum >= 0.5) {
      half = depth;
      break;
    }
  }
  return {
    depthMm: Number(Math.max(0.1, Math.min(mostMm, half)).toPrecision(2)),
    radialMm,
    feedPerToothMm,
    steps: speeds.map((rpm) => ({
      rpm,
      tableFeedMmMin: Math.round(rpm * cut.pitch.length * feedPerToothMm),
    })),
  };
}
