import { kindOf } from '../../evaluation/registry.ts';
import { isHole } from '../../operations/hole-operation.ts';
import type { HoldingReport } from './holding-report.ts';
import type { JobMinutes } from './job-minutes.ts';
import { type JudgedJob, type JudgedOperation, operationsOfJob } from './judged-job.ts';
import { firstLossOf, type LossChance, lossChances, lossOf } from './loss-chance.ts';
import { orderRisk, type StationRisk } from '../hole-plan/order-risk.ts';
import { bowTooLarge, type WarpReport } from './warp-report.ts';
import { perHourOf } from '../../crib/shop-rates.ts';

/** What one operation puts at risk where it stands. */
export interface OperationRisk extends StationRisk {
  readonly name: string;
  readonly ways: readonly LossChance[];
}

export interface JobRisk {
  /** In the order of the route. */
  readonly operations: readonly OperationRisk[];
  /** Chance that a part is lost somewhere on its way. */
  readonly lost: number;
  /** The same of the first piece, which shows what the model is wrong about. */
  readonly firstLost: number;
  /** Expected loss of a part in this order, in the shop's money. */
  readonly expectedLoss: number;
  /** Blank as it comes in; assumed where nobody stated its price. */
  readonly blankValue: number;
  readonly assumed: boolean;
  /** The order of each setup that costs least within what has to come before what. */
  readonly better: { readonly order: readonly (readonly string[])[]; readonly expectedLoss: number } | null;
  /** Chance that the spares make up for what is lost. */
  readonly sparesEnough: number;
}

/** A blank nobody priced, in hours of the machine. */
const BLANK_HOURS = 0.5;
/** A better order is told of when it saves so much of what is expected to be lost. */
const WORTH = 0.05;

/** Operations an operation has to come after, within its setup. */
function before(o: JudgedOperation, all: readonly JudgedOperation[]): string[] {
  const at = all.indexOf(o);
  const opens = (x: JudgedOperation): boolean => kindOf(x.document).opens(x.document);
  const finishes = (x: JudgedOperation): boolean =>
    x.document.kind === 'milling'
      ? x.document.feature.allowanceMm === 0
      : isHole(x.document) && x.document.hole.toleranceMm !== null;
  return all
    .filter((x, i) => {
      if (x === o || i > at) return false;
      if (opens(x)) return true;
      if (o.holeId !== null && x.holeId === o.holeId) return true;
      // What makes a size comes behind all roughing.
      return finishes(o) && !finishes(x);
    })
    .map((x) => x.id);
}

/** An operation as its order is sought. */
interface Placed {
  readonly id: string;
  readonly minutes: number;
  readonly chance: number;
  /** Operations that have to come before it. */
  readonly needs: readonly string[];
}

/**
 * The order of one setup with the least expected loss: the likeliest loss for its minutes comes first, where what has to be done
 * before it goes along with it. Exchange argument as for weighted completion times (Smith 1956), chains after Sidney 1975.
 */
export function leastRiskOrder(stations: readonly Placed[]): string[] {
  const left = new Map(stations.map((s) => [s.id, s]));
  const order: string[] = [];
  /** A station with all it still needs, in the order they stand. */
  const chainOf = (id: string, chain: Placed[] = []): Placed[] => {
    const s = left.get(id);
    if (!s || chain.includes(s)) return chain;
    for (const need of s.needs) chainOf(need, chain);
    chain.push(s);
    return chain;
  };
  while (left.size > 0) {
    const best = [...left.keys()]
      .map((id) => {
        const chain = chainOf(id);
        const chance = chain.reduce((sum, s) => sum + s.chance, 0);
        const minutes = chain.reduce((sum, s) => sum + s.minutes, 0);
        return { chain, ratio: chance / Math.max(1e-6, minutes) };
      })
      .reduce((a, b) => (b.ratio > a.ratio * (1 + 1e-9) ? b : a));
    for (const s of best.chain) {
      order.push(s.id);
      left.delete(s.id);
    }
  }
  return order;
}

/** Chance that at most `spares` of `parts` are lost. */
export function enoughSpares(lost: number, parts: number, spares: number): number {
  const [p, n] = [Math.min(1, Math.max(0, lost)), parts + spares];
  if (p === 0) return 1;
  let term = (1 - p) ** n;
  // Too small to be held as a number: more is lost than there is, all but surely.
  if (term === 0) return 0;
  let sum = term;
  for (let k = 1; k <= spares; k++) {
    term *= ((n - k + 1) / k) * (p / (1 - p));
    sum += term;
  }
  return Math.min(1, sum);
}

/** What the blank is worth where a hole states what is in the part when it is made; null where none does. */
function statedValue(
  job: JudgedJob,
  stations: readonly { readonly minutes: number }[],
  perMinute: number,
): number | null {
  const operations = operationsOfJob(job);
  const at = operations.findIndex((o) => isHole(o.document) && o.document.hole.partValue !== null);
  const hole = operations[at]?.document;
  if (!hole || !isHole(hole) || hole.hole.partValue === null) return null;
  const before = stations.slice(0, at).reduce((sum, s) => sum + s.minutes, 0);
  return Math.max(0, hole.hole.partValue - before * perMinute);
}

/** What each operation of a job puts at risk, all ways a part is lost there counted, and the order that costs least. */
export function jobRisk(
  job: JudgedJob,
  minutes: JobMinutes,
  holdings: readonly HoldingReport[],
  warp: WarpReport | null,
): JobRisk {
  const { rates, plan } = job;
  const perMinute = rates.machinePerHour / 60;
  const chances = new Map(holdings.flatMap((h) => h.operations ?? []).map((h) => [h.id, h.chance]));
  // What bowed shows where the last setup locates on it.
  const bows = job.setups.filter((s) => s.operations.length > 0).at(-1)?.operations[0]?.id;
  const ways = new Map(
    operationsOfJob(job).map((o) => [
      o.id,
      lossChances(o, chances.get(o.id), o.id === bows ? bowTooLarge(warp) : 0),
    ]),
  );
  const lastOf = new Map<string, string>();
  const stations = job.setups.flatMap((s) =>
    s.operations.map((o) => {
      const m = minutes.operations[o.id]!;
      const after = o.holeId === null ? null : (lastOf.get(o.holeId) ?? null);
      if (o.holeId !== null) lastOf.set(o.holeId, o.id);
      // Minutes at the rate of the machine they are spent on.
      const weight = perHourOf(rates, o.document.machineId) / 60 / perMinute;
      return {
        id: o.id,
        setup: s.id,
        minutes: (m.cutting + m.linking + m.edgeChanges) * weight,
        chance: lossOf(ways.get(o.id)!),
        after,
        fine:
          o.document.kind === 'milling'
            ? o.document.feature.allowanceMm === 0
            : isHole(o.document) && o.document.hole.toleranceMm !== null,
        clears: !isHole(o.document),
        opens: kindOf(o.document).opens(o.document),
        needs: before(o, s.operations),
      };
    }),
  );
  const stated = statedValue(job, stations, perMinute);
  const blankValue = plan.blankPrice ?? stated ?? BLANK_HOURS * rates.machinePerHour;
  const reckon = (order: typeof stations) => orderRisk(order, blankValue, perMinute);
  const now = reckon(stations);
  const names = new Map(operationsOfJob(job).map((o) => [o.id, o.name]));
  const total = (list: readonly StationRisk[]): number => list.reduce((sum, r) => sum + r.expectedLoss, 0);
  const order = job.setups.map((s) => leastRiskOrder(stations.filter((x) => x.setup === s.id)));
  const placed = order.flat().map((id) => stations.find((s) => s.id === id)!);
  const [loss, least] = [total(now), total(reckon(placed))];
  const lost = 1 - now.reduce((kept, r) => kept * (1 - r.chance), 1);
  return {
    operations: now.map((r) => ({ ...r, name: names.get(r.id)!, ways: ways.get(r.id)! })),
    lost,
    firstLost: 1 - [...ways.values()].reduce((kept, w) => kept * (1 - firstLossOf(w)), 1),
    expectedLoss: loss,
    blankValue,
    assumed: plan.blankPrice === null && stated === null,
    better: least < loss * (1 - WORTH) ? { order, expectedLoss: least } : null,
    sparesEnough: enoughSpares(lost, job.quantity, plan.spares),
  };
}
