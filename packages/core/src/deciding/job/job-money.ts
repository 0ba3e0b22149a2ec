import { perHourOf } from '../../crib/shop-rates.ts';
import { costBasis } from '../../operations/cost.ts';
import type { JobMinutes } from './job-minutes.ts';
import type { JobRisk } from './job-risk.ts';
import { type JudgedJob, operationsOfJob } from './judged-job.ts';

export interface OperationMoney {
  readonly id: string;
  readonly name: string;
  /** A part, in the shop's currency. */
  readonly machine: number;
  readonly edges: number;
  readonly total: number;
}

/** A line of what a batch costs. */
export interface MoneyLine {
  readonly name: string;
  readonly batch: number;
}

/** What a job costs. All in one currency. */
export interface JobMoney {
  readonly currency: string;
  readonly operations: readonly OperationMoney[];
  /** Of the batch, largest first. */
  readonly lines: readonly MoneyLine[];
  readonly batch: number;
  /** The batch over the good parts that are asked for. */
  readonly perPart: number;
  /** What of it nobody stated. */
  readonly assumed: readonly string[];
}

/** What a part, each operation and the batch cost: minutes, edges, setting up, fixtures, blanks, and what is expected to be lost. */
export function jobMoney(job: JudgedJob, minutes: JobMinutes, risk: JobRisk): JobMoney {
  const { rates, plan } = job;
  const assumed = new Set<string>();
  const operations = operationsOfJob(job).map((o): OperationMoney => {
    const m = minutes.operations[o.id]!;
    const basis = costBasis(o.document, o.context);
    for (const a of basis.assumed.filter((x) => x === 'price per edge'))
      assumed.add(`${a} of ${o.context.cutter.name}`);
    const perMinute = (o.document.economics.machinePerHour ?? perHourOf(rates, o.document.machineId)) / 60;
    const machine = (m.cutting + m.linking + m.edgeChanges) * perMinute;
    const edges = m.edges * basis.edgePrice;
    return { id: o.id, name: o.name, machine, edges, total: machine + edges };
  });
  if (plan.blankPrice === null) assumed.add('price of a blank');
  const { blanks } = minutes;
  const machineOf = new Map(job.setups.map((s) => [s.id, s.operations[0]?.document.machineId ?? '']));
  const rateOf = (setupId: string): number => perHourOf(rates, machineOf.get(setupId)!) / 60;
  const running = minutes.setups.reduce((sum, s) => sum + s.perPart * blanks * rateOf(s.id), 0);
  const once = minutes.setups.reduce(
    (sum, s) => sum + s.once * (rateOf(s.id) + (s.once > 0 ? rates.setterPerHour / 60 : 0)),
    0,
  );
  const lines: MoneyLine[] = [
    { name: 'Machine time', batch: running },
    { name: 'Edges', batch: operations.reduce((sum, o) => sum + o.edges, 0) * blanks },
    {
      name: 'Loading by hand',
      batch:
        ((rates.loadMin * rates.setterPerHour) / 60) *
        blanks *
        job.setups.filter((s) => s.operations.length > 0 && !s.plan.takenOver).length,
    },
    { name: 'Setting up and first piece', batch: once },
    { name: 'Fixtures', batch: job.setups.reduce((sum, s) => sum + (s.plan.fixturePrice ?? 0), 0) },
    { name: 'Blanks', batch: risk.blankValue * blanks },
    { name: 'Expected to be lost', batch: risk.expectedLoss * job.quantity },
  ]
    .filter((l) => l.batch > 0)
    .sort((a, b) => b.batch - a.batch);
  const batch = lines.reduce((sum, l) => sum + l.batch, 0);
  return {
    currency: rates.currency,
    operations,
    lines,
    batch,
    perPart: batch / Math.max(1, job.quantity),
    assumed: [...assumed],
  };
}
