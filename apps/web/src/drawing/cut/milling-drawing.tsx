import type { MillingOperation } from '@burl/core';
import type { DrawingProps } from './drawing-props.ts';
import { ElevationView } from './elevation-view.tsx';
import { PlanView } from './plan-view.tsx';

/** A milling cut from above and from the side. */
export const MillingDrawing = (props: DrawingProps<MillingOperation>) => (
  <div className="grid grid-cols-[9fr_8fr]">
    <div className="border-r border-line">
      <PlanView {...props} />
    </div>
    <ElevationView {...props} />
  </div>
);
