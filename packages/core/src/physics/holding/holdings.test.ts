import { describe, expect, it } from 'vitest';
import { InputError } from '../../units/input-error.ts';
import { gripOf, HOLDING_KINDS, HOLDINGS, holdingUse, requireHolding, usualHolding } from './holdings.ts';

const PLATE = { lengthMm: 60, widthMm: 40, heightMm: 12 };

describe('what a holding stands', () => {
  it('a vice of 12 kN with smooth jaws holds 3.6 kN, serrated twice that', () => {
    expect(gripOf(usualHolding('vice'), PLATE).slideN).toBeCloseTo(3600, 0);
    const serrated = { kind: 'vice', values: { ...usualHolding('vice').values, friction: 0.3 } } as const;
    expect(gripOf(serrated, PLATE).slideN).toBeCloseTo(7200, 0);
  });

  it('a screw M6 8.8 presses with about 8 kN, and four of them hold near 5 kN sideways', () => {
    const grip = gripOf(usualHolding('fixture'), PLATE);
    expect(grip.liftN / 4).toBeGreaterThan(7500);
    expect(grip.liftN / 4).toBeLessThan(9500);
    expect(grip.slideN).toBeCloseTo(0.15 * grip.liftN, 6);
  });

  it('vacuum holds by the air and no more: 80 cm² at 0.8 bar with a tenth lost is 576 N', () => {
    expect(gripOf(usualHolding('vacuum'), PLATE).liftN).toBeCloseTo(576, 0);
  });

  it('a bond loses half its strength half-way to where it lets go, and all of it there', () => {
    const bond = usualHolding('adhesive');
    const cold = gripOf(bond, PLATE, 20);
    expect(gripOf(bond, PLATE, 50).slideN).toBeCloseTo(cold.slideN / 2, 6);
    expect(gripOf(bond, PLATE, 80).slideN).toBe(0);
    expect(gripOf(bond, PLATE, 95).slideN).toBe(0);
    // Pulled straight off it stands as much as in shear; tilted it peels.
    expect(cold.liftN).toBeCloseTo(cold.slideN, 6);
    const tough = { kind: 'adhesive', values: { ...bond.values, peelShare: 0.7 } } as const;
    expect(gripOf(tough, PLATE, 20).tiltNm).toBeCloseTo(2 * cold.tiltNm, 6);
  });

  it.each(HOLDING_KINDS)('%s: more of the first number holds more, in every direction', (kind) => {
    const usual = usualHolding(kind);
    const [first] = HOLDINGS[kind].fields;
    const more = { kind, values: { ...usual.values, [first!.key]: 2 * first!.usual } };
    const [a, b] = [gripOf(usual, PLATE), gripOf(more, PLATE)];
    for (const key of ['slideN', 'liftN', 'twistNm', 'tiltNm'] as const) {
      expect(a[key]).toBeGreaterThan(0);
      expect(b[key]).toBeGreaterThan(a[key]);
    }
  });
});

describe('how far a cut uses it up', () => {
  const grip = { slideN: 3000, liftN: 3000, twistNm: 60, tiltNm: 60, from: '' };
  it('low in the middle it slides, off the middle it twists, high up it tilts, a long helix lifts', () => {
    const cut = { sideN: 500, liftN: 0, heightMm: 1, armMm: 1 };
    expect(holdingUse(cut, grip, 2)).toMatchObject({ by: 'sliding' });
    expect(holdingUse(cut, grip, 2).share).toBeCloseTo(1 / 3, 2);
    expect(holdingUse({ ...cut, armMm: 80 }, grip, 2).by).toBe('twisting');
    expect(holdingUse({ ...cut, heightMm: 80 }, grip, 2).by).toBe('tilting');
    expect(holdingUse({ ...cut, liftN: 2500 }, grip, 2).by).toBe('lifting');
  });

  it('nothing left to hold with is over, whatever the force', () => {
    expect(holdingUse({ sideN: 1, liftN: 0, heightMm: 0, armMm: 0 }, { ...grip, slideN: 0 }, 2).share).toBe(
      Infinity,
    );
  });
});

describe('numbers of a holding', () => {
  it('are refused by name and range, also one that belongs to another kind', () => {
    const bad = {
      kind: 'adhesive',
      values: { ...usualHolding('adhesive').values, cure: 1.2, jawMm: 5 },
    } as const;
    const problems = (): string[] => {
      try {
        requireHolding(bad);
      } catch (error) {
        if (error instanceof InputError) return error.problems.map((p) => p.field);
      }
      return [];
    };
    expect(problems()).toEqual(['holding.cure', 'holding.jawMm']);
    expect(() => requireHolding(usualHolding('adhesive'))).not.toThrow();
  });
});
