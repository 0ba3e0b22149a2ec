import { requirePositive } from '../../units/input-error.ts';
import type { EdgeForce, ForceLaw } from './force-law.ts';
import type { MillingForces } from './milling-forces.ts';

/** Distance between plunges along the wall over the diameter; rule G-47. */
export const SIDE_STEP = 0.6;

/** Arc one tooth stays in the cut while plunging beside the last plunge, rad: area taken over edge and mean radius. */
export function plungeArc(diameterMm: number, radialMm: number): number {
  requirePositive('diameter', diameterMm);
  const mean = diameterMm / 2 - Math.min(radialMm, diameterMm) / 2;
  return Math.min(2 * Math.PI, (SIDE_STEP * diameterMm) / Math.max(mean, diameterMm / 8));
}

/** Axial push over tangential force of an end face, and what is left across: force runs along the axis (rule G-47). */
const AXIAL = 0.6;
const ACROSS = 0.25;

/**
 * Forces of plunging: the end face takes a chip of `fz` over a width of `ae`, each tooth for the plunge's arc. The push
 * goes along the axis; only the tangential force and a quarter of it across bend the tool. Same result as the turning
 * integral gives, so that every limit can read it.
 */
export function plungeForces(
  law: ForceLaw,
  diameterMm: number,
  teeth: number,
  radialMm: number,
  feedPerToothMm: number,
  positions: number,
): MillingForces {
  requirePositive('feed per tooth', feedPerToothMm);
  const out: EdgeForce = { tangential: 0, radial: 0, axial: 0 };
  law.at(feedPerToothMm, out);
  const arc = plungeArc(diameterMm, radialMm);
  const arm = (diameterMm / 2 - Math.min(radialMm, diameterMm) / 2) / 1000;
  const ft = out.tangential * radialMm;
  const trace = new Float64Array(positions * 5);
  let [peakFxy, peakFy, peakFz, peakTorque] = [0, 0, 0, 0];
  const mean = [0, 0, 0, 0];
  for (let k = 0; k < positions; k++) {
    const theta = (2 * Math.PI * k) / positions;
    let [fx, fy, engaged] = [0, 0, 0];
    for (let j = 0; j < teeth; j++) {
      const turns = theta - (2 * Math.PI * j) / teeth;
      const phi = turns - 2 * Math.PI * Math.floor(turns / (2 * Math.PI));
      if (phi > arc) continue;
      // The crescent lies across the wall: its middle is at 90° to the feed along it.
      const at = phi - arc / 2 + Math.PI / 2;
      engaged++;
      fx -= ft * Math.cos(at) + ACROSS * ft * Math.sin(at);
      fy += ft * Math.sin(at) - ACROSS * ft * Math.cos(at);
    }
    const fz = -AXIAL * ft * engaged;
    const torque = ft * arm * engaged;
    trace.set([theta, fx, fy, fz, torque], k * 5);
    [fx, fy, fz, torque].forEach((v, i) => (mean[i]! += v / positions));
    peakFxy = Math.max(peakFxy, Math.hypot(fx, fy));
    peakFy = Math.max(peakFy, Math.abs(fy));
    peakFz = Math.max(peakFz, Math.abs(fz));
    peakTorque = Math.max(peakTorque, torque);
  }
  return {
    meanFx: mean[0]!,
    meanFy: mean[1]!,
    meanFz: mean[2]!,
    meanTorqueNm: mean[3]!,
    peakFxy,
    peakFyAbs: peakFy,
    peakFzAbs: peakFz,
    peakTorqueNm: peakTorque,
    trace,
    positions,
  };
}
