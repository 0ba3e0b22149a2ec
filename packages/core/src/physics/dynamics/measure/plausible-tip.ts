import type { InputProblem } from '../../../units/input-error.ts';
import { softModes, type TipMode } from '../tip-structure.ts';

/**
 * Static stiffness of a tip by its modes, N/m: their flexibilities in series. What lies above the modes makes the true one a
 * little softer.
 */
export const staticStiffness = (modes: readonly TipMode[]): number =>
  1 / modes.reduce((sum, m) => sum + 1 / m.stiffness, 0);

/** No tip of a milling cutter in a spindle is softer or stiffer than this, N/m: a response beyond is in other units. */
const SOFTEST = 0.5e6;
const STIFFEST = 500e6;

/** What is wrong with modes that no tip can have; null where they could be one's. */
export function implausibleTip(modes: readonly TipMode[]): InputProblem | null {
  const stiffness = staticStiffness(modes);
  if (stiffness >= SOFTEST && stiffness <= STIFFEST) return null;
  return {
    field: 'modes',
    value: `a tip of ${(stiffness / 1e6).toPrecision(3)} N/µm`,
    allowed: `${SOFTEST / 1e6} to ${STIFFEST / 1e6} N/µm; a response in other units (mm/N, µm/N, acceleration) reads so`,
  };
}

/** Modes that a response up to `topHz` can have shown; the others are the model's. */
export const seenIn = (modes: readonly TipMode[], topHz: number): readonly TipMode[] =>
  modes.filter((m) => m.hz <= topHz);

/** No tooth comes round so fast that a mode above this could chatter, Hz. */
const FASTEST = 20_000;
/** A mode of the model within this ratio of a measured one is the same. */
const SAME_MODE = 1.1;
/** Modes that add less than this share to the softest one's motion are nothing to keep. */
const HEARD = 0.02;

/**
 * Measured modes with those of the model that the tap could not see: above its range there is no evidence against them,
 * and a small tool chatters by just those.
 */
export function withModesAbove(
  measured: readonly TipMode[],
  topHz: number,
  model: readonly TipMode[],
): { readonly modes: readonly TipMode[]; readonly added: readonly TipMode[] } {
  const highest = Math.max(0, ...measured.map((m) => m.hz));
  const added = softModes({ x: model, y: [] }, HEARD).x.filter(
    (m) => m.hz > topHz && m.hz > SAME_MODE * highest && m.hz < FASTEST,
  );
  return { modes: [...measured, ...added], added };
}

/** Chatter is heard from a little under to this far over the mode that sings, as a ratio of frequencies. */
const BELOW_MODE = 0.93;
const ABOVE_MODE = 1.3;

/** Whether any known mode can sing at this frequency: chatter lies at or over a mode, never far off all. */
export const explainsHeard = (hz: number, modes: readonly TipMode[]): boolean =>
  modes.some((m) => hz > BELOW_MODE * m.hz && hz < ABOVE_MODE * m.hz);
