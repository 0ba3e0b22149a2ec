import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { TurningOperation } from './turning-operation.ts';

const SUPPORT = { chuck: '', tailstock: ', tailstock', steady: ', steady rest' } as const;

/** A turned stretch in words: “⌀55 mm to ⌀48 mm over 60 mm, 80 mm out of the jaws”. */
export function turnedSentence({ stretch: s }: TurningOperation): Sentence {
  const out = `{3} out of the jaws${SUPPORT[s.support]}${s.interrupted ? ', interrupted' : ''}`;
  return say(
    s.way === 'face'
      ? `face ⌀{0} to ${s.endMm > 0 ? '⌀{1}' : 'the centre'}, {2} off, ${out}`
      : `⌀{0} to ⌀{1} over {2}, ${out}`,
    measure(s.startMm, 'mm'),
    measure(s.endMm, 'mm'),
    measure(s.lengthMm, 'mm'),
    measure(s.overhangMm, 'mm'),
  );
}
