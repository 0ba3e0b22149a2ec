import type { Cutter } from '../../crib/cutter.ts';
import { type Hole, PLAIN_HOLE } from '../../physics/holes/hole.ts';
import { type HoleDemand, nominalOf, wayBetween } from './hole-demand.ts';
import type { StepDraft } from './shop.ts';

export const STEP_KEYS = [
  'spot',
  'pilot',
  'drill',
  'enlarge',
  'mill',
  'ream',
  'bore',
  'chamfer',
  'tap',
  'thread-mill',
] as const;
export type StepKey = (typeof STEP_KEYS)[number];

/** One step as a recipe asks for it: tools that can, best first, and what it becomes with one of them. */
export interface RecipeStep {
  readonly key: StepKey;
  readonly name: string;
  readonly tools: readonly Cutter[];
  /** Why there is no tool, where there is none. */
  readonly missing: string;
  readonly depthMm: number;
  /** `madeMm` is the diameter the steps before it have made with the tools really taken; 0 in solid. */
  draft(cutter: Cutter, madeMm: number): StepDraft;
  /** Other numbers of the same step, tried besides. */
  variants?(draft: StepDraft): readonly StepDraft[];
  /** May be left out. */
  readonly optional: boolean;
}

/** A way to make a hole. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly RecipeStep[];
}

/** A length as a step's name has it. */
export const mm = (value: number): string => `${Number(value.toFixed(2))} mm`;

/** The hole of one step: what is asked of all, and what this step changes. */
export function holeOf(d: HoleDemand, more: Partial<Hole>): Hole {
  return {
    ...PLAIN_HOLE,
    diameterMm: nominalOf(d),
    depthMm: d.depthMm,
    through: d.through,
    entryAngleDeg: d.entryAngleDeg,
    entrySurface: d.entrySurface,
    exitAngleDeg: d.exitAngleDeg,
    crossHoles: d.crossHoles,
    straightnessMm: d.straightnessMm,
    betweenMm: wayBetween(d.pattern),
    partValue: d.partValue,
    ...more,
  };
}
