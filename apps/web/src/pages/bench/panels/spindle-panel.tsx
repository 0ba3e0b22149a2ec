import type { PanelProps } from './panel-props.ts';
import SpindleChart from './spindle-chart.tsx';

/** What the spindle delivers, and what of it this cut needs. */
const SpindlePanel = ({ evaluation, context, readOnly, onSpeed }: PanelProps) => (
  <section aria-label="Power and torque" className="h-full">
    <SpindleChart evaluation={evaluation} context={context} readOnly={readOnly} onSpeed={onSpeed} />
  </section>
);

export default SpindlePanel;
