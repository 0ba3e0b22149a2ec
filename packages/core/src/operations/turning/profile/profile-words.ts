import { measure, type Measure, say, type Sentence } from '../../../units/sentence.ts';
import type { TurnedProfile } from './turned-profile.ts';

/** A profile in words, from the free end towards the jaws: “Profile from the free end: ⌀20 over 15; cone to ⌀30 over 10; …”. */
export function profileNote({ startMm, elements, skinMm }: TurnedProfile): Sentence {
  const numbers: Measure[] = [];
  const mm = (value: number): string => `{${numbers.push(measure(value, 'mm')) - 1}}`;
  const pieces = elements.map((e) => {
    const over = e.lengthMm > 0 ? ` over ${mm(e.lengthMm)}` : '';
    if (e.kind === 'step') return e.lengthMm > 0 ? `⌀${mm(e.toMm)}${over}` : `shoulder to ⌀${mm(e.toMm)}`;
    if (e.kind === 'cone') return `cone to ⌀${mm(e.toMm)}${over}`;
    return `${e.side} arc ${mm(e.radiusMm ?? 0)} to ⌀${mm(e.toMm)}${over}`;
  });
  const begins = elements[0]?.kind === 'step' ? '' : `⌀${mm(startMm)}; `;
  const skin = skinMm === null ? '' : ` Allowance before the cut ${mm(skinMm)} on the radius.`;
  return say(`Profile from the free end: ${begins}${pieces.join('; ')}.${skin}`, ...numbers);
}
