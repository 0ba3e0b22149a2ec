import { readFileSync } from 'node:fs';

interface Tolerance {
  readonly rel?: number | readonly number[];
  readonly abs?: number;
}

export interface GoldenCase {
  readonly id: string;
  readonly topic: number;
  readonly inputs: Readonly<Record<string, never>> & Readonly<Record<string, unknown>>;
  readonly expected: Readonly<Record<string, number | null | boolean | readonly number[]>>;
  readonly tolerance: Tolerance & { readonly per_key: Readonly<Record<string, Tolerance>> };
}

const file = new URL('./cases.json', import.meta.url);

/** The worked cases of one id prefix. */
export function goldenCases(prefix: string): GoldenCase[] {
  const all = (JSON.parse(readFileSync(file, 'utf8')) as { cases: GoldenCase[] }).cases;
  const found = all.filter((c) => c.id.startsWith(prefix));
  if (found.length === 0) throw new Error(`no golden case starts with ${prefix}`);
  return found;
}

/** Input by name, as a number. */
export const given = (c: GoldenCase, key: string): number => Number(c.inputs[key]);

/** Differences beyond tolerance, as text; empty when all agree. `relativeTo` gives the scale of an array's tolerance. */
export function disagreements(
  c: GoldenCase,
  got: Readonly<Record<string, number | boolean | readonly number[]>>,
  scaleByLargest: readonly string[] = [],
): string[] {
  const bad: string[] = [];
  for (const [key, value] of Object.entries(got)) {
    const expected = c.expected[key];
    if (expected === undefined || expected === null) {
      bad.push(`${key}: not in the case`);
      continue;
    }
    if (typeof expected === 'boolean') {
      if (expected !== value) bad.push(`${key}: ${String(value)}, expected ${String(expected)}`);
      continue;
    }
    const wanted = Array.isArray(expected) ? (expected as number[]) : [expected as number];
    const have = Array.isArray(value) ? (value as number[]) : [value as number];
    const t = c.tolerance.per_key[key] ?? c.tolerance;
    const largest = Math.max(...wanted.map(Math.abs));
    wanted.forEach((w, i) => {
      const rel = Array.isArray(t.rel) ? (t.rel[i] ?? 0) : ((t.rel as number | undefined) ?? 0);
      const reference = scaleByLargest.includes(key) ? largest : Math.abs(w);
      const off = Math.abs((have[i] ?? NaN) - w);
      if (!(off <= rel * reference || off <= (t.abs ?? 0))) bad.push(`${key}[${i}]: ${have[i]}, expected ${w}`);
    });
  }
  return bad;
}
