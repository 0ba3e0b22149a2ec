import { requirePositive } from '../../units/input-error.ts';

export interface DrillCoefficients {
  readonly kc11: number;
  readonly mc: number;
  /** Feed-force coefficient and exponent. */
  readonly kf11: number;
  readonly mf: number;
}

export interface DrillGeometry {
  readonly diameterMm: number;
  /** Included point angle, degrees. */
  readonly pointAngleDeg: number;
  /** Hole already there, mm; 0 into solid. */
  readonly pilotMm: number;
  /** Edges that share the feed: 2 on a solid drill, 1 on an indexable one whose inserts halve the radius. */
  readonly lips: number;
}

export interface DrillForces {
  readonly chipMm: number;
  readonly lipWidthMm: number;
  readonly specificForce: number;
  readonly forcePerLipN: number;
  readonly torqueNm: number;
  readonly powerKw: number;
  readonly removalCm3Min: number;
  /** Thrust of the two lips, N, without chisel edge. */
  readonly lipThrustN: number;
  /** Rule-of-thumb thrust, N: about half of the lips' thrust, shown for comparison. */
  readonly handbookThrustN: number;
}

/** Drill by Kienzle's law on each lip. Feed per revolution in mm. VDI 3206 form; Kienzle & Victor 1957. */
export function drillForces(
  k: DrillCoefficients,
  { diameterMm, pointAngleDeg, pilotMm, lips }: DrillGeometry,
  feedMm: number,
  speedRpm: number,
): DrillForces {
  requirePositive('feed per revolution', feedMm);
  requirePositive('lip length', diameterMm - pilotMm);
  const sinK = Math.sin((pointAngleDeg * Math.PI) / 360);
  const h = (feedMm / lips) * sinK;
  const b = (diameterMm - pilotMm) / (2 * sinK);
  const kc = k.kc11 * h ** -k.mc;
  const force = kc * b * h;
  const torque = (lips * force * (diameterMm + pilotMm)) / 4 / 1000;
  return {
    chipMm: h,
    lipWidthMm: b,
    specificForce: kc,
    forcePerLipN: force,
    torqueNm: torque,
    powerKw: (torque * 2 * Math.PI * speedRpm) / 60000,
    removalCm3Min: ((Math.PI / 4) * (diameterMm ** 2 - pilotMm ** 2) * feedMm * speedRpm) / 1000,
    lipThrustN: lips * k.kf11 * b * h ** (1 - k.mf) * sinK,
    handbookThrustN: 0.5 * kc * ((diameterMm - pilotMm) / 2) * feedMm * sinK,
  };
}
