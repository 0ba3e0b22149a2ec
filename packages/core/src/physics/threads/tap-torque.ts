import type { ThreadForm } from '../holes/hole.ts';
import { requirePositive } from '../../units/input-error.ts';
import { grooveOf, heightForPilot } from './thread-geometry.ts';

/** Torque of a sharp tap by the shop formula kc·P²·D/8000, N·m; judgement rule G-65. */
export function handbookTapTorque(kcNMm2: number, { pitchMm, majorMm }: ThreadForm): number {
  requirePositive('specific force', kcNMm2);
  return (kcNMm2 * pitchMm ** 2 * majorMm) / 8000;
}

/** Torque from the groove's section and the radius of its centroid, N·m; no friction, good to ±40%. */
export function areaTapTorque(kcNMm2: number, t: ThreadForm, holeMm: number): number {
  const { areaMm2, centroidMm } = grooveOf(t, holeMm);
  return (kcNMm2 * areaMm2 * centroidMm) / 1000;
}

/** Height the shop formula was made for, per cent. */
const USUAL_HEIGHT = 75;
/** A formed thread asks for this much more than a cut one; the middle of 1.5 to 2. */
const FORMING = 1.75;
/** Added to the torque by a hole's worth of packed chips, per diameter of depth; blind flutes hold them all. */
const PACKING = { blind: 0.22, through: 0.05, forming: 0.03 } as const;
/** Added per mm of wear on the chamfered teeth: a worn tap (0.3 mm) takes twice the sharp one's. */
const WEAR = 3.3;

export interface TapDuty {
  readonly thread: ThreadForm;
  readonly holeMm: number;
  readonly depthMm: number;
  readonly through: boolean;
  readonly forming: boolean;
  readonly flankWearMm: number;
}

export interface TapTorque {
  /** Sharp tap, first turns, N·m. */
  readonly sharpNm: number;
  /** At the bottom with chips and wear, N·m. */
  readonly bottomNm: number;
  /** Height of the thread, per cent of the full one. */
  readonly heightPercent: number;
  readonly packing: number;
  readonly wear: number;
}

/**
 * Torque of a tap: the shop formula scaled by the groove's section times its arm, so that it grows with thread height
 * as the metal does, with packing by depth and wear. Tapping tests vary by ±40%.
 */
export function tapTorque(kcNMm2: number, duty: TapDuty): TapTorque {
  const { thread, holeMm, forming } = duty;
  requirePositive('depth', duty.depthMm);
  const moment = (hole: number): number => {
    const { areaMm2, centroidMm } = grooveOf(thread, hole);
    return areaMm2 * centroidMm;
  };
  const usual = thread.majorMm - (2 * 0.75 * Math.sqrt(0.75) * thread.pitchMm * USUAL_HEIGHT) / 100;
  // A forming tap presses the same groove from a larger hole: half of what stands up was pushed up.
  const cutHole = forming ? thread.majorMm - 2 * (thread.majorMm - holeMm) : holeMm;
  const sharp =
    handbookTapTorque(kcNMm2, thread) *
    (moment(Math.max(0.3 * thread.majorMm, cutHole)) / moment(usual)) *
    (forming ? FORMING : 1);
  const per = forming ? PACKING.forming : duty.through ? PACKING.through : PACKING.blind;
  const packing = 1 + (per * duty.depthMm) / thread.majorMm;
  const wear = 1 + WEAR * duty.flankWearMm;
  return {
    sharpNm: sharp,
    bottomNm: sharp * packing * wear,
    heightPercent: heightForPilot(thread, cutHole),
    packing,
    wear,
  };
}
