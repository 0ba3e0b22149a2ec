import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { immersion } from '../../physics/cutting/engagement.ts';
import { PLAIN_FACE } from './face-setup.ts';
import type { MillingOperation } from './milling-operation.ts';
import { millingState } from './milling-state.ts';
import { mostOffset, placedArc } from './face-place.ts';

describe('a face with gaps', () => {
  it('runs at 0.85 of the speed of a whole one for the same life', () => {
    const face: MillingOperation = {
      ...SEAL_POCKET,
      tooling: { cutterId: 'face45-63-z6', holderId: 'shell-arbor-22-50', stickOutMm: 50 },
      feature: { ...SEAL_POCKET.feature, kind: 'face', cornerRadiusMm: null, allowanceMm: 0, depthMm: 1 },
      cut: { ...SEAL_POCKET.cut, axialDepthMm: 1, radialEngagementMm: 44, speedRpm: 150 },
    };
    const limit = (op: MillingOperation): number => millingState(op, contextOf(op)).speedLimitMMin!.value;
    const gaps = { ...face, face: { ...PLAIN_FACE, interrupted: true } };
    expect(limit(gaps) / limit(face)).toBeCloseTo(0.85, 9);
  });
});

describe('where teeth come into a face and leave it', () => {
  it('flush at the side they leave by is the arc of a climb cut', () => {
    const flush = immersion(44, 63, 'climb');
    const placed = placedArc(44, 63, -mostOffset(44, 63), 'climb');
    expect(placed.entry).toBeCloseTo(flush.entry, 9);
    expect(placed.exit).toBeCloseTo(flush.exit, 9);
  });

  it('in the middle they come in and leave alike', () => {
    const { entry, exit } = placedArc(40, 80, 0, 'climb');
    expect(entry + exit).toBeCloseTo(Math.PI, 9);
    // Half the diameter wide: in at 60°, out at 120°.
    expect((entry * 180) / Math.PI).toBeCloseTo(60, 9);
  });

  it('the further the axis moves to where they leave, the thicker the chip there; conventional mirrors', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 0.95, noNaN: true }),
        fc.double({ min: -0.9, max: 0.8, noNaN: true }),
        (share, at) => {
          const [d, ae] = [100, 100 * share];
          const most = mostOffset(ae, d);
          const [here, further] = [at, at + 0.1].map((x) => placedArc(ae, d, x * most, 'climb'));
          expect(further!.exit).toBeLessThan(here!.exit);
          const other = placedArc(ae, d, at * most, 'conventional');
          expect(other.entry).toBeCloseTo(Math.PI - here!.exit, 9);
          expect(other.exit).toBeCloseTo(Math.PI - here!.entry, 9);
        },
      ),
    );
  });
});
