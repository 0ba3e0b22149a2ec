import type { Unit } from '../../units/unit.ts';

/** The part as it stands on what holds it, mm. */
export interface HeldPart {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What a holding stands before the part moves, without any factor. */
export interface Grip {
  /** Against sliding in the plane, N. */
  readonly slideN: number;
  /** Against lifting off, N. */
  readonly liftN: number;
  /** Against turning about the vertical, N·m. */
  readonly twistNm: number;
  /** Against tilting over its base, N·m. */
  readonly tiltNm: number;
  /** How it came about, with its numbers. */
  readonly from: string;
}

/** A number a way of holding asks for. */
export interface HoldingField {
  readonly key: string;
  readonly label: string;
  readonly unit: Unit;
  readonly least: number;
  readonly most: number;
  /** What one would begin with. */
  readonly usual: number;
}

/** A way of holding a part: what it asks for, and what it stands. */
export interface HoldingModel {
  readonly name: string;
  readonly fields: readonly HoldingField[];
  /** Holding over force that is asked for. */
  readonly factor: number;
  /** Temperature at which it lets go, °C; null where heat does not release it. */
  readonly releaseC: (values: HoldingValues) => number | null;
  /** At a temperature of the joint, °C. */
  readonly grip: (values: HoldingValues, part: HeldPart, temperatureC: number) => Grip;
  /** What can hurt or mark with it, in shop words. */
  readonly cautions: readonly string[];
}

export type HoldingValues = Readonly<Record<string, number>>;

export const ROOM_C = 20;
export const neverReleases = (): null => null;
export const shortSide = ({ lengthMm, widthMm }: HeldPart): number => Math.min(lengthMm, widthMm);
export const longSide = ({ lengthMm, widthMm }: HeldPart): number => Math.max(lengthMm, widthMm);

/** Friction under or beside the part, as a number one may state. */
export const frictionOf = (label: string, usual: number): HoldingField => ({
  key: 'friction',
  label,
  unit: 'ratio',
  least: 0.05,
  most: 0.8,
  usual,
});
