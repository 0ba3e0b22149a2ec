import { type Trial, type TrialFacets, type TrialPage, type TrialQuestion, TRIAL_PAGE } from '@burl/contract';
import { NOTHING_SEEN } from '@burl/core';
import { and, desc, eq, gte, inArray, isNull, lt, type SQL, sql } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { present } from './refusal.ts';
import { floorFiles, trials, trialSums } from './schema/floor.ts';

type Row = typeof trials.$inferSelect;

const { ending: _, wearMm: __, loadPercent: ___, ...unseen } = NOTHING_SEEN;
/** What stands with the rest of what was seen, where nobody said it. */
export const UNSEEN = unseen;

/** A row as it stands in the logbook. */
export function trialOf(row: Row, files: Trial['files'] = []): Trial {
  const { seen, at, receivedAt, madeById: ____, ...rest } = row;
  return {
    ...rest,
    // What was kept before more was asked says nothing of it.
    ...UNSEEN,
    ...seen,
    at: at.toISOString(),
    receivedAt: receivedAt.toISOString(),
    files,
  };
}

const FILTERS = {
  alloyId: trials.alloyId,
  heatLot: trials.heatLot,
  machineSerial: trials.machineSerial,
  cutterId: trials.cutterId,
  kind: trials.kind,
  ending: trials.ending,
  jobId: trials.jobId,
} as const;

const DAY_MS = 86_400_000;

function conditionsOf(question: TrialQuestion): SQL[] {
  const all: SQL[] = [isNull(trials.correctedBy)];
  for (const [key, column] of Object.entries(FILTERS)) {
    const wanted = question[key as keyof typeof FILTERS];
    if (wanted !== undefined && wanted !== '') all.push(eq(column as typeof trials.alloyId, wanted));
  }
  if (question.from) all.push(gte(trials.at, new Date(`${question.from}T00:00:00Z`)));
  if (question.to) all.push(lt(trials.at, new Date(Date.parse(`${question.to}T00:00:00Z`) + DAY_MS)));
  return all;
}

/** Trials are counted one by one up to here; beyond it stands “more”. */
const COUNTED = 1000;

/** How many there are by the kept sums, where one word or none is asked for; null where only counting tells. */
async function keptCount(
  db: Database | Transaction,
  question: TrialQuestion,
): Promise<TrialPage['count'] | null> {
  const words = Object.entries(question).filter(
    ([k, v]) => v !== undefined && v !== '' && k !== 'before' && k !== 'most',
  );
  const [first, second] = words;
  if (second || first?.[0] === 'jobId' || (first && !(first[0] in FILTERS))) return null;
  const [dimension, key] = first ? [first[0], String(first[1])] : ['all', ''];
  const [sum] = await db
    .select({ n: trialSums.trials })
    .from(trialSums)
    .where(and(eq(trialSums.dimension, dimension), eq(trialSums.key, key)));
  return { n: sum?.n ?? 0, more: false };
}

/** Which trials answer a question, newest first: read from an index alone, whatever it passes over. */
const keysOf = (
  db: Database | Transaction,
  conditions: readonly SQL[],
  most: number,
): Promise<{ id: string }[]> =>
  db
    .select({ id: trials.id, at: trials.at })
    .from(trials)
    .where(and(...conditions))
    .orderBy(desc(trials.at), desc(trials.id))
    .limit(most);

/** A page of the logbook, newest first; the first says how many trials there are. */
export async function trialPage(db: Database | Transaction, question: TrialQuestion): Promise<TrialPage> {
  const most = question.most ?? TRIAL_PAGE;
  const conditions = conditionsOf(question);
  const further = question.before !== undefined;
  if (question.before) {
    const [at, id] = question.before.split('_') as [string, string];
    conditions.push(sql`(${trials.at}, ${trials.id}) < (${at}::timestamptz, ${id}::uuid)`);
  }
  const kept = further ? null : await keptCount(db, question);
  // One look tells both which come first and how many there are.
  const keys = await keysOf(
    db,
    conditions,
    kept === null && !further ? Math.max(COUNTED, most) + 1 : most + 1,
  );
  const shown = keys.slice(0, most).map((k) => k.id);
  const rows =
    shown.length === 0
      ? []
      : await db
          .select()
          .from(trials)
          .where(inArray(trials.id, shown))
          .orderBy(desc(trials.at), desc(trials.id));
  const files = await filesOf(db, rows);
  const last = rows.at(-1);
  const counted = { n: Math.min(keys.length, COUNTED), more: keys.length > COUNTED };
  return {
    trials: rows.map((r) => trialOf(r, files.get(r.id))),
    count: further ? null : (kept ?? counted),
    next: keys.length > most && last ? `${last.at.toISOString()}_${last.id}` : null,
  };
}

/** Which files each trial has. */
async function filesOf(
  db: Database | Transaction,
  rows: readonly { readonly id: string }[],
): Promise<Map<string, ('photo' | 'recording')[]>> {
  const byTrial = new Map<string, ('photo' | 'recording')[]>();
  if (rows.length === 0) return byTrial;
  const found = await db
    .select({ ofId: floorFiles.ofId, slot: floorFiles.slot })
    .from(floorFiles)
    .where(
      inArray(
        floorFiles.ofId,
        rows.map((r) => r.id),
      ),
    );
  for (const { ofId, slot } of found) byTrial.set(ofId, [...(byTrial.get(ofId) ?? []), slot]);
  return byTrial;
}

/** One trial with what belongs to it. Refuses when it is not there. */
export async function trialById(db: Database | Transaction, id: string): Promise<Trial> {
  const [row] = await db.select().from(trials).where(eq(trials.id, id));
  const found = present(row, 'This trial');
  return trialOf(found, (await filesOf(db, [found])).get(id));
}

/** Trials of a job, newest first; those that were put right too. */
export async function trialsOfJob(db: Database | Transaction, jobId: string): Promise<Trial[]> {
  const rows = await db
    .select()
    .from(trials)
    .where(eq(trials.jobId, jobId))
    .orderBy(desc(trials.at))
    .limit(200);
  const files = await filesOf(db, rows);
  return rows.map((r) => trialOf(r, files.get(r.id)));
}

/** Words of one kind that are offered. */
const MOST_WORDS = 200;

/** What the logbook can be asked by, the words with most trials first. */
export async function trialFacets(db: Database): Promise<TrialFacets> {
  const { rows } = await db.execute<{ dimension: keyof TrialFacets; key: string; trials: string }>(sql`
    select dimension, key, trials from (
      select *, row_number() over (partition by dimension order by trials desc, key) as place
      from trial_sums where trials > 0 and dimension in ('alloyId', 'heatLot', 'machineSerial', 'cutterId', 'kind', 'ending')
    ) ranked where place <= ${MOST_WORDS} order by dimension, place`);
  const of = (dimension: keyof TrialFacets) =>
    rows.filter((r) => r.dimension === dimension).map((r) => ({ key: r.key, trials: Number(r.trials) }));
  return {
    alloyId: of('alloyId'),
    heatLot: of('heatLot'),
    machineSerial: of('machineSerial'),
    cutterId: of('cutterId'),
    kind: of('kind'),
    ending: of('ending'),
  };
}

/** Trials one fit rests on at the most: the newest. */
const MOST_FITTED = 5000;

/** Standing trials a fit looks at, newest first. */
export async function trialsWhere(db: Database | Transaction, where: SQL): Promise<Trial[]> {
  const rows = await db
    .select()
    .from(trials)
    .where(and(isNull(trials.correctedBy), where))
    .orderBy(desc(trials.at), desc(trials.id))
    .limit(MOST_FITTED);
  return rows.map((r) => trialOf(r));
}
