import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../../units/input-error.ts';
import { ribBend } from './thin-rib.ts';

describe('bend of a rib', () => {
  it('of a short rib is a cantilever', () => {
    // 100 N on 20 × 2 × 10 mm of aluminium: 100·20³/(3·70 000·10·2³/12).
    expect(ribBend(100, { heightMm: 20, thicknessMm: 2, lengthMm: 10 }, 70)).toBeCloseTo(
      (100 * 8000) / (3 * 70_000 * (80 / 12)),
      9,
    );
  });

  it('of a long one is a plate: 0.168·F·h²/D, however long', () => {
    const D = (200_000 * 3 ** 3) / 12 / (1 - 0.09);
    for (const lengthMm of [100, 1000])
      expect(ribBend(50, { heightMm: 30, thicknessMm: 3, lengthMm }, 200)).toBeCloseTo(
        (0.168 * 50 * 900) / D,
        6,
      );
  });

  it('falls with thickness and grows with height', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 50, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (h, t) => {
          const at = (heightMm: number, thicknessMm: number) =>
            ribBend(10, { heightMm, thicknessMm, lengthMm: 80 }, 110);
          expect(at(h, t * 1.1)).toBeLessThan(at(h, t));
          expect(at(h * 1.1, t)).toBeGreaterThan(at(h, t));
        },
      ),
    );
  });

  it('refuses a rib of no thickness by name', () => {
    expect(() => ribBend(1, { heightMm: 5, thicknessMm: 0, lengthMm: 5 }, 200)).toThrow(InputError);
  });
});
