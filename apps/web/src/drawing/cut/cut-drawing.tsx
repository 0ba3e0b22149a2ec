import type { HoleOperation, MillingOperation, TurningOperation } from '@burl/core';
import type { DrawingProps } from './drawing-props.ts';
import { HoleSection } from './hole-section.tsx';
import { MillingDrawing } from './milling-drawing.tsx';
import { TurnedSection } from './turned-section.tsx';

/** A cut of any kind drawn with its handles. */
export const CutDrawing = (props: DrawingProps) =>
  props.op.kind === 'milling' ? (
    <MillingDrawing {...(props as DrawingProps<MillingOperation>)} />
  ) : props.op.kind === 'turning' ? (
    <TurnedSection {...(props as unknown as DrawingProps<TurningOperation>)} />
  ) : (
    <HoleSection {...(props as unknown as DrawingProps<HoleOperation>)} />
  );
