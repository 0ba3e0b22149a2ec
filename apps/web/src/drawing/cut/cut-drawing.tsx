import type { HoleOperation, MillingOperation } from '@burl/core';
import type { DrawingProps } from './drawing-props.ts';
import { HoleSection } from './hole-section.tsx';
import { MillingDrawing } from './milling-drawing.tsx';

/** A cut of any kind drawn with its handles. */
export const CutDrawing = (props: DrawingProps) =>
  props.op.kind === 'milling' ? (
    <MillingDrawing {...(props as DrawingProps<MillingOperation>)} />
  ) : (
    <HoleSection {...(props as unknown as DrawingProps<HoleOperation>)} />
  );
