import { receptanceAt, type TipMode, type TipStructure } from './tip-structure.ts';

/** Square of a mode's motion over the tip's, integrated from the tip up to a share of the stick-out; exact for straight pieces. */
function squaredMotion(shape: readonly number[], share: number): number {
  const pieces = shape.length - 1;
  const upTo = Math.min(1, share) * pieces;
  let sum = 0;
  for (let k = 0; k < upTo; k++) {
    const a = shape[k]!;
    const part = Math.min(1, upTo - k);
    const b = a + part * (shape[k + 1]! - a);
    sum += (part * (a * a + a * b + b * b)) / 3;
  }
  // Above the holder's nose nothing cuts; a depth beyond it counts like the last place.
  const rest = Math.max(0, share - 1) * pieces * shape[pieces]! ** 2;
  return (sum + rest) / pieces;
}

/**
 * Depth at the tip that regenerates as much as a cut of a depth along the tool: the tool moves less the nearer to the
 * holder it cuts, and both the wave cut and the work the force does on the mode go with that motion, so each slice
 * counts with its square. Without a shape the whole depth counts. Eynian & Altintas 2009 for depths not small
 * against the stick-out.
 */
export const depthAtTip = ({ shape }: TipMode, depthMm: number, stickOutMm: number): number =>
  shape ? squaredMotion(shape, depthMm / stickOutMm) * stickOutMm : depthMm;

/** The depth along the tool that counts as a depth at the tip, mm; Infinity where even the whole tool in the cut does not. */
export function depthAlongTool(mode: TipMode, tipDepthMm: number, stickOutMm: number): number {
  if (!mode.shape) return tipDepthMm;
  if (depthAtTip(mode, stickOutMm, stickOutMm) <= tipDepthMm) return Infinity;
  let [low, high] = [0, stickOutMm];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (depthAtTip(mode, middle, stickOutMm) < tipDepthMm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The structure as a cut of a depth feels it: each mode by its own shape, as much stiffer as it moves less there. A spindle
 * mode moves the whole tool alike, the tool's own mode hardly at the holder, so a deep cut may chatter on another mode
 * than a shallow one.
 */
export function structureAtDepth(structure: TipStructure, depthMm: number, stickOutMm: number): TipStructure {
  const felt = (m: TipMode): TipMode =>
    m.shape ? { ...m, stiffness: (m.stiffness * depthMm) / depthAtTip(m, depthMm, stickOutMm) } : m;
  return { x: structure.x.map(felt), y: structure.y.map(felt) };
}

/** The mode that moves most at a frequency: the one that chatters where chatter is heard there. */
export function modeHeardAt(structure: TipStructure, hz: number): TipMode | null {
  let most = 0;
  let found: TipMode | null = null;
  for (const mode of [...structure.x, ...structure.y]) {
    const g = receptanceAt([mode], hz);
    const size = Math.hypot(g.re, g.im);
    if (size > most) [most, found] = [size, mode];
  }
  return found;
}
