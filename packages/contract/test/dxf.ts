/** A drawing of group codes and values. */
export const dxf = (entities: readonly (readonly [number, string | number])[], units = 4): string =>
  [
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$INSUNITS'],
    [70, units],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...entities,
    [0, 'ENDSEC'],
    [0, 'EOF'],
  ]
    .map(([code, value]) => `${code}\n${value}`)
    .join('\n');
/** Corners with the bend to the next. */
export const polyline = (corners: readonly (readonly [number, number, number?])[], closed = false) =>
  [
    [0, 'LWPOLYLINE'],
    [5, 'A1'],
    [8, '0'],
    [90, corners.length],
    [70, closed ? 1 : 0],
    ...corners.flatMap(([x, y, bulge]) => [[10, x], [20, y], ...(bulge ? [[42, bulge]] : [])]),
  ] as [number, string | number][];
export const line = (x1: number, y1: number, x2: number, y2: number) =>
  [
    [0, 'LINE'],
    [8, '0'],
    [10, x1],
    [20, y1],
    [11, x2],
    [21, y2],
  ] as [number, string | number][];
/** Angles in degrees, counter-clockwise. */
export const arc = (x: number, y: number, r: number, from: number, to: number) =>
  [
    [0, 'ARC'],
    [8, '0'],
    [10, x],
    [20, y],
    [40, r],
    [50, from],
    [51, to],
  ] as [number, string | number][];
export const circle = (x: number, y: number, r: number) =>
  [
    [0, 'CIRCLE'],
    [8, '0'],
    [10, x],
    [20, y],
    [40, r],
  ] as [number, string | number][];
