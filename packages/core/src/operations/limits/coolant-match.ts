import { capital } from '../../units/capital.ts';
import { isPolymer } from '../../crib/alloy.ts';
import type { CutState } from '../cut-state.ts';
import type { LimitState } from '../../judging/result.ts';
import { say } from '../../units/sentence.ts';
import type { Limit } from '../../judging/limit.ts';

/** Rating of the crib from which fine chips catch fire in the cut: titanium and magnesium, not aluminium. */
const BURNS = 2;
const WET = new Set(['flood', 'through-tool']);

function verdictOf({ op, context: { alloy, machine, cutter } }: CutState): {
  state: LimitState;
  text: string;
} {
  const kind = op.coolant;
  const has = machine.coolant;
  const available =
    kind === 'dry' ||
    (kind === 'flood' && has.flood) ||
    (kind === 'through-tool' && has.through_spindle) ||
    (kind === 'air' && has.air_blast) ||
    (kind === 'mist' && has.mql);
  if (!available) return { state: 'over', text: `${machine.name} has no ${kind} coolant.` };
  if (kind === 'through-tool' && cutter.extended.through_coolant !== true) {
    return { state: 'over', text: `${cutter.name} has no channels for coolant through the tool.` };
  }
  const wantsWet = /^Flood/.test(alloy.coolant);
  const mistWillDo = /minimum-quantity/.test(alloy.coolant);
  if (wantsWet && !WET.has(kind) && !(mistWillDo && kind === 'mist')) {
    const fire = alloy.ratings_0_3.fire >= BURNS;
    return {
      state: fire || (alloy.iso513_group === 'S' && !mistWillDo) ? 'over' : 'tight',
      text: `${alloy.name} needs flood or coolant through the tool${fire ? '; its chips burn' : ''}; ${kind} is set.`,
    };
  }
  if (/^Air/.test(alloy.coolant) && kind === 'flood' && op.kind === 'milling') {
    return {
      state: 'tight',
      text: isPolymer(alloy)
        ? `Air clears the chips of ${alloy.name} as well; some fluids crack a stressed polymer or soak in.`
        : `Flood quenches the edge each turn in ${alloy.name}; air or mist avoids comb cracks.`,
    };
  }
  if (/^Dry/.test(alloy.coolant) && WET.has(kind)) {
    return {
      state: 'tight',
      text: `${alloy.name} is cut dry as a rule; wet fines are a hazard of their own.`,
    };
  }
  return { state: 'clear', text: `${kind} suits ${alloy.name} and the machine has it.` };
}

/** Coolant the alloy wants, the machine has and the tool can carry. Rules G-30 to G-33. */
export const coolantMatchLimit: Limit<CutState> = {
  id: 'coolant-match',
  reads: 'setup',
  group: 'heat and life',
  name: 'coolant',
  ofCutter: true,
  assess(state) {
    const { state: verdict, text } = verdictOf(state);
    return {
      predicted: null,
      allowed: null,
      share: null,
      verdict,
      why: () => say(capital(text)),
      formula: 'kind among those of alloy, machine and tool',
      inputs: () => [],
      source: 'judgement rules G-30 to G-33',
    };
  },
};
