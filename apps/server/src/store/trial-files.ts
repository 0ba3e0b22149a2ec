import { randomUUID } from 'node:crypto';
import {
  MOST_TRIALS,
  type Person,
  type TrialFileReport,
  type TrialQuestion,
  type TrialRow,
} from '@burl/contract';
import type { TrialBasis } from '@burl/core';
import { trialCsvHead, trialCsvLines } from '@burl/contract/trial-csv';
import { record } from './audit.ts';
import type { Database } from './client.ts';
import { trials } from './schema/floor.ts';
import { basisColumns } from './trial-changes.ts';
import { trialPage, UNSEEN } from './trial-store.ts';

/** A row of a file with what its cut is held against. */
export interface ReadTrial {
  readonly row: TrialRow;
  readonly kind: string;
  readonly basis: TrialBasis;
}

/** Trials one file holds at the most. */
const MOST_WRITTEN = 100_000;

/** Trials that are asked for as CSV, page by page, so that a large logbook holds nobody up. */
export async function* trialsAsCsv(db: Database, question: TrialQuestion): AsyncGenerator<string> {
  yield trialCsvHead();
  let before: string | undefined;
  for (let n = 0; n < MOST_WRITTEN; n += MOST_TRIALS) {
    const page = await trialPage(db, { ...question, most: MOST_TRIALS, before });
    yield trialCsvLines(page.trials);
    if (page.next === null) return;
    before = page.next;
  }
}

const CHUNK = 500;

/** Keeps trials of a file, all or none; one that is there already stays as it is. */
export const keepTrials = (
  db: Database,
  person: Person,
  read: readonly ReadTrial[],
): Promise<TrialFileReport> =>
  db.transaction(async (tx) => {
    let taken = 0;
    for (let i = 0; i < read.length; i += CHUNK) {
      const made = await tx
        .insert(trials)
        .values(
          read.slice(i, i + CHUNK).map(({ row, kind, basis }) => ({
            id: row.id ?? randomUUID(),
            at: new Date(row.at),
            jobNumber: row.job,
            operation: row.operation || 'Imported',
            kind,
            alloyId: row.alloyId,
            heatLot: row.heatLot,
            machineId: row.machineId,
            machineSerial: row.machineSerial,
            cutterId: row.cutterId,
            ...basisColumns(basis),
            edge: 1,
            features: row.features,
            minutes: row.minutes,
            ending: row.ending,
            loadPercent: row.loadPercent,
            wearMm: row.wearMm,
            seen: {
              ...UNSEEN,
              idlePercent: row.idlePercent,
              raUm: row.raUm,
              rzUm: row.rzUm,
              sizeErrorMm: row.sizeErrorMm,
            },
            note: row.note,
            madeById: person.id,
            madeBy: person.name,
          })),
        )
        .onConflictDoNothing()
        .returning({ id: trials.id });
      taken += made.length;
    }
    await record(tx, person, { action: 'imported trials', subject: 'logbook', detail: { taken } });
    return { taken, rows: read.length, problems: [] };
  });
