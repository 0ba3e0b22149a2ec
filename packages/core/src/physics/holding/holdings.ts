import { InputError, outOfRange } from '../../units/input-error.ts';
import { adhesive } from './adhesive.ts';
import type { Grip, HeldPart, HoldingModel, HoldingValues } from './holding-model.ts';
import { ROOM_C } from './holding-model.ts';
import { softJaws, vice } from './jaws.ts';
import { clamps, screws, vacuum } from './pressed-down.ts';
import { chuck, collet } from './round-grip.ts';

export const HOLDING_KINDS = [
  'vice',
  'soft-jaws',
  'clamps',
  'fixture',
  'adhesive',
  'vacuum',
  'chuck',
  'collet',
] as const;
export type HoldingKind = (typeof HOLDING_KINDS)[number];

export const HOLDINGS: Readonly<Record<HoldingKind, HoldingModel>> = {
  vice,
  'soft-jaws': softJaws,
  clamps,
  fixture: screws,
  adhesive,
  vacuum,
  chuck,
  collet,
};

/** How a setup holds its parts, with the numbers its kind asks for. */
export interface Holding {
  readonly kind: HoldingKind;
  readonly values: HoldingValues;
}

/** A way of holding with the numbers one would begin with. */
export const usualHolding = (kind: HoldingKind): Holding => ({
  kind,
  values: Object.fromEntries(HOLDINGS[kind].fields.map((f) => [f.key, f.usual])),
});

/** What a holding stands at a temperature of its joint, °C. */
export const gripOf = ({ kind, values }: Holding, part: HeldPart, temperatureC: number = ROOM_C): Grip =>
  HOLDINGS[kind].grip(values, part, temperatureC);

/** What a setup holds its parts with, as one cut asks of it: cold, before any factor. */
export interface Held {
  readonly kind: HoldingKind;
  readonly slideN: number;
  readonly liftN: number;
  /** Temperature at which it lets go, °C; null where heat does not release it. */
  readonly releaseC: number | null;
}

/** Sliding and lifting do not ask for the size of the part; twisting and tilting, which do, are judged for the whole setup. */
const ANY_PART: HeldPart = { lengthMm: 100, widthMm: 100, heightMm: 50 };

export function heldBy(holding: Holding): Held {
  const { slideN, liftN } = gripOf(holding, ANY_PART);
  return { kind: holding.kind, slideN, liftN, releaseC: HOLDINGS[holding.kind].releaseC(holding.values) };
}

/** Throws an InputError that names each number out of its range, under `path`. */
export function requireHolding({ kind, values }: Holding, path = 'holding'): void {
  const model = HOLDINGS[kind];
  const problems = model.fields.flatMap(({ key, least, most, unit }) => {
    const value = values[key];
    const field = `${path}.${key}`;
    if (typeof value !== 'number' || !(value >= least && value <= most))
      return [outOfRange(field, value ?? Number.NaN, { least, most, unit })];
    return [];
  });
  const strange = Object.keys(values).filter((key) => !model.fields.some((f) => f.key === key));
  for (const key of strange)
    problems.push({
      field: `${path}.${key}`,
      value: values[key] as number,
      allowed: `a number of a ${model.name}`,
    });
  if (problems.length > 0) throw new InputError(problems);
}

/** What a cut does to the part: forces in N, where they act above its base and off its middle in mm. */
export interface CutForces {
  readonly sideN: number;
  readonly liftN: number;
  readonly heightMm: number;
  readonly armMm: number;
}

export interface HoldingUse {
  /** Share of what is allowed, with the factor: sliding with twisting, and lifting with tilting. */
  readonly slide: number;
  readonly lift: number;
  /** The larger. */
  readonly share: number;
  readonly by: 'sliding' | 'twisting' | 'lifting' | 'tilting';
}

const over = (asked: number, stands: number): number =>
  asked <= 0 ? 0 : stands <= 0 ? Infinity : asked / stands;

/** How far a cut uses up a holding: a side force slides and twists at once, lifts and tilts at once. */
export function holdingUse(cut: CutForces, grip: Grip, factor: number): HoldingUse {
  const push = over(cut.sideN, grip.slideN);
  const turn = over(cut.sideN * cut.armMm * 1e-3, grip.twistNm);
  const pull = over(Math.max(0, cut.liftN), grip.liftN);
  const tip = over(cut.sideN * cut.heightMm * 1e-3, grip.tiltNm);
  const slide = factor * Math.hypot(push, turn);
  const lift = factor * (pull + tip);
  return {
    slide,
    lift,
    share: Math.max(slide, lift),
    by: slide >= lift ? (push >= turn ? 'sliding' : 'twisting') : pull >= tip ? 'lifting' : 'tilting',
  };
}
