import { loadAt } from './load-at.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { driveEfficiency } from '../../sources.ts';
import type { MillingState } from '../milling-state.ts';
import { powerFromTorque } from '../../../physics/cutting/milling-forces.ts';
import { widthOfArc } from '../../../physics/path/corner-engagement.ts';

/** A stretch of the path with one load. */
export interface Stretch {
  readonly what: 'entry' | 'straight' | 'corner' | 'air';
  readonly minutes: number;
  /** Arc of contact, degrees. */
  readonly arcDeg: number;
  readonly sideForceN: number;
  readonly powerKw: number;
}

const DEG = 180 / Math.PI;

/** Force and power through the path of one feature, stretch by stretch. */
export function courseOf(state: MillingState): Stretch[] {
  const { op, context, plan, minutes } = state;
  const d = outerDiameter(context.cutter);
  const power = (torqueNm: number): number =>
    powerFromTorque(torqueNm, op.cut.speedRpm) / driveEfficiency(context).value;
  const list: Stretch[] = [];
  const { entry } = plan;
  if (minutes.entry > 0 && (entry.method === 'helix' || entry.method === 'ramp')) {
    const load = loadAt(state, d, Math.max(0.02, entry.axialMm), entry.feedShare);
    list.push({
      what: 'entry',
      minutes: minutes.entry,
      arcDeg: 180,
      sideForceN: load.peakFxy,
      powerKw: power(load.meanTorqueNm),
    });
  }
  const cornerMinutes =
    plan.cornerMm > 0 ? Math.min(minutes.contact - minutes.entry, plan.cornerMm / state.feedRateMmMin) : 0;
  list.push({
    what: 'straight',
    minutes: Math.max(0, minutes.contact - minutes.entry - cornerMinutes),
    arcDeg: state.arc * DEG,
    sideForceN: state.sideForceN.value,
    powerKw: state.powerKw.value,
  });
  if (plan.corner && cornerMinutes >= 0) {
    const straight = loadAt(state, op.cut.radialEngagementMm, op.cut.axialDepthMm, 1);
    const load = loadAt(state, widthOfArc(plan.corner.arc, d), op.cut.axialDepthMm, 1);
    // Scaled from the straight cut, so that the edge's true shape stays in.
    list.push({
      what: 'corner',
      minutes: cornerMinutes,
      arcDeg: plan.corner.arc * DEG,
      sideForceN: (state.sideForceN.value * load.peakFxy) / straight.peakFxy,
      powerKw: (state.powerKw.value * load.meanTorqueNm) / straight.meanTorqueNm,
    });
  }
  list.push({ what: 'air', minutes: minutes.link + minutes.air, arcDeg: 0, sideForceN: 0, powerKw: 0 });
  return list;
}
