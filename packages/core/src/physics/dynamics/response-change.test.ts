import { describe, expect, it } from 'vitest';
import { FIVE_FLUTES } from '../../../fixtures/chatter-cut.ts';
import { averagedBorder, longestDelay, responseGrid } from './averaged-border.ts';
import { chatterRange, limitAtSpeed, responseOf } from './fixed-speed.ts';
import { changesWithin, polesOf, risingPlaces } from './response-change.ts';
import { receptanceAt, type TipMode, type TipStructure } from './tip-structure.ts';

/** A tip of two usual modes and one in between of some damping. */
const tipWith = (damping: number): TipStructure => {
  const modes: TipMode[] = [
    { hz: 700, damping: 0.04, stiffness: 4e7 },
    { hz: 1150, damping, stiffness: 3e8 },
    { hz: 2400, damping: 0.03, stiffness: 2e7 },
  ];
  return { x: modes, y: modes };
};
const NEARNESS = { share: 0.01, perHalfWidth: 2.5 };

describe('how near lines of a response have to be', () => {
  it.each([0.04, 0.005, 5e-4, 1e-6])(
    'from one to the next it changes little, with a mode of damping %s',
    (damping) => {
      const tip = tipWith(damping);
      const places = risingPlaces(polesOf(tip), 100, 7000, NEARNESS);
      for (let i = 1; i < places.length; i++) {
        expect(places[i]!).toBeGreaterThan(places[i - 1]!);
        const [a, b] = [places[i - 1]!, places[i]!].map((hz) => receptanceAt(tip.x, hz));
        const step = Math.hypot(b!.re - a!.re, b!.im - a!.im);
        const size = tip.x.reduce((sum, m) => {
          const g = receptanceAt([m], places[i]!);
          return sum + Math.hypot(g.re, g.im);
        }, 0);
        expect(step / size, `${places[i]} Hz`).toBeLessThan(0.5);
      }
      expect(places[places.length - 1]!).toBeGreaterThanOrEqual(7000);
    },
  );

  it('a mode of hardly any damping takes a few lines more, not a thousand times as many', () => {
    const places = (damping: number): number =>
      risingPlaces(polesOf(tipWith(damping)), 100, 7000, NEARNESS).length;
    const blocks = (damping: number): number => responseGrid(tipWith(damping), 0.005).blocks.length;
    for (const count of [places, blocks]) {
      expect(count(5e-4)).toBeLessThan(1.3 * count(0.04));
      for (const none of [1e-6, 0]) expect(count(none)).toBeLessThan(1.5 * count(0.04));
    }
  });

  it('is said for the whole of a stretch', () => {
    const poles = polesOf(tipWith(0.001));
    const over = (fromHz: number, toHz: number): number => changesWithin(poles, fromHz, toHz, NEARNESS);
    expect(over(1100, 1200)).toBeCloseTo(1150 * 0.001 * (1 / 2.5), 6);
    expect(over(1149, 1149)).toBeCloseTo(Math.hypot(1, 1.15) / 2.5, 6);
    expect(over(1500, 1600)).toBe(15);
  });
});

describe('a border on such lines', () => {
  it.each([0.02, 0.005, 0.001])(
    'is the one of lines close everywhere, with a mode of damping %s',
    (damping) => {
      const tip = tipWith(damping);
      for (const rpm of [900, 2100, 4300]) {
        for (const land of [0, 1e5]) {
          const cut = { ...FIVE_FLUTES, dampingNPerM: land, dampingFriction: 0.3 };
          const { depthMm } = averagedBorder(cut, responseGrid(tip, longestDelay(cut, rpm)), rpm);
          const fine = { ...chatterRange(tip), share: Math.min(0.001, damping / 6), perTurnOfPhase: 40 };
          const close = limitAtSpeed(cut, responseOf(tip), rpm, fine).depthMm!;
          expect(Math.abs(depthMm / close - 1), `${rpm} rpm, land ${land}`).toBeLessThan(0.01);
        }
      }
    },
  );
});
