import { CYCLES, NOT_FOLLOWED, SILENT_G } from './codes.ts';
import { type Control, set } from './control.ts';
import type { FeedMode } from './motion.ts';
import type { Word } from './words.ts';

/** Codes of one line only, handled where it runs. */
const ONE_LINE = new Set([4, 28, 30, 52, 53, 92]);

/** S of a line: the speed, or its cap. */
export function spindleWords(c: Control, words: ReadonlyMap<string, Word>, g: ReadonlySet<number>): void {
  const S = words.get('S');
  const caps = (g.has(50) && c.lathe) || (g.has(92) && !words.has('X') && !words.has('Y') && !words.has('Z'));
  if (S && caps) c.speedCap = S.value;
  else if (S) c.speed = Math.abs(S.value);
  if (!c.surfaceSpeed && S && !caps) c.fastest = Math.max(c.fastest, Math.min(c.speed, c.speedCap));
}

/** Modal G codes; those that only this line feels come back to the caller by `g`. */
export function modal(
  c: Control,
  g: ReadonlySet<number>,
  words: ReadonlyMap<string, Word>,
  number: number,
): void {
  for (const code of g) {
    if (code === 0 || code === 1 || code === 2 || code === 3) {
      c.motion = code;
      c.cycle = null;
    } else if (code === 80) c.motion = c.cycle = null;
    else if (code === 17 || code === 18 || code === 19) c.plane = code;
    else if (code === 20 || code === 70.1) unitsIn(c, true);
    else if (code === 21 || code === 71.1) unitsIn(c, false);
    else if (code === 90 || code === 91) {
      c.absolute = code === 90;
      set(c, { absolute: c.absolute });
    } else if (code === 90.1 || code === 91.1) c.absoluteCentre = code === 90.1;
    else if (code === 93) feedIn(c, 'inverse-time');
    else if (code === 94) feedIn(c, 'per-minute');
    else if (code === 95) feedIn(c, 'per-revolution');
    else if (code === 98 || code === 99) {
      if (c.lathe) feedIn(c, code === 98 ? 'per-minute' : 'per-revolution');
      else c.toInitial = code === 98;
    } else if (code === 96 || code === 97) {
      c.surfaceSpeed = code === 96;
    } else if (code === 40) set(c, { compensation: 'off' });
    else if (code === 41 || code === 42) {
      set(c, { compensation: code === 41 ? 'left' : 'right' });
      c.notes.add('not followed', `G${code}`, NOT_FOLLOWED[`G${code}`]!, number);
    } else if (code === 43) set(c, { lengthOffset: words.get('H')?.value ?? 0 });
    else if (code === 49) set(c, { lengthOffset: null });
    else if ((code >= 54 && code < 60) || code === 54.1) {
      const called = code === 54.1 ? `G54.1 P${words.get('P')?.value ?? 1}` : `G${code}`;
      c.offsets.add(called);
      if (c.setting.workOffset && c.setting.workOffset !== called)
        c.notes.add(
          'assumed',
          called,
          `another zero than ${c.setting.workOffset}: both are shown as if they were one`,
          number,
        );
      set(c, { workOffset: called });
    } else if (CYCLES.has(code) && !(c.lathe && (code < 80 || code === 90))) {
      c.motion = code;
      if (NOT_FOLLOWED[`G${code}`])
        c.notes.add('not followed', `G${code}`, NOT_FOLLOWED[`G${code}`]!, number);
    } else if (!SILENT_G.has(code) && !ONE_LINE.has(code) && !capsSpindle(code, words))
      unknown(c, 'G', code, number);
  }
}

/** G50 with S caps a spindle: that was taken with its words. */
const capsSpindle = (code: number, words: ReadonlyMap<string, Word>): boolean =>
  code === 50 && words.has('S');

function unitsIn(c: Control, inch: boolean): void {
  c.inch = inch;
  set(c, { inch });
}

function feedIn(c: Control, mode: FeedMode): void {
  if (c.feedMode !== mode) c.feed = null;
  c.feedMode = mode;
  set(c, { feedMode: mode });
}

/** Notes a code that is not followed. */
export function unknown(c: Control, letter: string, code: number, number: number): void {
  const meaning = NOT_FOLLOWED[`${letter}${Math.trunc(code)}`];
  c.notes.add(
    'not followed',
    `${letter}${code}`,
    meaning ??
      (letter === 'M'
        ? 'a function of this machine: read as one that moves no axis'
        : 'not known here: read as if it were not there'),
    number,
  );
}
