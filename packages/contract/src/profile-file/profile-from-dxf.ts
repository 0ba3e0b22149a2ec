import { type DxfDrawing, type DxfEntity, parseString } from 'dxf';
import { type DrawnPoint, profileOfPoints, type ReadProfile, refused } from './profile-of-points.ts';

/** A corner as it is drawn, with the bend to the next as DXF has it: tangent of a quarter of the turn, counter-clockwise above 0. */
interface Corner {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}

/** Millimetres of a drawing's unit by the number of its header; none is taken as mm. */
const UNIT_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
/** Ends of lines and arcs this near are joined, in the drawing's units over its size. */
const JOINS = 1e-6;
/** Longest file that is read, in characters, and most lines and arcs that are joined. */
const LONGEST = 4_000_000;
const MOST_PIECES = 2000;

/**
 * Reads a half profile drawn over its axis: x along the axis with the free end at the right, y the radius; one polyline, or lines and
 * arcs end to end. What lies on the axis is left away.
 */
export function profileFromDxf(text: string, inside: boolean): ReadProfile {
  if (text.length > LONGEST) return refused('the drawing is larger than 4 MB: save the profile alone');
  if (!/^\s*0\s*\r?\n\s*SECTION/.test(text)) return refused('this is no DXF drawing in text form');
  let drawing: DxfDrawing | null = null;
  try {
    drawing = parseString(text);
  } catch {
    // What it stumbles over is told below in words of its own.
  }
  if (!drawing) return refused('this DXF drawing is damaged');
  const corners = longest(drawing.entities);
  if (typeof corners === 'string') return refused(corners);
  if (!corners.every((c) => [c.x, c.y, c.bulge].every(Number.isFinite)))
    return refused('the drawing has a point without numbers');
  const mm = UNIT_MM[drawing.header?.insUnits ?? 4] ?? 1;
  return readCorners(
    corners.map((c) => ({ x: c.x * mm, y: c.y * mm, bulge: c.bulge })),
    inside,
  );
}

/** The longest polyline; where there is none, lines and arcs joined at their ends. */
function longest(entities: readonly DxfEntity[]): readonly Corner[] | string {
  const lines = entities
    .flatMap((e): Corner[][] => {
      if (e.type !== 'LWPOLYLINE' && e.type !== 'POLYLINE') return [];
      const corners = (e.vertices ?? []).map((v) => ({ x: v.x ?? NaN, y: v.y ?? NaN, bulge: v.bulge ?? 0 }));
      return [e.closed && corners[0] ? [...corners, { ...corners[0], bulge: 0 }] : corners];
    })
    .sort((a, b) => b.length - a.length);
  if (lines[0] && lines[0].length > 1) return lines[0];
  const pieces = entities.flatMap(pieceOf);
  if (pieces.length === 0) return 'the drawing has no polyline, lines or arcs';
  if (pieces.length > MOST_PIECES)
    return `the drawing has ${pieces.length} lines and arcs; save the profile alone`;
  return joined(pieces);
}

interface Piece {
  readonly a: Corner;
  readonly b: Corner;
}

function pieceOf(e: DxfEntity): Piece[] {
  if (e.type === 'LINE') {
    const end = ({ x = NaN, y = NaN }: Partial<Corner> = {}): Corner => ({ x, y, bulge: 0 });
    return [{ a: end(e.start), b: end(e.end) }];
  }
  if (e.type !== 'ARC') return [];
  const { x = NaN, y = NaN, r = NaN, startAngle = NaN, endAngle = NaN } = e;
  const at = (angle: number) => ({ x: x + r * Math.cos(angle), y: y + r * Math.sin(angle), bulge: 0 });
  let turn = endAngle - startAngle;
  if (turn <= 0) turn += 2 * Math.PI;
  return [{ a: { ...at(startAngle), bulge: Math.tan(turn / 4) }, b: at(endAngle) }];
}

/** Pieces end to end, begun at the end that only one has. */
function joined(pieces: readonly Piece[]): readonly Corner[] | string {
  const size = Math.max(
    ...pieces.flatMap(({ a, b }) => [Math.abs(a.x), Math.abs(a.y), Math.abs(b.x), Math.abs(b.y)]),
  );
  const near = (p: Corner, q: Corner): boolean =>
    Math.hypot(p.x - q.x, p.y - q.y) <= Math.max(1e-9, JOINS * 100 * size);
  const ends = pieces.flatMap(({ a, b }) => [a, b]);
  const loose = ends.find((p) => ends.filter((q) => near(p, q)).length === 1) ?? ends[0]!;
  const left = [...pieces];
  const corners: Corner[] = [];
  let at = loose;
  while (left.length > 0) {
    const i = left.findIndex(({ a, b }) => near(a, at) || near(b, at));
    if (i < 0) break;
    const { a, b } = left.splice(i, 1)[0]!;
    const forward = near(a, at);
    corners.push({ ...(forward ? a : b), bulge: forward ? a.bulge : -a.bulge });
    at = forward ? b : a;
  }
  corners.push({ ...at, bulge: 0 });
  return left.length > 0
    ? `the drawing’s lines and arcs do not join: ${left.length} of ${pieces.length} stand apart`
    : corners;
}

function readCorners(drawn: readonly Corner[], inside: boolean): ReadProfile {
  const onAxis = ({ y }: Corner): boolean => Math.abs(y) < 1e-4;
  if (drawn.some((c) => c.y > 1e-4) && drawn.some((c) => c.y < -1e-4))
    return refused('the profile crosses its axis: draw the half above it, y is the radius');
  // A closed half is opened at its axis.
  let corners = [...drawn];
  const axis = corners.findIndex(
    (c, i) => onAxis(c) && corners[i + 1] !== undefined && onAxis(corners[i + 1]!),
  );
  if (axis >= 0) {
    const closed = Math.hypot(corners[0]!.x - corners.at(-1)!.x, corners[0]!.y - corners.at(-1)!.y) < 1e-4;
    corners = closed
      ? [...corners.slice(axis + 1, -1), ...corners.slice(0, axis + 1)]
      : corners.filter((c, i) => !(onAxis(c) && onAxis(corners[i + 1] ?? corners[i - 1]!)));
  }
  if (corners.length < 2) return refused('a profile needs two points or more');
  // The free end stands at the right.
  if (corners[0]!.x < corners.at(-1)!.x)
    corners = corners.toReversed().map((c, i, all) => ({ ...c, bulge: all[i + 1] ? -all[i + 1]!.bulge : 0 }));
  const end = Math.max(...corners.map((c) => c.x));
  const points: DrawnPoint[] = corners.map((c, i) => {
    const next = corners[i + 1];
    // Counter-clockwise from right to left over the axis lies farther from it; a part drawn below is mirrored.
    const away =
      next && Math.abs(next.x - c.x) > 1e-9 ? Math.sign(c.x - next.x) * (c.y + next.y < 0 ? -1 : 1) : 0;
    return { zMm: end - c.x, diameterMm: 2 * Math.abs(c.y), bulge: away * c.bulge };
  });
  // From the axis out along the face, and back in at the chuck, is no profile.
  while (points.length > 2 && points[0]!.diameterMm < 2e-4) points.shift();
  while (points.length > 2 && points.at(-1)!.diameterMm < 2e-4) points.pop();
  return profileOfPoints(points, inside);
}
