import { describe, expect, it } from 'vitest';
import { CRIB, contextOf, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import { millingState } from '../milling-state.ts';
import { milledRa } from './surface-finish.ts';

/** A wall in an alloy at a feed that leaves hardly any mark. */
const wallIn = (alloyId: string): number => {
  const op = {
    ...SEAL_POCKET,
    alloyId,
    workedOutFor: { ...SEAL_POCKET.workedOutFor, alloyId },
    feature: { ...SEAL_POCKET.feature, kind: 'side' as const },
    cut: { ...SEAL_POCKET.cut, feedPerToothMm: 0.01, radialEngagementMm: 0.2 },
  };
  return milledRa(millingState(op, contextOf(op))).raUm;
};
const inGroup = (group: string): string => CRIB.alloys.find((a) => a.iso513_group === group)!.id;

describe('smoothest wall of a solid mill, µm Ra', () => {
  // A shop expects 0.3 to 0.8 of a finished titanium wall, and a little under 0.3 of steel.
  it.each([
    ['S', 0.3, 0.4],
    ['M', 0.3, 0.4],
    ['P', 0.2, 0.3],
    ['H', 0.19, 0.25],
  ])('group %s: between %s and %s, however fine the feed', (group, least, most) => {
    expect(wallIn(inGroup(group))).toBeGreaterThan(least);
    expect(wallIn(inGroup(group))).toBeLessThan(most);
  });
});
