import { measure, say, type Sentence } from '../../units/sentence.ts';
import { type GroovingOperation, grooveDepth } from '../grooving/grooving-operation.ts';
import type { ThreadTurningOperation } from '../thread-turning/thread-turning-operation.ts';
import type { TurningOperation } from '../turning/turning-operation.ts';
import type { PartSupport } from './held-part.ts';
import type { TurnedOperation } from './turned-kinds.ts';

const SUPPORT: Readonly<Record<PartSupport, string>> = {
  chuck: '',
  tailstock: ', tailstock',
  steady: ', steady rest',
};

function stretchSentence({ stretch: s }: TurningOperation): Sentence {
  const out = `{3} out of the jaws${SUPPORT[s.support]}${s.interrupted ? ', interrupted' : ''}`;
  return say(
    s.way === 'face'
      ? `face ⌀{0} to ${s.endMm > 0 ? '⌀{1}' : 'the centre'}, {2} off, ${out}`
      : `${s.profile ? 'profile ' : ''}⌀{0} to ⌀{1} over {2}, ${out}`,
    measure(s.startMm, 'mm'),
    measure(s.endMm, 'mm'),
    measure(s.lengthMm, 'mm'),
    measure(s.overhangMm, 'mm'),
  );
}

function grooveSentence(op: GroovingOperation): Sentence {
  const { groove: g } = op;
  const out = `{3} out of the jaws${SUPPORT[g.support]}`;
  if (g.way === 'part-off')
    return say(
      `part off ⌀{0}${g.endMm > 0 || g.boreMm > 0 ? ' to ⌀{1}' : ''}, part {2} long, ${out}`,
      measure(g.startMm, 'mm'),
      measure(Math.max(g.endMm, g.boreMm), 'mm'),
      measure(g.fromEndMm, 'mm'),
      measure(g.overhangMm, 'mm'),
    );
  return say(
    g.way === 'face'
      ? `groove in the face ⌀{0} to ⌀{1}, {2} deep, ${out}`
      : `groove ⌀{0} to ⌀{1}, {2} wide, {4} from the end, ${out}`,
    measure(g.startMm, 'mm'),
    measure(g.endMm, 'mm'),
    measure(g.way === 'face' ? grooveDepth(g) : g.lengthMm, 'mm'),
    measure(g.overhangMm, 'mm'),
    measure(g.fromEndMm, 'mm'),
  );
}

const threadSentence = ({ thread, turned: t }: ThreadTurningOperation): Sentence =>
  say(
    `${thread.designation}${t.leftHand ? ' LH' : ''} ${t.internal ? 'inside' : 'outside'}, {0} long, {1} out of the jaws${SUPPORT[t.support]}`,
    measure(t.lengthMm, 'mm'),
    measure(t.overhangMm, 'mm'),
  );

/** What is turned in words: “⌀55 mm to ⌀48 mm over 60 mm, 80 mm out of the jaws”. */
export function turnedSentence(op: TurnedOperation): Sentence {
  if (op.kind === 'turning') return stretchSentence(op);
  return op.kind === 'grooving' ? grooveSentence(op) : threadSentence(op);
}
