import { arcLength, readArc } from './arc.ts';
import { CYCLES, NOT_FOLLOWED, SILENT_G, SILENT_M } from './codes.ts';
import { type Cycle, pecksOf, stepsOfHole } from './cycle.ts';
import type { Variables } from './expression.ts';
import { type FeedMode, type Motion, type PlaneCode, PLANES, type Point, type Setting } from './motion.ts';
import type { Notes } from './notes.ts';
import { type Line, type Word, wordsOf } from './words.ts';

export interface ReadSettings {
  /** A slash leaves its line out. */
  readonly blockDelete: boolean;
  /** Rapid of the axes, mm/min. */
  readonly rapidMmMin: number;
  /** A lathe's X is a diameter, and its G50 caps the spindle. Left to the program where undefined. */
  readonly lathe?: boolean | undefined;
}

/** A hole made by a canned cycle. */
export interface CycleHole {
  readonly line: number;
  readonly code: number;
  readonly at: Point;
  readonly bottom: number;
  readonly clear: number;
  readonly pecks: number;
}

/** What the interpreter hands on as it goes. */
export interface Sink {
  motion(motion: Motion): void;
  hole?(hole: CycleHole): void;
  /** Line of the file with its words, before its motions. */
  block?(line: Line, number: number): void;
}

/** Where the program goes on behind a line. */
export type Next =
  | { readonly kind: 'on' }
  | { readonly kind: 'end' }
  | { readonly kind: 'return' }
  | { readonly kind: 'call'; readonly program: string; readonly times: number };

const ON: Next = { kind: 'on' };
const MM = 25.4;
/** Height of a tool change over the zero, mm: only that it is over everything counts. */
const HOME = 250;
/** Nothing that is cut lies farther from its zero, mm. */
const FARTHEST = 100_000;

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

interface State {
  motion: number | null;
  plane: PlaneCode;
  absolute: boolean;
  absoluteCentre: boolean;
  inch: boolean;
  feedMode: FeedMode;
  feed: number | null;
  speed: number;
  surfaceSpeed: boolean;
  speedCap: number;
  staged: number;
  setting: Setting;
  cycle: Cycle | null;
  initialHeight: number;
  toInitial: boolean;
  position: [number, number, number];
  shift: [number, number, number];
}

export function makeInterpreter(settings: ReadSettings, sink: Sink, notes: Notes): Interpreter {
  const variables: Variables = new Map();
  const tools: number[] = [];
  const offsets = new Set<string>();
  const counts = { deleted: 0, moving: 0 };
  let fastest = 0;
  let moves = 0;
  /** Axes whose place has been said, and those the line names. */
  const known = [false, false, false];
  const named = [false, false, false];
  let lathe = settings.lathe ?? false;
  const s: State = {
    motion: null,
    plane: 17,
    absolute: true,
    absoluteCentre: false,
    inch: false,
    feedMode: 'per-minute',
    feed: null,
    speed: 0,
    surfaceSpeed: false,
    speedCap: Infinity,
    staged: 0,
    setting: {
      tool: 0,
      lengthOffset: null,
      workOffset: '',
      spindle: 'stopped',
      coolant: false,
      compensation: 'off',
      feedMode: 'per-minute',
      inch: false,
      absolute: true,
    },
    cycle: null,
    initialHeight: 0,
    toInitial: true,
    position: [0, 0, 0],
    shift: [0, 0, 0],
  };
  const set = (change: Partial<Setting>): void => {
    s.setting = { ...s.setting, ...change };
  };
  const size = (value: number): number => (s.inch ? value * MM : value);

  function speedAt(point: Point): number {
    if (s.setting.spindle === 'stopped' && s.speed === 0) return 0;
    if (!s.surfaceSpeed) return Math.min(s.speed, s.speedCap);
    const diameter = Math.max(1e-3, 2 * Math.abs(point[0]));
    const metres = s.inch ? s.speed * 0.3048 : s.speed;
    return Math.min(s.speedCap, (1000 * metres) / (Math.PI * diameter));
  }

  /** A rapid from where nobody said: an axis begins where it is sent, and a height nobody gave is that of the tool change. */
  function fromHome(to: Point): readonly [Point, Point] {
    const from: [number, number, number] = [...s.position];
    const goal: [number, number, number] = [...to];
    for (let axis = 0; axis < 3; axis++) {
      if (known[axis]) continue;
      const sent = to[axis] !== s.position[axis] || named[axis]!;
      if (sent) known[axis] = true;
      if (sent) from[axis] = to[axis]!;
      else if (axis === PLANES[s.plane].across) from[axis] = goal[axis] = HOME;
    }
    return [from, goal];
  }

  function emit(
    kind: Motion['kind'],
    to: Point,
    number: number,
    more: { arc?: Motion['arc']; cycle?: number; seconds?: number } = {},
  ): void {
    const [from, goal] = kind === 'rapid' ? fromHome(to) : ([[...s.position], to] as const);
    const arc = more.arc ?? null;
    const lengthMm = arc
      ? arcLength({ arc, from, to: goal })
      : Math.hypot(goal[0] - from[0], goal[1] - from[1], goal[2] - from[2]);
    const speedRpm = speedAt(to);
    let feedMmMin: number | null = null;
    if (kind === 'line' || kind === 'arc') {
      known.fill(true);
      if (s.feed === null)
        notes.add('error', 'F', 'feed without a value: minutes and chip are not known here', number);
      else if (s.feedMode === 'per-minute') feedMmMin = s.feed;
      else if (s.feedMode === 'per-revolution') feedMmMin = s.feed * speedRpm;
      else feedMmMin = s.feed * lengthMm;
    }
    s.position = [...to];
    moves++;
    sink.motion({
      kind,
      line: number,
      from,
      to: goal,
      arc,
      lengthMm,
      feedMmMin: feedMmMin !== null && feedMmMin > 0 ? feedMmMin : null,
      speedRpm,
      seconds: more.seconds ?? 0,
      cycle: more.cycle ?? 0,
      setting: s.setting,
    });
  }

  /** Where the axis words of a line lead; null without any. */
  function target(words: ReadonlyMap<string, Word>, number: number): [number, number, number] | null {
    const to: [number, number, number] = [...s.position];
    let any = false;
    named.fill(false);
    for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
      const word = words.get(letter);
      const step = lathe ? words.get(letter === 'X' ? 'U' : letter === 'Z' ? 'W' : '') : undefined;
      const half = lathe && letter === 'X' ? 0.5 : 1;
      if (word) to[axis] = size(word.value) * half + (s.absolute ? s.shift[axis]! : s.position[axis]!);
      else if (step) to[axis] = s.position[axis]! + size(step.value) * half;
      else continue;
      any = true;
      named[axis] = true;
      if (!(Math.abs(to[axis]!) <= FARTHEST)) {
        notes.add(
          'error',
          letter,
          `${to[axis]!} mm is farther than any machine goes: the line is left out`,
          number,
        );
        return null;
      }
    }
    return any ? to : null;
  }

  function spindleWords(words: ReadonlyMap<string, Word>, g: ReadonlySet<number>): void {
    const S = words.get('S');
    const caps = (g.has(50) && lathe) || (g.has(92) && !words.has('X') && !words.has('Y') && !words.has('Z'));
    if (S && caps) s.speedCap = S.value;
    else if (S) s.speed = Math.abs(S.value);
    if (!s.surfaceSpeed && S && !caps) fastest = Math.max(fastest, Math.min(s.speed, s.speedCap));
  }

  /** Modal G codes; those that only this line feels come back to the caller by `g`. */
  function modal(g: ReadonlySet<number>, words: ReadonlyMap<string, Word>, number: number): void {
    for (const code of g) {
      if (code === 0 || code === 1 || code === 2 || code === 3) {
        s.motion = code;
        s.cycle = null;
      } else if (code === 80) s.motion = s.cycle = null;
      else if (code === 17 || code === 18 || code === 19) s.plane = code;
      else if (code === 20 || code === 70.1) unitsIn(true);
      else if (code === 21 || code === 71.1) unitsIn(false);
      else if (code === 90 || code === 91) {
        s.absolute = code === 90;
        set({ absolute: s.absolute });
      } else if (code === 90.1 || code === 91.1) s.absoluteCentre = code === 90.1;
      else if (code === 93) feedIn('inverse-time');
      else if (code === 94) feedIn('per-minute');
      else if (code === 95) feedIn('per-revolution');
      else if (code === 98 || code === 99) {
        if (lathe) feedIn(code === 98 ? 'per-minute' : 'per-revolution');
        else s.toInitial = code === 98;
      } else if (code === 96 || code === 97) {
        s.surfaceSpeed = code === 96;
      } else if (code === 40) set({ compensation: 'off' });
      else if (code === 41 || code === 42) {
        set({ compensation: code === 41 ? 'left' : 'right' });
        notes.add('not followed', `G${code}`, NOT_FOLLOWED[`G${code}`]!, number);
      } else if (code === 43) set({ lengthOffset: words.get('H')?.value ?? 0 });
      else if (code === 49) set({ lengthOffset: null });
      else if ((code >= 54 && code < 60) || code === 54.1) {
        const named = code === 54.1 ? `G54.1 P${words.get('P')?.value ?? 1}` : `G${code}`;
        offsets.add(named);
        if (s.setting.workOffset && s.setting.workOffset !== named)
          notes.add(
            'assumed',
            named,
            `another zero than ${s.setting.workOffset}: both are shown as if they were one`,
            number,
          );
        set({ workOffset: named });
      } else if (CYCLES.has(code) && !(lathe && (code < 80 || code === 90))) {
        s.motion = code;
        if (NOT_FOLLOWED[`G${code}`])
          notes.add('not followed', `G${code}`, NOT_FOLLOWED[`G${code}`]!, number);
      } else if (code === 50 && words.has('S')) {
        // The cap was taken with the spindle's words.
      } else if (!SILENT_G.has(code) && !ONE_LINE.has(code)) unknown('G', code, number);
    }
  }

  function unitsIn(inch: boolean): void {
    s.inch = inch;
    set({ inch });
  }

  function feedIn(mode: FeedMode): void {
    if (s.feedMode !== mode) s.feed = null;
    s.feedMode = mode;
    set({ feedMode: mode });
  }

  function unknown(letter: string, code: number, number: number): void {
    const known = NOT_FOLLOWED[`${letter}${Math.trunc(code)}`];
    notes.add(
      'not followed',
      `${letter}${code}`,
      known ??
        (letter === 'M'
          ? 'a function of this machine: read as one that moves no axis'
          : 'not known here: read as if it were not there'),
      number,
    );
  }

  function machineWords(line: Line, words: ReadonlyMap<string, Word>, number: number): Next {
    let next: Next = ON;
    for (const word of line.words) {
      if (word.letter !== 'M') continue;
      const code = word.value;
      if (code === 3 || code === 13) set({ spindle: 'clockwise', ...(code === 13 && { coolant: true }) });
      else if (code === 4 || code === 14)
        set({ spindle: 'anticlockwise', ...(code === 14 && { coolant: true }) });
      else if (code === 5) set({ spindle: 'stopped' });
      else if (code === 6) changeTool(s.staged);
      else if (code === 7 || code === 8 || code === 50 || code === 51 || code === 26 || code === 87)
        set({ coolant: true });
      else if (code === 9) set({ coolant: false });
      else if (code === 2 || code === 30) next = { kind: 'end' };
      else if (code === 99) next = { kind: 'return' };
      else if (code === 98) next = callOf(line, words, number);
      else if (!SILENT_M.has(code)) unknown('M', code, number);
    }
    return next;
  }

  function changeTool(tool: number): void {
    if (!tools.includes(tool)) tools.push(tool);
    // A new tool comes with its own length: what was in force belongs to the old one.
    set({ tool, spindle: 'stopped', lengthOffset: null });
    if (!lathe) known[PLANES[s.plane].across] = false;
  }

  /** `M98 P2000 L6`, `M98 P62000` (six times 2000), or a file in brackets. */
  function callOf(line: Line, words: ReadonlyMap<string, Word>, number: number): Next {
    const file = line.file ?? (words.has('P') ? null : (line.comments[0] ?? null));
    const P = words.get('P')?.value;
    const L = words.get('L')?.value;
    if (file) return { kind: 'call', program: file, times: Math.max(0, Math.trunc(L ?? 1)) };
    if (P === undefined) {
      notes.add('error', 'M98', 'a call without a number or a file: nothing is called', number);
      return ON;
    }
    if (L === undefined && P > 9999)
      return { kind: 'call', program: String(Math.trunc(P) % 10000), times: Math.trunc(P / 10000) };
    return { kind: 'call', program: String(Math.trunc(P)), times: Math.max(0, Math.trunc(L ?? 1)) };
  }

  function dwellSeconds(words: ReadonlyMap<string, Word>): number {
    const P = words.get('P');
    const seconds = words.get('X') ?? words.get('U') ?? words.get('S');
    // P in whole numbers is milliseconds, with a point seconds: the common reading of both.
    if (P) return P.point ? P.value : P.value / 1000;
    return seconds?.value ?? 0;
  }

  function runCycle(words: ReadonlyMap<string, Word>, number: number): void {
    const { across, first, second } = PLANES[s.plane];
    const code = s.motion!;
    if (!s.cycle) s.initialHeight = s.position[across];
    const letters = ['X', 'Y', 'Z'];
    const R = words.get('R');
    const depth = words.get(letters[across]!);
    const from = s.absolute ? s.shift[across] : s.initialHeight;
    const clear = R ? size(R.value) + from : (s.cycle?.clear ?? s.position[across]);
    const bottom = depth
      ? size(depth.value) + (s.absolute ? s.shift[across] : clear)
      : (s.cycle?.bottom ?? null);
    if (bottom === null) {
      notes.add('error', `G${code}`, 'a hole without a depth: it is left out', number);
      return;
    }
    const Q = words.get('Q');
    const before = s.cycle?.code === code ? s.cycle : null;
    s.cycle = {
      code,
      clear,
      bottom,
      peck: Q ? Math.abs(size(Q.value)) : (before?.peck ?? null),
      seconds: words.has('P') && code !== 84 && code !== 74 ? dwellSeconds(words) : (before?.seconds ?? 0),
      initial: s.initialHeight,
      toInitial: s.toInitial,
    };
    if ((code === 83 || code === 73) && !s.cycle.peck)
      notes.add('error', `G${code}`, 'pecking without Q: read as one go', number);
    const times = Math.min(
      MOST_REPEATS,
      Math.max(0, Math.trunc(words.get('L')?.value ?? words.get('K')?.value ?? 1)),
    );
    const pecks = code === 83 || code === 73 ? pecksOf(s.cycle) : 1;
    if (times * pecks > MOST_OF_A_LINE) {
      notes.add('error', `G${code}`, `${times * pecks} strokes from one line: it is left out`, number);
      return;
    }
    const step = [first, second].map((axis) => words.get(letters[axis]!)?.value ?? (s.absolute ? null : 0));
    for (let k = 0; k < times; k++) {
      const over: [number, number, number] = [...s.position];
      for (const [i, axis] of [first, second].entries()) {
        if (step[i] === null || step[i] === undefined) continue;
        over[axis] = size(step[i]) + (s.absolute ? s.shift[axis]! : s.position[axis]!);
        if (!(Math.abs(over[axis]) <= FARTHEST)) {
          notes.add(
            'error',
            letters[axis]!,
            `${over[axis]} mm is farther than any machine goes: the hole is left out`,
            number,
          );
          return;
        }
      }
      emit('rapid', over, number, { cycle: code });
      for (const move of stepsOfHole(s.cycle, s.plane, over)) {
        if (move.kind === 'dwell') emit('dwell', s.position, number, { cycle: code, seconds: move.seconds });
        else emit(move.kind, move.to, number, { cycle: code });
      }
      sink.hole?.({
        line: number,
        code,
        at: over,
        bottom,
        clear,
        pecks,
      });
    }
  }

  function runArc(to: Point, words: ReadonlyMap<string, Word>, number: number): void {
    const R = words.get('R');
    const offset = (letter: string): number | null => {
      const word = words.get(letter);
      return word ? size(word.value) : null;
    };
    const read = readArc(s.position, to, {
      plane: s.plane,
      clockwise: s.motion === 2,
      offsets: [offset('I'), offset('J'), offset('K')],
      absoluteCentre: s.absoluteCentre,
      radius: R ? size(R.value) : null,
      turns: Math.min(MOST_TURNS, Math.max(0, Math.trunc((words.get('P')?.value ?? 1) - 1))),
    });
    if ('problem' in read) {
      notes.add('error', `G${s.motion}`, `${read.problem}; read as a straight line`, number);
      emit('line', to, number);
    } else emit('arc', to, number, { arc: read.arc });
  }

  return {
    counts,
    tools,
    offsets,
    fastestRpm: () => fastest,
    moves: () => moves,
    run(text, number) {
      const line = wordsOf(text, variables);
      if (line.deleted && settings.blockDelete) {
        counts.deleted++;
        return ON;
      }
      sink.block?.(line, number);
      if (line.trouble)
        notes.add(
          'error',
          line.trouble,
          'cannot be read: what stands before it on the line is followed, the rest is not',
          number,
        );
      if (line.control) {
        notes.add(
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
        if (words.has(letter)) notes.add('not followed', letter, NOT_FOLLOWED[letter]!, number);
      const T = words.get('T');
      if (T) {
        s.staged = Math.trunc(T.value);
        // A lathe turns its turret at the word itself; the last two digits are the offset.
        if (lathe) {
          changeTool(T.value > 99 ? Math.trunc(T.value / 100) : T.value);
          set({ lengthOffset: T.value > 99 ? T.value % 100 : null });
        }
      }
      // A cap by G50 or a surface speed is how a lathe's program is known.
      if (settings.lathe === undefined && ((g.has(50) && words.has('S')) || g.has(96))) lathe = true;
      spindleWords(words, g);
      modal(g, words, number);
      if (words.has('H') && !g.has(43)) set({ lengthOffset: words.get('H')!.value });
      const F = words.get('F');
      if (F && !g.has(4))
        s.feed = s.feedMode === 'inverse-time' ? Math.abs(F.value) : Math.abs(size(F.value));
      const next = machineWords(line, words, number);
      const before = [...s.position];
      if (g.has(4)) emit('dwell', s.position, number, { seconds: dwellSeconds(words) });
      else if (g.has(28) || g.has(30)) goHome(words, number);
      else if (g.has(53))
        notes.add(
          'not followed',
          'G53',
          'a move in the machine’s own coordinates: where it leads is not known, it is left out',
          number,
        );
      else if (g.has(52)) moveZero(words);
      else if (g.has(92) && (words.has('X') || words.has('Y') || words.has('Z'))) setPosition(words, number);
      else if (!skipsMotion(g) && next.kind !== 'call') moveBy(words, number);
      if (before.some((v, axis) => v !== s.position[axis])) counts.moving++;
      return next;
    },
  };

  function moveBy(words: ReadonlyMap<string, Word>, number: number): void {
    if (s.motion === null) {
      if (words.has('X') || words.has('Y') || words.has('Z'))
        notes.add('error', 'X Y Z', 'no G code says how to move there: the move is left out', number);
      return;
    }
    if (CYCLES.has(s.motion)) {
      if (['X', 'Y', 'Z'].some((l) => words.has(l))) runCycle(words, number);
      return;
    }
    const to = target(words, number);
    const turns = s.motion >= 2 && (words.has('I') || words.has('J') || words.has('K'));
    if (!to && !turns) return;
    if (s.motion >= 2) runArc(to ?? [...s.position], words, number);
    else emit(s.motion === 0 ? 'rapid' : 'line', to!, number);
  }

  function goHome(words: ReadonlyMap<string, Word>, number: number): void {
    const over = target(words, number);
    if (over) emit('rapid', over, number);
    for (const [axis, letter] of ['X', 'Y', 'Z'].entries())
      if (words.has(letter) || (lathe && words.has('UVW'[axis]!))) known[axis] = false;
    notes.add(
      'assumed',
      'G28',
      'the way to the reference point ends outside of what is shown; it is taken to be clear of the part',
      number,
    );
  }

  function moveZero(words: ReadonlyMap<string, Word>): void {
    for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
      const word = words.get(letter);
      if (word) s.shift[axis] = size(word.value);
    }
  }

  function setPosition(words: ReadonlyMap<string, Word>, number: number): void {
    for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
      const word = words.get(letter);
      // Positions stay where they were on the part: only the numbers of what follows are shifted.
      if (word) s.shift[axis] = s.position[axis]! - size(word.value);
    }
    notes.add('assumed', 'G92', 'the zero moves by the position it states', number);
  }
}

/** Codes of one line only, handled where it runs. */
const ONE_LINE = new Set([4, 28, 30, 52, 53, 92]);
/** Turns of one helix. */
const MOST_TURNS = 1000;
const MOST_REPEATS = 10_000;
/** Strokes one line may come to. */
const MOST_OF_A_LINE = 50_000;
const MACRO = new Set([10, 65, 66, 51, 68, 12, 13]);
const TURNING = new Set([70, 71, 72, 73, 75]);
/** Lines whose axis words are no place to go to. */
const skipsMotion = (g: ReadonlySet<number>): boolean =>
  [...g].some((code) => MACRO.has(code) || (TURNING.has(code) && !CYCLES.has(code)));
