import { type BlockTable, FEED } from '../find/block-table.ts';
import type { MachineSample } from './simulated-machine.ts';

/** Load that was measured on a line, %: the largest at full feed. */
export type MeasuredLines = ReadonlyMap<number, number>;

/** Adds samples to what is known of lines; those with the feed turned down tell of another chip and are left out. */
export function withSamples(known: MeasuredLines, samples: readonly MachineSample[]): MeasuredLines {
  const next = new Map(known);
  for (const s of samples) {
    if (s.line === 0 || Math.abs(s.feedOverridePercent - 100) > 0.5) continue;
    next.set(s.line, Math.max(next.get(s.line) ?? 0, s.loadPercent));
  }
  return next;
}

/** Predicted shares below this are idle running, which says nothing of the cut. */
const LEAST = 0.05;

export interface MeasuredAgainst {
  /** Measured load over the predicted one: the middle of the lines that cut. */
  readonly ratio: number;
  /** Load predicted for those lines, %, the middle, and how many there are. */
  readonly predictedPercent: number;
  readonly measuredPercent: number;
  readonly lines: number;
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Measured against predicted load by line; null where no line that cuts was measured. */
export function measuredAgainst(table: BlockTable, measured: MeasuredLines): MeasuredAgainst | null {
  const predicted = new Map<number, number>();
  for (let i = 0; i < table.count; i++) {
    if (table.kind[i] !== FEED) continue;
    predicted.set(table.line[i]!, Math.max(predicted.get(table.line[i]!) ?? 0, table.values.meter[i]!));
  }
  const pairs = [...measured].flatMap(([line, load]) => {
    const share = predicted.get(line) ?? 0;
    return share < LEAST ? [] : [{ share, load }];
  });
  if (pairs.length === 0) return null;
  return {
    ratio: middle(pairs.map((p) => p.load / (100 * p.share))),
    predictedPercent: 100 * middle(pairs.map((p) => p.share)),
    measuredPercent: middle(pairs.map((p) => p.load)),
    lines: pairs.length,
  };
}
