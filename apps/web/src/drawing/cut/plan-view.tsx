import {
  diameterEngaged,
  formatMeasure,
  type MillingOperation,
  movableOf,
  numberOf,
  outerDiameter,
  ridgeOf,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo, StockPattern } from '../drawing.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import { CutterFromAbove, planPlace } from './cutter-from-above.tsx';
import type { DrawingProps } from './drawing-props.ts';
import { ScallopDetail } from './surface-work.tsx';

const W = 460;
const H = 262;
const CX = 200;
/** Where the width is measured, from the right side. */
const MEASURED = 52;

/**
 * From above, to scale. The cutter turns clockwise and feeds to the right; climb has the work on the right hand of the
 * travel, which is below in the picture, conventional above.
 */
export function PlanView({ op, context, evaluation, readOnly, onParameter }: DrawingProps<MillingOperation>) {
  const system = useSystem();
  const slot = op.feature.kind === 'slot';
  const climb = op.cut.direction === 'climb';
  const place = planPlace(op, context, W, H, CX);
  const { side, top, wall, ahead } = place;
  const cy = H / 2 + (climb ? -6 : 14);
  const engaged = numberOf(evaluation, 'arc').value;
  const ridge = ridgeOf(op, context.cutter);
  const ae = Math.min(op.cut.radialEngagementMm, outerDiameter(context.cutter));
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-auto w-full" role="group" aria-label="The cut from above">
      <StockPattern />
      <g transform={`translate(${CX} ${cy})`}>
        <CutterFromAbove op={op} context={context} place={place} engagedDeg={engaged} />
        {ridge !== null && (
          <circle
            r={(diameterEngaged(op, context.cutter) / 2) * place.scale}
            fill="none"
            stroke="var(--accent)"
            strokeDasharray="4 3"
            data-contact
          >
            <title>Touches the slope with this diameter</title>
          </circle>
        )}
        {!slot && (
          <g stroke="var(--ink)">
            <line x1={ahead - MEASURED} x2={ahead - MEASURED} y1={side * top} y2={side * wall} />
            <line
              x1={0}
              x2={ahead - MEASURED + 6}
              y1={side * wall}
              y2={side * wall}
              strokeDasharray="3 3"
              strokeWidth="0.8"
            />
          </g>
        )}
      </g>
      {ridge !== null && <ScallopDetail stepMm={op.cut.radialEngagementMm} heightMm={ridge} />}
      <text x="10" y="18" fontSize="calc(12px * var(--text, 1))" fontWeight="600" fill="var(--soft)">
        From above, {op.cut.direction}
      </text>
      <text x="10" y={H - 10} fontSize="calc(12.5px * var(--text, 1))" fill="var(--ink)">
        engagement angle {engaged.toFixed(0)}°{slot ? ', full width' : ''}
      </text>
      {!slot && (
        <>
          <text
            x={W - 8}
            y={cy + side * top + (climb ? -12 : 24)}
            fontSize="calc(13.5px * var(--text, 1))"
            fontWeight="650"
            textAnchor="end"
            fill="var(--ink)"
            {...halo('card')}
          >
            ae {formatMeasure(ae, 'mm', system)}
          </text>
          <MovableHandle
            movable={movableOf(op, context, 'ae')}
            op={op}
            x={CX + ahead - MEASURED}
            y={cy + side * top}
            axis="y"
            perUnit={-side / place.scale}
            disabled={readOnly}
            onMove={(ae) => onParameter('ae', ae)}
          />
        </>
      )}
    </svg>
  );
}
