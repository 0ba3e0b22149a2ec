import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { immersion } from './engagement.ts';
import { type EdgeForce, worn } from './force-law.ts';
import { kienzle, rakeFactor } from './kienzle.ts';
import { linearEdge } from './linear-edge.ts';
import { millingForces, powerFromTorque, type RotatingEdge } from './milling-forces.ts';

const RAD = Math.PI / 180;
const linear = linearEdge({ Ktc: 1825, Krc: 770, Kac: 735, Kte: 29.7, Kre: 55.7, Kae: 1.8 });
const power = kienzle({ kc11: 2700, mc: 0.25, radialRatio: 0.6, axialRatio: 0.3 });

function edge(change: {
  teeth?: number;
  helixDeg?: number;
  ae?: number;
  ap?: number;
  pitchDeg?: number[];
  runout?: number[];
  climb?: boolean;
}): RotatingEdge {
  const { teeth = 4, helixDeg = 35, ae = 3, ap = 8, climb = true } = change;
  const pitch = change.pitchDeg ?? Array<number>(teeth).fill(360 / teeth);
  return {
    bands: [
      {
        fromMm: 0,
        toMm: ap,
        radiusMm: 6,
        kapr: Math.PI / 2,
        arc: immersion(ae, 12, climb ? 'climb' : 'conventional'),
      },
    ],
    pitch: pitch.map((p) => p * RAD),
    helix: helixDeg * RAD,
    feedPerToothMm: 0.06,
    runoutStepMm: change.runout ?? pitch.map(() => 0),
  };
}

describe('forces of one turn: facts that must hold', () => {
  it('the mean does not know the helix', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 55, noNaN: true }),
        fc.constantFrom(linear, power),
        (helixDeg, law) => {
          const straight = millingForces(edge({ helixDeg: 0.001 }), law, 8);
          const twisted = millingForces(edge({ helixDeg }), law, 8);
          expect(twisted.meanFx).toBeCloseTo(straight.meanFx, 6);
          expect(twisted.meanFy).toBeCloseTo(straight.meanFy, 6);
          expect(twisted.meanTorqueNm).toBeCloseTo(straight.meanTorqueNm, 9);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('nor, for a linear law, how the teeth are spaced; for Kienzle it does', () => {
    const even = edge({});
    const uneven = edge({ pitchDeg: [80, 100, 85, 95] });
    expect(millingForces(uneven, linear, 8).meanFy).toBeCloseTo(millingForces(even, linear, 8).meanFy, 6);
    expect(millingForces(uneven, power, 8).meanFy).not.toBeCloseTo(millingForces(even, power, 8).meanFy, 2);
  });

  it('a slot with an even number of teeth from four on pushes steadily, with three it does not', () => {
    const pure = linearEdge({ Ktc: 1825, Krc: 770, Kac: 735, Kte: 0, Kre: 0, Kae: 0 });
    const ripple = (teeth: number): number => {
      const f = millingForces(edge({ teeth, ae: 12, ap: 5 }), pure, 90);
      const fx = Array.from({ length: 90 }, (_, k) => f.trace[k * 5 + 1]!);
      return (Math.max(...fx) - Math.min(...fx)) / Math.abs(f.meanFx);
    };
    expect(ripple(4)).toBeLessThan(1e-3);
    expect(ripple(6)).toBeLessThan(1e-3);
    expect(ripple(3)).toBeGreaterThan(0.05);
  });

  it('the trace averages to the mean', () => {
    for (const change of [{}, { pitchDeg: [80, 100, 85, 95] }, { climb: false }, { ap: 20, helixDeg: 45 }]) {
      const f = millingForces(edge(change), power, 720);
      const average = (index: number): number =>
        Array.from({ length: 720 }, (_, k) => f.trace[k * 5 + index]!).reduce((a, b) => a + b) / 720;
      expect(average(1) / f.meanFx).toBeCloseTo(1, 2);
      expect(average(2) / f.meanFy).toBeCloseTo(1, 2);
      expect(average(4) / f.meanTorqueNm).toBeCloseTo(1, 2);
    }
  });

  it('power is force times way: a law without edge forces gives Ktc times removal', () => {
    const pure = linearEdge({ Ktc: 2000, Krc: 0, Kac: 0, Kte: 0, Kre: 0, Kae: 0 });
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        (ae, ap) => {
          const f = millingForces(edge({ ae, ap }), pure, 4);
          const removal = (ap * ae * 0.06 * 4 * 1000) / 1000;
          expect(powerFromTorque(f.meanTorqueNm, 1000) / ((2000 * removal) / 60000)).toBeCloseTo(1, 4);
        },
      ),
    );
  });

  it('climb pushes the work where conventional pulls it', () => {
    const climb = millingForces(edge({ climb: true }), linear, 24);
    const conventional = millingForces(edge({ climb: false }), linear, 24);
    expect(climb.meanFx).toBeGreaterThan(0);
    expect(conventional.meanFx).toBeLessThan(0);
    expect(conventional.meanTorqueNm).toBeCloseTo(climb.meanTorqueNm, 9);
  });

  it('runout raises the peak and hardly the mean', () => {
    const true_ = millingForces(edge({ helixDeg: 20, ap: 3 }), linear, 360);
    const out = millingForces(
      edge({ helixDeg: 20, ap: 3, runout: [0.015, -0.01, -0.01, 0.005] }),
      linear,
      360,
    );
    expect(out.peakFxy).toBeGreaterThan(1.08 * true_.peakFxy);
    expect(out.meanTorqueNm / true_.meanTorqueNm).toBeCloseTo(1, 1);
  });

  it('eight panels agree with forty to a part in a thousand', () => {
    for (const law of [linear, power]) {
      const coarse = millingForces(edge({}), law, 48, 8);
      const fine = millingForces(edge({}), law, 48, 40);
      expect(Math.abs(coarse.peakFxy / fine.peakFxy - 1)).toBeLessThan(1e-3);
      expect(Math.abs(coarse.meanTorqueNm / fine.meanTorqueNm - 1)).toBeLessThan(1e-3);
    }
  });

  it('refuses no teeth and no feed', () => {
    expect(() => millingForces({ ...edge({}), pitch: [] }, linear, 4)).toThrow(/number of teeth is 0/);
    expect(() => millingForces({ ...edge({}), feedPerToothMm: 0 }, linear, 4)).toThrow(/feed per tooth is 0/);
  });
});

describe('force laws', () => {
  const at = (law: typeof linear, h: number): EdgeForce => {
    const out = { tangential: 0, radial: 0, axial: 0 };
    law.at(h, out);
    return out;
  };

  it('Kienzle falls in specific force as the chip thickens', () => {
    expect(at(power, 1).tangential).toBeCloseTo(2700, 9);
    expect(at(power, 0.05).tangential / 0.05).toBeGreaterThan(at(power, 0.2).tangential / 0.2);
    expect(at(power, 0.1).radial / at(power, 0.1).tangential).toBeCloseTo(0.6, 12);
    expect(() => kienzle({ kc11: 0, mc: 0.25, radialRatio: 0.5, axialRatio: 0 })).toThrow(/kc1\.1 is 0/);
  });

  it('a worn edge adds the same to every chip, and a sharp one nothing', () => {
    const dull = worn(linear, { tangential: 20, radial: 60 });
    for (const h of [0.01, 0.1]) {
      expect(at(dull, h).tangential - at(linear, h).tangential).toBeCloseTo(20, 9);
      expect(at(dull, h).radial - at(linear, h).radial).toBeCloseTo(60, 9);
      expect(at(dull, h).axial).toBe(at(linear, h).axial);
    }
    expect(worn(linear, { tangential: 0, radial: 0 })).toBe(linear);
  });

  it('a more positive rake cuts easier, 1.2% a degree', () => {
    expect(rakeFactor(6, 6)).toBe(1);
    expect(rakeFactor(11, 6)).toBeCloseTo(0.94, 12);
    expect(rakeFactor(-4, 6)).toBeCloseTo(1.12, 12);
  });
});
