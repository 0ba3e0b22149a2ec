import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { turned } from '../../../../fixtures/turned.ts';
import { latheTools } from '../../../families/lathe-tools.ts';
import { problemsOf } from '../../../evaluation/check-operation.ts';
import { evaluate, limitOf, numberOf } from '../../../evaluation/evaluate.ts';
import { kindOf } from '../../../evaluation/registry.ts';
import { speak } from '../../../units/sentence.ts';
import type { TurningOperation } from '../turning-operation.ts';
import { arcBetween, contourOf, profileSizes, radiusAt, steepest } from './contour.ts';
import { carryingOf } from './carrying.ts';
import { lengthDeeperThan, minutesAlongContour } from './profile-passes.ts';
import { profilingEdge, reachOf } from './reach.ts';
import type { ProfileElement, TurnedProfile } from './turned-profile.ts';
import { withProfile } from './with-profile.ts';

const piece = (kind: ProfileElement['kind'], toMm: number, lengthMm: number, more = {}): ProfileElement => ({
  kind,
  toMm,
  lengthMm,
  radiusMm: null,
  side: 'bulging',
  ...more,
});
const profileOf = (
  elements: readonly ProfileElement[],
  more: Partial<TurnedProfile> = {},
): TurnedProfile => ({
  startMm: 20,
  elements,
  skinMm: null,
  cornerMm: null,
  ...more,
});
/** A stem: guide, neck down a cone and up again, collar. */
const NECK = (fallMm: number, over: number) =>
  profileOf([
    piece('step', 30, 10),
    piece('cone', 30 - 2 * fallMm, over),
    piece('step', 30 - 2 * fallMm, 12),
    piece('cone', 30, 10),
    piece('step', 40, 8),
  ]);
const profiled = (profile: TurnedProfile, startMm = 44, cutterId?: string) => {
  const c = turned({}, {});
  const cutter = cutterId ? latheTools().find((t) => t.id === cutterId)! : c.context.cutter;
  const op: TurningOperation = {
    ...c.op,
    tooling: { ...c.op.tooling, cutterId: cutter.id },
    stretch: withProfile({ ...c.op.stretch, startMm, overhangMm: 90 }, profile),
  };
  return { op, context: { ...c.context, cutter } };
};

describe('the contour of a profile', () => {
  it('walks steps, cones and arcs from the free end, and says its sizes', () => {
    const p = profileOf([piece('step', 20, 10), piece('cone', 30, 5), piece('arc', 36, 3, { radiusMm: 3 })]);
    expect(profileSizes(p, false)).toEqual({ smallestMm: 20, largestMm: 36, lengthMm: 18 });
    const contour = contourOf(p, false);
    expect(radiusAt(contour, 12.5)).toBeCloseTo(12.5, 9);
    // A quarter of a circle that bulges: half way along it stands R·sin 60° over its foot.
    expect(radiusAt(contour, 16.5)).toBeCloseTo(15 + 3 * Math.sin(Math.PI / 3), 2);
  });

  it('a hollow arc lies under the chord, one that bulges over it, inside the other way round', () => {
    const [a, b] = [
      { z: 0, r: 10 },
      { z: 4, r: 14 },
    ];
    const mid = (side: 'hollow' | 'bulging', inside: boolean) => {
      const points = arcBetween(a, b, { radiusMm: 4, side }, inside)!;
      return radiusAt([a, ...points], 2) - 12;
    };
    expect(mid('hollow', false)).toBeCloseTo(-2 + (4 - Math.sqrt(12)), 2);
    expect(mid('bulging', false)).toBeCloseTo(2 - (4 - Math.sqrt(12)), 2);
    expect(mid('bulging', true)).toBeLessThan(-1);
    expect(arcBetween(a, b, { radiusMm: 2.7, side: 'hollow' }, false)).toBeNull();
    // Between two ends of one height a half circle still goes on; a smaller radius would not reach.
    expect(arcBetween(a, { z: 4, r: 10 }, { radiusMm: 2, side: 'hollow' }, false)).not.toBeNull();
    expect(arcBetween(a, { z: 4, r: 10 }, { radiusMm: 1.9, side: 'hollow' }, false)).toBeNull();
  });

  it('falls and rises as steeply as its cones, a shoulder by 90°', () => {
    const { fallDeg, riseDeg } = steepest(contourOf(NECK(5, 10), false), false);
    expect(fallDeg).toBeCloseTo((Math.atan(0.5) * 180) / Math.PI, 6);
    expect(riseDeg).toBe(90);
  });
});

describe('what an edge leaves of a profile', () => {
  const edge = { noseMm: 0.4, leadDeg: 93, backDeg: 32, assumed: false };

  it('leaves nothing of a fall its trailing edge follows, and the wedge under it of a steeper one', () => {
    expect(reachOf(NECK(5, 10), false, 22, edge).uncutMm).toBeLessThan(1e-6);
    // From the end of a 45° fall of 5 mm the edge rises at 32°: at its foot 5 mm over the neck less what it fell.
    const steep = reachOf(NECK(5, 5), false, 22, edge);
    const wedge = 5 - 5 * Math.tan((32 * Math.PI) / 180);
    expect(steep.uncutMm).toBeGreaterThan(0.8 * wedge);
    expect(steep.uncutMm).toBeLessThan(1.1 * wedge);
  });

  it('a falling shoulder is left as a cone at the angle of the trailing edge', () => {
    const p = profileOf([piece('step', 40, 10), piece('step', 20, 30), piece('step', 40, 5)]);
    const { left, uncutMm } = reachOf(p, false, 20, edge);
    expect(uncutMm).toBeCloseTo(10, 0);
    const at = (z: number) => left.findLast((q) => q.z <= z)!.r;
    const slope = (at(14) - at(20)) / 6;
    expect(Math.atan(slope) * (180 / Math.PI)).toBeCloseTo(32, 0);
  });

  it('counts what the nose leaves in a corner apart from what the edges leave', () => {
    const p = profileOf([piece('step', 20, 20), piece('step', 30, 10)]);
    const { uncutMm, cornerMm } = reachOf(p, false, 15, { ...edge, noseMm: 1.2 });
    expect(uncutMm).toBeLessThan(1e-9);
    expect(cornerMm).toBeGreaterThan(0.5);
    expect(cornerMm).toBeLessThanOrEqual(1.2);
  });

  it('inside is outside turned over', () => {
    const out = reachOf(NECK(5, 5), false, 22, edge).uncutMm;
    const inside = profileOf([
      piece('step', 50, 10),
      piece('cone', 60, 5),
      piece('step', 60, 12),
      piece('cone', 50, 10),
      piece('step', 40, 8),
    ]);
    expect(reachOf(inside, true, 18, edge).uncutMm).toBeCloseTo(out, 6);
  });

  it('never cuts into the profile, and a slimmer edge never leaves more', () => {
    const wavy = fc
      .array(
        fc.record({
          kind: fc.constantFrom('step', 'cone', 'arc'),
          toMm: fc.double({ min: 8, max: 40, noNaN: true }),
          lengthMm: fc.double({ min: 1, max: 25, noNaN: true }),
          radiusMm: fc.double({ min: 20, max: 60, noNaN: true }),
          side: fc.constantFrom('hollow', 'bulging'),
        }),
        { minLength: 1, maxLength: 6 },
      )
      .map((elements) => profileOf(elements as ProfileElement[]));
    fc.assert(
      fc.property(wavy, fc.double({ min: 3, max: 60, noNaN: true }), (p, backDeg) => {
        const contour = contourOf(p, false);
        const some = reachOf(p, false, 22, { ...edge, backDeg });
        for (const { z, r } of some.left) expect(r).toBeGreaterThan(radiusAt(contour, z) - 1e-6);
        const slim = reachOf(p, false, 22, { ...edge, backDeg: Math.min(90, backDeg + 20) });
        expect(slim.uncutMm).toBeLessThanOrEqual(some.uncutMm + 1e-9);
      }),
      { seed: 4, numRuns: 60 },
    );
  });

  it('reads the edges of a record, and says where a point angle is assumed', () => {
    const [slim] = latheTools();
    expect(profilingEdge(slim!)).toMatchObject({ backDeg: 52, assumed: false });
    const round = latheTools().find((t) => t.id.startsWith('groove-4-r2'))!;
    expect(profilingEdge(round)).toMatchObject({ noseMm: 2, leadDeg: 90, backDeg: 90 });
  });
});

describe('a profile is turned', () => {
  it('begins within its limits where the insert follows it, and is over where it does not', () => {
    const fine = profiled(NECK(1, 20), 44);
    expect(problemsOf(fine.op, fine.context)).toEqual([]);
    expect(limitOf(evaluate(fine.op, fine.context), 'profile-reach').state).not.toBe('over');
    const steep = profiled(NECK(5, 10), 44);
    const limit = limitOf(evaluate(steep.op, steep.context), 'profile-reach');
    expect(limit.state).toBe('over');
    expect(speak(limit.why, 'metric')).toMatch(/falls 26\.6.*follows 5.*uncut/);
    const slim = profiled(NECK(5, 10), 44, 'ins-profile-35-93-r0.4');
    expect(limitOf(evaluate(slim.op, slim.context), 'profile-reach').state).toBe('clear');
  });

  it('names what is wrong with one', () => {
    const { op, context } = profiled(NECK(5, 10));
    const wrong = (change: Partial<TurningOperation['stretch']>) =>
      problemsOf({ ...op, stretch: { ...op.stretch, ...change } }, context).map((p) => p.field);
    expect(wrong({ endMm: 25 })).toEqual(['stretch.endMm']);
    expect(wrong({ lengthMm: 60 })).toContain('stretch.lengthMm');
    expect(wrong({ startMm: 35 })).toContain('stretch.startMm');
    expect(wrong({ profile: profileOf([]) })).toContain('stretch.profile.elements');
    expect(
      wrong({ profile: profileOf([piece('step', 20, 10), piece('arc', 40, 2, { radiusMm: 3 })]) }),
    ).toContain('stretch.profile.elements.1.radiusMm');
    expect(wrong({ profile: profileOf([piece('cone', -4, 10)]) })).toContain(
      'stretch.profile.elements.0.toMm',
    );
  });

  it('takes as long as its pieces: a cylinder as a profile costs what it costs as a stretch', () => {
    const plain = turned({ startMm: 44, endMm: 38, lengthMm: 60, overhangMm: 90 });
    const same = profiled(profileOf([piece('step', 38, 60)]), 44);
    const minutes = (c: { op: TurningOperation; context: typeof plain.context }) =>
      numberOf(evaluate({ ...c.op, cut: { ...plain.op.cut, depthMm: 1 } }, c.context), 't').value;
    expect(minutes(same)).toBeGreaterThan(0.93 * minutes(plain));
    expect(minutes(same)).toBeLessThan(1.01 * minutes(plain));
    // Steps that rise towards the jaws leave less to turn.
    const stepped = profiled(profileOf([piece('step', 38, 20), piece('step', 42, 40)]), 44);
    expect(minutes(stepped)).toBeLessThan(minutes(same));
  });

  it('on an even skin every pass follows the contour', () => {
    const p = NECK(1, 20);
    const skin = profiled({ ...p, skinMm: 0.4 }, 44);
    expect(numberOf(evaluate(skin.op, skin.context), 'passes').value).toBe(1);
    const set = { speedMMin: 100, capRpm: 3000 };
    expect(minutesAlongContour(contourOf(p, false), set, 0.1)).toBeCloseTo(
      2 * minutesAlongContour(contourOf(p, false), set, 0.2),
      9,
    );
  });

  it('a pass reaches as far as the profile lies deeper', () => {
    const p = profileOf([piece('step', 20, 10), piece('step', 30, 30)]);
    expect(lengthDeeperThan(p, false, 15)).toBeCloseTo(10, 1);
    expect(lengthDeeperThan(p, false, 16)).toBeCloseTo(40, 9);
    expect(lengthDeeperThan(p, false, 9)).toBe(0);
    expect(lengthDeeperThan(p, true, 12)).toBeCloseTo(30, 1);
  });

  it('is as stiff as a plain bar where it is one, and slender only where it is thin', () => {
    const bar = (elements: ProfileElement[]) =>
      carryingOf(profileOf(elements), { overhangMm: 100, rootMm: 40, skinMm: 0, boreMm: 0 });
    expect(bar([piece('step', 40, 100)])).toBeCloseTo(40, 6);
    expect(bar([piece('step', 20, 100)])).toBeCloseTo(20, 6);
    // A thin end on a thick root gives way far less than a bar as thin all along.
    const stem = bar([piece('step', 20, 30), piece('step', 40, 70)]);
    expect(stem).toBeGreaterThan(32);
    expect(stem).toBeLessThan(40);
    const tube = carryingOf(profileOf([piece('step', 40, 100)]), {
      overhangMm: 100,
      rootMm: 40,
      skinMm: 0,
      boreMm: 30,
    });
    expect(tube).toBeCloseTo(40, 6);
  });

  it('a round grooving insert turns profiles, and no other stretch', () => {
    const cutter = latheTools().find((t) => t.id.startsWith('groove-4-r2'))!;
    const { op, context } = profiled(NECK(3, 3), 36, cutter.id);
    expect(kindOf(op).tool.fits(cutter, op)).toBe(true);
    expect(kindOf(op).tool.fits(cutter, turned().op)).toBe(false);
    expect(problemsOf(op, context)).toEqual([]);
    expect(limitOf(evaluate(op, context), 'profile-reach').state).toBe('clear');
    const deep = profiled(
      profileOf([piece('step', 30, 5), piece('step', 4, 10), piece('step', 30, 5)]),
      36,
      cutter.id,
    );
    expect(limitOf(evaluate(deep.op, deep.context), 'profile-reach').state).toBe('over');
  });

  it('holds the nose against the smallest inner radius', () => {
    const at = (radiusMm: number) => {
      const p = profileOf([piece('step', 30, 20), piece('arc', 34, 2, { radiusMm, side: 'hollow' })]);
      const { op, context } = profiled(p);
      return limitOf(evaluate(op, context), 'profile-corner').state;
    };
    expect(at(2)).not.toBe('over');
    const { op, context } = profiled(
      profileOf([piece('step', 30, 20), piece('step', 36, 5)], { cornerMm: 0.2 }),
    );
    expect(limitOf(evaluate(op, context), 'profile-corner').state).toBe('over');
  });

  it('is told on the sheet from the free end', () => {
    const { op } = profiled(NECK(5, 10));
    const [note] = kindOf(op).notes(op);
    expect(speak(note!, 'metric').replaceAll('\u00a0', ' ')).toBe(
      'Profile from the free end: ⌀30 mm over 10 mm; cone to ⌀20 mm over 10 mm; ⌀20 mm over 12 mm; cone to ⌀30 mm over 10 mm; ⌀40 mm over 8 mm.',
    );
  });
});
