import { evaluate, type MillingOperation, problemsOf } from '@burl/core';
import { describe, expect, it } from 'vitest';
import { madeOf } from '../../test/made.ts';
import { MILLED } from './new-operation.ts';

const MADE = Object.keys(MILLED) as (keyof typeof MILLED)[];
const ALLOYS = ['1045', '316l', '718-aged', '6061-t6'] as const;

describe('what is milled with sizes and tools of its own', () => {
  it.each(MADE.flatMap((made) => ALLOYS.map((alloy) => [made, alloy] as const)))(
    '%s in %s: the first cut can be run',
    (made, alloy) => {
      const { op, context } = madeOf(made, alloy);
      expect(problemsOf(op, context)).toEqual([]);
      const over = evaluate(op, context)
        .limits.filter((l) => l.state === 'over')
        .map((l) => `${l.id}: ${l.why.text} ${JSON.stringify(l.why.measures.map((m) => m.value))}`);
      expect([context.cutter.id, ...over]).toEqual([context.cutter.id]);
    },
  );

  it('is fed as a shop would: finishing by its marks, heads on necks well inside their window', () => {
    for (const alloy of ALLOYS)
      for (const made of ['finish wall', 'finish floor', 'finish floor and wall', 'finish rib'] as const) {
        const { op, context } = madeOf<MillingOperation>(made, alloy);
        const share = op.cut.feedPerToothMm / context.cutter.properties.DC!;
        expect([made, alloy, share > 0.002, share < 0.013]).toEqual([made, alloy, true, true]);
      }
    for (const made of ['T-slot', 'dovetail', 'ring groove in a bore', 'groove in a wall'] as const) {
      const { op, context } = madeOf<MillingOperation>(made, '1045');
      const [low, high] = context.cutter.extended.fz_window_mm!;
      expect(op.cut.feedPerToothMm).toBeGreaterThan(low);
      expect(op.cut.feedPerToothMm).toBeLessThan(0.7 * high);
    }
  });
});
