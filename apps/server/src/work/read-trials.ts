import { setParameter, trialBasis } from '@burl/core';
import {
  blankOperation,
  type Crib,
  MOST_TRIAL_ROWS,
  requireContext,
  cribSource,
  type TrialProblem,
  type TrialRow,
} from '@burl/contract';
import { readTrialCsv } from '@burl/contract/trial-csv';
import type { ReadTrial } from '../store/trial-files.ts';

/** The cut a row tells of, by the library: a side of the width and depth that was run, or a hole of the depth. */
function basisOfRow(row: TrialRow, crib: Crib): Omit<ReadTrial, 'row'> {
  const batch = { quantity: 1, heatLot: row.heatLot };
  const job = { alloyId: row.alloyId, machineId: row.machineId, ...batch };
  const cutter = crib.cutters.find((c) => c.id === row.cutterId)?.document;
  const size =
    row.widthMm === null
      ? { diameterMm: cutter?.properties.DC ?? 0, depthMm: row.depthMm, through: false, count: 1 }
      : {
          kind: 'side' as const,
          lengthMm: 100,
          widthMm: Math.max(row.widthMm, 1),
          depthMm: Math.max(row.depthMm, 0.1),
          cornerRadiusMm: null,
        };
  const blank = blankOperation(crib, job, row.cutterId, size);
  if (!blank) throw new Error('no holder of the crib takes this cutter in this machine');
  const context = requireContext(blank, cribSource(crib, batch));
  let op = setParameter(blank, context, 'n', row.speedRpm);
  if (row.widthMm === null) op = setParameter(op, context, 'fn', row.feedMm);
  else {
    op = setParameter(op, context, 'fz', row.feedMm);
    op = setParameter(op, context, 'ap', row.depthMm);
    op = setParameter(op, context, 'ae', row.widthMm);
    op = setParameter(op, context, 'fz', row.feedMm);
    op = setParameter(op, context, 'n', row.speedRpm);
  }
  return { kind: op.kind, basis: trialBasis(op, context) };
}

/** Names a row may use, by heading. */
const NAMED = [
  ['alloys', 'alloyId', 'alloy'],
  ['machines', 'machineId', 'machine'],
  ['cutters', 'cutterId', 'cutter'],
] as const;

const MOST_PROBLEMS = 50;

/** Trials of a file, each with what it is held against; or what is wrong with them, by row and column. */
export function readTrials(
  text: string,
  crib: Crib,
): {
  readonly trials: readonly ReadTrial[];
  readonly rows: number;
  readonly problems: readonly TrialProblem[];
} {
  const { rows, problems: unread } = readTrialCsv(text, MOST_TRIAL_ROWS);
  const problems = [...unread];
  const ids = Object.fromEntries(NAMED.map(([kind]) => [kind, new Set<string>(crib[kind].map((e) => e.id))]));
  const known = new Map<string, Omit<ReadTrial, 'row'>>();
  const trials = rows.flatMap((row, i): ReadTrial[] => {
    if (problems.length >= MOST_PROBLEMS) return [];
    const missing = NAMED.find(([kind, key]) => !ids[kind]!.has(row[key]));
    if (missing) {
      problems.push({
        row: i + 1,
        column: missing[2],
        problem: `is “${row[missing[1]]}”; allowed: an id of the crib`,
      });
      return [];
    }
    const { alloyId, machineId, cutterId, speedRpm, feedMm, depthMm, widthMm } = row;
    const key = JSON.stringify([alloyId, machineId, cutterId, speedRpm, feedMm, depthMm, widthMm]);
    try {
      const found = known.get(key) ?? basisOfRow(row, crib);
      known.set(key, found);
      return [{ row, ...found }];
    } catch (error) {
      problems.push({ row: i + 1, column: '', problem: `cannot be judged: ${(error as Error).message}` });
      return [];
    }
  });
  return { trials: problems.length > 0 ? [] : trials, rows: rows.length, problems };
}
