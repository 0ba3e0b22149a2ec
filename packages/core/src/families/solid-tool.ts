import { type Cutter, pitchAnglesDeg } from '../crib/cutter.ts';
import { type Followed, follows, tidy } from './family.ts';

/** Cylindrical shanks and the length that is gripped, mm: DIN 6535. */
const SHANKS: readonly (readonly [diameter: number, length: number])[] = [
  [6, 36],
  [8, 36],
  [10, 40],
  [12, 45],
  [16, 48],
  [20, 50],
  [25, 56],
  [32, 60],
];

/** Smallest standard shank that is no thinner than the tool, mm. */
export const shankFor = (diameterMm: number): number =>
  (SHANKS.find(([d]) => d >= diameterMm) ?? SHANKS.at(-1)!)[0];

/** Length of a shank, mm. */
export const shankLength = (shankMm: number): number =>
  (SHANKS.find(([d]) => d >= shankMm) ?? SHANKS.at(-1)!)[1];

/** Usual length over all of a stub tool by its shank, mm. */
const USUAL_LENGTH: Readonly<Record<number, number>> = {
  6: 57,
  8: 63,
  10: 72,
  12: 83,
  16: 92,
  20: 104,
  25: 121,
  32: 133,
};

/** Length over all and what stands out of the shank, mm, for a neck of `reachMm`. */
export function lengthsOf(
  shankMm: number,
  reachMm: number,
): { OAL: number; LF: number; LPR: number; LH: number } {
  const LH = tidy(reachMm + 2);
  const LPR = Math.max(LH, (USUAL_LENGTH[shankMm] ?? 0) - shankLength(shankMm));
  const OAL = tidy(LPR + shankLength(shankMm));
  return { OAL, LF: OAL, LPR: tidy(LPR), LH };
}

/** Core over diameter by flutes: typical of solid carbide. */
const CORE = [0.5, 0.55, 0.59, 0.64, 0.68, 0.71, 0.74, 0.77, 0.79] as const;
export const coreRatio = (flutes: number, more = 0): number =>
  tidy(Math.min(0.9, CORE[Math.min(flutes, CORE.length) - 1]! + more));

/** Share of a flute’s area between core and circle that chips may use; the land takes the rest. */
const USABLE_GULLET = 0.58;

/** Room of one flute, mm². */
export const gulletArea = (diameterMm: number, core: number, flutes: number): number =>
  tidy(((USABLE_GULLET * Math.PI) / 4) * diameterMm ** 2 * ((1 - core ** 2) / flutes));

/** Diameter of the solid bar that bends as this core with its lands does, over the cutting diameter. */
export const bendingRatio = (core: number): number =>
  Math.min(1, Number(((core ** 4 + 0.336 * (1 - core ** 4)) ** 0.25).toFixed(3)));

/** Highest speed for a rim speed, rpm, to the hundred. */
export const ratedRpm = (diameterMm: number, rimMMin: number): number =>
  Math.min(60_000, Math.round((1000 * rimMMin) / (Math.PI * diameterMm) / 100) * 100);

/** Angles of teeth that stand unequally as usual, degrees; the last one closes the circle. */
export function unequalPitch(teeth: number): number[] {
  const angles = pitchAnglesDeg({ extended: { pitch: 'variable' } }, teeth).map(tidy);
  angles[teeth - 1] = tidy(360 - angles.slice(0, -1).reduce((a, b) => a + b, 0));
  return angles;
}

/** Least and highest feed per tooth of a diameter, mm, from their shares of it. */
export const toothFeeds = (diameterMm: number, least: number, most: number): [number, number] => [
  Number((least * diameterMm).toFixed(4)),
  Number((most * diameterMm).toFixed(4)),
];

export const shankFollows = (shankMm: number): Followed =>
  follows('Shank', shankMm, 'mm', 'next standard shank, DIN 6535');

export const priceFollows = ({ extended }: Cutter, rule: string): Followed =>
  follows('Price, estimated', extended.price!, 'money', rule);

/** Grinding a blank costs something whatever its size, and more than its diameter with it. Plain numbers in the shop’s money. */
export const solidPrice = (diameterMm: number, times = 1): number =>
  Math.round(2 * (14 + 3.4 * diameterMm ** 1.2) * times) / 2;

export const EDGES = {
  sharp: [2, 4, 6],
  light: [6, 9, 13],
  medium: [12, 18, 25],
  micro: [1.5, 2.5, 4],
} as const;

/** An end mill under this is ground without a hone, of the finest carbide. */
export const MICRO_MM = 3;

/** A size as a part of an id: digits, a point, nothing else. */
export const inId = (value: number): string => String(tidy(value));
export const inName = (value: number): string => `${inId(value)} mm`;

/** What most tools are, unless their family says otherwise. */
export const PLAIN = {
  centre_cutting: false,
  plunge_ok: false,
  pitch: 'equal',
  pitch_angles_deg: null,
  through_coolant: false,
} as const;

/** What every family leaves open in the same way: typical values, none measured. */
export const ESTIMATED = {
  estimate: true,
  confidence: 'estimate: follows from diameter and teeth by the rules of its family',
} as const;
