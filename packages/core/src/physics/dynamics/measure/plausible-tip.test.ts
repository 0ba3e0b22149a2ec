import { describe, expect, it } from 'vitest';
import { isPracticeSerial, speaksFor } from '../resonance-book.ts';
import { explainsHeard, implausibleTip, seenIn, staticStiffness, withModesAbove } from './plausible-tip.ts';

const MEASURED = [
  { hz: 900, damping: 0.04, stiffness: 3e7 },
  { hz: 2100, damping: 0.03, stiffness: 6e7 },
];

describe('a measured tip', () => {
  it('yields as its modes do one after the other', () => {
    expect(staticStiffness(MEASURED) / 1e6).toBeCloseTo(20, 6);
  });

  it.each([
    [0.4e6, false],
    [0.6e6, true],
    [480e6, true],
    [600e6, false],
  ])('of %d N/m is believed: %s', (stiffness, believed) => {
    expect(implausibleTip([{ hz: 900, damping: 0.04, stiffness }]) === null).toBe(believed);
  });

  it('keeps the model’s modes above what the tap could see, and none within or too faint to matter', () => {
    const model = [
      { hz: 950, damping: 0.04, stiffness: 3e7 },
      { hz: 3000, damping: 0.04, stiffness: 3e7 },
      { hz: 7000, damping: 0.02, stiffness: 2e7 },
      { hz: 9000, damping: 0.04, stiffness: 9e9 },
      { hz: 40_000, damping: 0.02, stiffness: 1e7 },
    ];
    const { modes, added } = withModesAbove(MEASURED, 4000, model);
    expect(added.map((m) => m.hz)).toEqual([7000]);
    expect(modes).toEqual([...MEASURED, model[2]]);
    expect(withModesAbove(MEASURED, 8000, model).added).toEqual([]);
    expect(seenIn(modes, 4000)).toEqual(MEASURED);
  });

  it('explains what sings at or over a mode, and not what lies between all', () => {
    expect(explainsHeard(960, MEASURED)).toBe(true);
    expect(explainsHeard(1500, MEASURED)).toBe(false);
    expect(explainsHeard(300, MEASURED)).toBe(false);
  });
});

describe('a practice serial', () => {
  it('speaks for itself alone', () => {
    expect(isPracticeSerial('practice 3')).toBe(true);
    expect(speaksFor(null, 'PRACTICE 1')).toBe(false);
    expect(speaksFor('PRACTICE 1', 'PRACTICE 1')).toBe(true);
    expect(speaksFor(null, 'A5-0117')).toBe(true);
    expect(speaksFor('A5-0117', 'A5-0118')).toBe(false);
  });
});
