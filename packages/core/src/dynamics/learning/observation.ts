import { InputError, requirePositive } from '../../domain/input-error.ts';
import type { KnownTip } from '../tip-knowledge.ts';

/** What was heard and seen of a cut. */
export type Heard = 'stable' | 'marginal' | 'chatter';
export const HEARD: readonly Heard[] = ['stable', 'marginal', 'chatter'];

/** A cut at the machine, as it was really run. */
export interface Observation {
  readonly machineSerial: string;
  readonly machineId: string;
  readonly holderId: string;
  readonly cutterId: string;
  readonly stickOutMm: number;
  readonly alloyId: string;
  readonly heard: Heard;
  /** Programmed speed, rpm. */
  readonly rpm: number;
  /** Spindle override it really ran at, per cent. */
  readonly overridePercent: number;
  readonly axialDepthMm: number;
  readonly radialEngagementMm: number;
  readonly feedPerToothMm: number;
  readonly direction: 'climb' | 'conventional';
  /** Frequency heard, Hz; null where nobody measured it. */
  readonly hz: number | null;
}

/** Everything remembered that may bear on an operation. */
export interface ResonanceBook {
  /** Serial of the machine the operation is for; null takes every machine of its kind. */
  readonly serial: string | null;
  readonly tips: readonly KnownTip[];
  readonly observations: readonly Observation[];
}

/** Speed a cut really ran at, rpm. */
export const trueSpeed = (o: Pick<Observation, 'rpm' | 'overridePercent'>): number =>
  (o.rpm * o.overridePercent) / 100;

/** Throws InputError where an observation cannot have happened. */
export function requireObservation(o: Observation): void {
  requirePositive('speed', o.rpm);
  requirePositive('axial depth', o.axialDepthMm);
  requirePositive('radial engagement', o.radialEngagementMm);
  requirePositive('feed per tooth', o.feedPerToothMm);
  if (!(o.overridePercent >= 10 && o.overridePercent <= 200)) {
    throw new InputError([{ field: 'override', value: o.overridePercent, allowed: '10 to 200 %' }]);
  }
  if (o.hz !== null && !(o.hz >= 20 && o.hz <= 20_000)) {
    throw new InputError([{ field: 'frequency heard', value: o.hz, allowed: '20 to 20,000 Hz' }]);
  }
}
