import {
  type Evaluation,
  formatMeasure,
  type MillingOperation,
  numberOf,
  type OperationContext,
  outerDiameter,
} from '@burl/core';
import { arc } from 'd3-shape';
import { useSystem } from '../../../frame/preferences.tsx';
import { halo, StockPattern } from '../../../drawing/drawing.tsx';
import { Handle } from '../../../drawing/handle.tsx';

const W = 460;
const H = 262;

/**
 * From above, to scale. The cutter turns clockwise and feeds to the right; climb has the work on the right hand of the
 * travel, which is below in the picture, conventional above.
 */
export function PlanView({
  op,
  context,
  evaluation,
  readOnly,
  onWidth,
}: {
  op: MillingOperation;
  context: OperationContext;
  evaluation: Evaluation;
  readOnly: boolean;
  onWidth: (ae: number) => void;
}) {
  const system = useSystem();
  const diameter = outerDiameter(context.cutter);
  const slot = op.feature.kind === 'slot';
  const ae = Math.min(op.cut.radialEngagementMm, diameter);
  const scale = 150 / diameter;
  const r = (diameter / 2) * scale;
  const climb = op.cut.direction === 'climb';
  const side = climb ? 1 : -1;
  const [cx, cy] = [200, H / 2 + (climb ? -6 : 14)];
  const wall = r;
  const top = r - ae * scale;
  const reach = Math.sqrt(Math.max(0, r * r - top * top));
  const end = W - cx;
  const far = H;
  // Finished wall behind the cutter, then up the engagement angle, then the uncut edge ahead.
  const work = `M${-cx} ${wall} L0 ${wall} A${r} ${r} 0 0 0 ${reach} ${top} L${end} ${top} L${end} ${far} L${-cx} ${far} Z`;
  const engaged = numberOf(evaluation, 'arc').value;
  const lean = (engaged * Math.PI) / 180;
  const contact = arc()({
    innerRadius: 0,
    outerRadius: r,
    startAngle: Math.PI - lean,
    endAngle: Math.PI,
  });
  const teeth = context.cutter.properties.ZEFP ?? 2;
  const angles = context.cutter.extended.pitch_angles_deg ?? Array<number>(teeth).fill(360 / teeth);
  const edges = angles.map((_, i) => {
    const turned = angles.slice(0, i + 1).reduce((sum, a) => sum + a, 20);
    const t = (turned * Math.PI) / 180;
    return {
      x: Math.sin(t) * r,
      y: -Math.cos(t) * r,
      x1: Math.sin(t - 0.35) * r * 0.72,
      y1: -Math.cos(t - 0.35) * r * 0.72,
    };
  });
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="h-auto w-full [&_text]:text-[15px]"
      role="group"
      aria-label="The cut from above"
    >
      <StockPattern />
      <g transform={`translate(${cx} ${cy})`}>
        <g transform={`scale(1 ${side})`}>
          <path d={work} fill="url(#stock)" stroke="var(--stock-line)" />
          {slot && (
            <path
              d={`M${-cx} ${-wall} L0 ${-wall} L${end} ${-wall} L${end} ${-far} L${-cx} ${-far} Z`}
              fill="url(#stock)"
              stroke="var(--stock-line)"
            />
          )}
          {slot && <rect x={0} y={-wall} width={end} height={2 * wall} fill="url(#stock)" />}
          <circle r={r} fill="var(--tool)" fillOpacity="0.86" stroke="var(--accent)" strokeWidth="2" />
          <path d={contact ?? ''} transform="scale(-1 1)" fill="var(--accent)" opacity="0.24" />
        </g>
        {edges.map((e) => (
          <line
            key={`${e.x}`}
            x1={e.x1}
            y1={e.y1}
            x2={e.x}
            y2={e.y}
            stroke="var(--accent)"
            strokeWidth="3"
            strokeLinecap="round"
          />
        ))}
        <circle r="2" fill="var(--accent)" />
        <path
          d="M-22 -14 A26 26 0 0 1 10 -24"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.4"
          markerEnd="url(#tip)"
        />
        <defs>
          <marker id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="6" markerHeight="6" orient="auto">
            <path d="M1 1 7 4 1 7" fill="none" stroke="var(--ink)" strokeWidth="1.4" />
          </marker>
        </defs>
        <line
          x1="10"
          y1="0"
          x2={r * 0.62}
          y2="0"
          stroke="var(--ink)"
          strokeWidth="1.6"
          markerEnd="url(#tip)"
        />
        <text x={r * 0.2} y={-6} fontSize="12" fill="var(--ink)">
          feed
        </text>
        {!slot && (
          <>
            <line
              x1={end - 52}
              x2={end - 52}
              y1={side * top}
              y2={side * wall}
              stroke="var(--ink)"
              strokeWidth="1"
            />
            <line
              x1={0}
              x2={end - 46}
              y1={side * wall}
              y2={side * wall}
              stroke="var(--ink)"
              strokeDasharray="3 3"
              strokeWidth="0.8"
            />
          </>
        )}
      </g>
      <text x="10" y="18" fontSize="12" fontWeight="600" fill="var(--soft)">
        From above, {op.cut.direction}
      </text>
      <text x="10" y={H - 10} fontSize="12.5" fill="var(--ink)">
        engagement angle {engaged.toFixed(0)}°{slot ? ', full width' : ''}
      </text>
      {!slot && (
        <>
          <text
            x={W - 8}
            y={cy + side * top + (climb ? -12 : 24)}
            fontSize="13.5"
            fontWeight="650"
            textAnchor="end"
            fill="var(--ink)"
            {...halo('card')}
          >
            ae {formatMeasure(ae, 'mm', system)}
          </text>
          <Handle
            x={cx + end - 52}
            y={cy + side * top}
            axis="y"
            label="Radial depth"
            value={ae}
            unit="mm"
            low={0.05}
            high={diameter}
            step={diameter < 20 ? 0.05 : 0.5}
            perUnit={-side / scale}
            disabled={readOnly}
            onMove={onWidth}
          />
        </>
      )}
    </svg>
  );
}
