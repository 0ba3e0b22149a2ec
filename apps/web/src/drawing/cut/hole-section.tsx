import { CHAMFER_OFF_TIP, formatMeasure, type HoleOperation, movableOf } from '@burl/core';
import type { CSSProperties } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { halo, StockPattern, textScale } from '../drawing.tsx';
import { useWidth } from '../use-width.ts';
import { MovableHandle } from '../movable-handle.tsx';
import { CoolantAndChips } from './coolant-and-chips.tsx';
import type { DrawingProps } from './drawing-props.ts';
import { depthCurves, DepthCurves, HoleFromAbove } from './hole-curves.tsx';
import { HoleOutline } from './hole-outline.tsx';
import { holePlace } from './hole-place.ts';
import { HoleTool } from './hole-tool.tsx';
import { PecksInSection } from './pecks-in-section.tsx';

const W = 680;
const H = 262;
const FRAME = { cx: 190, top: 62, bottom: 238 } as const;
/** Width of the section alone, and of the page below which it stands alone, px. */
const SECTION_W = 420;
const NARROW_PX = 470;
/** Where the stick-out is measured, from the left. */
const OUT_AT = 40;

/** Section of the hole with its tool, chips and coolant, pecks on a depth axis, torque and heat beside it. */
export function HoleSection({ op, context, evaluation, readOnly, onChange }: DrawingProps<HoleOperation>) {
  const system = useSystem();
  const place = holePlace(op, context, FRAME);
  const { cx, half, noseY, y, depth, rim } = place;
  const curves = depthCurves(op, context);
  const stickOut = movableOf(op, context, 'stickOut');
  const { top } = FRAME;
  // On a phone the section has the whole width; torque and heat stand on wider screens.
  const [ref, width] = useWidth<HTMLDivElement>();
  const narrow = width !== null && width < NARROW_PX;
  const shown = narrow ? SECTION_W : W;
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${shown} ${H}`}
        className="h-auto w-full"
        style={{ '--text': textScale(width, shown) } as CSSProperties}
        role="group"
        aria-label="Section of the hole"
      >
        <StockPattern />
        <HoleOutline op={op} place={place} />
        <HoleTool
          op={op}
          context={context}
          place={{
            cx,
            half: half - 1,
            noseY,
            bottomY: y(rim > 0 ? rim + CHAMFER_OFF_TIP : depth),
            pointY: y(depth + place.point),
          }}
          scale={place.wide}
        />
        <path
          d={`M${cx - half * 1.6 - 14} ${noseY} h${half * 3.2 + 28} l6 ${-Math.min(18, noseY)} h${-(half * 3.2 + 40)} Z`}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
        <CoolantAndChips op={op} place={place} />
        {evaluation.pecks.length > 0 && (
          <PecksInSection
            pecks={evaluation.pecks}
            place={place}
            disabled={readOnly}
            onPecks={(peck) => onChange({ ...op, cut: { ...op.cut, peck } } as HoleOperation, 'pecks')}
          />
        )}
        <line x1={OUT_AT} x2={OUT_AT} y1={noseY} y2={y(depth)} stroke="var(--ink)" />
        <text
          x={52}
          y={top + 40}
          fontSize="calc(13.5px * var(--text, 1))"
          fontWeight="650"
          fill="var(--ink)"
          {...halo('stock')}
        >
          stick-out {formatMeasure(op.tooling.stickOutMm, 'mm', system)}
          {rim === 0 && (
            <tspan x={52} dy="1.35em" fontWeight="400">
              {(depth / op.hole.diameterMm).toFixed(1)}×D deep
            </tspan>
          )}
        </text>
        {narrow ? null : curves.length > 0 ? (
          <DepthCurves curves={curves} y={y} x={420} top={top} system={system} />
        ) : (
          <HoleFromAbove op={op} context={context} x={530} y={142} radius={78} system={system} />
        )}
        <MovableHandle
          movable={stickOut}
          op={op}
          x={OUT_AT}
          y={noseY}
          axis="y"
          perUnit={-1 / place.scale}
          disabled={readOnly}
          onMove={(mm) => onChange(stickOut.write(op, mm), 'stick-out')}
        />
      </svg>
    </div>
  );
}
