import type { ReadSettings, Sink } from './control.ts';
import { type Interpreter, makeInterpreter } from './interpret.ts';
import { type Chunks, linesOf, makeLines } from './lines.ts';
import type { Note } from './motion.ts';
import { makeNotes, type Notes } from './notes.ts';
import { makeSegments, type Segment, type SegmentList } from './segments.ts';

export interface ProgramSettings extends ReadSettings {
  /** Other files that may be called, by name. */
  readonly files?: ReadonlyMap<string, string>;
}

export const PLAIN_SETTINGS: ProgramSettings = { blockDelete: true };

/** What reading came to, beside the motions. */
export interface ReadResult {
  readonly lines: number;
  readonly notes: readonly Note[];
  readonly tools: readonly number[];
  readonly workOffsets: readonly string[];
  readonly fastestRpm: number;
  readonly deletedBlocks: number;
  readonly blocksWithMotion: number;
  /** Name of the program that was run, from its O word. */
  readonly name: string;
}

/** Calls within calls, and lines run beyond those of the file: what is beyond is a program that never ends. */
const DEEPEST = 10;
const MOST_LINES = 1_000_000;
/** Motions a line comes to, on average, at most. */
const MOST_MOVES = 2;
/** Text of subprograms kept at hand. */
const MOST_CALLED = 64_000_000;

interface Called {
  readonly lines: readonly string[];
  readonly first: number;
}

/** Runs main program and subprograms; `main` is fed line by line. */
interface Runner {
  main(line: string, number: number): void;
  readonly ended: () => boolean;
  /** Names of the subprograms that were run. */
  readonly called: ReadonlySet<string>;
}

function makeRunner(
  interpreter: Interpreter,
  subprograms: ReadonlyMap<string, Called>,
  files: ReadonlyMap<string, string>,
  notes: Notes,
  lines: number,
): Runner {
  let ended = false;
  let run = 0;
  const most = MOST_LINES + 20 * lines;
  const running: string[] = [];
  const called = new Set<string>();
  const ofFiles = new Map<string, Called>();

  function find(program: string): Called | null {
    const bare = program.replace(/^0+(?=\d)/, '');
    const own = subprograms.get(bare);
    if (own) {
      called.add(bare);
      return own;
    }
    const known = ofFiles.get(program);
    if (known) return known;
    for (const [name, text] of files) {
      const plain = name.replace(/\.[^.]*$/, '').replace(/^O?0*(?=\d)/i, '');
      if (name.toLowerCase() !== program.toLowerCase() && plain.toLowerCase() !== program.toLowerCase())
        continue;
      const read = { lines: linesOf(text), first: 0 };
      ofFiles.set(program, read);
      return read;
    }
    return null;
  }

  function call(program: string, times: number, number: number, depth: number): void {
    const lines = find(program);
    if (!lines) {
      notes.add(
        'error',
        `M98 ${program}`,
        'there is no such subprogram in the file or beside it: the call is left out',
        number,
      );
      return;
    }
    if (depth > DEEPEST) {
      notes.add(
        'error',
        `M98 ${program}`,
        `calls within calls beyond ${DEEPEST}: the call is left out`,
        number,
      );
      return;
    }
    if (running.includes(program)) {
      notes.add('error', `M98 ${program}`, 'a subprogram that calls itself: the call is left out', number);
      return;
    }
    running.push(program);
    for (let k = 0; k < times && !ended; k++) {
      for (let i = 0; i < lines.lines.length && !ended; i++) {
        // Lines of another file are told at the line that calls it.
        if (!step(lines.lines[i]!, lines.first > 0 ? lines.first + i : number, depth)) break;
      }
      // An empty loop has to end as well.
      if (++run > most) stop(number);
    }
    running.pop();
  }

  function stop(number: number): void {
    notes.add('error', 'M98', `more than ${most.toLocaleString('en')} lines run: reading stops here`, number);
    ended = true;
  }

  /** False where the subprogram returns. */
  function step(line: string, number: number, depth: number): boolean {
    if (++run > most || interpreter.moves() > MOST_MOVES * most) {
      stop(number);
      return false;
    }
    const next = interpreter.run(line, number);
    if (next.kind === 'call') call(next.program, next.times, number, depth + 1);
    else if (next.kind === 'end') ended = true;
    else if (next.kind === 'return') {
      if (depth > 0) return false;
      notes.add('assumed', 'M99', 'the program begins again: it is read once', number);
      ended = true;
    }
    return true;
  }
  return { main: (line, number) => void step(line, number, 0), ended: () => ended, called };
}

/** Programs of the file that nothing ran: said, so that nothing is passed over in silence. */
function tellUncalled(
  segments: readonly Segment[],
  main: Segment,
  called: ReadonlySet<string>,
  notes: Notes,
): void {
  for (const s of segments) {
    if (s === main || called.has(s.name) || !s.filled) continue;
    const what = s.name === '' ? 'Lines before the program' : `O${s.name}`;
    notes.add('not followed', what, 'nothing calls these lines: they are not read', s.first);
  }
}

/** A main program about to be run, with what it calls. */
function makeRun(
  list: SegmentList,
  subprograms: ReadonlyMap<string, Called>,
  lines: number,
  settings: ProgramSettings,
  sink: Sink,
  notes: Notes,
) {
  const main = list.main();
  const interpreter = makeInterpreter(settings, sink, notes);
  const runner = makeRunner(interpreter, subprograms, settings.files ?? new Map(), notes, lines);
  return {
    ended: runner.ended,
    /** A line of the file: run where it is the main program's. */
    take(line: string, number: number): void {
      if (number >= main.first && number <= main.last && !runner.ended()) runner.main(line, number);
    },
    result(): ReadResult {
      tellUncalled(list.segments, main, runner.called, notes);
      return {
        lines,
        notes: notes.list(),
        tools: interpreter.tools,
        workOffsets: [...interpreter.offsets],
        fastestRpm: interpreter.fastestRpm(),
        deletedBlocks: interpreter.counts.deleted,
        blocksWithMotion: interpreter.counts.moving,
        name: main.name,
      };
    },
  };
}

/** Runs a program held as one text. */
export function readProgram(text: string, settings: ProgramSettings, sink: Sink): ReadResult {
  const lines = linesOf(text);
  const list = makeSegments();
  for (const line of lines) list.take(line);
  const subprograms = new Map(
    list.segments
      .filter((s) => s !== list.main())
      .map((s): [string, Called] => [s.name, { lines: lines.slice(s.first - 1, s.last), first: s.first }]),
  );
  const run = makeRun(list, subprograms, lines.length, settings, sink, makeNotes());
  for (const [i, line] of lines.entries()) run.take(line, i + 1);
  return run.result();
}

/** Goes through a text that comes by the piece; `take` gets each line with its number. How many there are. */
async function eachLine(chunks: Chunks, take: (line: string, number: number) => void): Promise<number> {
  let number = 0;
  const lines = makeLines((line) => take(line, ++number));
  for await (const chunk of chunks()) lines.add(chunk);
  lines.end();
  return number;
}

/**
 * Runs a program that is too large to hold: its text is asked for twice, and a third time where it calls subprograms of its
 * own. `pause` is awaited between pieces: there progress is told and a cancelled run throws.
 */
export async function readStream(
  chunks: Chunks,
  settings: ProgramSettings,
  sink: Sink,
  pause: (line: number) => Promise<void> | void = () => undefined,
): Promise<ReadResult> {
  const list = makeSegments();
  const lines = await eachLine(chunks, (line) => list.take(line));
  const notes = makeNotes();
  const subprograms = list.calls()
    ? await calledOf(chunks, list.segments, list.main(), notes)
    : new Map<string, Called>();
  const run = makeRun(list, subprograms, lines, settings, sink, notes);
  let number = 0;
  const splitter = makeLines((line) => run.take(line, ++number));
  for await (const chunk of chunks()) {
    splitter.add(chunk);
    await pause(number);
    if (run.ended() || number > list.main().last) break;
  }
  if (!run.ended()) splitter.end();
  return run.result();
}

/** Text of the subprograms of a file. */
async function calledOf(
  chunks: Chunks,
  segments: readonly Segment[],
  main: Segment,
  notes: Notes,
): Promise<Map<string, Called>> {
  const found = new Map<string, Called>();
  let [kept, at] = [0, 0];
  let into: string[] | null = null;
  await eachLine(chunks, (line, number) => {
    while (at < segments.length && number > segments[at]!.last) at++;
    const segment = segments[at]!;
    if (number === segment.first) {
      into = segment === main ? null : [];
      if (into) found.set(segment.name, { lines: into, first: segment.first });
    }
    if (!into) return;
    kept += line.length;
    if (kept <= MOST_CALLED) into.push(line);
    else
      notes.add(
        'error',
        'M98',
        `subprograms of more than ${MOST_CALLED / 1e6} MB: the rest of them is left out`,
        number,
      );
  });
  return found;
}
