import { chosenVariant } from './chosen-variant.ts';
import type { Evaluation, JudgedJob, JudgedSetup, Operation, OperationContext } from '@burl/core';
import type { Crib } from './crib.ts';
import type { JobDetail, Setup } from './jobs.ts';

/** An operation judged in its context; null where it cannot be. */
export type JudgeOne = (
  document: Operation,
  setup: Setup,
) => { readonly context: OperationContext; readonly evaluation: Evaluation } | null;

/** A job as it is planned as a batch: the chosen variant of every operation that can be judged; null without its alloy. */
export function judgedJobOf(
  {
    job,
    setups,
  }: Pick<JobDetail, 'setups'> & { readonly job: Pick<JobDetail['job'], 'alloyId' | 'quantity' | 'plan'> },
  crib: Pick<Crib, 'alloys' | 'rates'>,
  judge: JudgeOne,
): JudgedJob | null {
  const judged = setups.map((s): JudgedSetup => ({
    id: s.id,
    name: s.name,
    plan: s.plan,
    operations: s.operations.flatMap((o) => {
      const chosen = chosenVariant(o);
      const found = chosen && judge(chosen.document, s);
      return found ? [{ id: o.id, name: o.name, holeId: o.holeId, document: chosen.document, ...found }] : [];
    }),
  }));
  // The part is of what its operations cut.
  const cut = judged.flatMap((s) => s.operations)[0]?.context.alloy;
  const alloy = cut ?? crib.alloys.find((a) => a.id === job.alloyId)?.document;
  return alloy
    ? { quantity: job.quantity, plan: job.plan, alloy, rates: crib.rates.rates, setups: judged }
    : null;
}

/** Alloys the operations of a job cut, its own where there are none yet. */
export function alloyIdsOf({ job, setups }: Pick<JobDetail, 'job' | 'setups'>): readonly string[] {
  const ids = setups.flatMap((s) => s.operations.flatMap((o) => chosenVariant(o)?.document.alloyId ?? []));
  return ids.length > 0 ? [...new Set(ids)] : [job.alloyId];
}
