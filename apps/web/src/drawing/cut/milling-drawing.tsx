import type { MillingOperation } from '@burl/core';
import type { CSSProperties } from 'react';
import { textScale } from '../drawing.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';
import { ElevationView } from './elevation-view.tsx';
import { PlanView } from './plan-view.tsx';

/** Units across both views, and across one. */
const BOTH = 870;
const ONE = 460;
/** Below this width of the page they stand one over the other, px. */
const STACKED_PX = 440;

/** A milling cut from above and from the side. */
export function MillingDrawing(props: DrawingProps<MillingOperation>) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const stacked = width !== null && width < STACKED_PX;
  return (
    <div
      ref={ref}
      className={`grid ${stacked ? 'grid-cols-1' : 'grid-cols-[9fr_8fr]'}`}
      style={{ '--text': textScale(width, stacked ? ONE : BOTH) } as CSSProperties}
    >
      <div className={stacked ? 'border-b border-line' : 'border-r border-line'}>
        <PlanView {...props} />
      </div>
      <ElevationView {...props} />
    </div>
  );
}
