import {
  asList,
  CHAMFER_OFF_TIP,
  type Evaluation,
  formatMeasure,
  type HoleOperation,
  type OperationContext,
  type PeckList,
} from '@burl/core';
import { scaleLinear } from 'd3-scale';
import { useSystem } from '../../../frame/preferences.tsx';
import { halo, StockPattern } from '../../../drawing/drawing.tsx';
import { Handle } from '../../../drawing/handle.tsx';
import { depthCurves, DepthCurves, HoleFromAbove } from './hole-curves.tsx';
import { HoleTool } from './hole-tool.tsx';

const W = 680;
const H = 262;
const TOP = 62;
const BOTTOM = 238;
const CX = 190;
/** Handles on strokes closer than this are left out: the list in the form has them all. */
const ROOM = 15;
/** Places that have room from the top down; with `last` the lowest is kept and what crowds it left out. */
function withRoom(places: readonly number[], last: boolean): ReadonlySet<number> {
  const kept = new Set<number>();
  const lowest = places.at(-1) ?? 0;
  let above = -Infinity;
  places.forEach((y, i) => {
    const end = i === places.length - 1;
    if (last && end ? false : y - above < ROOM || (last && lowest - y < ROOM)) return;
    kept.add(i);
    above = y;
  });
  return kept;
}

/** Section of the hole with its tool, chips and coolant, strokes on a depth axis, torque and heat beside it. */
export function HoleSection({
  op,
  context,
  evaluation,
  readOnly,
  onStickOut,
  onPecks,
}: {
  op: HoleOperation;
  context: OperationContext;
  evaluation: Evaluation;
  readOnly: boolean;
  onStickOut: (mm: number) => void;
  onPecks: (pecks: PeckList) => void;
}) {
  const system = useSystem();
  const p = context.cutter.properties;
  const { hole } = op;
  // A chamfer is a rim: the hole below it is drawn as well, deep enough for one scale both ways.
  const rim = op.kind === 'chamfering';
  const width = rim ? op.cut.widthMm : 0;
  const depth = rim ? Math.max(width, 1.2 * hole.diameterMm) : hole.depthMm;
  const out = op.tooling.stickOutMm;
  const drilled = op.kind === 'drilling';
  const point = drilled ? (p.PL ?? 0.2 * hole.diameterMm) : 0;
  const below = Math.max(point, (hole.startDepthMm ?? 0) - depth);
  const y = scaleLinear()
    .domain([0, depth + below])
    .range([TOP, BOTTOM - 10]);
  const scale = (BOTTOM - 10 - TOP) / (depth + below);
  const half = Math.min(70, Math.max(6, (hole.diameterMm / 2) * scale));
  const wide = half / Math.max(1e-6, hole.diameterMm / 2);
  const noseY = Math.max(22, y(depth - out));
  const floor = y(depth + (drilled ? 0 : Math.max(0, (hole.startDepthMm ?? depth) - depth)));
  const curves = depthCurves(op, context);
  const pecks = evaluation.pecks;
  const listed = asList(pecks);
  const retract =
    pecks[0]?.retract === 'full'
      ? 'full retract'
      : pecks[0]?.retract === 'chip-break'
        ? 'chip-break retract'
        : '';
  const held = withRoom(
    listed.toMm.map((d) => y(d)),
    false,
  );
  const shown = withRoom(
    pecks.map((k) => y(k.toMm)),
    true,
  );
  const move = (i: number) => (mm: number) =>
    onPecks({ ...listed, toMm: listed.toMm.map((d, j) => (j === i ? mm : d)) });
  const slope = Math.tan((hole.entryAngleDeg * Math.PI) / 180);
  const left = Math.min(26, slope * (CX - 20));
  const bevel = width * wide;
  const drop = (left * (half + bevel)) / (CX - 20);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-auto w-full" role="group" aria-label="Section of the hole">
      <StockPattern />
      <path
        d={`M20 ${TOP - left} L${CX - half - bevel} ${TOP - drop} L${CX - half} ${TOP - drop + bevel} V${floor} L${CX} ${drilled ? y(depth + point) : floor} L${CX + half} ${floor} V${TOP + drop + bevel} L${CX + half + bevel} ${TOP + drop} L385 ${TOP + left} V${hole.through ? floor : BOTTOM + 8} H20 Z`}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      {hole.startMm > 0 && !drilled && (
        <g stroke="var(--ink)" strokeDasharray="3 3" opacity="0.6">
          <line x1={CX - (hole.startMm / 2) * wide} x2={CX - (hole.startMm / 2) * wide} y1={TOP} y2={floor} />
          <line x1={CX + (hole.startMm / 2) * wide} x2={CX + (hole.startMm / 2) * wide} y1={TOP} y2={floor} />
        </g>
      )}
      {Array.from({ length: hole.crossHoles > 0 ? Math.min(3, hole.crossHoles) : 0 }, (_, i) => (
        <ellipse
          key={i}
          cx={CX + half + 46}
          cy={y((depth * (i + 1)) / (Math.min(3, hole.crossHoles) + 1))}
          rx="40"
          ry="8"
          fill="var(--card)"
          stroke="var(--stock-line)"
        />
      ))}
      <HoleTool
        op={op}
        context={context}
        place={{
          cx: CX,
          half: half - 1,
          noseY,
          bottomY: y(rim ? width + CHAMFER_OFF_TIP : depth),
          pointY: y(depth + point),
        }}
        scale={wide}
      />
      <path
        d={`M${CX - half * 1.6 - 14} ${noseY} h${half * 3.2 + 28} l6 ${-Math.min(18, noseY)} h${-(half * 3.2 + 40)} Z`}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      <Coolant op={op} half={half} noseY={noseY} floor={floor} />
      {pecks.length > 0 && (
        <g>
          {pecks.map((k, i) => {
            return (
              <g key={i}>
                <line
                  x1={CX + half + 4}
                  x2={CX + half + 18}
                  y1={y(k.toMm)}
                  y2={y(k.toMm)}
                  stroke="var(--ink)"
                />
                {shown.has(i) && (
                  <text
                    x={CX + half + 34}
                    y={y(k.toMm) + 4}
                    fontSize="12"
                    fill="var(--ink)"
                    {...halo('stock')}
                  >
                    {formatMeasure(k.toMm, 'mm', system)}
                  </text>
                )}
              </g>
            );
          })}
        </g>
      )}
      <text
        x="380"
        y={BOTTOM + 2}
        fontSize="12"
        fontWeight="600"
        textAnchor="end"
        fill="var(--ink)"
        {...halo('stock')}
      >
        {rim ? 'rim of the hole' : hole.through ? 'through' : 'blind'}
      </text>
      {drilled && (
        <text x={30} y={BOTTOM + 2} fontSize="12.5" fill="var(--ink)" {...halo('stock')}>
          {pecks.length === 1 ? 'one peck' : `${pecks.length} pecks, ${retract} between`}
        </text>
      )}
      <line x1={40} x2={40} y1={noseY} y2={y(depth)} stroke="var(--ink)" />
      <text x={52} y={TOP + 40} fontSize="13.500" fontWeight="650" fill="var(--ink)" {...halo('stock')}>
        stick-out {formatMeasure(out, 'mm', system)}
      </text>
      {!rim && (
        <text x={52} y={TOP + 57} fontSize="12" fill="var(--ink)" {...halo('stock')}>
          {(depth / hole.diameterMm).toFixed(1)}×D deep
        </text>
      )}
      {curves.length > 0 ? (
        <DepthCurves curves={curves} y={y} x={420} top={TOP} system={system} />
      ) : (
        <HoleFromAbove op={op} context={context} x={530} y={142} radius={78} system={system} />
      )}
      <Handle
        x={40}
        y={noseY}
        axis="y"
        label="Stick-out"
        value={out}
        unit="mm"
        low={Math.min(out, p.LPR ?? out)}
        high={Math.max(out, (p.OAL ?? 100) - 10)}
        step={0.5}
        perUnit={-1 / scale}
        disabled={readOnly}
        onMove={onStickOut}
      />
      {listed.toMm.map((d, i) =>
        !held.has(i) ? null : (
          <Handle
            key={i}
            x={CX + half + 24}
            y={y(d)}
            axis="y"
            label={`Peck ${i + 1} to`}
            value={d}
            unit="mm"
            low={(listed.toMm[i - 1] ?? 0) + 0.2}
            high={(listed.toMm[i + 1] ?? depth) - 0.2}
            step={0.1}
            perUnit={1 / scale}
            disabled={readOnly}
            onMove={move(i)}
          />
        ),
      )}
    </svg>
  );
}

/** Coolant down the tool or from outside, and chips on their way up. */
function Coolant({
  op,
  half,
  noseY,
  floor,
}: {
  op: HoleOperation;
  half: number;
  noseY: number;
  floor: number;
}) {
  const chips = op.kind === 'drilling' || op.kind === 'tapping';
  const inside = op.coolant === 'through-tool';
  const wet = inside || op.coolant === 'flood';
  return (
    <g aria-hidden="true">
      {wet &&
        (inside ? (
          <g stroke="var(--clear)" strokeWidth="1.4" fill="none" opacity="0.8">
            <line x1={CX - 2} x2={CX - 2} y1={noseY - 8} y2={floor - 6} strokeDasharray="7 4" />
            <path d={`M${CX - 6} ${floor - 10} L${CX - 2} ${floor - 4} L${CX + 2} ${floor - 10}`} />
          </g>
        ) : (
          <g stroke="var(--clear)" strokeWidth="1.4" fill="none" opacity="0.8">
            <path
              d={`M${CX - half - 60} ${TOP - 34} Q${CX - half - 20} ${TOP - 26} ${CX - half - 3} ${TOP - 4}`}
              strokeDasharray="7 4"
            />
          </g>
        ))}
      {chips &&
        [0.25, 0.5, 0.75].map((t) => (
          <path
            key={t}
            d={`M${CX + half - 5} ${floor - t * (floor - TOP)} q3 -4 0 -7 q-3 -3 1 -6`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.1"
            opacity="0.55"
          />
        ))}
    </g>
  );
}
