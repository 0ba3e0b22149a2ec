import { chainsOf, type Corner, drawnIn, isWhole, MOST_PIECES, pieceOf, polylineOf } from './dxf-pieces.ts';

/** Edges of a drawing seen from above, as a tool runs along them. */
export interface DrawnContour {
  readonly lengthMm: number;
  readonly contours: number;
  /** Smallest arc the tool runs inside of, mm; null where there is none. */
  readonly insideRadiusMm: number | null;
  /** Inside corners without an arc: no tool goes into them. */
  readonly sharp: number;
}

export type ReadContour =
  { readonly ok: true; readonly contour: DrawnContour } | { readonly ok: false; readonly error: string };

/** Ends this near close a contour, over its size. */
const CLOSES = 1e-4;
/** A corner turned by less is drawn straight on, rad. */
const STRAIGHT_ON = (2 * Math.PI) / 180;
/** Points on an arc when it is asked what lies inside what. */
const ON_ARC = 8;

const chord = (a: Corner, b: Corner): number => Math.hypot(b.x - a.x, b.y - a.y);
const turnOf = ({ bulge }: Corner): number => 4 * Math.atan(bulge);

/** Radius of the arc from one corner to the next. */
const radiusOf = (a: Corner, b: Corner): number => chord(a, b) / (2 * Math.abs(Math.sin(turnOf(a) / 2)));

const isArc = (a: Corner): boolean => Math.abs(a.bulge) > 1e-9;

const lengthOf = (a: Corner, b: Corner): number =>
  isArc(a) ? radiusOf(a, b) * Math.abs(turnOf(a)) : chord(a, b);

/** Points of a contour, arcs among them. */
function pointsOf(corners: readonly Corner[]): { readonly x: number; readonly y: number }[] {
  return corners.slice(0, -1).flatMap((a, i) => {
    const b = corners[i + 1]!;
    if (!isArc(a)) return [a];
    const [turn, radius] = [turnOf(a), radiusOf(a, b)];
    // The middle lies off the chord towards the left where the arc turns left.
    const off = radius * Math.cos(turn / 2) * Math.sign(turn);
    const [dx, dy] = [(b.x - a.x) / chord(a, b), (b.y - a.y) / chord(a, b)];
    const middle = { x: (a.x + b.x) / 2 - dy * off, y: (a.y + b.y) / 2 + dx * off };
    const from = Math.atan2(a.y - middle.y, a.x - middle.x);
    return Array.from({ length: ON_ARC }, (_, k) => ({
      x: middle.x + radius * Math.cos(from + (turn * k) / ON_ARC),
      y: middle.y + radius * Math.sin(from + (turn * k) / ON_ARC),
    }));
  });
}

type Points = readonly { readonly x: number; readonly y: number }[];

const areaOf = (points: Points): number =>
  points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length]!;
    return sum + (p.x * q.y - q.x * p.y) / 2;
  }, 0);

/** Crossings of a ray to the right. */
function holds(points: Points, { x, y }: Points[number]): boolean {
  let inside = false;
  points.forEach((p, i) => {
    const q = points[(i + 1) % points.length]!;
    if (p.y > y !== q.y > y && x < p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)) inside = !inside;
  });
  return inside;
}

/** Direction in which a piece leaves its first corner, and in which it comes to its last, rad. */
const leaves = (a: Corner, b: Corner): number => Math.atan2(b.y - a.y, b.x - a.x) - turnOf(a) / 2;
const comes = (a: Corner, b: Corner): number => Math.atan2(b.y - a.y, b.x - a.x) + turnOf(a) / 2;
const between = (angle: number): number => Math.atan2(Math.sin(angle), Math.cos(angle));

/** What turns towards the tool on a closed contour; `towards` is the sign of such a turn. */
function insideOf(corners: readonly Corner[], towards: number) {
  const count = corners.length - 1;
  const radii: number[] = [];
  let sharp = 0;
  for (let i = 0; i < count; i++) {
    const [a, b] = [corners[i]!, corners[i + 1]!];
    const after = (i + 1) % count;
    if (isArc(a) && Math.sign(a.bulge) === towards) radii.push(radiusOf(a, b));
    const turn = between(leaves(corners[after]!, corners[after + 1]!) - comes(a, b));
    if (Math.abs(turn) > STRAIGHT_ON && Math.sign(turn) === towards) sharp++;
  }
  return { radii, sharp };
}

/** A circle as two halves. */
const circleOf = (x: number, y: number, r: number): readonly Corner[] => [
  { x: x + r, y, bulge: 1 },
  { x: x - r, y, bulge: 1 },
  { x: x + r, y, bulge: 0 },
];

/**
 * Length of all contours of a drawing, mm, and the sharpest place the tool runs inside of. Of closed contours the outer ones are the part's
 * outside, those within them its openings, and so on inwards; open ones count by their length only.
 */
export function contourFromDxf(text: string): ReadContour {
  const refused = (error: string): ReadContour => ({ ok: false, error });
  const drawn = drawnIn(text, 'contour');
  if (typeof drawn === 'string') return refused(drawn);
  const { entities, mm } = drawn;
  const pieces = entities.flatMap(pieceOf);
  if (pieces.length > MOST_PIECES)
    return refused(`the drawing has ${pieces.length} lines and arcs; save the contour alone`);
  const chains = [
    ...entities.flatMap((e) => {
      const corners = polylineOf(e);
      return corners && corners.length > 1 ? [corners] : [];
    }),
    ...entities.flatMap((e) => (e.type === 'CIRCLE' ? [circleOf(e.x ?? NaN, e.y ?? NaN, e.r ?? NaN)] : [])),
    ...chainsOf(pieces),
  ].map((chain) => chain.map((c) => ({ x: c.x * mm, y: c.y * mm, bulge: c.bulge })));
  if (chains.length === 0) return refused('the drawing has no polyline, circle, lines or arcs');
  if (!chains.every(isWhole)) return refused('the drawing has a point without numbers');
  const length = (chain: readonly Corner[]): number =>
    chain.slice(0, -1).reduce((sum, a, i) => sum + lengthOf(a, chain[i + 1]!), 0);
  const lengthMm = chains.reduce((sum, chain) => sum + length(chain), 0);
  if (!(lengthMm > 0)) return refused('the contour has no length');
  const closed = chains
    .filter((chain) => chord(chain[0]!, chain.at(-1)!) <= CLOSES * length(chain))
    .map((chain) => ({ chain, points: pointsOf(chain) }));
  const found = closed.map(({ chain, points }) => {
    const depth = closed.filter((o) => o.points !== points && holds(o.points, points[0]!)).length;
    // Round the outside the tool is on the right of a contour that runs counter-clockwise, in an opening on its left.
    const towards = Math.sign(areaOf(points)) * (depth % 2 === 0 ? -1 : 1);
    return insideOf(chain, towards);
  });
  const radii = found.flatMap((f) => f.radii);
  return {
    ok: true,
    contour: {
      lengthMm: Number(lengthMm.toFixed(2)),
      contours: chains.length,
      insideRadiusMm: radii.length > 0 ? Number(Math.min(...radii).toFixed(4)) : null,
      sharp: found.reduce((sum, f) => sum + f.sharp, 0),
    },
  };
}
