import {
  cuttingWidth,
  formatMeasure,
  type GroovingOperation,
  grippedDiameter,
  grooveDepth,
  grooveWidth,
  numberOf,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';
import { GrooveDetail } from './groove-detail.tsx';
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

/** Half-section of the part with its chuck, the groove, and the blade that stands in it, to scale; the groove again, larger. */
export function GroovedSection({
  op,
  context,
  evaluation,
  readOnly,
  onChange,
}: DrawingProps<GroovingOperation>) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { groove: g } = op;
  const place = sectionPlace(g.overhangMm, grippedDiameter(g) / 2);
  const { x } = place;
  const blade = cuttingWidth(context.cutter);
  const governs = evaluation.limits.find((l) => l.id === 'groove-chatter');
  const rim = evaluation.numbers.some((n) => n.key === 'rim') ? numberOf(evaluation, 'rim').value : null;
  return (
    <HalfSection refOf={ref} width={width} label="Half-section of the grooved part">
      <Part op={op} place={place} blade={blade} />
      <g clipPath="url(#half)">
        <Blade op={op} place={place} blade={blade} out={op.tooling.stickOutMm} />
      </g>
      <Axis />
      <GrooveDetail
        op={op}
        bladeMm={blade}
        cornerMm={context.cutter.properties.RE ?? 0.2}
        tipX={x(spanOf(op, blade)[1])}
      />
      <text
        x={Math.abs(x(spanOf(op, blade)[1]) - 200) < 90 ? 300 : SECTION.jaws + 12}
        y={SECTION.axis - 10}
        fill="var(--ink)"
        fontSize="calc(13.5px * var(--text, 1))"
        fontWeight="650"
        {...halo('stock')}
      >
        ⌀ {mm(g.startMm)} → {g.endMm > 0 ? mm(g.endMm) : g.boreMm > 0 ? `bore ${mm(g.boreMm)}` : 'centre'}
      </text>
      <text
        x={12}
        y={20}
        fontSize="calc(12.5px * var(--text, 1))"
        fontWeight="650"
        fill={`var(--${governs?.state ?? 'ink'})`}
        {...halo('card')}
      >
        {rim === null
          ? `edge ${mm(blade)} wide, ${numberOf(evaluation, 'plunges').value.toFixed(0)} ${op.cut.widenBy === 'side' && grooveWidth(g, blade) > blade ? 'layers' : 'plunges'}`
          : `comes off with its rim at ${formatMeasure(rim, 'm/min', system)}`}
      </text>
      <Overhang
        op={op}
        context={context}
        overhangMm={g.overhangMm}
        place={place}
        readOnly={readOnly}
        onChange={onChange}
      />
    </HalfSection>
  );
}

/** Where the groove lies along the part, mm from the jaws. */
const spanOf = ({ groove: g }: GroovingOperation, blade: number): readonly [number, number] => {
  const to = g.overhangMm - g.fromEndMm;
  return g.way === 'face' ? [g.overhangMm - grooveDepth(g), g.overhangMm] : [to - grooveWidth(g, blade), to];
};

function Part({ op, place: { x, y }, blade }: { op: GroovingOperation; place: SectionPlace; blade: number }) {
  const { groove: g } = op;
  const outer = grippedDiameter(g) / 2;
  const [from, to] = spanOf(op, blade);
  const [start, bottom, bore] = [g.startMm / 2, g.endMm / 2, g.boreMm / 2];
  const end = x(g.overhangMm);
  const path =
    g.way === 'inside'
      ? `M${GRIPPED} ${y(outer)} H${end} V${y(start)} H${x(to)} V${y(bottom)} H${x(from)} V${y(start)} H${GRIPPED} Z`
      : g.way === 'face'
        ? `M${GRIPPED} ${y(outer)} H${end} V${y(start)} H${x(from)} V${y(bottom)} H${end} V${y(bore)} H${GRIPPED} Z`
        : `M${GRIPPED} ${y(outer)} H${x(from)} V${y(Math.max(bottom, bore))} H${x(to)} V${y(outer)} H${end} V${y(bore)} H${GRIPPED} Z`;
  return (
    <g aria-hidden="true">
      <Chuck top={y(outer)} />
      <path d={path} fill="url(#stock)" stroke="var(--stock-line)" />
      {g.way === 'part-off' && g.caughtBy === 'sub-spindle' && (
        <rect
          x={end - 24}
          y={y(outer) - 24}
          width={60}
          height={24}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      )}
      <Support support={g.support} end={end} steady={{ x: x(from) - 16, y: y(outer) }} />
    </g>
  );
}

/** The blade at the bottom of its first plunge. */
function Blade({
  op,
  place: { x, y, scale },
  blade,
  out,
}: {
  op: GroovingOperation;
  place: SectionPlace;
  blade: number;
  out: number;
}) {
  const { groove: g } = op;
  const [from, to] = spanOf(op, blade);
  const wide = Math.max(3, blade * scale);
  const long = out * scale;
  const fill = { fill: 'var(--tool)', stroke: 'var(--ink)', strokeWidth: 0.8 };
  if (g.way === 'face') {
    const outerFirst = op.cut.firstPlunge === 'outer';
    const top = outerFirst ? y(g.startMm / 2) : y(g.endMm / 2 + blade);
    return (
      <g aria-hidden="true">
        <rect x={x(from)} y={top} width={long} height={wide} {...fill} />
        <rect x={x(from)} y={top} width={4} height={wide} fill="var(--accent)" />
        <rect
          x={x(from) + long}
          y={top - 20}
          width={60}
          height={wide + 40}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      </g>
    );
  }
  if (g.way === 'inside') {
    const bar = Math.min(0.8 * g.startMm, 16) * scale;
    const left = x(to) - wide;
    return (
      <g aria-hidden="true">
        <rect x={left} y={y(g.startMm / 2) + 3} width={long} height={bar} {...fill} />
        <rect
          x={left}
          y={y(g.endMm / 2)}
          width={wide}
          height={y(g.startMm / 2) - y(g.endMm / 2) + 6}
          fill="var(--accent)"
        />
        <rect
          x={left + long}
          y={y(g.startMm / 2) - 3}
          width={60}
          height={bar + 12}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      </g>
    );
  }
  const tip = y(Math.max(g.endMm, g.boreMm) / 2);
  const left = g.way === 'part-off' ? x(from) : x(to) - wide;
  return (
    <g aria-hidden="true">
      <rect x={left} y={tip - long} width={wide} height={long} {...fill} />
      <rect x={left} y={tip - 5} width={wide} height={5} fill="var(--accent)" />
      <rect
        x={left - 8}
        y={tip - long - 40}
        width={wide + 40}
        height={40}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
    </g>
  );
}
