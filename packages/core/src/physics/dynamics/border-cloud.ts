import { type Memory, memoryBeside, memoryOf } from '../../numerics/memory.ts';
import {
  borderInDoubt,
  gridSpeed,
  longestDelay,
  type ResponseGrid,
  responseGrid,
} from './averaged-border.ts';
import { structureAtDepth } from './along-tool.ts';
import type { WeightedBorder } from './chatter-chance.ts';
import type { ChatterCut } from './chatter-cut.ts';
import type { TipStructure } from './tip-structure.ts';

/** The averaged border of a cut at a speed, and how far unequal teeth may put it off (log standard deviation). */
export interface Border {
  /** mm; null where nothing in reach chatters. */
  readonly depthMm: number | null;
  readonly hz: number | null;
  readonly doubt: number;
}

/** A structure as a depth feels it, with grids of its response and borders read from them. */
interface Felt {
  readonly structure: TipStructure;
  readonly grids: Memory<ResponseGrid>;
  readonly borders: Memory<Border>;
}

/** Each structure's depths: a hand on a handle asks for one of many, again and again. */
const depthsOf = memoryBeside((_: TipStructure) => memoryOf<Felt>(24));
/** Below this the lobes lie closer than a grid can tell, and a worn edge damps more than here: rpm. */
const SLOWEST_RPM = 30;

const feltAt = (structure: TipStructure, depthMm: number, stickOutMm: number): Felt =>
  depthsOf(structure).recall(`${depthMm}|${stickOutMm}`, () => ({
    structure: structureAtDepth(structure, depthMm, stickOutMm),
    grids: memoryOf(8),
    borders: memoryOf(400),
  }));

/** Border of the averaged cut at a speed, the structure felt as at `depthMm`; remembered by what it depends on. */
export function averagedBorderAt(
  cut: ChatterCut,
  structure: TipStructure,
  speedRpm: number,
  { depthMm, stickOutMm }: { readonly depthMm: number; readonly stickOutMm: number },
): Border {
  const felt = feltAt(structure, depthMm, stickOutMm);
  const rpm = Math.max(SLOWEST_RPM, speedRpm);
  const key = `${rpm}|${cut.entry}|${cut.exit}|${cut.tangential}|${cut.radial}|${cut.dampingNPerM}|${cut.dampingFriction}|${cut.diameterMm}|${cut.pitch.join()}`;
  return felt.borders.recall(key, () => {
    const delay = longestDelay(cut, gridSpeed(rpm));
    const grid = felt.grids.recall(String(delay), () => responseGrid(felt.structure, delay));
    const { depthMm: border, hz, doubt } = borderInDoubt(cut, grid, rpm);
    return border === Infinity ? { depthMm: null, hz: null, doubt } : { depthMm: border, hz, doubt };
  });
}

/** Shifts looked at, in standard deviations, with their weights. */
export interface Shifts {
  /** From the fastest world to the slowest: what is calm in one may spare all that follow. */
  readonly frequency: readonly (readonly [number, number])[];
  readonly land: readonly (readonly [number, number])[];
}

const normal = (nodes: readonly number[]): (readonly [number, number])[] => {
  const density = nodes.map((z) => Math.exp((-z * z) / 2));
  const sum = density.reduce((a, b) => a + b, 0);
  return nodes.map((z, i) => [z, density[i]! / sum] as const);
};

const THIRD = 1 / 3;
/** For a hand on a handle: three speeds, the land as it is. */
export const QUICK_SHIFTS: Shifts = {
  frequency: [
    [-1.22, THIRD],
    [0, THIRD],
    [1.22, THIRD],
  ],
  land: [[0, 1]],
};
/**
 * Seven speeds, seven lands, evenly spaced. Less land than a certain one and a slow cut chatters at once: the chance is a step over the
 * land, of which three lands (Gauss–Hermite) put a sixth at one place and were up to 20 points off; these are up to 4.
 */
export const CLOSE_SHIFTS: Shifts = {
  frequency: normal([-1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8]),
  land: normal([-2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4]),
};

/** Borders of the worlds whose frequencies and land are shifted. */
export interface BorderCloud {
  readonly all: readonly WeightedBorder[];
  /** Those with the land as it is, and those with the frequencies as they are. */
  readonly byFrequency: readonly WeightedBorder[];
  readonly byLand: readonly WeightedBorder[];
  /** At no shift. */
  readonly middle: Border;
}

/** Borders this many stick-outs deep are out of everybody's reach. */
const OUT_OF_REACH = 10;
/** Waves in the longest delay from which on the lobes lie close and the land decides. */
const MANY_WAVES = 20;
const NONE: Border = { depthMm: null, hz: null, doubt: 0 };

/**
 * Whether a border says that slower is calm too. The land damps with one over the speed, so where it has put all borders out of
 * reach no slower speed has one; with few waves the lobes may still dip there. In 4,000 random cuts none then lay within two
 * stick-outs; with 5 waves and 5 stick-outs 14 of 937 spared ones did.
 */
function calmBelow(
  border: Border,
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
  stickOutMm: number,
): boolean {
  if (border.depthMm !== null && border.depthMm < OUT_OF_REACH * stickOutMm) return false;
  const lowest = Math.min(...[...structure.x, ...structure.y].map((m) => m.hz));
  return lowest * longestDelay(cut, rpm) >= MANY_WAVES;
}

/**
 * Borders at joint shifts of the structure's frequencies and of the land. Frequencies that are all higher by a factor are the same
 * as a speed lower by it, process damping included, so no other structure is needed.
 */
export function borderCloud(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
  at: { readonly depthMm: number; readonly stickOutMm: number },
  sigma: { readonly hz: number; readonly land: number },
  shifts: Shifts,
): BorderCloud {
  const all: WeightedBorder[] = [];
  const byFrequency: WeightedBorder[] = [];
  const byLand: WeightedBorder[] = [];
  let middle: Border | null = null;
  for (const [zl, wl] of shifts.land) {
    const pressed =
      zl === 0 ? cut : { ...cut, dampingNPerM: (cut.dampingNPerM ?? 0) * Math.exp(sigma.land * zl) };
    let calm = false;
    for (const [zf, wf] of shifts.frequency) {
      const speed = rpm * Math.exp(-sigma.hz * zf);
      const border = calm ? NONE : averagedBorderAt(pressed, structure, speed, at);
      calm ||= calmBelow(border, pressed, structure, speed, at.stickOutMm);
      const depthMm = border.depthMm ?? Infinity;
      all.push({ depthMm, weight: wl * wf });
      if (zl === 0) byFrequency.push({ depthMm, weight: wf });
      if (zf === 0) byLand.push({ depthMm, weight: wl });
      if (zl === 0 && zf === 0) middle = border;
    }
  }
  return { all, byFrequency, byLand, middle: middle! };
}
