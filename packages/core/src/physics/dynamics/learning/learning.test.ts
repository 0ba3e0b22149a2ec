import { describe, expect, it } from 'vitest';
import { immersion } from '../../cutting/engagement.ts';
import { FIVE_FLUTES } from '../../../../fixtures/chatter-cut.ts';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import { chatterRange, limitAtSpeed, responseOf } from '../fixed-speed.ts';
import type { TipStructure } from '../tip-structure.ts';
import { type Belief, priorBelief, structureIn } from './belief.ts';
import { chanceMap, depthAtChance } from './chance-map.ts';
import { effectiveWorlds, learn } from './learn.ts';
import { bordersOf } from './world-border.ts';
import { nextTests, speedLadder } from './test-plan.ts';

const CUT = FIVE_FLUTES;
const TIP: TipStructure = {
  x: [{ hz: 1400, damping: 0.03, stiffness: 1.8e7 }],
  y: [{ hz: 1330, damping: 0.028, stiffness: 1.7e7 }],
};
const SPEEDS = Array.from({ length: 10 }, (_, i) => 1600 + 260 * i);
/** Stick-out that plays no part where modes have no shape, mm. */
const LONG = 1000;
const SIGMA = { hz: 0.06, damping: 0.25, stiffness: 0.25 };

/** A world drawn from the same doubt as the prior, with another seed: what nobody knows. */
function hiddenTruth(seed: number): { structure: TipStructure; cut: ChatterCut } {
  const one = priorBelief(TIP, SIGMA, { worlds: 1, seed });
  return {
    structure: structureIn(one, 0),
    cut: {
      ...CUT,
      tangential: CUT.tangential * Math.exp(one.worlds[5]!),
      radial: CUT.radial * Math.exp(one.worlds[5]!),
      dampingNPerM: CUT.dampingNPerM! * Math.exp(one.worlds[6]!),
    },
  };
}

const SOME = SPEEDS.filter((_, i) => i % 4 === 0);
const width = (belief: Belief): number => {
  const borders = bordersOf(belief, CUT, SOME);
  return (
    SOME.reduce((sum, _, c) => {
      const column = borders.map((b) => b[c]!);
      return (
        sum +
        Math.log(
          depthAtChance(column, belief.weights, 0.05, LONG) /
            depthAtChance(column, belief.weights, 0.95, LONG),
        )
      );
    }, 0) / SOME.length
  );
};

describe('learning from cuts at the machine', () => {
  it(
    'the 90% region holds the hidden border in 34 of 40 trials, and narrows with each cut',
    { timeout: 120_000 },
    () => {
      const TRIALS = 40;
      let held = 0;
      const widths = [0, 0, 0, 0, 0];
      for (let trial = 0; trial < TRIALS; trial++) {
        const truth = hiddenTruth(1000 + trial);
        const range = chatterRange(truth.structure);
        const uniform = seededUniform(5000 + trial);
        const normal = seededNormal(uniform);
        let belief = priorBelief(TIP, SIGMA, { worlds: 200, seed: 1 + trial });
        widths[0]! += width(belief) / TRIALS;
        for (let k = 0; k < 4; k++) {
          const rpm = SPEEDS[Math.floor(uniform() * SPEEDS.length)]!;
          const border = limitAtSpeed(truth.cut, responseOf(truth.structure), rpm, range);
          // Chosen from what is believed, as an engineer would: a depth chosen from the truth would tell of it.
          const column = bordersOf(belief, CUT, [rpm]).map((b) => b[0]!);
          const depthMm = depthAtChance(column, belief.weights, 0.5, LONG) * Math.exp(0.3 * normal());
          const chatters = depthMm > (border.depthMm ?? Infinity) * Math.exp(0.08 * normal());
          belief = learn(
            belief,
            {
              cut: CUT,
              rpm,
              depthMm,
              heard: chatters ? 'chatter' : 'stable',
              hz: chatters ? border.hz : null,
            },
            trial * 7 + k,
          );
          widths[k + 1]! += width(belief) / TRIALS;
        }
        const borders = bordersOf(belief, CUT, SPEEDS);
        // The speed the job would run at.
        const c = Math.floor(uniform() * SPEEDS.length);
        const column = borders.map((b) => b[c]!);
        const real =
          limitAtSpeed(truth.cut, responseOf(truth.structure), SPEEDS[c]!, range).depthMm ?? Infinity;
        const low = depthAtChance(column, belief.weights, 0.95, LONG);
        const high = depthAtChance(column, belief.weights, 0.05, LONG);
        if (real >= low && real <= high) held++;
      }
      expect(held).toBeGreaterThanOrEqual(34);
      for (let k = 1; k < widths.length; k++) expect(widths[k]!).toBeLessThan(widths[k - 1]!);
    },
  );

  it('a stable cut lifts the chance there and below, a chattering one lowers it there and above', () => {
    const prior = priorBelief(TIP, SIGMA);
    const depths = [1, 2, 3, 4, 6, 8];
    const before = chanceMap(prior, CUT, [2400], depths);
    const middle = before.likely[0]!.middle;
    const calm = learn(prior, { cut: CUT, rpm: 2400, depthMm: middle, heard: 'stable', hz: null });
    const wild = learn(prior, { cut: CUT, rpm: 2400, depthMm: middle, heard: 'chatter', hz: null });
    const [up, down] = [calm, wild].map((b) => chanceMap(b, CUT, [2400], depths));
    depths.forEach((_, i) => {
      expect(up!.chance[i]).toBeGreaterThanOrEqual(before.chance[i]! - 0.03);
      expect(down!.chance[i]).toBeLessThanOrEqual(before.chance[i]! + 0.03);
    });
    expect(effectiveWorlds(calm)).toBeGreaterThan(100);
  });

  it('a heard frequency tells the mode', () => {
    const prior = priorBelief(TIP, SIGMA, { worlds: 600 });
    const told = learn(prior, { cut: CUT, rpm: 2400, depthMm: 6, heard: 'chatter', hz: 1580 });
    const mean = (b: Belief): number =>
      bordersOf(b, CUT, [2400]).reduce((sum, c, s) => sum + b.weights[s]! * c[0]!.hz, 0);
    expect(Math.abs(mean(told) - 1580)).toBeLessThan(Math.abs(mean(prior) - 1580));
  });

  it('a frequency no mode explains does not outweigh what was heard', () => {
    const cut: ChatterCut = {
      ...CUT,
      pitch: Array.from({ length: 4 }, () => Math.PI / 2),
      ...immersion(3, 12, 'climb'),
      tangential: 1900,
      radial: 700,
      diameterMm: 12,
      dampingNPerM: 0,
    };
    const prior = priorBelief(TIP, SIGMA, { worlds: 600 });
    const calmAt = (b: Belief): number => chanceMap(b, cut, [8000], [3]).chance[0]!;
    for (const hz of [900, 1700, 1850]) {
      const told = learn(prior, { cut, rpm: 8000, depthMm: 3, heard: 'chatter', hz });
      expect(calmAt(told), `${hz} Hz`).toBeLessThan(calmAt(prior));
    }
  });
});

describe('cuts that hang together', () => {
  it('chatter well above and calm well below leave the border where they put it, however many worlds are left', () => {
    // Stiffness, damping and cutting can each explain what was heard; drawn anew one by one they would forget it.
    const wide = { hz: 0.11, damping: 0.316, stiffness: 0.316 };
    const prior = priorBelief(TIP, wide, { worlds: 300 });
    const border = chanceMap(prior, CUT, [2400], [2, 4, 8]).likely[0]!.middle;
    const heard = (share: number, what: 'chatter' | 'stable') => ({
      cut: CUT,
      rpm: 2400,
      depthMm: share * border,
      heard: what,
      hz: null,
    });
    const told = [heard(0.62, 'chatter'), heard(0.56, 'chatter'), heard(0.45, 'stable')].reduce(
      (b, t, i) => learn(b, t, 11 + i),
      prior,
    );
    const { low, middle, high } = chanceMap(told, CUT, [2400], [2, 4, 8]).likely[0]!;
    expect(middle / border).toBeGreaterThan(0.4);
    expect(middle / border).toBeLessThan(0.62);
    expect(high).toBeLessThan(0.8 * border);
    expect(low).toBeGreaterThan(0.3 * border);
    // Every world still answers to all cuts, not to the last one alone.
    const six = [...Array(6)].reduce((b: Belief, _, i) => learn(b, heard(0.62, 'chatter'), 40 + i), told);
    expect(chanceMap(six, CUT, [2400], [2, 4, 8]).likely[0]!.middle / border).toBeGreaterThan(0.36);
  });
});

describe('what to try next', () => {
  const belief = priorBelief(TIP, SIGMA);
  const wish = { fromRpm: 1600, toRpm: 4000, mostMm: 12, atRpm: 2400 };

  it('is where worlds disagree, less deep the more chatter is feared', () => {
    const bold = nextTests(belief, CUT, { ...wish, fear: 0 })[0]!;
    const shy = nextTests(belief, CUT, { ...wish, fear: 8 })[0]!;
    expect(bold.gainBits).toBeGreaterThan(0.3);
    expect(bold.chanceOfChatter).toBeGreaterThan(0.3);
    expect(shy.chanceOfChatter).toBeLessThan(bold.chanceOfChatter);
  });

  it('a speed ladder keeps the chip: the feed goes with the speed', () => {
    const ladder = speedLadder(belief, CUT, { ...wish, radialMm: 1, feedPerToothMm: 0.06 });
    expect(ladder.steps.length).toBeGreaterThan(8);
    expect(ladder.steps[0]!.rpm).toBe(1600);
    expect(ladder.steps.at(-1)!.rpm).toBe(4000);
    for (const s of ladder.steps) expect(s.tableFeedMmMin / (s.rpm * 5)).toBeCloseTo(0.06, 3);
  });
});
