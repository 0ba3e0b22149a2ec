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
