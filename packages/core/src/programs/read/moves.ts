import { readArc } from './arc.ts';
import { CYCLES } from './codes.ts';
import { type Control, size } from './control.ts';
import { pecksOf, stepsOfHole } from './cycle.ts';
import { emit, FARTHEST, target } from './emit.ts';
import { PLANES, type Point } from './motion.ts';
import type { Word } from './words.ts';

/** Turns of one helix, and how often a cycle repeats. */
const MOST_TURNS = 1000;
const MOST_REPEATS = 10_000;
/** Strokes one line may come to. */
const MOST_OF_A_LINE = 50_000;

export function dwellSeconds(words: ReadonlyMap<string, Word>): number {
  const P = words.get('P');
  const seconds = words.get('X') ?? words.get('U') ?? words.get('S');
  // P in whole numbers is milliseconds, with a point seconds: the common reading of both.
  if (P) return P.point ? P.value : P.value / 1000;
  return seconds?.value ?? 0;
}

function runCycle(c: Control, words: ReadonlyMap<string, Word>, number: number): void {
  const { across, first, second } = PLANES[c.plane];
  const code = c.motion!;
  if (!c.cycle) c.initialHeight = c.position[across];
  const letters = ['X', 'Y', 'Z'];
  const R = words.get('R');
  const depth = words.get(letters[across]!);
  const from = c.absolute ? c.shift[across] : c.initialHeight;
  const clear = R ? size(c, R.value) + from : (c.cycle?.clear ?? c.position[across]);
  const bottom = depth
    ? size(c, depth.value) + (c.absolute ? c.shift[across] : clear)
    : (c.cycle?.bottom ?? null);
  if (bottom === null) {
    c.notes.add('error', `G${code}`, 'a hole without a depth: it is left out', number);
    return;
  }
  const Q = words.get('Q');
  const before = c.cycle?.code === code ? c.cycle : null;
  c.cycle = {
    code,
    clear,
    bottom,
    peck: Q ? Math.abs(size(c, Q.value)) : (before?.peck ?? null),
    seconds: words.has('P') && code !== 84 && code !== 74 ? dwellSeconds(words) : (before?.seconds ?? 0),
    initial: c.initialHeight,
    toInitial: c.toInitial,
  };
  if ((code === 83 || code === 73) && !c.cycle.peck)
    c.notes.add('error', `G${code}`, 'pecking without Q: read as one go', number);
  const times = Math.min(
    MOST_REPEATS,
    Math.max(0, Math.trunc(words.get('L')?.value ?? words.get('K')?.value ?? 1)),
  );
  const pecks = code === 83 || code === 73 ? pecksOf(c.cycle) : 1;
  if (times * pecks > MOST_OF_A_LINE) {
    c.notes.add('error', `G${code}`, `${times * pecks} strokes from one line: it is left out`, number);
    return;
  }
  const step = [first, second].map((axis) => words.get(letters[axis]!)?.value ?? (c.absolute ? null : 0));
  for (let k = 0; k < times; k++) {
    const over: [number, number, number] = [...c.position];
    for (const [i, axis] of [first, second].entries()) {
      if (step[i] === null || step[i] === undefined) continue;
      over[axis] = size(c, step[i]) + (c.absolute ? c.shift[axis]! : c.position[axis]!);
      if (!(Math.abs(over[axis]) <= FARTHEST)) {
        c.notes.add(
          'error',
          letters[axis]!,
          `${over[axis]} mm is farther than any machine goes: the hole is left out`,
          number,
        );
        return;
      }
    }
    emit(c, 'rapid', over, number, { cycle: code });
    for (const move of stepsOfHole(c.cycle, c.plane, over)) {
      if (move.kind === 'dwell') emit(c, 'dwell', c.position, number, { cycle: code, seconds: move.seconds });
      else emit(c, move.kind, move.to, number, { cycle: code });
    }
    c.sink.hole?.({
      line: number,
      code,
      at: over,
      bottom,
      clear,
      pecks,
    });
  }
}

function runArc(c: Control, to: Point, words: ReadonlyMap<string, Word>, number: number): void {
  const R = words.get('R');
  const offset = (letter: string): number | null => {
    const word = words.get(letter);
    return word ? size(c, word.value) : null;
  };
  const read = readArc(c.position, to, {
    plane: c.plane,
    clockwise: c.motion === 2,
    offsets: [offset('I'), offset('J'), offset('K')],
    absoluteCentre: c.absoluteCentre,
    radius: R ? size(c, R.value) : null,
    turns: Math.min(MOST_TURNS, Math.max(0, Math.trunc((words.get('P')?.value ?? 1) - 1))),
  });
  if ('problem' in read) {
    c.notes.add('error', `G${c.motion}`, `${read.problem}; read as a straight line`, number);
    emit(c, 'line', to, number);
  } else emit(c, 'arc', to, number, { arc: read.arc });
}

export function moveBy(c: Control, words: ReadonlyMap<string, Word>, number: number): void {
  if (c.motion === null) {
    if (words.has('X') || words.has('Y') || words.has('Z'))
      c.notes.add('error', 'X Y Z', 'no G code says how to move there: the move is left out', number);
    return;
  }
  if (CYCLES.has(c.motion)) {
    if (['X', 'Y', 'Z'].some((l) => words.has(l))) runCycle(c, words, number);
    return;
  }
  const to = target(c, words, number);
  const turns = c.motion >= 2 && (words.has('I') || words.has('J') || words.has('K'));
  if (!to && !turns) return;
  if (c.motion >= 2) runArc(c, to ?? [...c.position], words, number);
  else emit(c, c.motion === 0 ? 'rapid' : 'line', to!, number);
}

export function goHome(c: Control, words: ReadonlyMap<string, Word>, number: number): void {
  const over = target(c, words, number);
  if (over) emit(c, 'rapid', over, number);
  for (const [axis, letter] of ['X', 'Y', 'Z'].entries())
    if (words.has(letter) || (c.lathe && words.has('UVW'[axis]!))) c.known[axis] = false;
  c.notes.add(
    'assumed',
    'G28',
    'the way to the reference point ends outside of what is shown; it is taken to be clear of the part',
    number,
  );
}

export function moveZero(c: Control, words: ReadonlyMap<string, Word>): void {
  for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
    const word = words.get(letter);
    if (word) c.shift[axis] = size(c, word.value);
  }
}

export function setPosition(c: Control, words: ReadonlyMap<string, Word>, number: number): void {
  for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
    const word = words.get(letter);
    // Positions stay where they were on the part: only the numbers of what follows are shifted.
    if (word) c.shift[axis] = c.position[axis]! - size(c, word.value);
  }
  c.notes.add('assumed', 'G92', 'the zero moves by the position it states', number);
}
