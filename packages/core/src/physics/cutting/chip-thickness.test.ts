import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { feedForMaximumChip, feedForMeanChip, maximumChip, meanChip } from './chip-thickness.ts';
import { engagementAngle, immersion } from './engagement.ts';
import { cuttingSpeed, spindleSpeed, tableFeed } from './spindle-speed.ts';

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('chip thinning', () => {
  it('the compensated feed gives the wanted chip back', () => {
    fc.assert(
      fc.property(
        positive(0.005, 0.3),
        positive(0.02, 1),
        positive(2, 80),
        positive(0.2, Math.PI / 2),
        (chip, share, d, kapr) => {
          const ae = share * d;
          expect(maximumChip(feedForMaximumChip(chip, ae, d, kapr), ae, d, kapr)).toBeCloseTo(chip, 12);
          expect(meanChip(feedForMeanChip(chip, ae, d, kapr), ae, d, kapr)).toBeCloseTo(chip, 12);
        },
      ),
    );
  });

  it('never makes the chip thicker than the feed, and the mean stays below the largest', () => {
    fc.assert(
      fc.property(positive(0.01, 1), positive(2, 80), (share, d) => {
        expect(maximumChip(0.1, share * d, d)).toBeLessThanOrEqual(0.1 + 1e-15);
        expect(meanChip(0.1, share * d, d)).toBeLessThan(maximumChip(0.1, share * d, d));
      }),
    );
  });

  it.each([
    [0.05, 2.3],
    [0.1, 1.67],
    [0.3, 1.09],
    [0.5, 1],
  ])(
    'at %d of the diameter the feed multiplier is about %d, as the judgement rule says',
    (share, multiplier) => {
      expect(feedForMaximumChip(1, share * 12, 12)).toBeCloseTo(multiplier, 1);
    },
  );

  it('refuses an engagement wider than the cutter, by name', () => {
    expect(() => engagementAngle(13, 12)).toThrow(/radial depth is 13; allowed: 0 to 12/);
    expect(() => immersion(-1, 12, 'climb')).toThrow(/radial depth is -1/);
    expect(() => engagementAngle(1, 0)).toThrow(/diameter is 0; allowed: a number above 0/);
  });
});

describe('speed and feed', () => {
  it('speed and spindle speed are each other’s inverse', () => {
    fc.assert(
      fc.property(positive(1, 2000), positive(0.5, 200), (vc, d) => {
        expect(cuttingSpeed(spindleSpeed(vc, d), d) / vc).toBeCloseTo(1, 12);
      }),
    );
  });

  it('feed is speed times teeth times feed per tooth', () => {
    expect(tableFeed(1000, 5, 0.06)).toBeCloseTo(300, 12);
    expect(() => spindleSpeed(100, 0)).toThrow(/diameter/);
  });
});
