import type { LimitMap } from '@burl/core';
import { contours } from 'd3-contour';
import { geoPath } from 'd3-geo';

export const W = 600;
export const H = 290;
export const M = { left: 54, right: 10, top: 10, bottom: 48 };

/** The border of a limit on a map, in the plot's own units. */
export interface Border {
  readonly id: string;
  readonly name: string;
  readonly area: string;
  readonly line: string;
  readonly label: readonly [number, number] | null;
  readonly bounds: boolean;
}

/** Height drawn where a limit is far beyond what it allows. */
const CLIFF = 4;

/** Borders of all limits on the grid of the map, in the plot's own units. */
export function bordersOf(map: LimitMap<string>): Border[] {
  const { columns, rows } = map;
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const path = geoPath();
  const make = contours().size([columns, rows]).smooth(true);
  return map.limits
    .map((limit, i): Border | null => {
      const no = map.forbids[i]!;
      // Heights to draw a line through: a plain no is a cliff.
      const shares = Array.from(map.shares[i]!, (v, at) =>
        Number.isNaN(v) ? (no[at] ? CLIFF : 0) : Math.min(v, CLIFF),
      );
      if (!shares.some((v) => v > 1)) return null;
      const shape = make.contour(shares, 1);
      const coordinates = shape.coordinates.map((polygon) =>
        polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
      );
      // Where this border is the border of what is allowed: nothing else is broken there.
      const touching: [number, number][] = [];
      for (const polygon of shape.coordinates)
        for (const ring of polygon)
          for (const [x, y] of ring as [number, number][]) {
            const at = Math.min(rows - 1, Math.floor(y)) * columns + Math.min(columns - 1, Math.floor(x));
            const inside = x > 0.6 && x < columns - 0.6 && y > 0.6 && y < rows - 0.6;
            if (inside && (map.largest[at] ?? 9) < 1.12 && shares[at]! > 0.85)
              touching.push([M.left + x * sx, H - M.bottom - y * sy]);
          }
      const d = path({ type: 'MultiPolygon', coordinates }) ?? '';
      return {
        id: limit.id,
        name: limit.name,
        area: d,
        line: d,
        label: touching[Math.floor(touching.length / 2)] ?? null,
        bounds: touching.length > 2,
      };
    })
    .filter((b): b is Border => b !== null);
}

/** Everything some limit forbids, as one area: shaded once, whatever the number of limits. */
export function forbiddenArea(map: LimitMap<string>): string {
  const { columns, rows } = map;
  const worst = Array.from({ length: columns * rows }, (_, at) => {
    const no = map.forbids.some((f) => f[at]);
    const share = map.largest[at] ?? 0;
    return no
      ? Math.max(1.001, Math.min(Number.isNaN(share) ? CLIFF : share, CLIFF))
      : Math.min(share || 0, 0.999);
  });
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const shape = contours().size([columns, rows]).smooth(true).contour(worst, 1);
  const coordinates = shape.coordinates.map((polygon) =>
    polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
  );
  return geoPath()({ type: 'MultiPolygon', coordinates }) ?? '';
}

/** Lines of equal metal per minute, for orientation. */
export function levelsOf(map: LimitMap<string>): string[] {
  const values = Array.from(map.worth, (v) => (Number.isFinite(v) ? v : 0));
  const sorted = [...values].sort((a, b) => a - b);
  const { columns, rows } = map;
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const path = geoPath();
  return [0.3, 0.55, 0.8].map((q) => {
    const shape = contours()
      .size([columns, rows])
      .contour(values, sorted[Math.floor(q * sorted.length)]!);
    const coordinates = shape.coordinates.map((polygon) =>
      polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
    );
    return path({ type: 'MultiPolygon', coordinates }) ?? '';
  });
}

/** Labels that would lie on one another are moved apart, upwards first; `text` is how many times its size they are drawn. */
export function spread(borders: readonly Border[], text = 1): { border: Border; x: number; y: number }[] {
  const line = 16 * text;
  const wide = 135 * text;
  const placed: { border: Border; x: number; y: number }[] = [];
  for (const border of borders) {
    if (!border.label) continue;
    const x = Math.min(W - 120 * text, Math.max(M.left + 6, border.label[0] + 6));
    const wanted = Math.min(H - M.bottom - 8, Math.max(M.top + 14, border.label[1] - 5));
    const taken = (y: number): boolean =>
      placed.some((p) => Math.abs(p.y - y) < line && Math.abs(p.x - x) < wide);
    // Nearest free line above or below; a crowded map may run out of them.
    const lines = [0, -1, 1, -2, 2, -3, 3, -4, 4].map((d) => wanted + d * line);
    const y = lines.find((l) => l > M.top + 10 && l < H - M.bottom - 4 && !taken(l)) ?? wanted;
    placed.push({ border, x, y });
  }
  return placed;
}

/**
 * The limit that stands in the way where nothing on the map is allowed: that of the point least beyond it. Null where
 * something is. Points a plain no forbids have no share; they are named when there are no others.
 */
export function nearestLimit(map: LimitMap<string>): string | null {
  if (map.worth.some((_, at) => map.forbids.every((no) => !no[at]))) return null;
  let at = 0;
  map.largest.forEach((v, k) => {
    if (v < (Number.isNaN(map.largest[at]!) ? Infinity : map.largest[at]!)) at = k;
  });
  return map.limits[map.worst[at]!]?.name ?? null;
}
