import { formatMeasure, grooveDepth, grooveWidth, type GroovingOperation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { Detail, detailAt } from './half-section.tsx';

const SIZE = { y: 8, width: 170, height: 128 } as const;
const ROOM = { width: 108, height: 58 } as const;

/** Order of plunges in a groove: the first at one wall, the last at the other, so that each stands free on one side. */
export function plungePlaces(widthMm: number, bladeMm: number, stepMm: number): number[] {
  const last = widthMm - bladeMm;
  const count = Math.ceil(last / stepMm - 1e-6);
  return Array.from({ length: count + 1 }, (_, i) => (count === 0 ? 0 : (last * i) / count));
}

/** The groove again, larger: its plunges in order, or its layers; the corner the blade leaves. */
export function GrooveDetail({
  op,
  bladeMm,
  cornerMm,
  tipX,
}: {
  op: GroovingOperation;
  bladeMm: number;
  cornerMm: number;
  /** Where the blade stands, px. */
  tipX: number;
}) {
  const frame = { ...SIZE, x: detailAt(tipX, SIZE.width) };
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { groove: g, cut } = op;
  const [width, depth] = [grooveWidth(g, bladeMm), grooveDepth(g)];
  const scale = Math.min(ROOM.width / width, ROOM.height / depth);
  const left = frame.x + (frame.width - width * scale) / 2;
  const top = frame.y + 36;
  const bottom = top + depth * scale;
  const right = left + width * scale;
  const corner = Math.min(cornerMm, width / 2, depth) * scale;
  const sideways = cut.widenBy === 'side' && width > bladeMm + 0.05;
  const layers = sideways ? Math.ceil(depth / cut.depthMm - 1e-6) : 0;
  const slow =
    g.way === 'part-off' ? Math.min(depth, (cut.slowBelowMm - Math.max(g.endMm, g.boreMm)) / 2) : 0;
  return (
    <Detail
      {...frame}
      title={g.way === 'face' ? 'Groove in the face' : g.way === 'part-off' ? 'Parting' : 'Groove'}
    >
      <g aria-hidden="true">
        <path
          d={`M${frame.x + 10} ${top} H${left} V${bottom - corner} Q${left} ${bottom} ${left + corner} ${bottom} H${right - corner} Q${right} ${bottom} ${right} ${bottom - corner} V${top} H${frame.x + frame.width - 10}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
        {slow > 0 && (
          <rect
            x={left}
            y={bottom - slow * scale}
            width={width * scale}
            height={slow * scale}
            fill="var(--tight)"
            opacity={0.3}
          />
        )}
        {sideways
          ? Array.from({ length: layers }, (_, i) => (
              <line
                key={i}
                x1={left}
                x2={right}
                y1={top + ((i + 1) * depth * scale) / layers}
                y2={top + ((i + 1) * depth * scale) / layers}
                stroke="var(--accent)"
                strokeDasharray="4 3"
              />
            ))
          : plungePlaces(width, bladeMm, cut.stepMm).map((at, i, all) => (
              <g key={i}>
                <rect
                  x={left + at * scale + 0.5}
                  y={top}
                  width={Math.max(1, bladeMm * scale - 1)}
                  height={bottom - top}
                  fill="var(--accent)"
                  opacity={0.12}
                />
                {all.length > 1 && (
                  <text
                    x={left + (at + bladeMm / 2) * scale}
                    y={(top + bottom) / 2 + 4}
                    textAnchor="middle"
                    fontSize="calc(11.5px * var(--text, 1))"
                    fill="var(--ink)"
                  >
                    {i + 1}
                  </text>
                )}
              </g>
            ))}
      </g>
      <g fontSize="calc(12px * var(--text, 1))" fill="var(--ink)" textAnchor="middle">
        <text x={frame.x + frame.width / 2} y={frame.y + frame.height - 8} {...halo('card')}>
          {mm(width)} wide, {mm(depth)} deep
        </text>
      </g>
    </Detail>
  );
}
