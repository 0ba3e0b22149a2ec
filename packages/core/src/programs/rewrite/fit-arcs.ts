import { type FileLine } from './lines-with-ends.ts';
import { type Circle, LEAST_POINTS, longestArc, type PlanPoint } from '../path/arcs-in-points.ts';
import { editable } from './edit-line.ts';

/** Points of a run of short lines, as they are written; size and tolerance in the unit of the program. */
interface Run {
  readonly first: number;
  readonly points: readonly PlanPoint[];
}

export interface FittedArcs {
  readonly lines: readonly FileLine[];
  /** For each line, the line of the given text it came from, from 1. */
  readonly origin: readonly number[];
  readonly arcs: number;
}

/** What a line of a run may hold: X and Y, a line number, G1, and nothing else. */
function runPoint(text: string, at: PlanPoint): PlanPoint | null {
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
  startOf: (line: number) => PlanPoint,
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
      const { to, circle } = longestArc(run.points, from, tolerance);
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
  startOf: (line: number) => PlanPoint,
): Run {
  const points: PlanPoint[] = [startOf(first + 1)];
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

function arcText(text: string, from: PlanPoint, to: PlanPoint, c: Circle): string {
  const number = /^\s*N\s*\d+\s*/i.exec(text)?.[0] ?? '';
  const digits = Math.max(3, ...[...text.matchAll(/\.(\d+)/g)].map(([, d]) => d!.length));
  const n = (v: number): string => Number(v.toFixed(digits)).toString();
  return `${number}G${c.turn > 0 ? 3 : 2} X${n(to[0])} Y${n(to[1])} I${(c.x - from[0]).toFixed(digits)} J${(c.y - from[1]).toFixed(digits)}`;
}
