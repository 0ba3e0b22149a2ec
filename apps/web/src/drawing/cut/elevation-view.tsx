import {
  formatMeasure,
  isSurface,
  type MillingOperation,
  movableOf,
  numberOf,
  outerDiameter,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import type { DrawingProps } from './drawing-props.ts';
import { SurfaceWork } from './surface-work.tsx';
import { type SidePlace, ToolFromSide } from './tool-from-side.tsx';
import { UndercutWork } from './undercut-work.tsx';

const W = 410;
const H = 262;
const FLOOR = 240;
/** The tip over a slope, which goes on below it. */
const FOOT = 204;
const CX = 190;
/** Height of the drawing given to the stick-out, leaving room for the holder; and the width to tool or holder. */
const TALL = 168;
const WIDE = 190;
/** Where stick-out and depth are measured, from the sides. */
const OUT_AT = 34;
const DEPTH_AT = W - 26;
/** A deflection is drawn this much a millimetre, within what can be seen and what fits. */
const DRAWN_PER_MM = 90;
const LEAST_DRAWN = 3;
const MOST_DRAWN = 26;

/** The work: what is cut now, and the feature to its full depth. */
function Work({ edge, apTop, depthTop }: { edge: number; apTop: number; depthTop: number }) {
  return (
    <>
      <rect x={0} y={FLOOR} width={W} height={H - FLOOR} fill="url(#stock)" />
      <line x1={0} x2={W} y1={FLOOR} y2={FLOOR} stroke="var(--stock-line)" />
      <path
        d={`M${edge} ${FLOOR} V${apTop} H${W} V${FLOOR} Z`}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      {depthTop < apTop - 2 && (
        <path
          d={`M${edge} ${apTop} V${depthTop} H${W}`}
          fill="none"
          stroke="var(--stock-line)"
          strokeDasharray="4 3"
        />
      )}
    </>
  );
}

/** Stick-out and depth as they are dimensioned. */
function Dimensions({
  op,
  noseY,
  floor,
  apTop,
  diameter,
  noseX,
}: {
  op: MillingOperation;
  noseX: number;
  noseY: number;
  floor: number;
  apTop: number;
  diameter: number;
}) {
  const system = useSystem();
  const out = op.tooling.stickOutMm;
  const middle = (noseY + floor) / 2;
  return (
    <g fill="var(--ink)">
      <line x1={OUT_AT} x2={OUT_AT} y1={noseY} y2={floor} stroke="var(--ink)" />
      <line
        x1={OUT_AT}
        x2={noseX}
        y1={noseY}
        y2={noseY}
        stroke="var(--ink)"
        strokeDasharray="3 3"
        strokeWidth="0.8"
      />
      <text x={8} y={middle - 4} fontSize="calc(13.5px * var(--text, 1))" fontWeight="650" {...halo('card')}>
        stick-out {formatMeasure(out, 'mm', system)}
        <tspan x={8} dy="1.3em" fontWeight="400" fill="var(--soft)">
          {(out / diameter).toFixed(1)}×D
        </tspan>
      </text>
      {!isSurface(op) && <line x1={DEPTH_AT} x2={DEPTH_AT} y1={apTop} y2={floor} stroke="var(--ink)" />}
      <text
        x={DEPTH_AT - 12}
        y={Math.max(34, (apTop + floor) / 2)}
        fontSize="calc(13.5px * var(--text, 1))"
        fontWeight="650"
        textAnchor="end"
        {...halo('stock')}
      >
        {isSurface(op) ? 'stock' : 'ap'} {formatMeasure(op.cut.axialDepthMm, 'mm', system)}
      </text>
    </g>
  );
}

/** From the side, to scale: holder, cutter, work; the bend is enlarged and says by how much. */
export function ElevationView({
  op,
  context,
  evaluation,
  readOnly,
  onParameter,
  onChange,
}: DrawingProps<MillingOperation>) {
  const system = useSystem();
  const diameter = outerDiameter(context.cutter);
  const out = op.tooling.stickOutMm;
  const scale = Math.min(TALL / out, WIDE / Math.max(diameter, context.holder.nose_diameter_mm));
  const deflection = numberOf(evaluation, 'lean').value;
  const wall = evaluation.limits.find((l) => l.id === 'wall-error');
  const bentBy = Math.min(MOST_DRAWN, Math.max(LEAST_DRAWN, deflection * DRAWN_PER_MM));
  const surface = isSurface(op);
  const floor = surface ? FOOT : FLOOR;
  const place: SidePlace = { scale, cx: CX, floor, noseY: floor - out * scale, bentBy };
  const apTop = floor - op.cut.axialDepthMm * scale;
  const stickOut = movableOf(op, context, 'stickOut');
  const handle = { op, axis: 'y', perUnit: -1 / scale, disabled: readOnly } as const;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-auto w-full" role="group" aria-label="The cut from the side">
      {surface ? (
        <SurfaceWork op={op} cutter={context.cutter} place={place} width={W} height={H} />
      ) : op.feature.undercut && op.feature.undercut.form !== 'face-ring' ? (
        <UndercutWork feature={op.feature} headMm={diameter} place={place} width={W} height={H} />
      ) : (
        <Work
          edge={CX + (diameter / 2) * scale}
          apTop={apTop}
          depthTop={FLOOR - Math.min(op.feature.depthMm, out) * scale}
        />
      )}
      <ToolFromSide op={op} context={context} place={place} />
      <text
        x={W - 8}
        y="18"
        fontSize="calc(12px * var(--text, 1))"
        fontWeight="600"
        textAnchor="end"
        fill="var(--soft)"
      >
        From the side
      </text>
      <Dimensions
        op={op}
        noseX={CX - (context.holder.nose_diameter_mm / 2) * scale}
        noseY={place.noseY}
        floor={floor}
        apTop={apTop}
        diameter={diameter}
      />
      <text
        x={CX - 4}
        y={H - 6}
        fontSize="calc(12.5px * var(--text, 1))"
        fontWeight="650"
        textAnchor="middle"
        fill={`var(--${wall?.state ?? 'ink'})`}
        {...halo('card')}
      >
        deflects {formatMeasure(deflection, 'mm-deflection', system)}, drawn ×
        {(bentBy / (deflection * scale)).toFixed(0)}
      </text>
      {!surface && (
        <MovableHandle
          {...handle}
          movable={movableOf(op, context, 'ap')}
          x={DEPTH_AT}
          y={apTop}
          onMove={(ap) => onParameter('ap', ap)}
        />
      )}
      <MovableHandle
        {...handle}
        movable={stickOut}
        x={OUT_AT}
        y={place.noseY}
        onMove={(mm) => onChange(stickOut.write(op, mm), 'stick-out')}
      />
    </svg>
  );
}
