import { isTurnedOperation, withPartSpindle } from '@burl/core';
import { useMemo } from 'react';
import type { PanelProps } from './panel-props.ts';
import SpindleChart from './spindle-chart.tsx';

/** What the spindle delivers, and what of it this cut needs. */
export default function SpindlePanel({ op, evaluation, context: given, readOnly, onSpeed }: PanelProps) {
  // What turns the part of a mill-turn centre is another spindle than what turns its cutters.
  const turned = isTurnedOperation(op);
  const context = useMemo(
    () => (turned ? { ...given, machine: withPartSpindle(given.machine) } : given),
    [turned, given],
  );
  return (
    <section aria-label="Power and torque" className="h-full">
      <SpindleChart evaluation={evaluation} context={context} readOnly={readOnly} onSpeed={onSpeed} />
    </section>
  );
}
