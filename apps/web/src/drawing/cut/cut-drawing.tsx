import type { Operation } from '@burl/core';
import type { ComponentType } from 'react';
import type { DrawingProps } from './drawing-props.ts';
import { EdgeSection } from './edge-section.tsx';
import { GroovedSection } from './grooved-section.tsx';
import { HoleSection } from './hole-section.tsx';
import { MillingDrawing } from './milling-drawing.tsx';
import { ThreadedSection } from './threaded-section.tsx';
import { TurnedSection } from './turned-section.tsx';

/** What each kind that is not a hole is drawn by; only that kind is ever given to it. */
const DRAWN: Partial<Record<Operation['kind'], unknown>> = {
  milling: MillingDrawing,
  'edge-milling': EdgeSection,
  turning: TurnedSection,
  grooving: GroovedSection,
  'thread-turning': ThreadedSection,
};

/** A cut of any kind drawn with its handles. */
export function CutDrawing(props: DrawingProps) {
  const Drawn = (DRAWN[props.op.kind] ?? HoleSection) as ComponentType<DrawingProps>;
  return <Drawn {...props} />;
}
