import { averagedAtAnyPhase } from './any-phase.ts';
import { type ChatterCut, dampingOf, edgeSpeed, meanDirection, meanFactors } from './chatter-cut.ts';
import { crossingBetween, responseOf } from './fixed-speed.ts';
import { eigenvaluePair, keepApart } from '../../numerics/eigenvalue-pair.ts';
import { firstIndex } from '../../numerics/first-index.ts';
import { memoryBeside } from '../../numerics/memory.ts';
import { changesWithin, polesOf, risingPlaces } from './response-change.ts';
import { countingModes, type TipMode, type TipStructure } from './tip-structure.ts';

/** Lines next to one another, evenly spaced; the last is the first of the next block. */
interface Block {
  readonly fromHz: number;
  readonly stepHz: number;
  /** No receptance in it is larger, m/N. */
  readonly most: number;
  /** The response hardly changes from its first line to its last: they are this near because of the delay. */
  readonly still: boolean;
  /** xx re, xx im, yy re, yy im of each line; worked out when first asked. */
  values: Float64Array | null;
}

/** A structure's response on a grid of frequencies, most flexible places first, for many borders of one structure. */
export interface ResponseGrid {
  readonly structure: TipStructure;
  readonly fromHz: number;
  readonly toHz: number;
  readonly blocks: readonly Block[];
}

/** Lines of a block. */
const LINES = 24;
/** Frequencies looked at, as shares of the lowest and the highest mode that counts: a light cut of one mode chatters near half of it. */
const LOWEST = 0.05;
const HIGHEST = 3;
/** How near lines are, whatever the delay. */
const NEARNESS = { share: 0.0085, perHalfWidth: 2.5 };
/** Lines a wave of the longest delay gets. */
const PER_WAVE = 10;
/** Each try at a block that comes too near to a pole is so much shorter than the last. */
const SHORTER = 0.7;
/** Away from the modes the response is smooth, and so many times fewer lines will do. */
const COARSER_OFF_MODES = 3;

/** Most modes can give between two frequencies together, m/N. */
function mostOf(modes: readonly TipMode[], fromHz: number, toHz: number): number {
  let sum = 0;
  for (const { hz, damping, stiffness } of modes) {
    const r = Math.min(toHz, Math.max(fromHz, hz)) / hz;
    sum += 1 / (stiffness * Math.max(Math.abs(1 - r * r), 2 * damping * Math.min(1, r), 1e-9));
  }
  return sum;
}

function valuesOf({ x, y }: TipStructure, fromHz: number, stepHz: number): Float64Array {
  const values = new Float64Array((LINES + 1) * 4);
  for (let axis = 0; axis < 2; axis++) {
    for (const m of axis === 0 ? x : y) {
      const perHz = 1 / m.hz;
      const compliance = 1 / m.stiffness;
      for (let i = 0; i <= LINES; i++) {
        const r = (fromHz + i * stepHz) * perHz;
        const a = 1 - r * r;
        const b = 2 * m.damping * r;
        const size = compliance / (a * a + b * b);
        values[i * 4 + axis * 2]! += a * size;
        values[i * 4 + axis * 2 + 1]! -= b * size;
      }
    }
  }
  return values;
}

/** A grid fine enough for the structure's modes and for a delay of `longestS` seconds. */
export function responseGrid(whole: TipStructure, longestS: number): ResponseGrid {
  const structure = countingModes(whole);
  const modes = [...structure.x, ...structure.y];
  const lowest = Math.min(...modes.map((m) => m.hz));
  const highest = Math.max(...modes.map((m) => m.hz));
  const phase = 1 / (longestS * PER_WAVE);
  const poles = polesOf(structure);
  const blocks: Block[] = [];
  const top = HIGHEST * highest;
  let hz = LOWEST * lowest;
  while (hz < top) {
    const off = hz < 0.6 * lowest || hz > 1.5 * highest;
    const nearness = off ? { ...NEARNESS, share: COARSER_OFF_MODES * NEARNESS.share } : NEARNESS;
    let step = Math.min(phase, nearness.share * hz);
    const changes = (): number => changesWithin(poles, hz, hz + LINES * step, nearness);
    let within = changes();
    while (step > within) {
      step *= SHORTER;
      within = changes();
    }
    const to = hz + LINES * step;
    const most = Math.max(mostOf(structure.x, hz, to), mostOf(structure.y, hz, to));
    blocks.push({ fromHz: hz, stepHz: step, most, still: LINES * step < within, values: null });
    hz = to;
  }
  return { structure, fromHz: LOWEST * lowest, toHz: hz, blocks: blocks.sort((a, b) => b.most - a.most) };
}

/** Rising frequencies of a grid between which the response changes little, Hz; slow cuts alone ask for them. */
const placesOf = memoryBeside(({ structure, fromHz, toHz }: ResponseGrid) =>
  risingPlaces(polesOf(structure), fromHz, toHz, NEARNESS),
);

/** Longest delay between teeth at a speed, s. */
export const longestDelay = (cut: ChatterCut, rpm: number): number =>
  (Math.max(...cut.pitch) / (2 * Math.PI)) * (60 / rpm);

/** Border depth, mm, and its frequency; Infinity where nothing chatters. */
export interface AveragedBorder {
  readonly depthMm: number;
  readonly hz: number;
}

/** Depth beyond which a border means nothing, mm. */
const NONE_MM = 1e4;
/** Crossings read between lines may be off by so much: all that are as near to the lowest are closed in on. */
const NEARLY = 1.12;

/** Ratio between the speeds grids are made for: one serves all speeds up to the next. */
const GRID_RATIO = 1.3;

/** Speed a grid is made for that serves this one, rpm. */
export const gridSpeed = (rpm: number): number =>
  GRID_RATIO ** Math.floor(Math.log(rpm) / Math.log(GRID_RATIO));

/** Two lines between which an eigenvalue becomes real, with its value at the lower one. */
interface Crossing {
  readonly depthMm: number;
  readonly lowHz: number;
  readonly highHz: number;
  readonly re: number;
  readonly im: number;
}

/** What no phase from wave to wave reaches near a frequency may be reached between by so much. */
const BETWEEN = 1.2;

/**
 * The most that any phase makes of frequencies between two, 1/mm, as `averagedAtAnyPhase`: read where the response has changed a little, each
 * place once. In slow cuts a wave is so short that it goes through all phases before the response changes.
 */
function mostAtAnyPhase(
  cut: ChatterCut,
  grid: ResponseGrid,
  rpm: number,
): (fromHz: number, toHz: number) => number {
  const inverse = averagedAtAnyPhase(cut, grid.structure, rpm);
  const places = placesOf(grid);
  const known = new Float64Array(places.length).fill(-1);
  const at = (place: number): number => {
    if (known[place]! < 0) known[place] = inverse(places[place]!, 0);
    return known[place]!;
  };
  return (fromHz, toHz) => {
    let most = 0;
    const beyond = firstIndex(places.length, (i) => places[i]! > fromHz);
    for (let place = Math.max(0, beyond - 1); place < places.length; place++) {
      most = Math.max(most, at(place));
      if (places[place]! >= toHz) break;
    }
    return BETWEEN * most;
  };
}

/**
 * The averaged cut's border at one speed on a grid made before: as `limitAtSpeed`, but read between lines and without a
 * sine a line, since an even grid turns every delay's phase by one fixed step. Blocks are looked at from the most flexible
 * down, until none can hold a lower border. Altintas & Budak 1995; unequal teeth by the mean over their delays (Budak 2003).
 */
export function averagedBorder(cut: ChatterCut, grid: ResponseGrid, rpm: number): AveragedBorder {
  const w = meanDirection(cut);
  const [ss, sc, cc] = meanFactors(cut);
  const [d0, d1, d2, d3] = dampingOf(cut, edgeSpeed(cut, rpm), ss, sc, cc);
  const equal = cut.pitch.every((p) => Math.abs(p - cut.pitch[0]!) < 1e-9);
  const distinct = equal ? 1 : cut.pitch.length;
  const turnRe = new Float64Array(distinct);
  const turnIm = new Float64Array(distinct);
  const stepRe = new Float64Array(distinct);
  const stepIm = new Float64Array(distinct);
  const tau = Float64Array.from({ length: distinct }, (_, j) => cut.pitch[j]! * (60 / rpm));
  const strength = 2 * Math.hypot(w[0], w[1], w[2], w[3]);
  const strengthD = 2 * Math.PI * Math.hypot(d0, d1, d2, d3);
  const now = new Float64Array(4);
  const last = new Float64Array(4);
  let best = NONE_MM;
  const found: Crossing[] = [];
  let atAnyPhase: ReturnType<typeof mostAtAnyPhase> | null = null;
  /** Keeps the place where an eigenvalue becomes real between two lines, where that may be the border. */
  const note = (
    re: number,
    im: number,
    nextRe: number,
    nextIm: number,
    lowHz: number,
    stepHz: number,
  ): void => {
    if (nextIm * im > 0 || nextIm === im) return;
    const depthMm = 1000 / (re + (im / (im - nextIm)) * (nextRe - re));
    if (!(depthMm > 0 && depthMm < NEARLY * best)) return;
    best = Math.min(best, depthMm);
    found.push({ depthMm, lowHz, highHz: lowHz + stepHz, re, im });
  };
  for (const block of grid.blocks) {
    const { fromHz, stepHz, most, still } = block;
    const top = fromHz + LINES * stepHz;
    // |λ| of −G·M is at most |G|·|M|.
    if (1000 / (most * (strength + strengthD * top)) > best) {
      if (strengthD === 0) break;
      continue;
    }
    if (still && (atAnyPhase ??= mostAtAnyPhase(cut, grid, rpm))(fromHz, top) < 1 / best) continue;
    const values = (block.values ??= valuesOf(grid.structure, fromHz, stepHz));
    for (let j = 0; j < distinct; j++) {
      turnRe[j] = Math.cos(fromHz * tau[j]!);
      turnIm[j] = -Math.sin(fromHz * tau[j]!);
      stepRe[j] = Math.cos(stepHz * tau[j]!);
      stepIm[j] = -Math.sin(stepHz * tau[j]!);
    }
    for (let i = 0; i <= LINES; i++) {
      let sre = 1;
      let sim = 0;
      for (let j = 0; j < distinct; j++) {
        sre -= turnRe[j]! / distinct;
        sim -= turnIm[j]! / distinct;
        const re = turnRe[j]! * stepRe[j]! - turnIm[j]! * stepIm[j]!;
        turnIm[j] = turnRe[j]! * stepIm[j]! + turnIm[j]! * stepRe[j]!;
        turnRe[j] = re;
      }
      const omega = 2 * Math.PI * (fromHz + i * stepHz);
      const xr = values[i * 4]!;
      const xi = values[i * 4 + 1]!;
      const yr = values[i * 4 + 2]!;
      const yi = values[i * 4 + 3]!;
      const m0i = sim * w[0] + omega * d0;
      const m1i = sim * w[1] + omega * d1;
      const m2i = sim * w[2] + omega * d2;
      const m3i = sim * w[3] + omega * d3;
      const p00r = xr * sre * w[0] - xi * m0i;
      const p00i = xr * m0i + xi * sre * w[0];
      const p01r = xr * sre * w[1] - xi * m1i;
      const p01i = xr * m1i + xi * sre * w[1];
      const p10r = yr * sre * w[2] - yi * m2i;
      const p10i = yr * m2i + yi * sre * w[2];
      const p11r = yr * sre * w[3] - yi * m3i;
      const p11i = yr * m3i + yi * sre * w[3];
      const tr = (p00r + p11r) / 2;
      const ti = (p00i + p11i) / 2;
      const dr = p00r * p11r - p00i * p11i - (p01r * p10r - p01i * p10i);
      const di = p00r * p11i + p00i * p11r - (p01r * p10i + p01i * p10r);
      eigenvaluePair(-tr, -ti, dr, di, now);
      if (i > 0) {
        keepApart(now, last);
        const lowHz = fromHz + (i - 1) * stepHz;
        note(last[0]!, last[1]!, now[0]!, now[1]!, lowHz, stepHz);
        note(last[2]!, last[3]!, now[2]!, now[3]!, lowHz, stepHz);
      }
      last.set(now);
    }
  }
  const averaged = { w, d: [d0, d1, d2, d3], delays: tau.map((t) => t / (2 * Math.PI)) };
  const respond = responseOf(grid.structure);
  let border: AveragedBorder = { depthMm: NONE_MM, hz: 0 };
  for (const f of found) {
    if (f.depthMm > NEARLY * best) continue;
    const close = crossingBetween(averaged, respond, f.lowHz, f.highHz, f.re, f.im);
    if (close && close.depthMm < border.depthMm) border = close;
  }
  return border.hz > 0 ? border : { depthMm: Infinity, hz: 0 };
}

/** A border, and how far the averaged cut may be off because its teeth are unequal, as a log standard deviation. */
export interface BorderInDoubt extends AveragedBorder {
  readonly doubt: number;
}

/**
 * The averaged border of any cutter. With unequal teeth the mean over all delays takes them to be spread over every height
 * and every instant and allows up to 2.7 times too much in slots; equal pitch allows too little. The geometric mean of both is
 * taken, with half their log distance as doubt, until the periodic solution tells.
 */
export function borderInDoubt(cut: ChatterCut, grid: ResponseGrid, rpm: number): BorderInDoubt {
  const all = averagedBorder(cut, grid, rpm);
  const [first] = cut.pitch;
  if (cut.pitch.every((p) => Math.abs(p - first!) < 1e-9)) return { ...all, doubt: 0 };
  const pitch = cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length);
  const equal = averagedBorder({ ...cut, pitch }, grid, rpm);
  if (equal.depthMm === Infinity) return { ...all, doubt: 0 };
  if (all.depthMm === Infinity) return { depthMm: equal.depthMm * Math.SQRT2, hz: equal.hz, doubt: 0.35 };
  return {
    depthMm: Math.sqrt(all.depthMm * equal.depthMm),
    hz: equal.depthMm < all.depthMm ? equal.hz : all.hz,
    doubt: Math.abs(Math.log(all.depthMm / equal.depthMm)) / 2,
  };
}
