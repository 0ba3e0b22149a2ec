import { type FirstPiece, firstPiece } from './first-piece.ts';
import { type HoldingReport, holdingReport } from './holding-report.ts';
import { type JobMinutes, jobMinutes } from './job-minutes.ts';
import { type JobMoney, jobMoney } from './job-money.ts';
import { type JobRisk, jobRisk } from './job-risk.ts';
import { type JudgedJob, operationsOfJob } from './judged-job.ts';
import { type NightReport, nightReport } from './night.ts';
import { plannedEdge } from './planned-edge.ts';
import { type Shortening, shortenings } from './shorten.ts';
import { type TransferReport, transferReport } from './transfer.ts';
import { type WarpReport, warpReport } from './warp-report.ts';

/** A cutter of the batch: how many edges it takes, and how many lie on the shelf. */
export interface BatchTool {
  readonly cutterId: string;
  readonly name: string;
  readonly edges: number;
  /** Null where nobody counted. */
  readonly onShelf: number | null;
  /** Part during which the shelf runs out, from 1; null where it does not. */
  readonly shortFromPart: number | null;
}

/** Everything that follows for a job and its batch. */
export interface BatchPlan {
  readonly minutes: JobMinutes;
  readonly money: JobMoney;
  readonly risk: JobRisk;
  readonly holdings: readonly HoldingReport[];
  /** Setups whose part the sub-spindle takes over; absent in what was released before it was asked. */
  readonly transfers?: readonly TransferReport[];
  readonly warp: WarpReport | null;
  readonly first: FirstPiece;
  readonly nights: readonly NightReport[];
  readonly shorten: readonly Shortening[];
  readonly tools: readonly BatchTool[];
}

/** Edges of the batch by cutter, against the shelf. */
export function batchTools(job: JudgedJob, blanks: number): BatchTool[] {
  const tools = new Map<string, { name: string; perPart: number; onShelf: number | null }>();
  for (const o of operationsOfJob(job)) {
    const { cutter, shelf } = o.context;
    const before = tools.get(cutter.id);
    tools.set(cutter.id, {
      name: cutter.name,
      perPart: (before?.perPart ?? 0) + plannedEdge(o).perPart,
      onShelf: o.document.edgesOnShelf ?? shelf?.edges ?? before?.onShelf ?? null,
    });
  }
  return [...tools].map(([cutterId, t]) => {
    const edges = Math.max(1, Math.ceil(t.perPart * blanks - 1e-9));
    return {
      cutterId,
      name: t.name,
      edges,
      onShelf: t.onShelf,
      shortFromPart: t.onShelf !== null && t.onShelf < edges ? Math.floor(t.onShelf / t.perPart) + 1 : null,
    };
  });
}

/** Works a judged job out as a batch: minutes, money, risk, holding, distortion, first piece and what may run alone. */
export function batchPlan(job: JudgedJob, confidence: number): BatchPlan {
  const minutes = jobMinutes(job);
  const holdings = job.setups.map((s) => holdingReport(s, job));
  const warp = warpReport(job.plan, job.alloy);
  const risk = jobRisk(job, minutes, holdings, warp);
  const money = jobMoney(job, minutes, risk);
  return {
    minutes,
    money,
    risk,
    holdings,
    transfers: job.setups.flatMap((s) => transferReport(s, job) ?? []),
    warp,
    first: firstPiece(job, risk, money, warp, holdings),
    nights: job.setups.flatMap(
      (s) =>
        nightReport(
          s,
          minutes,
          holdings.find((h) => h.setupId === s.id),
          confidence,
        ) ?? [],
    ),
    shorten: shortenings(job, minutes),
    tools: batchTools(job, minutes.blanks),
  };
}
