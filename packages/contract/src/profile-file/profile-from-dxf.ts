import type { DxfEntity } from 'dxf';
import { chainsOf, type Corner, drawnIn, isWhole, MOST_PIECES, pieceOf, polylineOf } from './dxf-pieces.ts';
import { type DrawnPoint, profileOfPoints, type ReadProfile, refused } from './profile-of-points.ts';

/**
 * Reads a half profile drawn over its axis: x along the axis with the free end at the right, y the radius; one polyline, or lines and
 * arcs end to end. What lies on the axis is left away.
 */
export function profileFromDxf(text: string, inside: boolean): ReadProfile {
  const drawn = drawnIn(text, 'profile');
  if (typeof drawn === 'string') return refused(drawn);
  const corners = longest(drawn.entities);
  if (typeof corners === 'string') return refused(corners);
  if (!isWhole(corners)) return refused('the drawing has a point without numbers');
  return readCorners(
    corners.map((c) => ({ x: c.x * drawn.mm, y: c.y * drawn.mm, bulge: c.bulge })),
    inside,
  );
}

/** The longest polyline; where there is none, lines and arcs joined at their ends. */
function longest(entities: readonly DxfEntity[]): readonly Corner[] | string {
  const lines = entities
    .flatMap((e) => {
      const corners = polylineOf(e);
      return corners ? [corners] : [];
    })
    .sort((a, b) => b.length - a.length);
  if (lines[0] && lines[0].length > 1) return lines[0];
  const pieces = entities.flatMap(pieceOf);
  if (pieces.length === 0) return 'the drawing has no polyline, lines or arcs';
  if (pieces.length > MOST_PIECES)
    return `the drawing has ${pieces.length} lines and arcs; save the profile alone`;
  const [first, ...apart] = chainsOf(pieces);
  const left = apart.reduce((sum, chain) => sum + chain.length - 1, 0);
  return left > 0
    ? `the drawing’s lines and arcs do not join: ${left} of ${pieces.length} stand apart`
    : first!;
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
