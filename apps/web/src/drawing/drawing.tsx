import type { SVGProps } from 'react';

/** Text over hatching stays legible with a border in the colour of what lies below. */
export const halo = (ground: 'card' | 'stock'): SVGProps<SVGTextElement> => ({
  stroke: `var(--${ground})`,
  strokeWidth: 4,
  paintOrder: 'stroke',
});

/** Hatching of the work, referred to as `url(#stock)`. */
export function StockPattern() {
  return (
    <defs>
      <pattern id="stock" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(38)">
        <rect width="8" height="8" fill="var(--stock)" />
        <path d="M0 0V8" stroke="var(--stock-line)" strokeWidth="0.7" opacity="0.55" />
      </pattern>
    </defs>
  );
}

/** Least size of a drawing’s text on the page, px, and the size it is drawn at. */
const LEAST_PX = 12;
const DRAWN = 12;
const MOST = 1.7;

/** How much larger text is drawn where a drawing of `units` across has only `width` px, so that it stays to be read. */
export const textScale = (width: number | null, units: number): number =>
  width ? Math.min(MOST, Math.max(1, (LEAST_PX * units) / (DRAWN * width))) : 1;
