import {
  type BatchTool,
  type BurrPlan,
  burrPlan,
  batchTools,
  changesOfLoad,
  groupByTool,
  type JobMinutes,
  jobMinutes,
  type JobRisk,
  jobRisk,
  type MissingEntryHole,
  missingEntryHoles,
} from '@burl/core';
import { chosenVariant, batchAt, type Crib, type JobDetail, type Setup } from '@burl/contract';
import { judgedJob } from '../../judging/judged-job.ts';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import type { Judged } from './station.tsx';

/** What follows from a job's route as it is saved. */
export interface RouteFacts {
  /** Each operation as its chosen variant is judged. */
  readonly judged: ReadonlyMap<string, Judged>;
  readonly names: ReadonlyMap<string, string>;
  /** What each operation puts at risk, and all of them; null where nothing can be judged. */
  readonly risk: JobRisk | null;
  readonly currency: string;
  /** Tool changes of the route, the fewest it could have, and the order that has them. */
  readonly loads: number;
  readonly fewest: number;
  readonly grouped: readonly SetupOrder[];
  /** Where burrs will stand and what takes them off; null where nothing can be judged. */
  readonly burrs: BurrPlan | null;
  /** Holes cutters are to go down in that nobody drills. */
  readonly entryHoles: readonly MissingEntryHole[];
  /** Minutes of the job, with everything that is no cutting; null where nothing can be judged. */
  readonly job: JobMinutes | null;
  /** Minutes of the longest operation. */
  readonly widest: number;
  /** Edges the batch takes, by cutter. */
  readonly tools: readonly BatchTool[];
}

/** Operations of a setup in an order. */
export interface SetupOrder {
  readonly id: string;
  readonly operations: readonly string[];
}

function judgedOf({ setups, job }: JobDetail, crib: Crib): Map<string, Judged> {
  return new Map(
    setups.flatMap((setup) =>
      setup.operations.map((operation): [string, Judged] => {
        const chosen = chosenVariant(operation);
        const document = chosen?.document ?? null;
        const evaluation =
          document && judge(document, contextOf(crib, document, batchAt(job, setup))).evaluation;
        const tool = crib.cutters.find((c) => c.id === document?.tooling.cutterId)?.document.name ?? null;
        return [operation.id, { operation, document, evaluation, tool }];
      }),
    ),
  );
}

/** Judges every operation of a job's route, and what follows for the whole. */
export function routeFacts(detail: JobDetail, crib: Crib): RouteFacts {
  const { setups } = detail;
  const judged = judgedOf(detail, crib);
  const whole = judgedJob(detail, crib);
  const planned = whole && whole.setups.some((x) => x.operations.length > 0) ? jobMinutes(whole) : null;
  const uses = (s: Setup) =>
    s.operations.map((o) => ({
      id: o.id,
      holeId: o.holeId,
      cutterId: judged.get(o.id)?.document?.tooling.cutterId ?? '',
    }));
  const changes = (list: readonly { readonly cutterId: string }[]): number =>
    changesOfLoad(
      list.map((u) => u.cutterId),
      1,
      'by-tool',
    );
  const grouped = setups.map((s) => ({ id: s.id, operations: groupByTool(uses(s)) }));
  const fewest = setups.reduce((sum, s, i) => {
    const list = uses(s);
    return sum + changes(grouped[i]!.operations.map((id) => list.find((u) => u.id === id)!));
  }, 0);
  const minutes = [...judged.values()].map((j) => j.evaluation?.time.perPart ?? 0);
  return {
    judged,
    names: new Map(setups.flatMap((x) => x.operations.map((o) => [o.id, o.name] as const))),
    risk: whole && planned && jobRisk(whole, planned, [], null),
    currency: crib.rates.rates.currency,
    job: planned,
    loads: setups.reduce((sum, s) => sum + changes(uses(s)), 0),
    fewest,
    grouped,
    burrs: whole && burrPlan(whole),
    entryHoles: whole ? missingEntryHoles(whole) : [],
    widest: Math.max(0, ...minutes),
    tools: whole && planned ? batchTools(whole, planned.blanks) : [],
  };
}
