import type { Movable, Operation } from '@burl/core';
import { Handle } from './handle.tsx';

/** A handle on a number of the operation: its range and step are the core's. */
export function MovableHandle({
  movable,
  op,
  ...where
}: {
  movable: Movable;
  op: Operation;
  x: number;
  y: number;
  axis: 'x' | 'y';
  perUnit: number;
  disabled: boolean;
  onMove: (value: number) => void;
}) {
  const { name, unit, step } = movable;
  const value = movable.read(op);
  return (
    <Handle
      {...where}
      label={name}
      value={value}
      unit={unit}
      // What is there now may stand beyond where one would go.
      low={Math.min(movable.low, value)}
      high={Math.max(movable.high, value)}
      step={step}
    />
  );
}
