import type { Crib } from '@burl/contract';
import { EntrySelect } from '../../ui/entry-select.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import type { ChatterCut } from './chatter-cut.ts';
import type { CutAsked } from './cut-asked.ts';

/** The cut that is asked for: alloy, speed, depth, width, feed, direction. */
export function CutForm({
  crib,
  asked,
  cut,
  onAsk,
}: {
  crib: Crib;
  asked: CutAsked;
  cut: ChatterCut;
  onAsk: (asked: CutAsked) => void;
}) {
  const now = cut.op.cut;
  return (
    <section className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>The cut</h2>
      <EntrySelect
        label="Alloy"
        value={asked.alloyId}
        list={crib.alloys}
        onTake={(alloyId) => onAsk({ ...asked, alloyId })}
      />
      <div className="grid grid-cols-2 gap-2">
        <Num
          label="Spindle speed"
          unit="rpm"
          value={now.speedRpm}
          readOnly={false}
          onTake={(speedRpm) => onAsk({ ...asked, speedRpm })}
        />
        <Num
          label="Axial depth"
          unit="mm"
          value={now.axialDepthMm}
          readOnly={false}
          onTake={(depthMm) => onAsk({ ...asked, depthMm })}
        />
        <Num
          label="Radial depth"
          unit="mm"
          value={now.radialEngagementMm}
          readOnly={false}
          onTake={(radialMm) => onAsk({ ...asked, radialMm })}
        />
        <Num
          label="Feed per tooth"
          unit="mm/tooth"
          value={now.feedPerToothMm}
          readOnly={false}
          onTake={(feedPerToothMm) => onAsk({ ...asked, feedPerToothMm })}
        />
      </div>
      <Toggle
        label="Direction of milling"
        options={['climb', 'conventional'] as const}
        value={asked.direction}
        onTake={(direction) => onAsk({ ...asked, direction })}
      />
    </section>
  );
}
