import type { OperationContext } from '../../operations/context.ts';
import { InputError } from '../../units/input-error.ts';
import type { LimitState } from '../../judging/result.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { MILLING_LADDER } from '../../operations/milling/milling-kind.ts';
import type { Assessment } from '../../judging/limit.ts';
import type { Source } from '../../judging/estimate.ts';
import { seededNormal, seededUniform } from '../../numerics/random.ts';
import { IN_THE_MODEL, perturb } from './perturb.ts';

/** What came out for one limit. */
export interface LimitOdds {
  readonly id: string;
  readonly name: string;
  /** Chance that it holds. */
  readonly holds: number;
  /** 10, 50 and 90% points of the share used; null for a yes-or-no matter. */
  readonly share: { readonly p10: number; readonly p50: number; readonly p90: number } | null;
  /** Draws in each class of the share, from 0 to 2 in steps of 0.05; the last class takes everything beyond. */
  readonly classes: readonly number[];
  /** How much of the variance of its share each source makes, largest first. */
  readonly because: readonly { readonly sourceId: string; readonly part: number }[];
}

/** What to measure, how, and what it would do. */
export interface MeasureNext {
  readonly source: Source;
  /** Part of the doubt about the limits in question that it takes away, 0 to 1. */
  readonly takesAway: number;
  readonly limits: readonly string[];
}

export interface Odds {
  readonly draws: number;
  /** Chance that every limit holds at once. */
  readonly allHold: number;
  readonly limits: readonly LimitOdds[];
  readonly measureNext: readonly MeasureNext[];
}

export interface OddsWish {
  readonly draws?: number;
  readonly seed?: number;
}

export const CLASS_WIDTH = 0.05;
const CLASSES = 41;
/** What a source's spread shrinks to when it is measured here (log); others halve. */
const WHEN_MEASURED: Readonly<Record<string, number>> = {
  kc: 0.06,
  'hardness-force': 0.01,
  'hardness-speed': 0.02,
  'life-speed': 0.1,
  runout: 0.1,
};
/** A limit surer than this is not in question. */
const SURE = 0.995;
/** Suggestions made. */
const SUGGESTED = 4;

interface Column {
  readonly id: string;
  readonly name: string;
  readonly shares: Float64Array;
  readonly verdict: LimitState | null;
}

/** Spread-out sources of every limit of the cut as it stands. */
function sourcesOf(assessments: readonly (Assessment | null)[]): Source[] {
  const found = new Map<string, Source>();
  for (const a of assessments)
    // What has a verdict is not drawn.
    for (const { source } of a?.verdict ? [] : (a?.share?.terms ?? []))
      if (source.sigma > 1e-9) found.set(source.id, source);
  return [...found.values()];
}

/**
 * Draws the uncertain inputs many times and judges the cut in each of those worlds.
 *
 * Unlike the bands, which propagate to first order, sums and runout act here as they do; where first order is valid both
 * agree. Independent log-normal inputs (JCGM 101:2008). Deterministic by `seed`. `drawn` is told every hundred draws and
 * stops the work by returning false; null comes back then. Throws an InputError when the operation is impossible.
 */
export function monteCarlo(
  op: MillingOperation,
  context: OperationContext,
  { draws = 2000, seed = 1 }: OddsWish = {},
  drawn: (done: number) => boolean = () => true,
): Odds | null {
  const problems = problemsOf(op, context);
  if (problems.length > 0) throw new InputError(problems);
  const nominal = millingState(op, context);
  const first = MILLING_LADDER.map((l) => l.assess(nominal));
  const sources = sourcesOf(first);
  const columns: Column[] = [];
  const asked = MILLING_LADDER.filter((l, i) => {
    const a = first[i];
    if (!a) return false;
    const verdict = a.verdict ?? (a.share ? null : 'unproven');
    columns.push({ id: l.id, name: l.name, shares: new Float64Array(draws), verdict });
    return true;
  });
  const normal = seededNormal(seededUniform(seed));
  const deviates = sources.map(() => new Float64Array(draws));
  let together = 0;
  for (let k = 0; k < draws; k++) {
    const draw = new Map<string, number>();
    sources.forEach((s, j) => {
      const z = normal();
      deviates[j]![k] = z;
      draw.set(s.id, Math.exp(s.sigma * z));
    });
    const world = perturb(op, context, draw);
    const state = millingState(world.op, world.context);
    let all = true;
    asked.forEach((limit, i) => {
      const column = columns[i]!;
      if (column.verdict) {
        all &&= column.verdict !== 'over';
        return;
      }
      const a = limit.assess(state);
      let share = a?.share?.value ?? 0;
      for (const t of a?.share?.terms ?? [])
        if (!IN_THE_MODEL.has(t.source.id)) share *= (draw.get(t.source.id) ?? 1) ** t.sensitivity;
      column.shares[k] = share;
      if (share > 1) all = false;
    });
    if (all) together++;
    if (k % 100 === 99 && !drawn(k + 1)) return null;
  }
  const limits = columns.map((c) => oddsOf(c, sources, deviates));
  return { draws, allHold: together / draws, limits, measureNext: suggest(limits, sources) };
}

function oddsOf(
  { id, name, shares, verdict }: Column,
  sources: readonly Source[],
  deviates: readonly Float64Array[],
): LimitOdds {
  if (verdict) return { id, name, holds: verdict === 'over' ? 0 : 1, share: null, classes: [], because: [] };
  const sorted = Float64Array.from(shares).sort();
  const at = (p: number): number => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!;
  const classes = new Array<number>(CLASSES).fill(0);
  let held = 0;
  for (const s of shares) {
    if (s <= 1) held++;
    const c = Math.min(CLASSES - 1, Math.floor(s / CLASS_WIDTH));
    classes[c] = classes[c]! + 1;
  }
  return {
    id,
    name,
    holds: held / shares.length,
    share: { p10: at(0.1), p50: at(0.5), p90: at(0.9) },
    classes,
    because: varianceParts(shares, sources, deviates),
  };
}

/** First-order part of the variance of ln share that each independent deviate explains (squared correlation). */
function varianceParts(
  shares: Float64Array,
  sources: readonly Source[],
  deviates: readonly Float64Array[],
): { sourceId: string; part: number }[] {
  const n = shares.length;
  const logs = Float64Array.from(shares, (s) => Math.log(Math.max(s, 1e-9)));
  const mean = logs.reduce((a, b) => a + b, 0) / n;
  const variance = logs.reduce((a, b) => a + (b - mean) ** 2, 0) / n;
  if (variance < 1e-12) return [];
  return sources
    .map((s, j) => {
      let covariance = 0;
      for (let k = 0; k < n; k++) covariance += ((logs[k]! - mean) * deviates[j]![k]!) / n;
      return { sourceId: s.id, part: (covariance * covariance) / variance };
    })
    .filter((p) => p.part > 0.01)
    .sort((a, b) => b.part - a.part);
}

/** Measurements that take most doubt out of the limits that are in question. */
function suggest(limits: readonly LimitOdds[], sources: readonly Source[]): MeasureNext[] {
  const open = limits.filter((l) => l.share && l.holds < SURE && l.holds > 1 - SURE);
  const doubt = (l: LimitOdds): number => l.holds * (1 - l.holds);
  const total = open.reduce((sum, l) => sum + doubt(l), 0);
  if (total === 0) return [];
  return sources
    .filter((s) => s.kind !== 'measured' && s.narrowBy !== '')
    .map((source) => {
      const left = Math.min(1, (WHEN_MEASURED[source.id] ?? source.sigma / 2) / source.sigma);
      const touched = open
        .map((l) => ({ l, part: l.because.find((b) => b.sourceId === source.id)?.part ?? 0 }))
        .filter((t) => t.part > 0.05);
      const gain = touched.reduce((sum, t) => sum + doubt(t.l) * t.part * (1 - left * left), 0);
      return { source, takesAway: gain / total, limits: touched.map((t) => t.l.name) };
    })
    .filter((m) => m.takesAway > 0.02)
    .sort((a, b) => b.takesAway - a.takesAway)
    .slice(0, SUGGESTED);
}
