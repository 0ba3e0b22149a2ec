import { InputError } from '../../units/input-error.ts';
import { firstIndex } from '../../numerics/first-index.ts';
import type { Complex } from '../../numerics/complex.ts';

/** One mode of vibration of the tool's tip in one direction. */
export interface TipMode {
  /** Undamped natural frequency, Hz. */
  readonly hz: number;
  /** Damping ratio, 1. */
  readonly damping: number;
  /** Modal stiffness at the tip, N/m: k of 1/k · 1/(1 − r² + 2iζr). */
  readonly stiffness: number;
  /** Motion along the tool over that of the tip, from the tip in eighths of the stick-out up to the holder; absent is 1 all along. */
  readonly shape?: readonly number[];
}

/** Damping ratios that a machine, a holder or a tool can have: what is read as less is noise. */
export const DAMPING = { least: 5e-4, most: 0.7 } as const;

/** How the tip gives way along the feed (x) and on the wall (y). An empty list is a rigid direction. */
export interface TipStructure {
  readonly x: readonly TipMode[];
  readonly y: readonly TipMode[];
}

/** A frequency response: receptance in m/N on a rising grid of frequencies. */
export interface Receptance {
  readonly hz: Float64Array;
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** Sum of modes at one frequency, m/N. Ewins, Modal Testing, 2000, ch. 2. */
export function receptanceAt(modes: readonly TipMode[], hz: number): Complex {
  let [re, im] = [0, 0];
  for (const mode of modes) {
    const r = hz / mode.hz;
    const a = 1 - r * r;
    const b = 2 * mode.damping * r;
    const size = mode.stiffness * (a * a + b * b);
    re += a / size;
    im -= b / size;
  }
  return { re, im };
}

/** The modes as a frequency response on a grid. */
export function receptanceOf(modes: readonly TipMode[], hz: Float64Array): Receptance {
  const re = new Float64Array(hz.length);
  const im = new Float64Array(hz.length);
  hz.forEach((f, i) => {
    const g = receptanceAt(modes, f);
    re[i] = g.re;
    im[i] = g.im;
  });
  return { hz, re, im };
}

/** An even grid of frequencies, Hz. */
export const frequencyGrid = (from: number, to: number, step: number): Float64Array =>
  Float64Array.from({ length: Math.floor((to - from) / step + 1e-9) + 1 }, (_, i) => from + i * step);

/** Reads a response between its lines; outside them it is the nearest line's. */
export function readReceptance(g: Receptance, hz: number): Complex {
  const last = g.hz.length - 1;
  if (hz <= g.hz[0]!) return { re: g.re[0]!, im: g.im[0]! };
  if (hz >= g.hz[last]!) return { re: g.re[last]!, im: g.im[last]! };
  const high = firstIndex(last, (i) => g.hz[i]! > hz);
  const low = high - 1;
  const t = (hz - g.hz[low]!) / (g.hz[high]! - g.hz[low]!);
  return {
    re: g.re[low]! + t * (g.re[high]! - g.re[low]!),
    im: g.im[low]! + t * (g.im[high]! - g.im[low]!),
  };
}

/** How much a mode gives at resonance against the softest of all, 1/(2kζ). */
const give = (m: TipMode): number => 1 / (2 * m.stiffness * m.damping);

/** The mode that gives most at resonance. Throws when everything is rigid. */
export function softestMode(structure: TipStructure): TipMode {
  const [first, ...rest] = [...structure.x, ...structure.y];
  if (!first) throw new InputError([{ field: 'modes', value: 0, allowed: 'at least one' }]);
  return rest.reduce((a, b) => (give(b) > give(a) ? b : a), first);
}

/** Modes that give less than this share of the softest one cannot be where chatter begins. */
const COUNTS = 0.06;
/** The same for the periodic solution. */
const FOR_PERIODIC = 0.1;

/**
 * The structure up to the highest mode that gives at least a share of what the softest does. Stiff modes below it stay: where
 * the edge's land damps the soft mode of a slender tool away, one of them is where chatter begins.
 */
export function countingModes(structure: TipStructure, share = COUNTS): TipStructure {
  const least = share * give(softestMode(structure));
  const highest = [...structure.x, ...structure.y].reduce(
    (hz, m) => (give(m) >= least ? Math.max(hz, m.hz) : hz),
    0,
  );
  const keep = (modes: readonly TipMode[]): TipMode[] => modes.filter((m) => m.hz <= highest);
  return { x: keep(structure.x), y: keep(structure.y) };
}

/**
 * The structure a periodic border of a real combination is worked out with. Stiffer modes above would move it by a few per
 * cent, what is known of them is off by more, and each makes the work longer.
 */
export const forPeriodic = (structure: TipStructure): TipStructure => countingModes(structure, FOR_PERIODIC);

/** Modes that give at least a share of what the softest does, whatever their frequency: those a tap test shows. */
export function softModes(structure: TipStructure, share: number): TipStructure {
  const least = share * give(softestMode(structure));
  const keep = (modes: readonly TipMode[]): TipMode[] => modes.filter((m) => give(m) >= least);
  return { x: keep(structure.x), y: keep(structure.y) };
}
