import { type Cutter, isDrill, outerDiameter } from '../../crib/cutter.ts';

/** Outline of a turning cutter from below: a flat, then a rounded corner or a cone up to the radius. Lengths in mm. */
export interface CutterShape {
  readonly radiusMm: number;
  /** Flat end out to here. */
  readonly flatMm: number;
  /** Radius of the corner between flat and side; 0 where there is a cone or a sharp corner. */
  readonly cornerMm: number;
  /** Rise over run of the cone between flat and side; 0 without one. */
  readonly slope: number;
}

export const squareCutter = (diameterMm: number): CutterShape => ({
  radiusMm: diameterMm / 2,
  flatMm: diameterMm / 2,
  cornerMm: 0,
  slope: 0,
});

/** Outline of a cutter of the crib. */
export function shapeOf(cutter: Cutter): CutterShape {
  const diameter = outerDiameter(cutter);
  const radiusMm = diameter / 2;
  const { RE, KAPR, SIG, DC } = cutter.properties;
  if (cutter.type === 'end_mill_ball') return { radiusMm, flatMm: 0, cornerMm: radiusMm, slope: 0 };
  if (isDrill(cutter))
    return { radiusMm, flatMm: 0, cornerMm: 0, slope: 1 / Math.tan((((SIG ?? 140) / 2) * Math.PI) / 180) };
  const inclined = typeof KAPR === 'number' && KAPR > 0 && KAPR < 85;
  if (inclined && DC !== undefined && DC < diameter)
    return { radiusMm, flatMm: DC / 2, cornerMm: 0, slope: Math.tan((KAPR * Math.PI) / 180) };
  const corner = Math.min(RE ?? 0, radiusMm);
  return { radiusMm, flatMm: radiusMm - corner, cornerMm: corner, slope: 0 };
}

/** Height of the cutter's surface over its lowest point at a distance from the axis, mm; the distance is within the radius. */
export function riseAt({ flatMm, cornerMm, slope }: CutterShape, distance: number): number {
  const beyond = distance - flatMm;
  if (beyond <= 0) return 0;
  if (cornerMm > 0) return cornerMm - Math.sqrt(Math.max(0, cornerMm * cornerMm - beyond * beyond));
  return beyond * slope;
}

/** A place on the edge: radius and height over the lowest point, mm. */
export interface EdgeLevel {
  readonly radiusMm: number;
  readonly riseMm: number;
}

/** Where on the edge contact is looked for, from the inside out. One place where the end is square. */
export function edgeLevels(shape: CutterShape): readonly EdgeLevel[] {
  let levels = knownLevels.get(shape);
  if (!levels) knownLevels.set(shape, (levels = levelsOf(shape)));
  return levels;
}
const knownLevels = new WeakMap<CutterShape, readonly EdgeLevel[]>();

function levelsOf(shape: CutterShape): EdgeLevel[] {
  const { radiusMm, flatMm, cornerMm, slope } = shape;
  if (cornerMm === 0 && slope === 0) return [{ radiusMm, riseMm: 0 }];
  return [0.35, 0.65, 0.85, 1].map((share) => {
    const r = flatMm + (radiusMm - flatMm) * share;
    return { radiusMm: r, riseMm: riseAt(shape, r) };
  });
}
