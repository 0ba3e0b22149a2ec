import {
  type Evaluation,
  type FirstCut,
  fittingHolders,
  isLaidOut,
  type LayOutWish,
  type MillingOperation,
  type Operation,
  type OperationContext,
  SEVERITY,
  type StrategyLayout,
  type StrategyRefusal,
  type System,
} from '@burl/core';
import { type Crib, ONE_PART } from '@burl/contract';
import { useMemo } from 'react';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { cuttersFor, inputOf, nameOf } from '../../judging/new-operation.ts';
import { offered, offerOf } from '../../judging/offer.ts';
import { question } from '../../workers/question.ts';
import { type Heavy, useHeavy } from '../../workers/use-heavy.ts';
import type { QuickQuestion } from './quick-question.ts';
import { withTaken } from './taken-cut.ts';

/** A cut that somebody asked for: balanced to nine in ten, cheapest within it. */
const WISH: LayOutWish = { objective: 'cost', confidence: 0.9, budget: 500 };
/** Tools tried before it is said that none can. */
const TRIED = 12;

export interface Answered {
  readonly op: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
}

/** A first answer at once, the balanced one when its worker has it. */
export interface Quick {
  readonly answer: Answered | null;
  /** Why there is none. */
  readonly wrong: string | null;
  readonly name: string;
  readonly work: Heavy<unknown> | null;
  /** Tools of the crib for it, best first, as far as they are worked out. */
  readonly ranking: readonly FirstCut[] | null;
}

/** What can be said of a document in this crib; null when it cannot be judged. */
export function answeredBy(crib: Crib, op: Operation): Answered | null {
  const context = contextOf(crib, op, ONE_PART);
  const evaluation = context && judge(op, context).evaluation;
  return context && evaluation ? { op, context, evaluation } : null;
}

/** The answer in the first holder that grips well enough, where the usual one does not. */
function inFirmHolder(crib: Crib, answer: Answered): Answered {
  if (answer.evaluation.governing !== 'holder-grip') return answer;
  const { op, context } = answer;
  const others = fittingHolders(
    offered(crib.holders).map((h) => h.document),
    context.machine,
    context.cutter,
  );
  for (const holder of others) {
    const held = answeredBy(crib, { ...op, tooling: { ...op.tooling, holderId: holder.id } });
    if (held && held.evaluation.governing !== 'holder-grip') return held;
  }
  return answer;
}

/** The first cut of a tool for the question; drills of one diameter are tried, the least doubtful and quickest is taken. */
function firstAnswer(crib: Crib, q: QuickQuestion, system: System): Answered | string {
  const group = crib.alloys.find((a) => a.id === q.alloyId)?.document.iso513_group;
  if (!group) return 'Choose an alloy.';
  if (!crib.machines.some((m) => m.id === q.machineId)) return 'Choose a machine.';
  const job = { alloyId: q.alloyId, machineId: q.machineId, ...ONE_PART };
  const tools = q.what.cutterId
    ? [q.what.cutterId]
    : cuttersFor(crib, q.what, (groups) => groups.includes(group))
        .slice(0, TRIED)
        .map((c) => c.id);
  let wrong = 'No tool in the crib is made for this.';
  const found: Answered[] = [];
  for (const cutterId of tools) {
    const input = inputOf(crib, job, { ...q.what, cutterId }, '', system);
    if (typeof input === 'string') {
      wrong = input;
      continue;
    }
    const answer = answeredBy(crib, q.taken ? withTaken(input.document, q.taken) : input.document);
    if (answer) found.push(inFirmHolder(crib, answer));
    else wrong = 'These numbers cannot be run with this tool; take some of them back.';
    if (found.length > 0 && q.what.made !== 'hole') break;
  }
  const exact = (a: Answered) => Math.abs((a.context.cutter.properties.DC ?? 0) - q.what.diameterMm);
  found.sort(
    (a, b) =>
      (q.what.made === 'hole' ? exact(a) - exact(b) : 0) ||
      SEVERITY[a.evaluation.state] - SEVERITY[b.evaluation.state] ||
      a.evaluation.time.cutting - b.evaluation.time.cutting,
  );
  return found[0] ?? wrong;
}

export function useQuick(crib: Crib, q: QuickQuestion, system: System): Quick {
  const begun = useMemo(() => firstAnswer(crib, q, system), [crib, q, system]);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const first = typeof begun === 'string' ? null : begun;
  const milling = first?.op.kind === 'milling' && !q.taken ? (first.op as MillingOperation) : null;
  const choices = useHeavy<readonly FirstCut[]>(
    'rank',
    milling && first ? question('first-cuts', milling, first.context, crib.cutters.length) : null,
    (api) => api.firstCuts(milling!, first!.context, offer),
    40,
  );
  const ranking = milling && choices.data && !choices.stale ? choices.data : null;
  const best = !q.what.cutterId && ranking?.[0] ? ranking[0].operation : null;
  const chosen = useMemo(() => (best ? answeredBy(crib, best) : first), [crib, best, first]);
  // Numbers one would begin with that are over a limit here are balanced before they are told.
  const over = milling && chosen?.evaluation.state === 'over' ? chosen : null;
  const balanced = useHeavy<StrategyLayout | StrategyRefusal>(
    'compare',
    over && question('quick', over.op, over.context, WISH),
    (api) => {
      const op = over!.op as MillingOperation;
      return api.layOut(op, over!.context, op.path.strategy, WISH);
    },
    60,
  );
  const better =
    over && balanced.data && !balanced.stale && isLaidOut(balanced.data) ? balanced.data.operation : null;
  const settled = useMemo(() => (better ? answeredBy(crib, better) : null), [crib, better]);
  return {
    answer: settled ?? chosen,
    wrong: typeof begun === 'string' ? begun : null,
    name: nameOf(q.what),
    work: over ? balanced : choices,
    ranking,
  };
}
