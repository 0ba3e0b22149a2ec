/** Material before the program cuts, in its own coordinates, mm: a block or a round bar standing on end, with round holes in it. */
export interface Stock {
  readonly low: readonly [x: number, y: number, z: number];
  readonly high: readonly [x: number, y: number, z: number];
  /** Diameter of a bar in the middle of the bounds; null is a block. */
  readonly barMm: number | null;
  readonly holes: readonly StockHole[];
  /** Pockets that earlier operations left. */
  readonly pockets?: readonly StockPocket[];
}

export interface StockHole {
  readonly x: number;
  readonly y: number;
  readonly diameterMm: number;
  /** Height of its floor; null where it goes through. */
  readonly floor: number | null;
}

/** A rectangular pocket with rounded corners. */
export interface StockPocket {
  readonly low: readonly [x: number, y: number];
  readonly high: readonly [x: number, y: number];
  readonly cornerMm: number;
  /** Height of its floor; null where it goes through. */
  readonly floor: number | null;
}

export const block = (low: Stock['low'], high: Stock['high'], holes: readonly StockHole[] = []): Stock => ({
  low,
  high,
  barMm: null,
  holes,
});

/** Height of the material at a place; -Infinity beside it and in a hole through it. */
export function topAt({ low, high, barMm, holes, pockets }: Stock, x: number, y: number): number {
  if (x < low[0] || x > high[0] || y < low[1] || y > high[1]) return -Infinity;
  if (barMm !== null) {
    const [cx, cy] = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2];
    if ((x - cx) ** 2 + (y - cy) ** 2 > (barMm / 2) ** 2) return -Infinity;
  }
  for (const hole of holes)
    if ((x - hole.x) ** 2 + (y - hole.y) ** 2 < (hole.diameterMm / 2) ** 2) return hole.floor ?? -Infinity;
  for (const pocket of pockets ?? []) if (inPocket(pocket, x, y)) return pocket.floor ?? -Infinity;
  return high[2];
}

function inPocket({ low, high, cornerMm }: StockPocket, x: number, y: number): boolean {
  if (x <= low[0] || x >= high[0] || y <= low[1] || y >= high[1]) return false;
  const dx = Math.max(low[0] + cornerMm - x, x - high[0] + cornerMm, 0);
  const dy = Math.max(low[1] + cornerMm - y, y - high[1] + cornerMm, 0);
  return dx === 0 || dy === 0 || dx * dx + dy * dy < cornerMm * cornerMm;
}
