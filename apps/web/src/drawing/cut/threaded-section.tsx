import { basicDiameters, formatMeasure, type ThreadTurningOperation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';
import {
  Axis,
  Chuck,
  GRIPPED,
  HalfSection,
  Overhang,
  SECTION,
  sectionPlace,
  type SectionPlace,
  Support,
} from './half-section.tsx';
import { ThreadDetail } from './thread-detail.tsx';

/** A bore that is threaded stands in a part so many times its size: nobody states the outside. */
const WALL = 1.4;
/** Teeth drawn at most; a finer thread is drawn with fewer. */
const MOST_TEETH = 60;

/** Outline of a thread from one place along the part to another, px: crests and roots in turn. */
function teeth(
  { x, y }: SectionPlace,
  [from, to]: readonly [number, number],
  [start, root]: readonly [number, number],
  pitchMm: number,
): string {
  const count = Math.min(MOST_TEETH, Math.max(1, Math.round((to - from) / pitchMm)));
  const step = (to - from) / count;
  return Array.from(
    { length: count },
    (_, i) =>
      `L${x(to - (i + 0.5) * step).toFixed(1)} ${y(root).toFixed(1)} L${x(to - (i + 1) * step).toFixed(1)} ${y(start).toFixed(1)}`,
  ).join(' ');
}

/** Half-section of the part with its chuck and the thread, to scale; its passes again, larger. */
export function ThreadedSection({ op, context, readOnly, onChange }: DrawingProps<ThreadTurningOperation>) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { thread, turned: t } = op;
  const { minorMm } = basicDiameters(thread);
  const outer = ((t.internal ? WALL : 1) * thread.majorMm) / 2;
  const place = sectionPlace(t.overhangMm, outer);
  const { x, y, scale } = place;
  const end = x(t.overhangMm);
  const span = [t.overhangMm - t.fromEndMm - t.lengthMm, t.overhangMm - t.fromEndMm] as const;
  const [start, root] = t.internal ? [minorMm / 2, thread.majorMm / 2] : [thread.majorMm / 2, minorMm / 2];
  const line = teeth(place, span, [start, root], thread.pitchMm);
  const bore = t.boreMm / 2;
  const path = t.internal
    ? `M${GRIPPED} ${y(outer)} H${end} V${y(start)} H${x(span[1])} ${line} H${GRIPPED} Z`
    : `M${GRIPPED} ${y(bore)} H${end} V${y(start)} H${x(span[1])} ${line} H${GRIPPED} Z`;
  const out = op.tooling.stickOutMm * scale;
  const tip = { x: x(span[1]) - 6, y: y(root) };
  return (
    <HalfSection refOf={ref} width={width} label="Half-section of the threaded part">
      <g aria-hidden="true">
        <Chuck top={y(outer)} />
        <path d={path} fill="url(#stock)" stroke="var(--stock-line)" />
        <Support support={t.support} end={end} steady={{ x: x(span[0]) - 14, y: y(outer) }} />
      </g>
      <g clipPath="url(#half)" aria-hidden="true">
        {t.internal ? (
          <>
            <rect
              x={tip.x - 8}
              y={y(start) + 4}
              width={out}
              height={Math.min(0.7 * start * scale, 60)}
              fill="var(--tool)"
              stroke="var(--ink)"
            />
            <path
              d={`M${tip.x} ${tip.y} l9 ${y(start) - tip.y + 12} h-18 Z`}
              fill="var(--accent)"
              stroke="var(--ink)"
            />
          </>
        ) : (
          <>
            <rect
              x={tip.x - 10}
              y={tip.y - out}
              width={25 * scale}
              height={out - 14}
              fill="var(--tool)"
              stroke="var(--ink)"
            />
            <path d={`M${tip.x} ${tip.y} l10 -18 h-20 Z`} fill="var(--accent)" stroke="var(--ink)" />
            <rect
              x={tip.x - 18}
              y={tip.y - out - 40}
              width={25 * scale + 16}
              height={40}
              fill="var(--holder)"
              stroke="var(--soft)"
            />
          </>
        )}
      </g>
      <Axis />
      <ThreadDetail op={op} tipX={tip.x} />
      <text
        x={SECTION.jaws + 12}
        y={SECTION.axis - 10}
        fill="var(--ink)"
        fontSize="calc(13.5px * var(--text, 1))"
        fontWeight="650"
        {...halo('stock')}
      >
        {thread.designation}, {mm(t.lengthMm)} long
      </text>
      <Overhang
        op={op}
        context={context}
        overhangMm={t.overhangMm}
        place={place}
        readOnly={readOnly}
        onChange={onChange}
      />
    </HalfSection>
  );
}
