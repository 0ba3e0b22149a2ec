import type { Evaluation } from '../../evaluation/evaluation.ts';
import { kindOf } from '../../evaluation/registry.ts';
import { isHole } from '../../operations/hole-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { chanceLost } from '../../operations/holes/hole-risk.ts';
import { orderRisk, type Station, type StationRisk } from './order-risk.ts';
import { USUAL_PART_VALUE } from './plan-hole.ts';

/** An operation of a route as it is judged. */
export interface RouteEntry {
  readonly id: string;
  readonly setup: string;
  readonly holeId: string | null;
  readonly document: Operation;
  readonly evaluation: Evaluation;
}

export interface RouteRisk {
  readonly risks: ReadonlyMap<string, StationRisk>;
  /** Chance that a part is lost somewhere on its way. */
  readonly lost: number;
  readonly expectedLoss: number;
  /** What the blank is taken to be worth; nobody stated a value of the part where `assumed`. */
  readonly blankValue: number;
  readonly assumed: boolean;
}

/** Usual machine minute where the shop has not stated its own. */
const USUAL_PER_MINUTE = 1.5;

/** What each operation of a route puts at risk, in its order. A stated value of the part fixes what the blank is worth. */
export function routeRisk(route: readonly RouteEntry[]): RouteRisk {
  const stated = route.find((r) => r.document.economics.machinePerHour !== null);
  const perMinute = (stated?.document.economics.machinePerHour ?? 60 * USUAL_PER_MINUTE) / 60;
  let before = 0;
  let blankValue: number | null = null;
  for (const { document, evaluation } of route) {
    if (blankValue === null && isHole(document) && document.hole.partValue !== null)
      blankValue = Math.max(0, document.hole.partValue - before * perMinute);
    before += evaluation.time.perPart;
  }
  const lastOf = new Map<string, string>();
  const stations = route.map((r): Station => {
    const after = r.holeId === null ? null : (lastOf.get(r.holeId) ?? null);
    if (r.holeId !== null) lastOf.set(r.holeId, r.id);
    const fine = isHole(r.document) && r.document.hole.toleranceMm !== null;
    return {
      id: r.id,
      setup: r.setup,
      minutes: r.evaluation.time.perPart,
      chance: chanceLost(r.evaluation.risk, r.document.featuresPerPart),
      after,
      fine,
      opens: kindOf(r.document).opens(r.document),
    };
  });
  const risks = orderRisk(stations, blankValue ?? USUAL_PART_VALUE, perMinute);
  return {
    risks: new Map(risks.map((r) => [r.id, r])),
    lost: 1 - risks.reduce((kept, r) => kept * (1 - r.chance), 1),
    expectedLoss: risks.reduce((sum, r) => sum + r.expectedLoss, 0),
    blankValue: blankValue ?? USUAL_PART_VALUE,
    assumed: blankValue === null,
  };
}

/** The order of a setup with one operation and the steps before it in the same hole brought to the front of it. */
export function broughtEarly(
  route: readonly { readonly id: string; readonly holeId: string | null }[],
  id: string,
  place: number,
): string[] {
  const moving = route.find((r) => r.id === id);
  if (!moving) return route.map((r) => r.id);
  const at = route.indexOf(moving);
  const chain = route
    .filter((r, i) => i <= at && (r.id === id || (moving.holeId !== null && r.holeId === moving.holeId)))
    .map((r) => r.id);
  const rest = route.map((r) => r.id).filter((r) => !chain.includes(r));
  const front = route.slice(0, place).filter((r) => !chain.includes(r.id)).length;
  return [...rest.slice(0, front), ...chain, ...rest.slice(front)];
}
