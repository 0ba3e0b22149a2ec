import { evaluate, problemsOf } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { WHOLE_CRIB as CRIB } from '../../test/crib.ts';
import { contextOf } from './context.ts';
import { cuttersFor, FIRST, inputOf, MILLED, type NewOperation, withMade } from './new-operation.ts';

const MADE = Object.keys(MILLED) as (keyof typeof MILLED)[];
const ALLOYS = ['1045', '316l', '718-aged', '6061-t6'] as const;

/** The operation one gets who changes nothing but what is cut. */
function firstOf(made: NewOperation['made'], alloyId: string) {
  const job = { alloyId, machineId: 'vmc40-22kw-direct', quantity: 4, heatLot: '' };
  const group = CRIB.alloys.find((a) => a.id === alloyId)!.document.iso513_group;
  const typed = withMade(FIRST, made);
  const [cutter] = cuttersFor(CRIB, typed, (groups) => groups.includes(group));
  const input = inputOf(CRIB, job, { ...typed, cutterId: cutter?.id ?? '' }, 's', 'metric');
  if (typeof input === 'string') throw new Error(`${made} in ${alloyId}: ${input}`);
  const context = contextOf(CRIB, input.document, job)!;
  return { op: input.document, name: input.name, context, cutter: cutter! };
}

describe('what is milled with sizes and tools of its own', () => {
  it.each(MADE.flatMap((made) => ALLOYS.map((alloy) => [made, alloy] as const)))(
    '%s in %s: the first cut can be run',
    (made, alloy) => {
      const { op, context } = firstOf(made, alloy);
      expect(problemsOf(op, context)).toEqual([]);
      const over = evaluate(op, context)
        .limits.filter((l) => l.state === 'over')
        .map((l) => `${l.id}: ${l.why.text} ${JSON.stringify(l.why.measures.map((m) => m.value))}`);
      expect([context.cutter.id, ...over]).toEqual([context.cutter.id]);
    },
  );
});
