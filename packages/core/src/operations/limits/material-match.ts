import type { CutState } from '../cut-state.ts';
import { say } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import type { LimitState } from '../../judging/result.ts';
import type { Limit } from '../../judging/limit.ts';

/** Words the crib's coatings use for an alloy family. */
const FAMILY_WORDS: Readonly<Record<string, readonly string[]>> = {
  titanium: ['titanium'],
  nickel: ['nickel'],
  cobalt: ['nickel'],
  aluminium: ['aluminium'],
  magnesium: ['magnesium', 'aluminium'],
  hardened: ['hardened'],
  polymer: ['polymer'],
};

function verdictOf({ alloy, cutter, coating, substrate }: OperationContext): {
  state: LimitState;
  text: string;
} {
  if (!cutter.suits_iso_groups.includes(alloy.iso513_group)) {
    return {
      state: 'over',
      text: `${cutter.name} is rated for ISO ${cutter.suits_iso_groups.join(', ')}; ${alloy.name} is ISO ${alloy.iso513_group}.`,
    };
  }
  const words = FAMILY_WORDS[alloy.family] ?? [];
  const avoided = coating.avoid_for.find((a) => words.some((w) => a.startsWith(w)));
  if (avoided) {
    return {
      state: 'tight',
      text: `${coating.name} is to be avoided in ${avoided}; ${alloy.coatings.prefer[0] ?? 'another coating'} is preferred.`,
    };
  }
  return { state: 'clear', text: `${coating.name} on ${substrate.name} suits ${alloy.name}.` };
}

/** A cutter ground or coated for another family of materials. Rules G-20 to G-24. */
export const materialMatchLimit: Limit<CutState> = {
  id: 'material-match',
  reads: 'setup',
  group: 'cutter',
  name: 'tool for this material',
  ofCutter: true,
  assess({ context }) {
    const { state, text } = verdictOf(context);
    return {
      predicted: null,
      allowed: null,
      share: null,
      verdict: state,
      why: () => say(text),
      formula: 'ISO 513 group among the cutter’s; coating not among those to avoid',
      inputs: () => [],
      source: 'judgement rules G-20 to G-24',
    };
  },
};
