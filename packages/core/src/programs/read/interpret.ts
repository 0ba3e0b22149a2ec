import { NOT_FOLLOWED, CYCLES } from './codes.ts';
import { type Control, makeControl, type Next, type ReadSettings, set, type Sink, size } from './control.ts';
import { emit } from './emit.ts';
import { changeTool, machineWords, ON } from './machine-words.ts';
import { modal, spindleWords } from './modal-words.ts';
import { dwellSeconds, goHome, moveBy, moveZero, setPosition } from './moves.ts';
import type { Notes } from './notes.ts';
import { type Word, wordsOf } from './words.ts';

/** A control as far as path, feed and spindle go: takes line by line, hands on motions. */
export interface Interpreter {
  run(text: string, number: number): Next;
  readonly counts: { deleted: number; moving: number };
  /** Highest speed called for, rpm. */
  readonly fastestRpm: () => number;
  /** Motions handed on so far. */
  readonly moves: () => number;
  readonly tools: readonly number[];
  readonly offsets: ReadonlySet<string>;
}

export function makeInterpreter(settings: ReadSettings, sink: Sink, notes: Notes): Interpreter {
  const c = makeControl(settings, sink, notes);
  return {
    counts: c.counts,
    tools: c.tools,
    offsets: c.offsets,
    fastestRpm: () => c.fastest,
    moves: () => c.moves,
    run: (text, number) => runLine(c, text, number),
  };
}

/** One line of a program. */
function runLine(c: Control, text: string, number: number): Next {
  const line = wordsOf(text, c.variables);
  if (line.deleted && c.settings.blockDelete) {
    c.counts.deleted++;
    return ON;
  }
  if (line.trouble)
    c.notes.add(
      'error',
      line.trouble,
      'cannot be read: what stands before it on the line is followed, the rest is not',
      number,
    );
  if (line.control) {
    c.notes.add(
      'not followed',
      line.control,
      'jumps and loops: the lines are read once, in the order they stand',
      number,
    );
    return ON;
  }
  const words = new Map<string, Word>();
  const g = new Set<number>();
  for (const word of line.words) {
    if (word.letter === 'G') g.add(Math.round(word.value * 10) / 10);
    else if (word.letter !== 'M') words.set(word.letter, word);
  }
  for (const letter of ['A', 'B', 'C'])
    if (words.has(letter)) c.notes.add('not followed', letter, NOT_FOLLOWED[letter]!, number);
  const T = words.get('T');
  if (T) {
    c.staged = Math.trunc(T.value);
    // A lathe turns its turret at the word itself; the last two digits are the offset.
    if (c.lathe) {
      changeTool(c, T.value > 99 ? Math.trunc(T.value / 100) : T.value);
      set(c, { lengthOffset: T.value > 99 ? T.value % 100 : null });
    }
  }
  // A cap by G50 or a surface speed is how a lathe's program is known.
  if (c.settings.lathe === undefined && ((g.has(50) && words.has('S')) || g.has(96))) c.lathe = true;
  spindleWords(c, words, g);
  modal(c, g, words, number);
  if (words.has('H') && !g.has(43)) set(c, { lengthOffset: words.get('H')!.value });
  const F = words.get('F');
  if (F && !g.has(4)) c.feed = c.feedMode === 'inverse-time' ? Math.abs(F.value) : Math.abs(size(c, F.value));
  const next = machineWords(c, line, words, number);
  const before = [...c.position];
  if (g.has(4)) emit(c, 'dwell', c.position, number, { seconds: dwellSeconds(words) });
  else if (g.has(28) || g.has(30)) goHome(c, words, number);
  else if (g.has(53))
    c.notes.add(
      'not followed',
      'G53',
      'a move in the machine’s own coordinates: where it leads is not known, it is left out',
      number,
    );
  else if (g.has(52)) moveZero(c, words);
  else if (g.has(92) && (words.has('X') || words.has('Y') || words.has('Z'))) setPosition(c, words, number);
  else if (!skipsMotion(g) && next.kind !== 'call') moveBy(c, words, number);
  if (before.some((v, axis) => v !== c.position[axis])) c.counts.moving++;
  return next;
}

const MACRO = new Set([10, 65, 66, 51, 68, 12, 13]);
const TURNING = new Set([70, 71, 72, 73, 75]);
/** Lines whose axis words are no place to go to. */
const skipsMotion = (g: ReadonlySet<number>): boolean =>
  [...g].some((code) => MACRO.has(code) || (TURNING.has(code) && !CYCLES.has(code)));
