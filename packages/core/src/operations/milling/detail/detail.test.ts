import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import { millingState } from '../milling-state.ts';
import { overloadOf } from './overload.ts';
import type { MillingOperation } from '../milling-operation.ts';
import { heatCurve } from './heat-curve.ts';
import { pathDetail } from './path-detail.ts';
import { turnOf } from './turn-of.ts';
import { wallOf } from './wall-of.ts';

const stateOf = (op: MillingOperation) => millingState(op, contextOf(op));
const seal = stateOf(SEAL_POCKET);
const lock = stateOf(LOCK_POCKET);

describe('one turn of a cut', () => {
  it('agrees with what the limits are held against', () => {
    const turn = turnOf(seal);
    expect(turn.meanTorqueNm / seal.torqueNm.value).toBeCloseTo(1, 1);
    expect(turn.peakFxy / seal.sideForceN.value).toBeGreaterThan(0.85);
    expect(turn.peakFxy / seal.sideForceN.value).toBeLessThan(1.15);
  });

  it('shows that teeth of a cutter with unequal pitch and runout do not work alike', () => {
    const { toothChipMm } = turnOf(seal);
    expect(toothChipMm).toHaveLength(5);
    expect(Math.max(...toothChipMm) / Math.min(...toothChipMm)).toBeGreaterThan(1.1);
  });
});

describe('wall of a cut', () => {
  it('leans as much as the limit says, or less where the moment of the wall is kinder', () => {
    const { profile } = wallOf(seal);
    expect(profile.largestMm).toBeLessThanOrEqual(seal.deflectionMm.value * 1.15);
    expect(profile.largestMm).toBeGreaterThan(0.2 * seal.deflectionMm.value);
  });

  it('takes less stock with every spring pass, or rubs', () => {
    const { springs } = wallOf(seal);
    expect(springs.length).toBeGreaterThan(0);
    for (const s of springs) expect(s.leftMm).toBeLessThanOrEqual(s.foundMm);
  });
});

describe('heat of a cut', () => {
  it('allows more speed the narrower the arc, by life and by temperature, at one chip', () => {
    const { points } = heatCurve(lock);
    for (let i = 1; i < points.length; i++) {
      expect(points[i]!.lifeSpeedMMin!).toBeLessThanOrEqual(points[i - 1]!.lifeSpeedMMin! + 1e-9);
      expect(points[i]!.heatSpeedMMin).toBeLessThanOrEqual(points[i - 1]!.heatSpeedMMin + 1e-6);
      expect(points[i]!.temperatureC).toBeGreaterThanOrEqual(points[i - 1]!.temperatureC);
    }
  });

  it('both meet at this cut, and the reason names heating and cooling', () => {
    const { here, reason } = heatCurve(lock);
    expect(here.heatSpeedMMin / here.lifeSpeedMMin!).toBeCloseTo(1, 2);
    expect(reason.text).toMatch(/heats for [\d.]+ ms and cools for [\d.]+ ms/);
  });
});

describe('path of a cut', () => {
  it('gives five ways in, a corner curve that falls, and feeds on arcs', () => {
    const detail = pathDetail(lock);
    expect(detail.entries).toHaveLength(5);
    expect(detail.entryLoad!.torqueNm).toBeGreaterThan(0);
    expect(detail.corner[0]!.arcDeg).toBeGreaterThan(90);
    expect(detail.corner.at(-1)!.arcDeg).toBeLessThan(1.25 * detail.straightArcDeg);
    expect(detail.corner[0]!.forceTimes).toBeGreaterThan(1.3);
    expect(detail.insideFeedMmMin).toBeNull();
    expect(detail.outsideFeedMmMin! / lock.feedRateMmMin).toBeCloseTo((12 + 12) / 12, 6);
    expect(detail.largestCutterMm!).toBeLessThan(12);
    const sealed = pathDetail(seal);
    expect(sealed.insideFeedMmMin! / seal.feedRateMmMin).toBeCloseTo((16 - 12) / 16, 6);
  });

  it('has no corner where nothing is inside', () => {
    const side = stateOf({
      ...SEAL_POCKET,
      feature: { ...SEAL_POCKET.feature, kind: 'face', cornerRadiusMm: null },
    });
    expect(pathDetail(side)).toMatchObject({ corner: [], smallestPathMm: null, insideFeedMmMin: null });
  });
});

describe('what gives first', () => {
  it('is the weakest of spindle, holder and tool, by how many times the load', () => {
    const { margins, first } = overloadOf(seal);
    expect(margins.map((m) => m.times)).toEqual([...margins.map((m) => m.times)].sort((a, b) => a - b));
    expect(margins[0]!.who).toBe(first);
  });

  it('is the tool when it is thin, and the spindle when the machine is weak for it', () => {
    const thin = stateOf({
      ...SEAL_POCKET,
      tooling: { cutterId: 'em-flat-3-z3', holderId: 'shrink-12-80', stickOutMm: 21 },
      cut: { ...SEAL_POCKET.cut, axialDepthMm: 3, radialEngagementMm: 1, feedPerToothMm: 0.015 },
    });
    expect(overloadOf(thin).first).toBe('tool');
    const heavy = stateOf({
      ...SEAL_POCKET,
      tooling: { cutterId: 'shoulder90-63-z6-ti', holderId: 'shell-arbor-22-50', stickOutMm: 50 },
      cut: {
        ...SEAL_POCKET.cut,
        axialDepthMm: 4,
        radialEngagementMm: 40,
        feedPerToothMm: 0.12,
        speedRpm: 9000,
      },
    });
    expect(overloadOf(heavy).first).toBe('spindle');
  });
});
