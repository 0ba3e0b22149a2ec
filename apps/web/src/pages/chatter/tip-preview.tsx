import {
  formatMeasure,
  implausibleTip,
  type Receptance,
  staticStiffness,
  type TipMode,
  withModesAbove,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { ModesTable, UnseenModes } from './modes-table.tsx';
import { ResponseChart } from './response-chart.tsx';
import { stored } from './stored-response.ts';

/** What was read of a tip, before it counts. */
export interface TipReading {
  readonly axis: 'x' | 'y';
  readonly modes: readonly TipMode[];
  readonly receptance: Receptance;
  readonly coherence?: Float64Array;
  /** Hits agree from here on, Hz; absent where that is not known. */
  readonly fromHz?: number;
  readonly misfit: number | null;
  /** File it came from, or how it was made. */
  readonly origin: string;
}

/** Modes of a reading and those of the model above its range. */
export const completed = ({ modes, receptance }: TipReading, model: readonly TipMode[]) =>
  withModesAbove(modes, receptance.hz[receptance.hz.length - 1] ?? 0, model);

/** Stiffness and modes of a reading beside the model's, to be looked at before it counts. */
export function TipPreview({
  reading,
  model,
  onClose,
  onKeep,
}: {
  reading: TipReading;
  /** The crib's modes in the same direction. */
  model: readonly TipMode[];
  onClose: () => void;
  onKeep: (modes: readonly TipMode[]) => void;
}) {
  const system = useSystem();
  const { modes, added } = completed(reading, model);
  const wrong = implausibleTip(reading.modes);
  const said = (list: readonly TipMode[]): string =>
    formatMeasure(staticStiffness(list) / 1e6, 'N/um', system);
  const { receptance } = reading;
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`Read along ${reading.axis}: ${reading.origin}`}
      description="Looked at before it counts: nothing is kept yet."
      size="wide"
    >
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        <div className="relative h-56">
          <ResponseChart
            axis={reading.axis}
            part="magnitude"
            receptance={stored(receptance)}
            modes={reading.modes}
            toHz={receptance.hz[receptance.hz.length - 1] ?? 1000}
          />
        </div>
        <div className="space-y-2 text-[13px]">
          {!wrong && (
            <p>
              As measured the tip yields like a spring of <b>{said(reading.modes)}</b>; the crib’s class
              values say {said(model)}.
            </p>
          )}
          <ModesTable caption="Modes" modes={modes} />
          <UnseenModes modes={reading.modes} fromHz={reading.fromHz ?? 0} />
          {added.length > 0 && (
            <p className="text-soft">
              {added.map((m) => formatMeasure(m.hz, 'Hz', system)).join(', ')}: above what the tap could see,
              kept from the model.
            </p>
          )}
          {wrong && (
            <p role="alert" className="text-over">
              No tip of a cutter is like this: {String(wrong.value)}; allowed: {wrong.allowed}.
            </p>
          )}
        </div>
      </div>
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={wrong !== null} onClick={() => onKeep(modes)}>
          Save
        </Button>
      </div>
    </SheetDialog>
  );
}
