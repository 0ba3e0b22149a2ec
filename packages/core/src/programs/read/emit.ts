import { arcLength } from './arc.ts';
import { type Control, size } from './control.ts';
import { type Motion, PLANES, type Point } from './motion.ts';
import type { Word } from './words.ts';

/** Height of a tool change over the zero, mm: only that it is over everything counts. */
const HOME = 250;
/** Nothing that is cut lies farther from its zero, mm. */
export const FARTHEST = 100_000;

/** Speed of the spindle at a place: a surface speed follows the diameter. */
function speedAt(c: Control, point: Point): number {
  if (c.setting.spindle === 'stopped' && c.speed === 0) return 0;
  if (!c.surfaceSpeed) return Math.min(c.speed, c.speedCap);
  const diameter = Math.max(1e-3, 2 * Math.abs(point[0]));
  const metres = c.inch ? c.speed * 0.3048 : c.speed;
  return Math.min(c.speedCap, (1000 * metres) / (Math.PI * diameter));
}

/** A rapid from where nobody said: an axis begins where it is sent, and a height nobody gave is that of the tool change. */
function fromHome(c: Control, to: Point): readonly [Point, Point] {
  const from: [number, number, number] = [...c.position];
  const goal: [number, number, number] = [...to];
  for (let axis = 0; axis < 3; axis++) {
    if (c.known[axis]) continue;
    const sent = to[axis] !== c.position[axis] || c.named[axis]!;
    if (sent) c.known[axis] = true;
    if (sent) from[axis] = to[axis]!;
    else if (axis === PLANES[c.plane].across) from[axis] = goal[axis] = HOME;
  }
  return [from, goal];
}

/** Hands on a motion to a place and goes there. */
export function emit(
  c: Control,
  kind: Motion['kind'],
  to: Point,
  number: number,
  more: { arc?: Motion['arc']; cycle?: number; seconds?: number } = {},
): void {
  const [from, goal] = kind === 'rapid' ? fromHome(c, to) : ([[...c.position], to] as const);
  const arc = more.arc ?? null;
  const lengthMm = arc
    ? arcLength({ arc, from, to: goal })
    : Math.hypot(goal[0] - from[0], goal[1] - from[1], goal[2] - from[2]);
  const speedRpm = speedAt(c, to);
  let feedMmMin: number | null = null;
  if (kind === 'line' || kind === 'arc') {
    c.known.fill(true);
    if (c.feed === null)
      c.notes.add('error', 'F', 'feed without a value: minutes and chip are not known here', number);
    else if (c.feedMode === 'per-minute') feedMmMin = c.feed;
    else if (c.feedMode === 'per-revolution') feedMmMin = c.feed * speedRpm;
    else feedMmMin = c.feed * lengthMm;
  }
  c.position = [...to];
  c.moves++;
  c.sink.motion({
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
    setting: c.setting,
  });
}

/** Where the axis words of a line lead; null without any. */
export function target(
  c: Control,
  words: ReadonlyMap<string, Word>,
  number: number,
): [number, number, number] | null {
  const to: [number, number, number] = [...c.position];
  let any = false;
  c.named.fill(false);
  for (const [axis, letter] of ['X', 'Y', 'Z'].entries()) {
    const word = words.get(letter);
    const step = c.lathe ? words.get(letter === 'X' ? 'U' : letter === 'Z' ? 'W' : '') : undefined;
    const half = c.lathe && letter === 'X' ? 0.5 : 1;
    if (word) to[axis] = size(c, word.value) * half + (c.absolute ? c.shift[axis]! : c.position[axis]!);
    else if (step) to[axis] = c.position[axis]! + size(c, step.value) * half;
    else continue;
    any = true;
    c.named[axis] = true;
    if (!(Math.abs(to[axis]!) <= FARTHEST)) {
      c.notes.add(
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
