import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import type { MillingOperation } from '../milling-operation.ts';
import { millingState } from '../milling-state.ts';
import { startingRange } from './starting-range.ts';

const at = (cut: Partial<MillingOperation['cut']> = {}, of: MillingOperation = SEAL_POCKET) => {
  const op = { ...of, cut: { ...of.cut, ...cut } };
  return startingRange(millingState(op, contextOf(op)));
};

describe('the range one starts at the bottom of', () => {
  it('ends at the speeds of an hour and of a quarter of one; the life there is that', () => {
    const { speed } = at()!;
    expect(speed.low).toBeLessThan(speed.high);
    const life = (vc: number): number => {
      const rpm =
        (SEAL_POCKET.cut.speedRpm * vc) / millingState(SEAL_POCKET, contextOf(SEAL_POCKET)).cuttingSpeedMMin;
      const op = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: rpm } };
      return millingState(op, contextOf(op)).lifeMin!.value;
    };
    expect(life(speed.high)).toBeCloseTo(15, 3);
    expect(life(speed.low)).toBeCloseTo(60, 3);
    expect(speed.spread[0]).toBeLessThan(speed.high);
    expect(speed.spread[1]).toBeGreaterThan(speed.high);
  });

  it('says where the cut lies, beyond the ends too', () => {
    const [low, high] = contextOf(SEAL_POCKET).cutter.extended.fz_window_mm!;
    expect(at({ feedPerToothMm: low })!.feed.at).toBeCloseTo(0, 9);
    expect(at({ feedPerToothMm: high })!.feed.at).toBeCloseTo(1, 9);
    expect(at({ speedRpm: 4000 })!.speed.at).toBeGreaterThan(1);
  });

  it('is none where no life is known', () => {
    expect(at({}, { ...SEAL_POCKET, alloyId: 'peek' })?.speed).toBeUndefined();
  });
});
