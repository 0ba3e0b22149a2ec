import {
  batchPlan,
  differencesOf,
  type Evaluation,
  InputError,
  type Operation,
  type OperationContext,
} from '@burl/core';
import {
  type AtMachine,
  type Crib,
  type Job,
  jobFieldsOf,
  judgedJobOf,
  type OperationDifference,
  type Release,
  type ReleaseSnapshot,
  type ReleaseSummary,
  type ReleasedOperation,
  type Setup,
} from '@burl/contract';
import { and, desc, eq, inArray, lt } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { Database, Transaction } from './client.ts';
import { people } from './schema/people.ts';
import { releases } from './schema/releases.ts';
import { present } from './refusal.ts';
import { cribNaming } from './crib-store.ts';
import { documentsOf, judgedOperations } from './judged-operations.ts';
import { jobDetail } from './job-store.ts';

/** What a release is of: the job and the chosen variant of every operation, each in its context, not yet judged. */
export interface ReleaseCase {
  readonly job: Job;
  readonly route: readonly Setup[];
  readonly crib: Crib;
  readonly operations: readonly (Omit<ReleasedOperation, 'evaluation'> & {
    readonly context: OperationContext;
  })[];
}

/** The job as it stands now. Refuses an empty route, and one that names what the crib lacks. */
export async function releaseCase(db: Database | Transaction, jobId: string): Promise<ReleaseCase> {
  const { job, setups } = await jobDetail(db, jobId);
  const crib = await cribNaming(db, documentsOf(setups));
  const operations = judgedOperations(job, setups, crib).map(
    ({ id, setup, name, variant, document, context, missing }) => {
      if (!context)
        throw new InputError([
          { field: `${name}: ${missing}`, value: undefined, allowed: 'an entry of the crib' },
        ]);
      return { operationId: id, setup, name, variant, document, context };
    },
  );
  if (operations.length === 0)
    throw new InputError([{ field: 'operations', value: 0, allowed: 'one operation or more to release' }]);
  return { job, route: setups, crib, operations };
}

/** How sure one is of a stretch with nobody there. */
const NIGHT_CONFIDENCE = 0.9;

/** Judges an operation as what is approved is judged; elsewhere than where requests are answered. */
export type JudgeForRelease = (
  document: Operation,
  context: OperationContext,
) => Promise<{ readonly context: OperationContext; readonly evaluation: Evaluation }>;

/** The case with the evaluation of every operation: what a second person looks at, and what is kept. */
export async function snapshotOf(
  of: ReleaseCase,
  judge: JudgeForRelease,
  atMachine: readonly AtMachine[],
): Promise<ReleaseSnapshot> {
  const operations = await Promise.all(
    of.operations.map(async (o) => {
      const there = atMachine.find((m) => m.operationId === o.operationId);
      return { ...o, ...(await judge(o.document, o.context)), ...(there && { atMachine: there }) };
    }),
  );
  const judged = new Map(operations.map((o) => [o.document, o]));
  const whole = judgedJobOf(
    { job: of.job, setups: of.route },
    of.crib,
    (document) => judged.get(document) ?? null,
  );
  return {
    job: jobFieldsOf(of.job),
    operations,
    setups: of.route.map((s) => ({
      name: s.name,
      plan: s.plan,
      operationIds: s.operations.map((o) => o.id),
    })),
    ...(whole && { batch: batchPlan(whole, NIGHT_CONFIDENCE) }),
  };
}

const requester = alias(people, 'requester');
const decider = alias(people, 'decider');

const columns = {
  id: releases.id,
  jobId: releases.jobId,
  revision: releases.revision,
  revisionReason: releases.revisionReason,
  state: releases.state,
  requestedBy: requester.name,
  requestedById: releases.requestedById,
  requestedAt: releases.requestedAt,
  requestNote: releases.requestNote,
  decidedBy: decider.name,
  decidedAt: releases.decidedAt,
  reason: releases.reason,
};

type SummaryRow = Omit<ReleaseSummary, 'requestedAt' | 'decidedAt'> & {
  requestedAt: Date;
  decidedAt: Date | null;
};

const summary = (r: SummaryRow): ReleaseSummary => ({
  ...r,
  requestedAt: r.requestedAt.toISOString(),
  decidedAt: r.decidedAt?.toISOString() ?? null,
});

/** Releases of a job, newest first. */
export async function releasesOf(db: Database | Transaction, jobId: string): Promise<ReleaseSummary[]> {
  const rows = await db
    .select(columns)
    .from(releases)
    .innerJoin(requester, eq(requester.id, releases.requestedById))
    .leftJoin(decider, eq(decider.id, releases.decidedById))
    .where(eq(releases.jobId, jobId))
    .orderBy(desc(releases.requestedAt));
  return rows.map(summary);
}

/** One release whole, compared with the last one released before it. Refuses when it is not there. */
export async function releaseById(db: Database | Transaction, id: string): Promise<Release> {
  const [row] = await db
    .select({ ...columns, snapshot: releases.snapshot })
    .from(releases)
    .innerJoin(requester, eq(requester.id, releases.requestedById))
    .leftJoin(decider, eq(decider.id, releases.decidedById))
    .where(eq(releases.id, id));
  const { snapshot, ...rest } = present(row, 'This release');
  const [before] = await db
    .select({ snapshot: releases.snapshot, revision: releases.revision })
    .from(releases)
    .where(
      and(
        eq(releases.jobId, rest.jobId),
        inArray(releases.state, ['released', 'superseded']),
        lt(releases.revision, rest.revision),
      ),
    )
    .orderBy(desc(releases.revision))
    .limit(1);
  return {
    ...summary(rest),
    snapshot,
    differences: before ? compare(before.snapshot, snapshot) : null,
    comparedWith: before?.revision ?? null,
  };
}

/** What changed operation by operation. */
export function compare(before: ReleaseSnapshot, after: ReleaseSnapshot): OperationDifference[] {
  const list: OperationDifference[] = [];
  const facts = differencesOf(before.job, after.job);
  if (facts.length > 0) list.push({ operationId: 'job', name: 'Job', kind: 'changed', differences: facts });
  for (const op of after.operations) {
    const old = before.operations.find((o) => o.operationId === op.operationId);
    if (!old) {
      list.push({ operationId: op.operationId, name: op.name, kind: 'added', differences: [] });
      continue;
    }
    const differences = differencesOf(
      { name: old.name, setup: old.setup, ...old.document },
      { name: op.name, setup: op.setup, ...op.document },
    );
    if (differences.length > 0)
      list.push({ operationId: op.operationId, name: op.name, kind: 'changed', differences });
  }
  for (const op of before.operations) {
    if (!after.operations.some((o) => o.operationId === op.operationId)) {
      list.push({ operationId: op.operationId, name: op.name, kind: 'removed', differences: [] });
    }
  }
  return list;
}
