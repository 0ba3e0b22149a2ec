import {
  type Evaluation,
  formatMeasure,
  type MillingOperation,
  numberOf,
  type OperationContext,
  outerDiameter,
} from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { halo } from '../../../drawing/drawing.tsx';
import { Handle } from '../../../drawing/handle.tsx';

const W = 410;
const H = 262;
const FLOOR = 240;
/** Height of the drawing given to the stick-out, leaving room for the holder. */
const TALL = 168;

/** From the side, to scale: holder, cutter, work; the bend is enlarged and says by how much. */
export function ElevationView({
  op,
  context,
  evaluation,
  readOnly,
  onDepth,
  onStickOut,
}: {
  op: MillingOperation;
  context: OperationContext;
  evaluation: Evaluation;
  readOnly: boolean;
  onDepth: (ap: number) => void;
  onStickOut: (mm: number) => void;
}) {
  const system = useSystem();
  const { cutter, holder } = context;
  const p = cutter.properties;
  const diameter = outerDiameter(cutter);
  const out = op.tooling.stickOutMm;
  const scale = Math.min(TALL / out, 190 / Math.max(diameter, holder.nose_diameter_mm));
  const ap = op.cut.axialDepthMm;
  const lean = numberOf(evaluation, 'lean').value;
  const leanLimit = evaluation.limits.find((l) => l.id === 'wall-error');
  const shown = Math.min(26, Math.max(3, lean * 90));
  const enlarged = shown / (lean * scale);
  const cx = 190;
  const noseY = FLOOR - out * scale;
  /** The tool bends like a cantilever: x grows with the square of the way from the nose. */
  const bend = (mmFromTip: number): number => -shown * ((out - Math.min(out, mmFromTip)) / out) ** 2;
  const flute = Math.min(out, p.LCF ?? p.APMX ?? out);
  const neck = Math.min(out, Math.max(flute, p.LH ?? p.LU ?? flute));
  const body = (from: number, to: number, d: number): string => {
    const steps = 8;
    const at = (i: number) => from + ((to - from) * i) / steps;
    const left = Array.from(
      { length: steps + 1 },
      (_, i) => `${cx + bend(at(i)) - (d / 2) * scale} ${FLOOR - at(i) * scale}`,
    );
    const right = Array.from(
      { length: steps + 1 },
      (_, i) => `${cx + bend(at(steps - i)) + (d / 2) * scale} ${FLOOR - at(steps - i) * scale}`,
    );
    return `M${left.join(' L')} L${right.join(' L')} Z`;
  };
  const nose = (holder.nose_diameter_mm / 2) * scale;
  const bodyHalf = (holder.body_diameter_mm / 2) * scale;
  const edge = cx + (diameter / 2) * scale;
  const apTop = FLOOR - ap * scale;
  const depthTop = FLOOR - Math.min(op.feature.depthMm, out) * scale;
  const turns = Math.max(
    2,
    Math.round((flute * Math.tan(((p.FHA ?? 30) * Math.PI) / 180)) / (diameter / 2) / 0.9),
  );
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="h-auto w-full [&_text]:text-[15px]"
      role="group"
      aria-label="The cut from the side"
    >
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
      <path
        d={`M${cx - nose} ${noseY} L${cx - bodyHalf} ${Math.max(0, noseY - 34)} V0 H${cx + bodyHalf} V${Math.max(0, noseY - 34)} L${cx + nose} ${noseY} Z`}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      <path
        d={body(neck, out, p.DCONMS && neck < out ? Math.min(p.DCONMS, diameter) : diameter)}
        fill="var(--tool)"
        stroke="var(--accent)"
      />
      {neck > flute && (
        <path d={body(flute, neck, p.DN ?? diameter)} fill="var(--tool)" stroke="var(--accent)" />
      )}
      <path d={body(0, flute, diameter)} fill="var(--tool)" stroke="var(--accent)" strokeWidth="1.8" />
      {Array.from({ length: turns }, (_, i) => {
        const z0 = (flute * i) / turns;
        const z1 = (flute * (i + 1)) / turns;
        return (
          <line
            key={i}
            x1={cx + bend(z0) - (diameter / 2) * scale}
            y1={FLOOR - z0 * scale}
            x2={cx + bend(z1) + (diameter / 2) * scale}
            y2={FLOOR - z1 * scale}
            stroke="var(--accent)"
            strokeWidth="0.9"
            opacity="0.7"
          />
        );
      })}
      <text x={W - 8} y="18" fontSize="12" fontWeight="600" textAnchor="end" fill="var(--soft)">
        From the side
      </text>
      <line x1={34} x2={34} y1={noseY} y2={FLOOR} stroke="var(--ink)" />
      <line
        x1={34}
        x2={cx - nose}
        y1={noseY}
        y2={noseY}
        stroke="var(--ink)"
        strokeDasharray="3 3"
        strokeWidth="0.8"
      />
      <text
        x={8}
        y={(noseY + FLOOR) / 2 - 4}
        fontSize="13.5"
        fontWeight="650"
        fill="var(--ink)"
        {...halo('card')}
      >
        stick-out {formatMeasure(out, 'mm', system)}
      </text>
      <text x={8} y={(noseY + FLOOR) / 2 + 12} fontSize="12" fill="var(--soft)" {...halo('card')}>
        {(out / diameter).toFixed(1)}×D
      </text>
      <text
        x={cx - 4}
        y={H - 6}
        fontSize="12.5"
        fontWeight="650"
        textAnchor="middle"
        fill={`var(--${leanLimit?.state ?? 'ink'})`}
        {...halo('card')}
      >
        deflects {formatMeasure(lean, 'mm-deflection', system)}, drawn ×{enlarged.toFixed(0)}
      </text>
      <line x1={W - 26} x2={W - 26} y1={apTop} y2={FLOOR} stroke="var(--ink)" />
      <text
        x={W - 38}
        y={Math.max(34, (apTop + FLOOR) / 2)}
        fontSize="13.5"
        fontWeight="650"
        textAnchor="end"
        fill="var(--ink)"
        {...halo('stock')}
      >
        ap {formatMeasure(ap, 'mm', system)}
      </text>
      <Handle
        x={W - 26}
        y={apTop}
        axis="y"
        label="Axial depth"
        value={ap}
        unit="mm"
        low={0.1}
        high={Math.min(p.APMX ?? out, out)}
        step={0.1}
        perUnit={-1 / scale}
        disabled={readOnly}
        onMove={onDepth}
      />
      <Handle
        x={34}
        y={noseY}
        axis="y"
        label="Stick-out"
        value={out}
        unit="mm"
        low={Math.min(out, p.LPR ?? p.LF ?? out)}
        high={Math.min((p.OAL ?? 400) - 10, Math.max(out, 2 * (p.LPR ?? out)))}
        step={0.5}
        perUnit={-1 / scale}
        disabled={readOnly}
        onMove={onStickOut}
      />
    </svg>
  );
}
