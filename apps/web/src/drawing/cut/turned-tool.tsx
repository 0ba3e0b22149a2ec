import { isFullRadius, type OperationContext, type TurningOperation } from '@burl/core';

const RAD = Math.PI / 180;
/** Point angle of an insert whose record has none, degrees. */
const USUAL_POINT = 80;

/** Corners of an insert whose nose stands at a place and feeds to the left; px. */
function insertCorners(
  x: number,
  y: number,
  side: number,
  leadDeg: number,
  pointDeg: number,
): readonly (readonly [number, number])[] {
  const at = (deg: number, length: number): readonly [number, number] => [
    x + length * Math.cos(deg * RAD),
    y - length * Math.sin(deg * RAD),
  ];
  const lead = 180 - leadDeg;
  const trail = lead - pointDeg;
  const [far, near] = [at(lead, side), at(trail, side)];
  return [[x, y], far, [far[0] + near[0] - x, far[1] + near[1] - y], near];
}

/** Insert on its shank, or the boring bar, to scale with its nose at a place. */
export function TurnedTool({
  op,
  context,
  tip,
  scale,
}: {
  op: TurningOperation;
  context: OperationContext;
  tip: { readonly x: number; readonly y: number };
  scale: number;
}) {
  const { cutter, holder } = context;
  const p = cutter.properties;
  const { way } = op.stretch;
  const out = op.tooling.stickOutMm * scale;
  if (way === 'inside') {
    const bar = (p.DCONMS ?? 16) * scale;
    return (
      <g aria-hidden="true">
        <rect
          x={tip.x}
          y={tip.y + 3}
          width={out}
          height={bar}
          fill="var(--tool)"
          stroke="var(--ink)"
          rx="2"
        />
        <path
          d={`M${tip.x} ${tip.y} l14 3 v8 l-14 -4 Z`}
          fill="var(--accent)"
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
        <rect
          x={tip.x + out}
          y={tip.y + 3 - 6}
          width={60}
          height={bar + 12}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      </g>
    );
  }
  const size = Math.max(14, (p.IC ?? 12) * scale);
  const point = Number(p['EPSR'] ?? USUAL_POINT);
  const nose = Math.max(3, (p.RE ?? 1) * scale);
  const shank = holder.bore_diameter_mm[1] * scale;
  return (
    <g aria-hidden="true">
      <rect
        x={tip.x + 2}
        y={tip.y - out}
        width={shank}
        height={Math.max(4, out - size * 0.4)}
        fill="var(--tool)"
        stroke="var(--ink)"
      />
      <rect
        x={tip.x - 6}
        y={tip.y - out - 40}
        width={shank + 16}
        height={40}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      {isFullRadius(cutter) ? (
        <path
          d={`M${tip.x - nose} ${tip.y - 3 * nose} v${2 * nose} a${nose} ${nose} 0 0 0 ${2 * nose} 0 v${-2 * nose} Z`}
          fill="var(--accent)"
          stroke="var(--ink)"
        />
      ) : point === 0 ? (
        <circle cx={tip.x} cy={tip.y - size / 2} r={size / 2} fill="var(--accent)" stroke="var(--ink)" />
      ) : (
        <path
          d={`M${insertCorners(tip.x, tip.y, size, p.KAPR ?? 95, point)
            .map((c) => c.map((v) => v.toFixed(1)).join(' '))
            .join(' L')} Z`}
          fill="var(--accent)"
          stroke="var(--ink)"
          strokeLinejoin="round"
        />
      )}
    </g>
  );
}
