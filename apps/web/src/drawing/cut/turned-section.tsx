import { type Evaluation, formatMeasure, movableOf, numberOf, type TurningOperation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { Handle } from '../handle.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';
import { FeedMarks } from './feed-marks.tsx';
import { Axis, HalfSection, Overhang, SECTION, sectionPlace } from './half-section.tsx';
import { deepestPlace, ProfileDetail } from './profile-detail.tsx';
import { ProfileLeft } from './profile-left.tsx';
import { outlineOf, TurnedPart, type TurnedPlace } from './turned-part.tsx';
import { TurnedTool } from './turned-tool.tsx';

/** Half-section of the turned part with chuck, support, tool and what is cut, to scale; its numbers can be taken hold of. */
export function TurnedSection({
  op,
  context,
  evaluation,
  readOnly,
  onParameter,
  onChange,
}: DrawingProps<TurningOperation>) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { stretch: s } = op;
  const o = outlineOf(op);
  const { scale, x, y } = sectionPlace(o.to, o.outer);
  const depth = numberOf(evaluation, 'ap').value;
  const half = (o.outer + o.after) / 2;
  const deepest = deepestPlace(op);
  // The tool stands in the middle of its way, in the deepest pass.
  const tip =
    s.way === 'face'
      ? { x: x(o.to - Math.min(depth, s.lengthMm)), y: y(half) }
      : { x: x(deepest === null ? o.from + 0.55 * (o.to - o.from) : o.to - deepest), y: y(o.after) };
  const place: TurnedPlace = { scale, x, y, tip };
  const ap = movableOf(op, context, 'ap');
  return (
    <HalfSection refOf={ref} width={width} label="Half-section of the turned part">
      <TurnedPart op={op} outline={o} place={place} />
      <ProfileLeft op={op} context={context} endMm={o.to} place={place} />
      <g clipPath="url(#half)">
        <TurnedTool op={op} context={context} tip={tip} scale={scale} />
      </g>
      <Axis />
      {s.profile ? (
        <ProfileDetail op={op} context={context} endMm={o.to} tipX={tip.x} scale={scale} />
      ) : (
        <FeedMarks
          op={op}
          context={context}
          evaluation={evaluation}
          tipX={tip.x}
          readOnly={readOnly}
          onParameter={onParameter}
        />
      )}
      {!s.profile && s.way !== 'face' && (
        <Handle
          label="End of the cut"
          value={s.lengthMm}
          unit="mm"
          low={0.5}
          high={s.overhangMm}
          step={0.5}
          x={x(o.from)}
          y={y(o.before)}
          axis="x"
          perUnit={-1 / scale}
          disabled={readOnly}
          onMove={(lengthMm) => onChange({ ...op, stretch: { ...s, lengthMm } }, 'length')}
        />
      )}
      <Words op={op} evaluation={evaluation} end={x(o.to)} />
      <Overhang
        op={op}
        context={context}
        overhangMm={s.overhangMm}
        place={place}
        readOnly={readOnly}
        onChange={onChange}
      />
      <MovableHandle
        movable={ap}
        op={op}
        x={x(o.to) + 8}
        y={y(s.way === 'face' ? half : o.after)}
        axis="y"
        perUnit={(s.way === 'inside' ? 1 : -1) / scale}
        disabled={readOnly}
        onMove={(v) => onParameter('ap', v)}
      />
    </HalfSection>
  );
}

/** Diameters, depth, overhang, and how far the part gives way. */
function Words({ op, evaluation, end }: { op: TurningOperation; evaluation: Evaluation; end: number }) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { stretch: s } = op;
  const passes = numberOf(evaluation, 'passes').value;
  const governs = evaluation.limits.find((l) => l.id === 'turned-size' || l.id === 'part-chatter');
  // Beside a face stands the shank.
  const aside = Math.min(SECTION.width - 96, end + (s.way === 'face' ? 110 : 28));
  const ground = halo(s.way === 'inside' ? 'card' : 'stock');
  return (
    <>
      <g fill="var(--ink)" fontSize="calc(13.5px * var(--text, 1))" fontWeight="650">
        <text x={SECTION.jaws + 12} y={SECTION.axis - 10} {...ground}>
          ⌀ {mm(s.startMm)} → {s.endMm > 0 ? mm(s.endMm) : 'centre'}
        </text>
        <text x={aside} y={SECTION.axis - 62} {...halo('card')}>
          ap {mm(numberOf(evaluation, 'ap').value)}
          <tspan x={aside} dy="1.3em" fontWeight="400" fill="var(--soft)">
            {passes.toFixed(0)} {passes === 1 ? 'pass' : 'passes'}
          </tspan>
        </text>
      </g>
      <text
        x={SECTION.width - 8}
        y={20}
        textAnchor="end"
        fontSize="calc(12.5px * var(--text, 1))"
        fontWeight="650"
        fill={`var(--${governs?.state ?? 'ink'})`}
        {...halo('card')}
      >
        part gives way {formatMeasure(numberOf(evaluation, 'lean').value, 'mm-deflection', system)}
      </text>
    </>
  );
}
