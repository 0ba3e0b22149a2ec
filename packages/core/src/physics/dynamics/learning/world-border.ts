import { type Memory, memoryBeside, memoryOf } from '../../../numerics/memory.ts';
import { normalBelow } from '../../../numerics/normal.ts';
import { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from '../along-tool.ts';
import {
  borderInDoubt,
  gridSpeed,
  longestDelay,
  type ResponseGrid,
  responseGrid,
} from '../averaged-border.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import type { TipMode } from '../tip-structure.ts';
import { type Belief, cutIn, drawn, rowOf, structureIn, structureOf } from './belief.ts';

/** How far a heard border may be off what the averaged cut says, in logs: model, runout, ear. */
export const HEARING = 0.12;

/** A border in one world: where it lies at the tip, and the mode that chatters there. */
export interface WorldBorder {
  /** Depth that counts at the tip, mm; Infinity where nothing chatters. */
  readonly tipMm: number;
  readonly hz: number;
  readonly mode: TipMode | null;
  /** What unequal teeth add to the doubt, log standard deviation. */
  readonly doubt: number;
}

/** Depth a structure's shapes are taken at, mm: near enough to the depth asked, and the same for its neighbours. */
export const referenceDepth = (depthMm: number): number =>
  1.5 ** Math.round(Math.log(Math.max(0.05, depthMm)) / Math.log(1.5));

export function borderWith(
  cut: ChatterCut,
  grid: ResponseGrid,
  rpm: number,
  depthMm: number,
  stickOutMm: number,
): WorldBorder {
  const { depthMm: border, hz, doubt } = borderInDoubt(cut, grid, rpm);
  if (border === Infinity) return { tipMm: Infinity, hz, mode: null, doubt };
  const mode = modeHeardAt(grid.structure, hz)!;
  return { tipMm: (border * depthAtTip(mode, depthMm, stickOutMm)) / depthMm, hz, mode, doubt };
}

/** Borders of every world at some speeds, the structure felt as at a depth: [world][speed]. */
export function bordersOf(
  belief: Belief,
  cut: ChatterCut,
  rpm: readonly number[],
  depthMm = 1,
): WorldBorder[][] {
  const slowest = Math.min(...rpm);
  const delay = longestDelay(cut, slowest);
  const at = referenceDepth(depthMm);
  return Array.from(belief.weights, (_, s) => {
    const row = rowOf(belief, s);
    const structure = structureAtDepth(structureOf(belief.structure, row), at, belief.stickOutMm);
    const grid = responseGrid(structure, delay);
    const mine = cutIn(cut, row);
    return rpm.map((n) => borderWith(mine, grid, n, at, belief.stickOutMm));
  });
}

/** Worlds a quick answer looks at. */
const FEW = 80;

interface Few {
  readonly worlds: readonly number[];
  readonly grids: Memory<readonly ResponseGrid[]>;
}

/** Some worlds of a belief that stand for all, drawn evenly through the weights, and their response grids as they are made. */
const few = memoryBeside(({ weights }: Belief): Few => ({
  worlds: drawn(weights, FEW, 0.5),
  grids: memoryOf(6),
}));

/** Borders of some worlds of equal weight at a speed: quick enough for a hand on a handle. */
export function quickBorders(belief: Belief, cut: ChatterCut, rpm: number, depthMm: number): WorldBorder[] {
  const { worlds, grids } = few(belief);
  const slow = gridSpeed(rpm);
  const at = referenceDepth(depthMm);
  const key = `${slow}|${at}|${cut.pitch.join()}`;
  const mine = grids.recall(key, () => {
    const delay = longestDelay(cut, slow);
    return worlds.map((s) =>
      responseGrid(structureAtDepth(structureIn(belief, s), at, belief.stickOutMm), delay),
    );
  });
  return worlds.map((s, i) => borderWith(cutIn(cut, rowOf(belief, s)), mine[i]!, rpm, at, belief.stickOutMm));
}

/** Chance that a world is heard to chatter at a depth along the tool. */
export const chanceOfChatter = (border: WorldBorder, depthMm: number, stickOutMm: number): number =>
  border.tipMm === Infinity || !border.mode
    ? 0
    : normalBelow(
        Math.log(depthAtTip(border.mode, depthMm, stickOutMm) / border.tipMm) /
          Math.hypot(HEARING, border.doubt),
      );

/** Depth along the tool at which a world's border lies, mm. */
export const alongToolOf = ({ tipMm, mode }: WorldBorder, stickOutMm: number): number =>
  tipMm === Infinity || !mode ? Infinity : depthAlongTool(mode, tipMm, stickOutMm);
