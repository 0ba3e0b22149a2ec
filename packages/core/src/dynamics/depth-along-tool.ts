import type { TipMode } from './tip-structure.ts';

/**
 * Depth at the tip that regenerates as much as a cut of a depth along the tool: the tool moves less the nearer to the
 * holder it cuts, and both the wave cut and the work the force does on the mode go with that motion, so each slice
 * counts with its square. Without a shape the whole depth counts. Eynian & Altintas 2009 for depths not small
 * against the stick-out.
 */
export function depthAtTip(mode: TipMode, depthMm: number, stickOutMm: number): number {
  const { shape } = mode;
  if (!shape) return depthMm;
  const slices = 40;
  let sum = 0;
  for (let i = 0; i < slices; i++) {
    const at = Math.min(1, (depthMm * (i + 0.5)) / slices / stickOutMm) * (shape.length - 1);
    const k = Math.min(shape.length - 2, Math.floor(at));
    const share = shape[k]! + (at - k) * (shape[k + 1]! - shape[k]!);
    sum += share * share;
  }
  return (depthMm * sum) / slices;
}

/** The depth along the tool that counts as a depth at the tip, mm; Infinity where even the whole tool in the cut does not. */
export function depthAlongTool(mode: TipMode, tipDepthMm: number, stickOutMm: number): number {
  if (!mode.shape) return tipDepthMm;
  if (depthAtTip(mode, stickOutMm, stickOutMm) <= tipDepthMm) return Infinity;
  let [low, high] = [tipDepthMm * 0.5, stickOutMm];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (depthAtTip(mode, middle, stickOutMm) < tipDepthMm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
