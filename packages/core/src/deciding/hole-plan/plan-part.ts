import type { HoleDemand } from './hole-demand.ts';
import { type Alternative, type HolePlan, planHole, type StepChanges } from './plan-hole.ts';
import type { Shop } from './shop.ts';

/** One kind of hole of a part with what was chosen for it. */
export interface PlannedKind {
  readonly id: string;
  readonly demand: HoleDemand;
  /** Id of the alternative taken; null takes the recommended one. */
  readonly chosen: string | null;
  readonly changes: Readonly<Record<string, StepChanges>>;
}

/** A tool and the kinds of holes it serves. */
export interface SharedTool {
  readonly cutterId: string;
  readonly name: string;
  readonly serves: readonly { readonly kindId: string; readonly step: string; readonly holes: number }[];
}

export interface PartPlan {
  readonly plans: ReadonlyMap<string, HolePlan>;
  readonly holes: number;
  /** Minutes of a part for all kinds, and how many of them a shared tool saves in changes. */
  readonly minutes: number;
  readonly savedMin: number;
  readonly tools: readonly SharedTool[];
  readonly lost: number;
}

export const chosenOf = (plan: HolePlan, chosen: string | null): Alternative | null =>
  plan.alternatives.find((a) => a.id === (chosen ?? plan.recommended) && a.refused === null) ??
  plan.alternatives.find((a) => a.id === plan.recommended) ??
  null;

/**
 * All holes of a part: each kind with its alternatives, the tools they share, and minutes with each tool loaded once for
 * all kinds it serves. Throws an InputError on an impossible demand.
 */
export function planPart(shop: Shop, kinds: readonly PlannedKind[]): PartPlan {
  const plans = new Map(kinds.map((k) => [k.id, planHole(shop, k.demand, k.changes)]));
  const tools = new Map<string, { name: string; serves: SharedTool['serves'][number][] }>();
  let [minutes, holes, loads, kept] = [0, 0, 0, 1];
  for (const k of kinds) {
    const plan = plans.get(k.id)!;
    const taken = chosenOf(plan, k.chosen);
    holes += plan.count;
    if (!taken) continue;
    minutes += taken.minutes;
    kept *= 1 - taken.lost;
    for (const step of taken.steps) {
      if (step.leftOut) continue;
      loads++;
      const { cutter } = step.context;
      const found = tools.get(cutter.id) ?? { name: cutter.name, serves: [] };
      found.serves.push({ kindId: k.id, step: step.name, holes: plan.count });
      tools.set(cutter.id, found);
    }
  }
  const savedMin = ((loads - tools.size) * shop.machine.tool_change_s) / 60;
  return {
    plans,
    holes,
    minutes: minutes - savedMin,
    savedMin,
    tools: [...tools].map(([cutterId, t]) => ({ cutterId, ...t })),
    lost: 1 - kept,
  };
}
