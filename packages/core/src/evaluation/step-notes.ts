import { type HoleOperation, hasThread } from '../operations/hole-operation.ts';
import type { Operation } from '../operations/operation.ts';
import { measure, say, type Sentence } from '../units/sentence.ts';
import { kindOf } from './registry.ts';

/** The hole of a step in one sentence: size, depth, what is there before. */
export function holeSentence(op: HoleOperation): Sentence {
  const { hole } = op;
  const size = hasThread(op) ? op.thread.designation : '⌀{0}';
  const before = hole.startMm > 0 ? ', pre-hole {2}' : '';
  const piloted = hole.piloted && hole.startMm === 0 ? ', piloted' : '';
  return say(
    `${kindOf(op).verb(op)} ${size}, {1} deep, ${hole.through ? 'through' : 'blind'}${before}${piloted}`,
    measure(hole.diameterMm, 'mm'),
    measure(hole.depthMm, 'mm'),
    measure(hole.startMm, 'mm'),
  );
}

/** What the setter has to know of an operation that no number says. */
export const stepNotes = (op: Operation): readonly Sentence[] => kindOf(op).notes(op);
