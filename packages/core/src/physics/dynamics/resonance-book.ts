import type { TipStructure } from './tip-structure.ts';

/** Modes of a combination of machine, holder, cutter and stick-out that somebody measured or stated. */
export interface KnownTip {
  /** What it is remembered under. */
  readonly machineSerial: string;
  readonly machineId: string;
  readonly holderId: string;
  readonly cutterId: string;
  readonly stickOutMm: number;
  readonly source: 'measured' | 'table';
  readonly structure: TipStructure;
  /** When it was measured, ISO date. */
  readonly measuredOn: string | null;
}

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

/** Beginning of the serials that simulated taps, sounds and cuts belong to: no machine bears them. */
export const PRACTICE_SERIAL = 'PRACTICE';
/** Whether a serial is for practice and not a machine's. */
export const isPracticeSerial = (serial: string): boolean => serial.toUpperCase().startsWith(PRACTICE_SERIAL);

/**
 * Whether what is remembered under one serial speaks for an operation: its own serial's always; where the operation names
 * none, every real machine's, and no practice one's.
 */
export const speaksFor = (wanted: string | null, remembered: string): boolean =>
  wanted === null ? !isPracticeSerial(remembered) : remembered === wanted;

/** Speed a cut really ran at, rpm. */
export const trueSpeed = (o: Pick<Observation, 'rpm' | 'overridePercent'>): number =>
  (o.rpm * o.overridePercent) / 100;
