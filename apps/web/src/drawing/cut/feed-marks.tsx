import {
  movableOf,
  numberOf,
  type Evaluation,
  formatMeasure,
  type OperationContext,
  type TurningOperation,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import { Detail, detailAt } from './half-section.tsx';

const SIZE = { y: 28, width: 200, height: 104 } as const;
/** Widest a mark is drawn, px, at the coarsest feed a nose stands, over its radius. */
const WIDEST = { px: 62, ofNose: 0.7 } as const;
/** Marks are so flat that their height is drawn larger. */
const TALLER = 8;
const MARKS = 3;

/** The marks the nose leaves, a feed apart, larger; the feed can be taken hold of. */
export function FeedMarks({
  op,
  context,
  evaluation,
  tipX,
  readOnly,
  onParameter,
}: {
  op: TurningOperation;
  context: OperationContext;
  evaluation: Evaluation;
  /** Where the tool stands, px. */
  tipX: number;
  readOnly: boolean;
  onParameter: (key: 'fn', value: number) => void;
}) {
  const system = useSystem();
  const nose = context.cutter.properties.RE ?? 0.8;
  const feed = op.cut.feedPerRevMm;
  const scale = WIDEST.px / (WIDEST.ofNose * nose);
  const pitch = Math.min(WIDEST.px, feed * scale);
  const height = (TALLER * pitch ** 2) / (8 * nose * scale);
  const frame = { ...SIZE, x: detailAt(tipX, SIZE.width) };
  const [left, crest] = [frame.x + (frame.width - MARKS * pitch) / 2, frame.y + 52 - height / 2];
  const marks = Array.from(
    { length: MARKS },
    (_, i) => `Q${left + (i + 0.5) * pitch} ${crest + 2 * height} ${left + (i + 1) * pitch} ${crest}`,
  );
  return (
    <Detail {...frame} title="Feed marks, height × 8">
      <path
        d={`M${left} ${crest} ${marks.join(' ')}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
        aria-hidden="true"
      />
      <MovableHandle
        movable={movableOf(op, context, 'fn')}
        op={op}
        x={left + 2 * pitch}
        y={crest}
        axis="x"
        perUnit={1 / scale}
        disabled={readOnly}
        onMove={(v) => onParameter('fn', v)}
      />
      <text
        x={frame.x + frame.width / 2}
        y={frame.y + frame.height - 10}
        textAnchor="middle"
        fontSize="calc(12px * var(--text, 1))"
        fill="var(--ink)"
        {...halo('card')}
      >
        {formatMeasure(feed, 'mm/rev', system)}, Ra{' '}
        {formatMeasure(numberOf(evaluation, 'Ra').value, 'um-fine', system)}
      </text>
    </Detail>
  );
}
