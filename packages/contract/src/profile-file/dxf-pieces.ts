import { type DxfDrawing, type DxfEntity, parseString } from 'dxf';

/** A corner as it is drawn, with the bend to the next as DXF has it: tangent of a quarter of the turn, counter-clockwise above 0. */
export interface Corner {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}

/** A line or an arc between two ends. */
export interface Piece {
  readonly a: Corner;
  readonly b: Corner;
}

/** What a drawing holds, and millimetres of its unit. */
export interface Drawn {
  readonly entities: readonly DxfEntity[];
  readonly mm: number;
}

/** Millimetres of a drawing's unit by the number of its header; none is taken as mm. */
const UNIT_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
/** Ends of lines and arcs this near are joined, in the drawing's units over its size. */
const JOINS = 1e-6;
/** Longest file that is read, in characters, and most lines and arcs that are joined. */
const LONGEST = 4_000_000;
export const MOST_PIECES = 2000;

/** A DXF drawing in text form; in words why it cannot be read. `what` is what should be saved alone where it is too large. */
export function drawnIn(text: string, what: string): Drawn | string {
  if (text.length > LONGEST) return `the drawing is larger than 4 MB: save the ${what} alone`;
  if (!/^\s*0\s*\r?\n\s*SECTION/.test(text)) return 'this is no DXF drawing in text form';
  let drawing: DxfDrawing | null = null;
  try {
    drawing = parseString(text);
  } catch {
    // What it stumbles over is told below in words of its own.
  }
  if (!drawing) return 'this DXF drawing is damaged';
  return { entities: drawing.entities, mm: UNIT_MM[drawing.header?.insUnits ?? 4] ?? 1 };
}

/** Corners of a polyline, its first again at the end of a closed one; null of everything else. */
export function polylineOf(e: DxfEntity): readonly Corner[] | null {
  if (e.type !== 'LWPOLYLINE' && e.type !== 'POLYLINE') return null;
  const corners = (e.vertices ?? []).map((v) => ({ x: v.x ?? NaN, y: v.y ?? NaN, bulge: v.bulge ?? 0 }));
  return e.closed && corners[0] ? [...corners, { ...corners[0], bulge: 0 }] : corners;
}

/** A line or an arc as a piece; none of everything else. */
export function pieceOf(e: DxfEntity): Piece[] {
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

export const isWhole = (corners: readonly Corner[]): boolean =>
  corners.every((c) => [c.x, c.y, c.bulge].every(Number.isFinite));

/** Pieces end to end in as few chains as they make, each begun at an end that only one piece has. */
export function chainsOf(pieces: readonly Piece[]): readonly (readonly Corner[])[] {
  const size = Math.max(
    0,
    ...pieces
      .filter((p) => isWhole([p.a, p.b]))
      .flatMap(({ a, b }) => [Math.abs(a.x), Math.abs(a.y), Math.abs(b.x), Math.abs(b.y)]),
  );
  const near = (p: Corner, q: Corner): boolean =>
    Math.hypot(p.x - q.x, p.y - q.y) <= Math.max(1e-9, JOINS * 100 * size);
  // A piece without numbers joins nothing, not even itself.
  const whole = ({ a, b }: Piece): boolean => isWhole([a, b]);
  const chains: Corner[][] = pieces.filter((p) => !whole(p)).map(({ a, b }) => [a, b]);
  const left = pieces.filter(whole);
  while (left.length > 0) {
    const ends = left.flatMap(({ a, b }) => [a, b]);
    let at = ends.find((p) => ends.filter((q) => near(p, q)).length === 1) ?? ends[0]!;
    const corners: Corner[] = [];
    for (;;) {
      const i = left.findIndex(({ a, b }) => near(a, at) || near(b, at));
      if (i < 0) break;
      const { a, b } = left.splice(i, 1)[0]!;
      const forward = near(a, at);
      corners.push({ ...(forward ? a : b), bulge: forward ? a.bulge : -a.bulge });
      at = forward ? b : a;
    }
    chains.push([...corners, { ...at, bulge: 0 }]);
  }
  return chains;
}
