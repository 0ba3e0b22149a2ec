import { type FileLine } from './lines-with-ends.ts';
import { editable } from './edit-line.ts';

/** Points of a run of short lines, as they are written; size and tolerance in the unit of the program. */
interface Run {
  readonly first: number;
  readonly points: readonly (readonly [number, number])[];
}

export interface FittedArcs {
  readonly lines: readonly FileLine[];
  /** For each line, the line of the given text it came from, from 1. */
  readonly origin: readonly number[];
  readonly arcs: number;
}

/** Lines longer than this many times the tolerance's root are no curve in pieces; fewer points than this make no arc. */
const LEAST_POINTS = 5;
/** A larger radius is a straight line to a control. */
const LARGEST = 2000;

interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly turn: 1 | -1;
}

/** Circle through three points; null where they lie on a line. */
function circleOf(a: readonly number[], b: readonly number[], c: readonly number[]): Circle | null {
  const [ax, ay, bx, by, cx, cy] = [a[0]!, a[1]!, b[0]!, b[1]!, c[0]!, c[1]!];
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by));
  if (Math.abs(d) < 1e-12) return null;
  const [a2, b2, c2] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy];
  const x = (a2 * (by - cy) + b2 * (cy - ay) + c2 * (ay - by)) / d;
  const y = (a2 * (cx - bx) + b2 * (ax - cx) + c2 * (bx - ax)) / d;
  return { x, y, r: Math.hypot(ax - x, ay - y), turn: d > 0 ? 1 : -1 };
}

/** Whether points and the middles of their chords lie within a tolerance of a circle and go round it one way, less than a half turn. */
function fits(
  points: readonly (readonly [number, number])[],
  from: number,
  to: number,
  c: Circle,
  tolerance: number,
): boolean {
  if (c.r > LARGEST) return false;
  let turned = 0;
  for (let k = from; k <= to; k++) {
    const [x, y] = points[k]!;
    if (Math.abs(Math.hypot(x - c.x, y - c.y) - c.r) > tolerance) return false;
    if (k === from) continue;
    const [px, py] = points[k - 1]!;
    const middle = Math.hypot((x + px) / 2 - c.x, (y + py) / 2 - c.y);
    if (Math.abs(middle - c.r) > tolerance) return false;
    const step = Math.atan2(
      (px - c.x) * (y - c.y) - (py - c.y) * (x - c.x),
      (px - c.x) * (x - c.x) + (py - c.y) * (y - c.y),
    );
    if (step * c.turn <= 0) return false;
    turned += Math.abs(step);
  }
  return turned < Math.PI * 0.95;
}

/** Longest arc from a point on; the index of its last point, or `from` where none fits. */
function longest(
  points: Run['points'],
  from: number,
  tolerance: number,
): { readonly to: number; readonly circle: Circle | null } {
  let best: { to: number; circle: Circle | null } = { to: from, circle: null };
  for (let to = from + LEAST_POINTS - 1; to < points.length; to++) {
    const circle = circleOf(points[from]!, points[(from + to) >> 1]!, points[to]!);
    if (!circle || !fits(points, from, to, circle, tolerance)) break;
    best = { to, circle };
  }
  return best;
}

/** What a line of a run may hold: X and Y, a line number, G1, and nothing else. */
function runPoint(text: string, at: readonly [number, number]): readonly [number, number] | null {
  let [x, y] = at;
  const words = editable(text);
  if (words.length === 0 || /[(;/]/.test(text)) return null;
  let moves = false;
  for (const w of words) {
    if (w.letter === 'X') [x, moves] = [w.value, true];
    else if (w.letter === 'Y') [y, moves] = [w.value, true];
    else if (w.letter !== 'N' && !(w.letter === 'G' && w.value === 1)) return null;
  }
  return moves ? [x, y] : null;
}

/**
 * Puts arcs in the place of short lines that lie on a circle within a tolerance (in the unit of the program), in XY, absolute, behind a
 * line that feeds. The arcs pass through the programmed ends; everything else stays as it is.
 */
export function fitArcs(
  lines: readonly FileLine[],
  feeds: (line: number) => boolean,
  startOf: (line: number) => readonly [number, number],
  tolerance: number,
): FittedArcs {
  const out: FileLine[] = [];
  const origin: number[] = [];
  let arcs = 0;
  const keep = (index: number, text = lines[index]!.text): void => {
    out.push({ text, end: lines[index]!.end });
    origin.push(index + 1);
  };
  let after = false;
  for (let i = 0; i < lines.length;) {
    const run = feeds(i + 1) ? runFrom(lines, i, feeds, startOf) : null;
    if (!run || run.points.length < LEAST_POINTS) {
      keep(i, after ? straightAgain(lines[i]!.text) : undefined);
      after = false;
      i++;
      continue;
    }
    let from = 0;
    while (from < run.points.length - 1) {
      const { to, circle } = longest(run.points, from, tolerance);
      const index = run.first + (circle ? to : from + 1) - 1;
      if (circle) {
        keep(index, arcText(lines[index]!.text, run.points[from]!, run.points[to]!, circle));
        arcs++;
      } else keep(index, after ? straightAgain(lines[index]!.text) : undefined);
      after = circle !== null;
      from = circle ? to : from + 1;
    }
    i = run.first + run.points.length - 1;
  }
  return { lines: out, origin, arcs };
}

function runFrom(
  lines: readonly FileLine[],
  first: number,
  feeds: (line: number) => boolean,
  startOf: (line: number) => readonly [number, number],
): Run {
  const points: (readonly [number, number])[] = [startOf(first + 1)];
  for (let i = first; i < lines.length && feeds(i + 1); i++) {
    const point = runPoint(lines[i]!.text, points.at(-1)!);
    if (!point) break;
    points.push(point);
  }
  return { first, points };
}

/** Behind an arc a line has to say again that it is straight. */
function straightAgain(text: string): string {
  const words = editable(text);
  const moves = words.some((w) => 'XYZ'.includes(w.letter));
  const says = words.some((w) => w.letter === 'G' && (w.value <= 3 || w.value >= 73) && w.value !== 80.1);
  const first = words.find((w) => w.letter !== 'N');
  return moves && !says && first ? `${text.slice(0, first.start)}G1 ${text.slice(first.start)}` : text;
}

function arcText(
  text: string,
  from: readonly [number, number],
  to: readonly [number, number],
  c: Circle,
): string {
  const number = /^\s*N\s*\d+\s*/i.exec(text)?.[0] ?? '';
  const digits = Math.max(3, ...[...text.matchAll(/\.(\d+)/g)].map(([, d]) => d!.length));
  const n = (v: number): string => Number(v.toFixed(digits)).toString();
  return `${number}G${c.turn > 0 ? 3 : 2} X${n(to[0])} Y${n(to[1])} I${(c.x - from[0]).toFixed(digits)} J${(c.y - from[1]).toFixed(digits)}`;
}
