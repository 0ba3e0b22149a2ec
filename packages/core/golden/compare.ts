import { readFileSync } from 'node:fs';
import { type Answers, type LobePoints } from './answers/answer.ts';
import type { GoldenCase } from './golden-case.ts';

export type { GoldenCase };

const shipped = new URL('./cases.json', import.meta.url);

/** Every case of a file in the format of the shipped ones. */
export const casesOf = (file: string | URL = shipped): readonly GoldenCase[] =>
  (JSON.parse(readFileSync(file, 'utf8')) as { cases: GoldenCase[] }).cases;

/** The worked cases of one id prefix. */
export function goldenCases(prefix: string): GoldenCase[] {
  const found = casesOf().filter((c) => c.id.startsWith(prefix));
  if (found.length === 0) throw new Error(`no golden case starts with ${prefix}`);
  return found;
}

/** Input by name, as a number. */
export const given = (c: GoldenCase, key: string): number => Number(c.inputs[key]);

/** Verdicts that a case leaves open where they are too close to call: null there accepts either. */
const LEFT_OPEN = new Set(['stable']);

/** Arrays whose tolerance is of their largest value, and those whose is of the size of a complex pair. */
const OF_LARGEST = new Set(['Fx_N', 'Fy_N', 'Fz_N', 'torque_Nm']);
const OF_SIZE: Readonly<Record<string, string>> = {
  G11_re_m_per_N: 'G11_abs_m_per_N',
  G11_im_m_per_N: 'G11_abs_m_per_N',
};

const within = (got: unknown, wanted: unknown, reference: number, rel: number, abs: number): boolean =>
  typeof wanted === 'number'
    ? typeof got === 'number' && (Math.abs(got - wanted) <= rel * reference || Math.abs(got - wanted) <= abs)
    : got === wanted;

function lobeDifferences(got: LobePoints, wanted: LobePoints, rel: number): string[] {
  return wanted
    .filter(
      (w) =>
        !got.some(
          (g) =>
            g.fc_Hz === w.fc_Hz &&
            g.k === w.k &&
            Math.abs(g.ap_mm / w.ap_mm - 1) <= rel &&
            Math.abs(g.n_rpm / w.n_rpm - 1) <= rel,
        ),
    )
    .map((w) => `lobe_points: none at ${w.fc_Hz} Hz, lobe ${w.k}, ${w.ap_mm} mm`);
}

function differencesOf(c: GoldenCase, key: string, value: unknown): string[] {
  const expected: unknown = c.expected[key];
  const t = c.tolerance.per_key?.[key] ?? c.tolerance;
  const relOf = (i: number): number => (Array.isArray(t.rel) ? (t.rel[i] ?? 0) : ((t.rel as number | undefined) ?? 0));
  if (key === 'lobe_points') return lobeDifferences(value as LobePoints, expected as LobePoints, relOf(0));
  const wanted = Array.isArray(expected) ? (expected as unknown[]).flat() : [expected];
  const have = Array.isArray(value) ? (value as unknown[]) : [value];
  if (wanted.length !== have.length) return [`${key}: ${have.length} values, expected ${wanted.length}`];
  const largest = Math.max(...wanted.map((w) => Math.abs(Number(w))));
  const sizes = OF_SIZE[key] ? (c.expected[OF_SIZE[key]] as readonly number[] | undefined) : undefined;
  return wanted.flatMap((w, i) => {
    const reference = OF_LARGEST.has(key) ? largest : Math.abs(sizes?.[i] ?? Number(w));
    if (w === null && LEFT_OPEN.has(key)) return [];
    if (within(have[i], w, reference, relOf(i), t.abs ?? 0)) return [];
    const place = Array.isArray(expected) ? `[${i}]` : '';
    return [`${key}${place}: ${String(have[i])}, expected ${String(w)}`];
  });
}

/** Differences beyond tolerance of what is given, as text; empty when all agree. */
export function disagreements(c: GoldenCase, got: Answers): string[] {
  return Object.entries(got).flatMap(([key, value]) =>
    key in c.expected ? differencesOf(c, key, value) : [`${key}: not in the case`],
  );
}

/** How a case fared: every expected key is compared, one that nobody answered is a disagreement. */
export interface Compared {
  readonly id: string;
  readonly keys: number;
  readonly agreed: number;
  readonly disagreements: readonly string[];
}

export function compareAll(c: GoldenCase, got: Answers | null): Compared {
  const keys = Object.keys(c.expected);
  const found = keys.map((key) =>
    got && key in got ? differencesOf(c, key, got[key]) : [`${key}: not answered`],
  );
  return {
    id: c.id,
    keys: keys.length,
    agreed: found.filter((f) => f.length === 0).length,
    disagreements: found.flat(),
  };
}
