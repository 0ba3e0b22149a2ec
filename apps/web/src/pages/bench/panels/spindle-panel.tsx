import type { PanelProps } from './panel-props.ts';
import { RangeLine } from './range-line.tsx';
import SpindleChart from './spindle-chart.tsx';

/** What the spindle delivers, what of it this cut needs, and where a milling cut lies in its cutter's range. */
const SpindlePanel = ({ op, evaluation, context, readOnly, onSpeed }: PanelProps) => (
  <section aria-label="Power and torque" className="flex h-full min-h-0 flex-col">
    {op.kind === 'milling' && <RangeLine op={op} context={context} />}
    <div className="min-h-0 flex-1">
      <SpindleChart evaluation={evaluation} context={context} readOnly={readOnly} onSpeed={onSpeed} />
    </div>
  </section>
);

export default SpindlePanel;
