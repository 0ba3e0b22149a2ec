import { describe, expect, it } from 'vitest';
import { blockLump, warmingRow } from './part-warming.ts';

const plate = blockLump({ lengthMm: 60, widthMm: 40, heightMm: 12 }, 7800, 460);

describe('a part that warms feature after feature', () => {
  it('without cooling keeps all of it: 60 W for a minute into 225 g of steel is 35 K', () => {
    const [rise] = warmingRow(plate, [{ watts: 60, minutes: 1, filmWM2K: 1e-9 }]);
    expect(rise).toBeCloseTo((60 * 60) / (60 * 40 * 12 * 1e-9 * 7800 * 460), 3);
  });

  it('warms on from where the last feature left it, and cools in between', () => {
    const cut = { watts: 60, minutes: 2, filmWM2K: 60 };
    const rest = { watts: 0, minutes: 5, filmWM2K: 60 };
    const [first, second] = warmingRow(plate, [cut, cut]);
    expect(second).toBeGreaterThan(first! * 1.5);
    const rested = warmingRow(plate, [cut, rest, cut]);
    expect(rested[1]).toBeLessThan(first!);
    expect(rested[2]).toBeLessThan(second!);
  });

  it('settles where flood takes as much as the cut brings', () => {
    const row = warmingRow(plate, [{ watts: 60, minutes: 600, filmWM2K: 1500 }]);
    expect(row[0]).toBeCloseTo(60 / (1500 * plate.surfaceM2), 6);
  });
});
