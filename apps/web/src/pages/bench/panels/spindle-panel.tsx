import type { PanelProps } from './panel-props.ts';
import SpindleChart from './spindle-chart.tsx';

/** What the spindle delivers, and what of it this cut needs. */
export default function SpindlePanel({ evaluation, context, readOnly, onSpeed }: PanelProps) {
  return (
    <section aria-label="Power and torque" className="h-full">
      <SpindleChart evaluation={evaluation} context={context} readOnly={readOnly} onSpeed={onSpeed} />
    </section>
  );
}
