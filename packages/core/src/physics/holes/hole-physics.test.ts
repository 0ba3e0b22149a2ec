import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exact, uncertain } from '../../judging/estimate.ts';
import { boreForces, leftAfterSpring } from './bore-pass.ts';
import { normalBelow } from '../../numerics/normal.ts';
import { chanceAbove, chanceOfAny } from '../../operations/holes/break-chance.ts';
import { chiselEdge } from './chisel-edge.ts';
import { loadedPecks, longestColumn, packingFactor } from './chip-packing.ts';
import { peckingSeconds, rapidSeconds } from './cycle-time.ts';
import { axisDrift, gradesOf, gradeWidth } from './hole-accuracy.ts';
import { helicalBore, pastFloorNeeded } from './helical-bore.ts';
import { asList, listedPecks, planPecks } from './peck-plan.ts';
import { reamAllowance, reamedSize, reamerForces } from './reaming.ts';
import { pecksByDepth } from './pecks-by-depth.ts';
import { CRIB } from '../../../fixtures/crib.ts';

const machine = CRIB.machines.find((m) => m.id === 'vmc40-22kw-direct')!;
const hole = { depthMm: 60, diameterMm: 8, carbide: true, throughBar: 0, difficult: true };

describe('chisel edge', () => {
  it('pushes a fifth to a half of what the lips of a usual drill push, and nothing behind a wide pilot', () => {
    // 10 mm in steel of 900 MPa at 0.2 mm: lips about 2,300 N.
    const solid = chiselEdge(10, 0.3, 0, 0.2, 900);
    expect(solid.thrustN / 2300).toBeGreaterThan(0.2);
    expect(solid.thrustN / 2300).toBeLessThan(0.5);
    expect(chiselEdge(10, 0.3, 3, 0.2, 900)).toMatchObject({ thrustN: 0, torqueNm: 0 });
  });

  it('turns with little: a few per cent of the lips’ 6.8 N·m', () => {
    expect(chiselEdge(10, 0.3, 0, 0.2, 900).torqueNm).toBeLessThan(0.4);
  });
});

describe('chips in the flutes', () => {
  it('drag grows exponentially with the column', () => {
    expect(packingFactor(0, 5)).toBe(1);
    const [a, b, c] = [5, 10, 15].map((s) => packingFactor(s, 5) - 1) as [number, number, number];
    expect(b / a).toBeGreaterThan(3);
    expect(c / b).toBeGreaterThan(2.5);
  });

  it('a full retract empties the flutes, a chip-break retract leaves some', () => {
    const pecks = planPecks(hole);
    const full = loadedPecks(pecks, 8, false);
    expect(full.every((s) => s.beginsWith === 0)).toBe(true);
    const lifted = loadedPecks(
      pecks.map((p) => ({ ...p, retract: p.retract === 'full' ? ('chip-break' as const) : p.retract })),
      8,
      false,
    );
    expect(longestColumn(lifted)).toBeGreaterThan(longestColumn(full));
  });
});

describe('pecks somebody sets', () => {
  it('go to the bottom whatever the list says, and come back as the same list', () => {
    const list = { toMm: [10, 20, 34], retract: 'full' as const };
    const pecks = listedPecks(60, list);
    expect(pecks.map((p) => p.toMm)).toEqual([10, 20, 34, 60]);
    expect(pecks.at(-1)!.retract).toBe('none');
    expect(asList(pecks)).toEqual(list);
    expect(listedPecks(60, { ...list, toMm: [80, 20, 60] }).map((p) => p.toMm)).toEqual([20, 60]);
  });

  it('the answer against depth changes once from one stroke to several and never back', () => {
    const { answers, changes } = pecksByDepth(hole, 100, 3, 5);
    answers.forEach((a, i) => expect(a.pecks).toBeGreaterThanOrEqual(answers[i - 1]?.pecks ?? 1));
    expect(changes.map((c) => c.depthMm)).toEqual([...changes.map((c) => c.depthMm)].sort((a, b) => a - b));
    expect(changes.some((c) => /one peck ends/.test(c.why))).toBe(true);
    const wet = pecksByDepth({ ...hole, throughBar: 70 }, 100, 3, 5);
    expect(wet.changes.find((c) => /one peck ends/.test(c.why))!.depthMm).toBeGreaterThan(
      changes.find((c) => /one peck ends/.test(c.why))!.depthMm,
    );
  });
});

describe('cycle of a drilled hole', () => {
  const one = [{ fromMm: 0, toMm: 40, retract: 'none' as const }];

  it('a short rapid is a triangle, a long one mostly runs at full speed', () => {
    const z = machine.axes.z;
    expect(rapidSeconds(1, z)).toBeCloseTo(2 * Math.sqrt(1 / (z.max_accel_m_s2 * 1000)), 9);
    expect(rapidSeconds(500, z)).toBeCloseTo(500 / (z.max_feed_mm_min / 60), 0);
  });

  it('full retracts cost more than chip-break retracts, and a slow breakthrough more than none', () => {
    const seconds = (retract: 'full' | 'chip-break', share = 1) => {
      const s = peckingSeconds(
        [
          { fromMm: 0, toMm: 20, retract },
          { fromMm: 20, toMm: 40, retract: 'none' },
        ],
        200,
        { lengthMm: 3, share },
        2,
        40,
        machine,
      );
      return s.cut + s.air;
    };
    expect(seconds('full')).toBeGreaterThan(seconds('chip-break'));
    expect(seconds('full', 0.5)).toBeCloseTo(seconds('full') + (3 / 200) * 60, 6);
  });

  it('feed counts the clearance and the point', () => {
    const s = peckingSeconds(one, 100, { lengthMm: 0, share: 1 }, 3, 40, machine);
    expect(s.cut).toBeCloseTo(((2 + 40 + 3) / 100) * 60, 9);
  });
});

describe('size and axis', () => {
  it('IT7 at 10 mm is 15 µm and IT8 at 30 mm is 33 µm as ISO 286-1 has them, to a tenth', () => {
    expect(gradeWidth(7, 10) * 1000).toBeCloseTo(15.7, 0);
    expect(gradeWidth(8, 30) * 1000).toBeCloseTo(35, -1);
    expect(gradesOf('IT8-IT10')).toEqual([8, 10]);
    expect(gradesOf(undefined)).toBeNull();
  });

  it('an axis runs off more with depth, cross holes and slope, less when guided', () => {
    const at = {
      depthMm: 40,
      diameterMm: 8,
      carbide: true,
      guided: false,
      crossHoles: 0,
      startDeflection: 0,
    };
    const base = axisDrift(at);
    expect(axisDrift({ ...at, depthMm: 80 })).toBeGreaterThan(2 * base);
    expect(axisDrift({ ...at, crossHoles: 2 })).toBeGreaterThan(base);
    expect(axisDrift({ ...at, startDeflection: 0.002 })).toBeGreaterThan(base);
    expect(axisDrift({ ...at, guided: true })).toBeLessThan(base);
    expect(axisDrift({ ...at, carbide: false })).toBeGreaterThan(2 * base);
  });
});

describe('chances', () => {
  it('the normal distribution at its known points', () => {
    expect(normalBelow(0)).toBeCloseTo(0.5, 6);
    expect(normalBelow(1.959964)).toBeCloseTo(0.975, 6);
    expect(normalBelow(-3)).toBeCloseTo(0.001349898, 6);
  });

  it('even odds where what is asked is what is there, next to none at a tenth', () => {
    const wide = { id: 'w', label: '', kind: 'model' as const, sigma: 0.3, narrowBy: '' };
    expect(chanceAbove(uncertain(1, wide))).toBeCloseTo(0.5, 6);
    expect(chanceAbove(uncertain(0.1, wide))).toBeLessThan(1e-10);
    expect(chanceAbove(exact(2))).toBeCloseTo(1, 6);
    expect(chanceOfAny(0.01, 100)).toBeCloseTo(1 - 0.99 ** 100, 12);
  });
});

describe('reaming', () => {
  it('hardening alloys keep to the upper half of the allowance', () => {
    const [low, usual, high] = reamAllowance(10, [0.1, 0.15, 0.25], 'low');
    const hard = reamAllowance(10, [0.1, 0.15, 0.25], 'severe');
    expect([low, usual, high]).toEqual([0.1, 0.15, 0.25]);
    expect(hard[0]).toBeGreaterThan(low);
    expect(hard[2]).toBe(high);
  });

  it('a springy alloy closes behind the reamer, runout and build-up open it', () => {
    const at = { diameterMm: 10, strengthMPa: 880, modulusGPa: 114, runoutUm: 5, speedMMin: 10, sticky: 0 };
    expect(reamedSize(at).changeMm).toBeLessThan(0);
    expect(reamedSize({ ...at, modulusGPa: 210, runoutUm: 25, sticky: 3 }).changeMm).toBeGreaterThan(0);
  });

  it('torque grows with allowance', () => {
    const at = {
      kc11: 2000,
      mc: 0.25,
      diameterMm: 10,
      allowanceMm: 0.15,
      teeth: 6,
      leadDeg: 45,
      feedMm: 0.3,
    };
    expect(reamerForces({ ...at, allowanceMm: 0.3 }).torqueNm).toBeCloseTo(2 * reamerForces(at).torqueNm, 1);
  });
});

describe('boring', () => {
  const cut = {
    kc11: 2000,
    mc: 0.25,
    radialRatio: 0.5,
    leadDeg: 93,
    noseMm: 0.4,
    depthMm: 0.1,
    feedMm: 0.08,
  };

  it('on the nose the force turns across the bar', () => {
    const share = (depthMm: number) => {
      const f = boreForces({ ...cut, depthMm });
      return f.radialN / f.tangentialN;
    };
    expect(share(0.1)).toBeGreaterThan(share(0.4));
    expect(share(0.4)).toBeGreaterThan(share(1.5));
  });

  it('a pass without new stock leaves the share of the softer one', () => {
    expect(leftAfterSpring(1000, 9000)).toBeCloseTo(0.1, 12);
  });
});

describe('hole on a helix', () => {
  const at = {
    holeMm: 18,
    startMm: 0,
    toolMm: 10,
    deadCentreMm: 0.5,
    pitchMm: 1,
    depthMm: 20,
    stepovers: 1,
    through: false,
  };

  it('one helix up to twice the cutter leaves no core, beyond it one, and two helices none', () => {
    expect(helicalBore(at).coreMm).toBe(0);
    expect(helicalBore({ ...at, holeMm: 23 }).coreMm).toBeCloseTo(3, 9);
    expect(helicalBore({ ...at, holeMm: 23, stepovers: 2 }).coreMm).toBe(0);
  });

  it('a thin tall post, or one over an open floor, breaks free; a stout blind one stays', () => {
    expect(helicalBore({ ...at, holeMm: 22 }).coreBreaksFree).toBe(true);
    expect(helicalBore({ ...at, holeMm: 29, depthMm: 10 }).coreBreaksFree).toBe(false);
    expect(helicalBore({ ...at, holeMm: 29, depthMm: 10, through: true }).coreBreaksFree).toBe(true);
  });

  it('rings share what is left evenly and end on the hole; the centre runs slower than the edge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 12, max: 60, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        (holeMm, stepovers, share) => {
          const { helices } = helicalBore({ ...at, holeMm, stepovers, startMm: share * holeMm });
          expect(helices.at(-1)!.toMm).toBeCloseTo(holeMm, 9);
          for (const h of helices) {
            expect(h.centreShare).toBeGreaterThan(0);
            expect(h.centreShare).toBeLessThan(1);
            expect((h.centreShare * h.toMm) / (h.toMm - at.toolMm)).toBeCloseTo(1, 9);
          }
        },
      ),
    );
  });

  it('the corner goes past an open floor by its radius and its wear', () => {
    expect(pastFloorNeeded(1, 0.2)).toBeCloseTo(1.3, 12);
  });
});
