import { type Cutter, formatMeasure, toolOutline } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';

const [W, H] = [520, 190];
const MIDDLE = 84;
const ROOM = { x: 20, y: 58 };
const HELICES = 3;

/** The end of the tool with its teeth where they stand; unequal ones are seen to be so. */
function End({ cutter, x, y, size }: { cutter: Cutter; x: number; y: number; size: number }) {
  const teeth = Math.min(
    20,
    Math.max(0, Math.round(Number(cutter.properties.ZEFP ?? cutter.properties.NOF ?? 0))),
  );
  const angles = cutter.extended.pitch_angles_deg;
  const listed = Array.isArray(angles) && angles.length === teeth ? angles : null;
  const core = Number(cutter.extended.core_ratio ?? 0.5) * size;
  const spokes = listed
    ? listed.map((_, i) => listed.slice(0, i).reduce((sum, a) => sum + Number(a), 0))
    : Array.from({ length: teeth }, (_, i) => (360 * i) / teeth);
  return (
    <g aria-hidden="true">
      <circle cx={x} cy={y} r={size} fill="var(--raised)" stroke="var(--line)" strokeDasharray="3 3" />
      <circle cx={x} cy={y} r={Math.min(size, Math.max(2, core))} fill="var(--line)" />
      {spokes.map((at, i) => {
        const angle = ((at - 90) * Math.PI) / 180;
        return (
          <line
            key={i}
            x1={x}
            y1={y}
            x2={x + size * Math.cos(angle)}
            y2={y + size * Math.sin(angle)}
            stroke="var(--accent)"
            strokeWidth="3"
          />
        );
      })}
    </g>
  );
}

/** A length along the tool, from its tip, below the drawing. */
function Along({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  return (
    <g stroke="var(--soft)">
      <line x1={from} x2={to} y1={y} y2={y} />
      <line x1={from} x2={from} y1={y - 4} y2={y + 4} />
      <line x1={to} x2={to} y1={y - 4} y2={y + 4} />
      <text x={(from + to) / 2} y={y - 5} textAnchor="middle" fontSize="12" fill="var(--ink)" stroke="none">
        {text}
      </text>
    </g>
  );
}

/** A tool lying on its side to scale, its tip at the left, with the lengths people look for. */
export function CutterDrawing({ cutter }: { cutter: Cutter }) {
  const system = useSystem();
  const outline = toolOutline(cutter);
  if (!outline) return <p className="text-[13px] text-soft">Diameter and overall length draw the tool.</p>;
  const { points, cutTo, length } = outline;
  const widest = Math.max(...points.map((p) => p.radiusMm));
  const scale = Math.min((W - 2 * ROOM.x - 90) / length, ROOM.y / widest);
  const x = (z: number): number => ROOM.x + z * scale;
  const half = (sign: 1 | -1): string[] =>
    points.map((p) => `${x(p.heightMm)},${MIDDLE - sign * p.radiusMm * scale}`);
  const path = [`${x(0)},${MIDDLE}`, ...half(1), ...half(-1).reverse()].join(' ');
  const d = cutter.properties.DC ?? 2 * widest;
  const slope = Math.tan(((cutter.properties.FHA ?? 0) * Math.PI) / 180);
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${cutter.name || 'Tool'}: diameter ${mm(d)}, overall length ${mm(length)}`}
      className="h-auto w-full rounded-md border border-line bg-paper"
    >
      <clipPath id="cutting-length">
        <rect x={x(0)} y={0} width={Math.max(0, cutTo * scale)} height={H} />
      </clipPath>
      <polygon
        points={path}
        fill="var(--raised)"
        stroke="var(--ink)"
        strokeWidth="1.4"
        strokeLinejoin="round"
      />
      <g clipPath="url(#cutting-length)" stroke="var(--accent)" strokeWidth="1.2" fill="none">
        <polygon points={path} stroke="var(--accent)" strokeWidth="2.2" />
        {Array.from({ length: HELICES }, (_, i) => {
          const begin = ((i + 0.2) / HELICES) * cutTo * scale;
          const rise = d * scale;
          return (
            <line
              key={i}
              x1={x(0) + begin}
              y1={MIDDLE + rise / 2}
              x2={x(0) + begin + (slope === 0 ? 0 : rise / slope)}
              y2={slope === 0 ? MIDDLE + rise / 2 : MIDDLE - rise / 2}
            />
          );
        })}
      </g>
      <line
        x1={x(0) - 8}
        x2={x(length) + 8}
        y1={MIDDLE}
        y2={MIDDLE}
        stroke="var(--soft)"
        strokeDasharray="9 3 2 3"
      />
      <text x={x(0)} y={16} fontSize="13" fontWeight="650" fill="var(--ink)">
        ⌀ {mm(d)}
      </text>
      <text x={x(length)} y={16} fontSize="13" textAnchor="end" fill="var(--ink)">
        {cutter.properties.DCONMS
          ? `${cutter.type.startsWith('face') ? 'bore' : 'shank'} ${mm(cutter.properties.DCONMS)}`
          : ''}
      </text>
      <Along from={x(0)} to={x(cutTo)} y={150} text={`edge ${mm(cutTo)}`} />
      <Along from={x(0)} to={x(length)} y={182} text={`overall ${mm(length)}`} />
      <End cutter={cutter} x={W - 50} y={MIDDLE} size={34} />
    </svg>
  );
}
