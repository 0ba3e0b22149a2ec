import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../../golden/compare.ts';
import { immersion } from './engagement.ts';
import { kienzle } from './kienzle.ts';
import { linearEdge } from './linear-edge.ts';
import type { ForceLaw } from './force-law.ts';
import { millingForces, powerFromTorque } from './milling-forces.ts';
import { oneTurn, standOfTeeth } from './one-turn.ts';
import type { ToothedEdge } from './toothed-edge.ts';

const RAD = Math.PI / 180;

/** A straight-sided cutter of 12 mm. */
function edgeOf(over: Partial<ToothedEdge> & { ap?: number; ae?: number; teeth?: number } = {}): ToothedEdge {
  const teeth = over.teeth ?? 4;
  return {
    bands: [
      {
        fromMm: 0,
        toMm: over.ap ?? 8,
        radiusMm: 6,
        kapr: Math.PI / 2,
        arc: immersion(over.ae ?? 2, 12, 'climb'),
      },
    ],
    pitch: Array<number>(teeth).fill((2 * Math.PI) / teeth),
    helix: Array<number>(teeth).fill(38 * RAD),
    standMm: Array<number>(teeth).fill(0),
    feedPerToothMm: 0.06,
    ...over,
  };
}

/** The plain way: every slice of every tooth at every angle, its chip the smallest over all earlier teeth. */
function sliceBySlice(edge: ToothedEdge, law: ForceLaw, steps: number, dz: number) {
  const sums = {
    fx: Array<number>(steps).fill(0),
    fy: Array<number>(steps).fill(0),
    fz: Array<number>(steps).fill(0),
  };
  const teeth = edge.pitch.length;
  const [band] = edge.bands;
  const { radiusMm, arc, toMm } = band!;
  const tip = edge.pitch.map((_, j) => edge.pitch.slice(1, j + 1).reduce((a, p) => a + p, 0));
  const turned = (a: number): number => a - 2 * Math.PI * Math.floor(a / (2 * Math.PI));
  const force = { tangential: 0, radial: 0, axial: 0 };
  for (let z = dz / 2; z < toMm; z += dz) {
    const behind = tip.map((t, j) => t + (z * Math.tan(edge.helix[j]!)) / radiusMm);
    for (let k = 0; k < steps; k++) {
      for (let j = 0; j < teeth; j++) {
        const phi = turned((2 * Math.PI * k) / steps - behind[j]!);
        if (phi < arc.entry || phi > arc.exit) continue;
        const chips = behind.map((b, i) => {
          const gap = i === j ? 2 * Math.PI : turned(behind[j]! - b);
          return (
            edge.feedPerToothMm * teeth * (gap / (2 * Math.PI)) * Math.sin(phi) +
            edge.standMm[j]! -
            edge.standMm[i]!
          );
        });
        const h = Math.min(...chips);
        if (h <= 0) continue;
        law.at(h, force);
        sums.fx[k]! -= (force.tangential * Math.cos(phi) + force.radial * Math.sin(phi)) * dz;
        sums.fy[k]! += (force.tangential * Math.sin(phi) - force.radial * Math.cos(phi)) * dz;
        sums.fz[k]! += force.axial * dz;
      }
    }
  }
  return sums;
}

const titanium = kienzle({ kc11: 1460, mc: 0.23, radialRatio: 0.55, axialRatio: 0.3 });

function goldenEdge(c: GoldenCase): ToothedEdge {
  const [d, ae, ap] = [given(c, 'D_mm'), given(c, 'ae_mm'), given(c, 'ap_mm')];
  const teeth = given(c, 'N');
  const pitch =
    (c.inputs['pitch_deg'] as unknown as number[] | null) ?? Array<number>(teeth).fill(360 / teeth);
  const arc = immersion(ae, d, c.inputs['mode'] === 'down' ? 'climb' : 'conventional');
  return {
    bands: [{ fromMm: 0, toMm: ap, radiusMm: d / 2, kapr: Math.PI / 2, arc }],
    pitch: pitch.map((p) => p * RAD),
    helix: pitch.map(() => given(c, 'helix_deg') * RAD),
    standMm: pitch.map(() => 0),
    feedPerToothMm: Number(c.inputs['fz_mean_mm'] ?? c.inputs['fz_mm']),
  };
}

function goldenLaw(c: GoldenCase): ForceLaw {
  if (c.id.includes('kienzle')) {
    return kienzle({
      kc11: given(c, 'kc11_MPa'),
      mc: given(c, 'mc'),
      radialRatio: given(c, 'kr'),
      axialRatio: given(c, 'ka'),
    });
  }
  const [Ktc, Krc, Kac] = [given(c, 'Ktc_MPa'), given(c, 'Krc_MPa'), given(c, 'Kac_MPa')];
  const [Kte, Kre, Kae] = [given(c, 'Kte_N_mm'), given(c, 'Kre_N_mm'), given(c, 'Kae_N_mm')];
  return linearEdge({ Ktc, Krc, Kac, Kte, Kre, Kae });
}

describe('forces of one turn, worked cases', () => {
  const whole = goldenCases('force').filter((c) => c.id !== 'force-energy-identity');
  it.each(whole.map((c) => [c.id, c] as const))('%s: means and power', (_, c) => {
    // Straight flutes jump at the ends of the arc, so the mean over samples needs a fine grid.
    const turn = oneTurn(goldenEdge(c), goldenLaw(c), { steps: 7200, sliceMm: 0.02 });
    const got = {
      Fx_mean_N: turn.meanFx,
      Fy_mean_N: turn.meanFy,
      Fz_mean_N: turn.meanFz,
      torque_mean_Nm: turn.meanTorqueNm,
      power_mean_kW: powerFromTorque(turn.meanTorqueNm, given(c, 'n_rpm')),
    };
    const known = Object.fromEntries(Object.entries(got).filter(([key]) => key in c.expected));
    expect(Object.keys(known).length).toBeGreaterThan(2);
    const loose = { ...c, tolerance: { rel: 2e-3, abs: 0.3, per_key: {} } } as GoldenCase;
    expect(disagreements(loose, known)).toEqual([]);
  });
});

describe('forces of one turn', () => {
  it('agrees with the integral tables where both apply: unequal pitch, runout, narrow arc', () => {
    const pitch = [74.8, 67.8, 73.4, 69.2, 74.8].map((p) => p * RAD);
    const stand = standOfTeeth(pitch, 8);
    const edge = edgeOf({ pitch, helix: pitch.map(() => 38 * RAD), standMm: stand, ae: 1 });
    const turn = oneTurn(edge, titanium, { steps: 720, sliceMm: 0.05 });
    const tables = millingForces(
      {
        bands: edge.bands,
        pitch,
        helix: 38 * RAD,
        feedPerToothMm: 0.06,
        runoutStepMm: stand.map((r, j) => r - stand[(j + 4) % 5]!),
      },
      titanium,
      720,
    );
    expect(turn.meanTorqueNm / tables.meanTorqueNm).toBeCloseTo(1, 1.8);
    expect(turn.peakFxy / tables.peakFxy).toBeCloseTo(1, 1.5);
    expect(turn.meanFz / tables.meanFz).toBeCloseTo(1, 1.8);
  });

  it('agrees with slices added one by one: unequal helices, unequal pitch, runout', () => {
    const pitch = [94, 86, 92.4, 87.6].map((p) => p * RAD);
    const helix = [35, 38, 35, 38].map((h) => h * RAD);
    const edge = edgeOf({ pitch, helix, standMm: [0.004, 0, -0.003, 0], ap: 12, ae: 6 });
    const turn = oneTurn(edge, titanium);
    const plain = sliceBySlice(edge, titanium, 360, 0.02);
    for (const [name, mine] of Object.entries({ fx: turn.fx, fy: turn.fy, fz: turn.fz })) {
      const off = mine.map((v, k) => Math.abs(v - plain[name as 'fx'][k]!));
      expect(Math.max(...off) / Math.max(...plain[name as 'fx'].map(Math.abs)), name).toBeLessThan(0.01);
    }
  });

  it('gives every tooth the same without runout and at equal pitch', () => {
    const { toothChipMm } = oneTurn(edgeOf(), titanium);
    expect(new Set(toothChipMm.map((h) => h.toFixed(5))).size).toBe(1);
  });

  it('loads the tooth that stands out and spares the one behind it', () => {
    const edge = edgeOf({ standMm: [0.01, 0, 0, 0] });
    const [first, second, third] = oneTurn(edge, titanium).toothChipMm;
    expect(first).toBeGreaterThan(third!);
    expect(second).toBeLessThan(third!);
  });

  it('lets a tooth that stands too low miss, and the next take both chips', () => {
    const low = oneTurn(edgeOf({ standMm: [0, -0.2, 0, 0], ae: 6 }), titanium);
    expect(low.toothChipMm[1]).toBe(0);
    expect(low.toothChipMm[2]).toBeCloseTo(0.12, 3);
    expect(low.toothChipMm[0]).toBeCloseTo(0.06, 3);
  });

  it('spreads the chips of unequal helices with height, and keeps the metal removed', () => {
    const helix = [35, 38, 35, 38].map((h) => h * RAD);
    const linear = linearEdge({ Ktc: 1800, Krc: 700, Kac: 0, Kte: 0, Kre: 0, Kae: 0 });
    const equal = oneTurn(edgeOf(), linear);
    const unequal = oneTurn(edgeOf({ helix }), linear);
    expect(unequal.toothChipMm[1]).not.toBeCloseTo(unequal.toothChipMm[0]!, 3);
    expect(unequal.meanTorqueNm / equal.meanTorqueNm).toBeCloseTo(1, 2);
  });

  it('mean torque of a linear law without edge force is Ktc times the metal removed, whatever the cutter', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 7 }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 0.02, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.004, noNaN: true }),
        (teeth, ae, fz, tir) => {
          const pitch = Array<number>(teeth).fill((2 * Math.PI) / teeth);
          const edge = edgeOf({
            teeth,
            ae,
            feedPerToothMm: fz,
            pitch,
            helix: pitch.map(() => 38 * RAD),
            standMm: standOfTeeth(pitch, tir * 1000),
          });
          const law = linearEdge({ Ktc: 2000, Krc: 0, Kac: 0, Kte: 0, Kre: 0, Kae: 0 });
          // Work of a turn: torque × 2π = Ktc × volume of a turn. What the teeth miss below the mean is within runout.
          const work = oneTurn(edge, law, { sliceMm: 0.2 }).meanTorqueNm * 2 * Math.PI * 1000;
          const volume = 8 * ae * fz * teeth;
          expect(work / (2000 * volume)).toBeGreaterThan(0.97);
          expect(work / (2000 * volume)).toBeLessThan(1.03 + tir / fz / 3);
        },
      ),
      { numRuns: 40, seed: 7 },
    );
  });

  it('refuses a cutter without teeth, without feed, or with lists of different length', () => {
    expect(() => oneTurn(edgeOf({ teeth: 4, pitch: [] }), titanium)).toThrow(/number of teeth/);
    expect(() => oneTurn(edgeOf({ feedPerToothMm: 0 }), titanium)).toThrow(/feed per tooth/);
    expect(() => oneTurn(edgeOf({ standMm: [0] }), titanium)).toThrow(/4 helices and heights/);
  });
});
