import { heldOf } from '../held-of.ts';
import type { MillingState } from '../milling-state.ts';
import { HOLDINGS } from '../../../physics/holding/holdings.ts';
import type { Estimate } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { type Assessment, input, type Limit, used } from '../../../judging/limit.ts';

/** A force against what was declared to hold it; unproven where nothing was declared. */
function heldAgainst(
  asked: Estimate,
  capacity: number | null,
  factor: number,
  words: { readonly push: string; readonly against: string; readonly missing: string },
  { formula, inputs, source }: Pick<Assessment, 'formula' | 'inputs' | 'source'>,
): Assessment {
  if (capacity === null) {
    return {
      formula,
      inputs,
      source,
      predicted: { estimate: asked, unit: 'N' },
      allowed: null,
      share: null,
      verdict: 'unproven',
      why: () => say(`${words.push} {0}; ${words.missing}.`, measure(asked.value, 'N')),
    };
  }
  return {
    formula,
    inputs,
    source,
    predicted: { estimate: asked, unit: 'N' },
    allowed: { value: capacity / factor, unit: 'N', from: `${words.against} over ${factor}` },
    ...used(asked, capacity / factor),
    why: () =>
      say(
        `${words.push} {0}; {2} allowed (${words.against} {1}).`,
        measure(asked.value, 'N'),
        measure(capacity, 'N'),
        measure(capacity / factor, 'N'),
      ),
  };
}

/** The part must not slide: planar force, and lifting force where no holding against it is declared apart. */
export const workholdingLimit: Limit<MillingState> = {
  id: 'workholding',
  group: 'strength',
  name: 'workholding',
  asks: 'forces',
  assess({ op, context, sideForceN, liftN }) {
    const workholding = heldOf(op, context);
    const factor = HOLDINGS[workholding.kind].factor;
    const together = workholding.liftCapacityN === null ? liftN.value : 0;
    const asked = { value: Math.hypot(sideForceN.value, together), terms: sideForceN.terms };
    return heldAgainst(
      asked,
      workholding.capacityN,
      factor,
      {
        push: 'Cutting force',
        against: 'holding force',
        missing: `no holding force entered for ${workholding.kind}`,
      },
      {
        formula: '√(Fxy² + Flift²) ≤ capacity / factor',
        inputs: () => [
          input('Fxy', 'peak radial force', sideForceN.value, 'N'),
          input('Flift', 'lifting force counted here', together, 'N'),
          input('factor', 'safety factor', factor, 'ratio'),
        ],
        source: 'milling forces through one revolution; declared holding',
      },
    );
  },
};

/** The part must not be lifted: a helix pulls it up, and a vacuum or a glue line peels sooner than it slides. */
export const workholdingLiftLimit: Limit<MillingState> = {
  id: 'workholding-lift',
  group: 'strength',
  name: 'part lift',
  asks: 'forces',
  assess({ op, context, liftN }) {
    const workholding = heldOf(op, context);
    if (workholding.liftCapacityN === null) return null;
    const factor = HOLDINGS[workholding.kind].factor;
    return heldAgainst(
      liftN,
      workholding.liftCapacityN,
      factor,
      { push: 'Lifting force', against: 'vertical holding force', missing: '' },
      {
        formula: 'Flift ≤ capacity / factor',
        inputs: () => [
          input('Flift', 'peak lifting force', liftN.value, 'N'),
          input('factor', 'safety factor', factor, 'ratio'),
        ],
        source: 'milling forces through one revolution; declared holding',
      },
    );
  },
};
