import { blankOf, formatMeasure, type JobPlan, type System } from '@burl/core';
import { useWidth } from '../use-width.ts';

/** Room around the drawing for its sizes, px. */
const MARGIN = 34;

/** One view of the blank with the part in it, and what stands on each side. */
function View({
  x,
  y,
  scale,
  blank,
  part,
  left,
  top,
  label,
  sides,
  system,
}: {
  x: number;
  y: number;
  scale: number;
  blank: readonly [number, number];
  part: readonly [number, number];
  left: number;
  top: number;
  label: string;
  /** Stock left, right, above and below as drawn. */
  sides: readonly [number, number, number, number];
  system: System;
}) {
  const [w, h] = [blank[0] * scale, blank[1] * scale];
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const [atLeft, atRight, above, below] = sides;
  return (
    <g>
      <rect x={x} y={y} width={w} height={h} fill="var(--accent-soft)" stroke="var(--line)" />
      <rect
        x={x + left * scale}
        y={y + top * scale}
        width={part[0] * scale}
        height={part[1] * scale}
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      <g fontSize={12} fill="var(--soft)" textAnchor="middle">
        <text x={x + w / 2} y={y + h / 2 + 4} fill="var(--ink)">
          {label}
        </text>
        {above > 0 && (
          <text x={x + w / 2} y={y - 6}>
            {mm(above)}
          </text>
        )}
        {below > 0 && (
          <text x={x + w / 2} y={y + h + 14}>
            {mm(below)}
          </text>
        )}
        {atLeft > 0 && (
          <text x={x - 5} y={y + h / 2 + 4} textAnchor="end">
            {mm(atLeft)}
          </text>
        )}
        {atRight > 0 && (
          <text x={x + w + 5} y={y + h / 2 + 4} textAnchor="start">
            {mm(atRight)}
          </text>
        )}
      </g>
    </g>
  );
}

/** The part in its blank, from above and from the front, with what is to be taken off each side. */
export function PartDrawing({ plan, system }: { plan: JobPlan; system: System }) {
  const [box, measured] = useWidth<HTMLDivElement>();
  const blank = blankOf(plan);
  const { part, stock } = plan;
  if (!part || !blank || Math.min(part.lengthMm, part.widthMm, part.heightMm) <= 0)
    return <p className="p-3 text-soft">Enter the size of the part to see it in its blank.</p>;
  const width = measured ?? 360;
  const inner = Math.max(120, width - 2 * MARGIN - 30);
  const scale = Math.min(inner / blank.lengthMm, 260 / (blank.widthMm + blank.heightMm));
  const gap = 46;
  const x = (width - blank.lengthMm * scale) / 2;
  const top = 22;
  const front = top + blank.widthMm * scale + gap;
  const size = [blank.lengthMm, blank.widthMm, blank.heightMm]
    .map((v) => formatMeasure(v, 'mm', system))
    .join(' × ');
  return (
    <div ref={box}>
      <svg
        role="img"
        aria-label={`Blank ${size} with the part in it`}
        width={width}
        height={front + blank.heightMm * scale + 24}
        className="block"
      >
        <View
          x={x}
          y={top}
          scale={scale}
          blank={[blank.lengthMm, blank.widthMm]}
          part={[part.lengthMm, part.widthMm]}
          left={stock.left}
          top={stock.back}
          label="from above"
          sides={[stock.left, stock.right, stock.back, stock.front]}
          system={system}
        />
        <View
          x={x}
          y={front}
          scale={scale}
          blank={[blank.lengthMm, blank.heightMm]}
          part={[part.lengthMm, part.heightMm]}
          left={stock.left}
          top={stock.top}
          label={blank.heightMm * scale > 18 ? 'from the front' : ''}
          sides={[0, 0, stock.top, stock.bottom]}
          system={system}
        />
      </svg>
      <p className="text-center text-[12.5px] text-soft">Blank {size}</p>
    </div>
  );
}
