import type { BatchPlan, Difference, Evaluation, Operation, OperationContext, SetupPlan } from '@burl/core';
import * as yup from 'yup';
import type { JobFields } from './jobs.ts';

export const RELEASE_STATES = ['requested', 'released', 'returned', 'superseded', 'withdrawn'] as const;
export type ReleaseState = (typeof RELEASE_STATES)[number];

/** What the setter finds at the machine for an operation: entered at release, never worked out. */
export interface AtMachine {
  readonly operationId: string;
  readonly program: string;
  readonly programRevision: string;
  /** Like G54. */
  readonly workOffset: string;
  /** Pocket in the magazine; empty where it is not fixed. */
  readonly pocket: string;
  /** From the spindle's gauge line to the tip, mm; null where it is measured at the machine. */
  readonly gaugeLengthMm: number | null;
}

/** An operation as it stood when release was asked for, with what it was judged by. */
export interface ReleasedOperation {
  readonly operationId: string;
  readonly setup: string;
  readonly name: string;
  readonly variant: string;
  readonly document: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  /** Absent where nobody entered it. */
  readonly atMachine?: AtMachine;
}

/** A setup as it stood then. */
export interface ReleasedSetup {
  readonly name: string;
  readonly plan: SetupPlan;
  readonly operationIds: readonly string[];
}

export interface ReleaseSnapshot {
  readonly job: JobFields;
  readonly operations: readonly ReleasedOperation[];
  /** Absent in what was released before setups had a plan. */
  readonly setups?: readonly ReleasedSetup[];
  /** The job as a batch, worked out when release was asked for. */
  readonly batch?: BatchPlan;
}

export interface ReleaseSummary {
  readonly id: string;
  readonly jobId: string;
  readonly revision: number;
  readonly state: ReleaseState;
  readonly requestedBy: string;
  readonly requestedById: string;
  readonly requestedAt: string;
  readonly requestNote: string;
  readonly decidedBy: string | null;
  readonly decidedAt: string | null;
  readonly reason: string | null;
  readonly revisionReason: string | null;
}

/** What changed in one operation against the last release. */
export interface OperationDifference {
  readonly operationId: string;
  readonly name: string;
  readonly kind: 'added' | 'removed' | 'changed';
  readonly differences: readonly Difference[];
}

export interface Release extends ReleaseSummary {
  readonly snapshot: ReleaseSnapshot;
  /** Against the release before; null when there is none. */
  readonly differences: readonly OperationDifference[] | null;
  readonly comparedWith: number | null;
}

/** Cautions that every operation of a sheet carries: told once; none where there is only one operation. */
export const sharedCautions = ({ operations }: Pick<ReleaseSnapshot, 'operations'>): readonly string[] => {
  const [first, ...rest] = operations;
  if (!first || rest.length === 0) return [];
  return first.evaluation.cautions.filter((c) => rest.every((o) => o.evaluation.cautions.includes(c)));
};

/** One thing the approver ticks before the button works, beside what it speaks of. */
export interface ReleaseCheck {
  readonly id: string;
  readonly kind: 'limit' | 'batch' | 'caution' | 'assumptions';
  /** Of a limit: its operation and its id. */
  readonly operationId?: string;
  readonly limitId?: string;
  readonly text: string;
}

/** What of a batch somebody has to have seen: holding that is not clear, the first piece, what may bow, a shelf that runs out. */
export function batchChecks(batch: BatchPlan | undefined): readonly ReleaseCheck[] {
  if (!batch) return [];
  const check = (id: string, text: string): ReleaseCheck => ({ id: `batch ${id}`, kind: 'batch', text });
  return [
    ...batch.holdings.flatMap((h) =>
      h.worst && h.worst.state !== 'clear'
        ? [
            check(
              `holding ${h.setupId}`,
              `${h.setup}: ${h.worst.name} uses ${Math.round(100 * Math.min(99, h.worst.use.share))}% of the holding, by ${h.worst.use.by}, at ${Math.round(h.worst.temperatureC)} °C.`,
            ),
          ]
        : [],
    ),
    ...(batch.first.flagged
      ? [
          check(
            'first piece',
            `${batch.first.parts} parts would go through the first setup before one has passed the last.`,
          ),
        ]
      : []),
    ...(batch.warp && batch.warp.chance !== 'unlikely'
      ? [check('distortion', `The part may bow when it is let go: ${batch.warp.chance}, by judgement.`)]
      : []),
    ...batch.nights.flatMap((n) =>
      n.marked
        ? [
            check(
              `alone ${n.setupId}`,
              `${n.setup} may run alone: ${n.safe ? `${n.safe.parts} ${n.safe.parts === 1 ? 'part' : 'parts'} at ${Math.round(100 * n.confidence)}%, then ${n.endedBy}` : `not one part at ${Math.round(100 * n.confidence)}%: ${n.endedBy}`}. Site rules allow it.`,
            ),
          ]
        : [],
    ),
    ...batch.tools.flatMap((t) =>
      t.shortFromPart === null
        ? []
        : [
            check(
              `shelf ${t.cutterId}`,
              `${t.name}: ${t.edges} edges for the batch, ${t.onShelf} on the shelf; short from part ${t.shortFromPart}.`,
            ),
          ],
    ),
  ];
}

/**
 * Everything a release has to be ticked for: each limit that is not clear, each caution once however many operations carry it,
 * and what is assumed. The page shows a tick beside each, the server refuses a release that lacks one.
 */
export const releaseChecks = ({
  operations,
  batch,
}: Pick<ReleaseSnapshot, 'operations' | 'batch'>): readonly ReleaseCheck[] => [
  ...batchChecks(batch),
  ...operations.flatMap(({ operationId, name, evaluation }) =>
    evaluation.limits
      .filter((l) => l.state !== 'clear')
      .map((l) => ({
        id: `limit ${operationId} ${l.id}`,
        kind: 'limit' as const,
        operationId,
        limitId: l.id,
        text: `${name}: ${l.name}`,
      })),
  ),
  ...[...new Set(operations.flatMap((o) => o.evaluation.cautions))].map((text) => ({
    id: `caution ${text}`.slice(0, LONGEST_CHECK),
    kind: 'caution' as const,
    text,
  })),
  {
    id: 'assumptions',
    kind: 'assumptions',
    text: 'I accept what is assumed, or it is measured at the first piece.',
  },
];
const LONGEST_CHECK = 300;
const MOST_CHECKS = 5000;

export const releaseRequestSchema = yup
  .object({
    note: yup.string().strict().defined().max(2000),
    atMachine: yup
      .array()
      .of(
        yup
          .object({
            operationId: yup.string().strict().uuid().required(),
            program: yup.string().strict().defined().max(60),
            programRevision: yup.string().strict().defined().max(20),
            workOffset: yup.string().strict().defined().max(20),
            pocket: yup.string().strict().defined().max(10),
            gaugeLengthMm: yup.number().strict().nullable().defined().min(10).max(800),
          })
          .noUnknown()
          .required(),
      )
      .max(500)
      .optional(),
  })
  .noUnknown()
  .required();
export type ReleaseRequest = yup.InferType<typeof releaseRequestSchema>;

export const decisionSchema = yup
  .object({
    decision: yup.string().strict().oneOf(['release', 'return']).required(),
    reason: yup
      .string()
      .strict()
      .defined()
      .max(2000)
      .when('decision', {
        is: 'return',
        then: (s) => s.trim().min(3, 'reason must say why it goes back, 3 characters or more'),
      }),
    checks: yup.array().of(yup.string().strict().required().max(LONGEST_CHECK)).max(MOST_CHECKS).required(),
  })
  .noUnknown()
  .required();
export type Decision = yup.InferType<typeof decisionSchema>;
