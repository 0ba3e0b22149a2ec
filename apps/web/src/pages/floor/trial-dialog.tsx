import {
  BREAK_PLACES,
  BURRS,
  CHIP_COLOURS,
  CHIP_FORMS,
  COOLANT_SEEN,
  type Ending,
  ENDINGS,
  expectedLoad,
  FINISHES,
  formatMeasure,
  isHole,
  PART_FATES,
  SOUNDS,
} from '@burl/core';
import type { ReleasedOperation } from '@burl/contract';
import { useState } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { TapChoice } from '../../ui/tap-choice.tsx';
import { TapNumber } from '../../ui/tap-number.tsx';
import { FilePick } from './file-pick.tsx';
import { keepSerial, really, type TrialDraft } from './trial-draft.ts';

const ENDING_NAMES: Readonly<Record<Ending, string>> = {
  running: 'Still good',
  changed: 'Changed in time',
  worn: 'Worn',
  chipped: 'Chipped',
  broken: 'Broken',
};
const YES_NO = ['no', 'yes'] as const;

const failed = (ending: Ending): boolean => ending === 'chipped' || ending === 'broken';

interface PartProps {
  readonly draft: TrialDraft;
  readonly op: ReleasedOperation;
  readonly set: (change: Partial<TrialDraft>) => void;
}

/** What is seldom said: folded until somebody asks. */
function More({ draft, op, set }: PartProps) {
  const system = useSystem();
  const ra = op.evaluation.numbers.find((n) => n.key === 'Ra');
  const expectedRa = ra ? formatMeasure(ra.value, 'um-fine', system) : null;
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <TapChoice
          label="Finish"
          value={draft.finish}
          options={FINISHES}
          onTake={(finish) => set({ finish })}
        />
        <TapChoice label="Burr" value={draft.burr} options={BURRS} onTake={(burr) => set({ burr })} />
        <TapChoice
          label="Glow at the edge"
          value={draft.glow === null ? null : draft.glow ? 'yes' : 'no'}
          options={YES_NO}
          onTake={(v) => set({ glow: v === null ? null : v === 'yes' })}
        />
      </div>
      <TapChoice
        label={`Coolant (sheet says ${op.document.coolant})`}
        value={draft.coolantSeen}
        options={COOLANT_SEEN}
        onTake={(coolantSeen) => set({ coolantSeen })}
      />
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <TapNumber
          label="Load meter, idle"
          unit="%"
          value={draft.idlePercent}
          step={1}
          low={0}
          high={300}
          onTake={(idlePercent) => set({ idlePercent })}
        />
        <TapNumber
          label="Minutes of cutting"
          unit="if counted"
          value={draft.minutes}
          step={1}
          low={0.1}
          high={9999}
          onTake={(minutes) => set({ minutes })}
        />
        <TapNumber
          label="Edge number"
          value={draft.edge}
          step={1}
          low={1}
          high={9999}
          onTake={(edge) => set({ edge: Math.round(edge ?? 1) })}
        />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <TapNumber
          label="Ra measured"
          unit={expectedRa === null ? 'µm' : `µm; ${expectedRa} expected`}
          value={draft.raUm}
          step={0.1}
          low={0.01}
          high={200}
          onTake={(raUm) => set({ raUm })}
        />
        <TapNumber
          label="Rz measured"
          unit="µm"
          value={draft.rzUm}
          step={0.5}
          low={0.05}
          high={1000}
          onTake={(rzUm) => set({ rzUm })}
        />
        <TapNumber
          label="Size off nominal"
          unit="mm"
          value={draft.sizeErrorMm}
          step={0.005}
          low={-5}
          high={5}
          onTake={(sizeErrorMm) => set({ sizeErrorMm })}
        />
      </div>
      <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
        <Field label="Heat lot">
          {(p) => (
            <input
              {...p}
              value={draft.heatLot}
              maxLength={80}
              onChange={(e) => set({ heatLot: e.target.value })}
              className={`${FIELD_LOOK} min-h-12`}
            />
          )}
        </Field>
        <Field label="Note">
          {(p) => (
            <input
              {...p}
              value={draft.note}
              maxLength={2000}
              onChange={(e) => set({ note: e.target.value })}
              className={`${FIELD_LOOK} min-h-12`}
            />
          )}
        </Field>
      </div>
    </div>
  );
}

/** How the edge is, what it has made, and what the control and the meter showed. */
function EdgeAndNumbers({ draft, op, set }: PartProps) {
  const system = useSystem();
  const { document, context, evaluation } = op;
  const hole = isHole(document);
  const load = expectedLoad(document, context, evaluation);
  const as = really(document, context, draft);
  const percent = (v: number): string => formatMeasure(v, 'percent', system);
  return (
    <>
      <TapChoice
        label={`Edge ${draft.edge}`}
        value={draft.ending}
        options={ENDINGS}
        optional={false}
        nameOf={(e) => ENDING_NAMES[e]}
        onTake={(ending) => ending && set({ ending, ...(failed(ending) ? {} : { brokeAt: null }) })}
      />
      {failed(draft.ending) && (
        <div className="flex flex-wrap gap-x-6 gap-y-3">
          <TapChoice
            label="Where"
            value={draft.brokeAt}
            options={BREAK_PLACES.filter((p) => (hole ? p !== 'corner' : p !== 'pecking'))}
            onTake={(brokeAt) => set({ brokeAt })}
          />
          <TapChoice label="Part" value={draft.part} options={PART_FATES} onTake={(part) => set({ part })} />
        </div>
      )}
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <TapNumber
          label={`${hole ? 'Holes' : 'Features'} on this edge`}
          value={draft.features}
          step={1}
          low={1}
          high={99999}
          onTake={(features) => set({ features: features ?? 1 })}
        />
        <TapNumber
          label="Load meter"
          unit={`%; ${percent(load.low)}–${percent(load.high)} expected`}
          value={draft.loadPercent}
          step={1}
          low={0}
          high={300}
          onTake={(loadPercent) => set({ loadPercent })}
        />
        <TapNumber
          label="Speed override"
          unit="%"
          value={draft.speedOverride}
          step={5}
          low={10}
          high={200}
          onTake={(speedOverride) => set({ speedOverride: speedOverride ?? 100 })}
        />
        <TapNumber
          label="Feed override"
          unit="%"
          value={draft.feedOverride}
          step={5}
          low={5}
          high={300}
          onTake={(feedOverride) => set({ feedOverride: feedOverride ?? 100 })}
        />
      </div>
      {(draft.speedOverride !== 100 || draft.feedOverride !== 100) && (
        <p role="status">
          {as
            ? `Really run: ${formatMeasure(as.rpm, 'rpm', system)}, ${formatMeasure(as.vf, 'mm/min', system)}.`
            : 'These overrides make a cut that cannot be.'}
        </p>
      )}
    </>
  );
}

/** What was seen and heard of the cut. */
function SeenAndHeard({ draft, set }: Omit<PartProps, 'op'>) {
  return (
    <>
      <TapChoice label="Sound" value={draft.sound} options={SOUNDS} onTake={(sound) => set({ sound })} />
      <TapChoice
        label="Chips"
        value={draft.chipForm}
        options={CHIP_FORMS}
        onTake={(chipForm) => set({ chipForm })}
      />
      <TapChoice
        label="Chip colour"
        value={draft.chipColour}
        options={CHIP_COLOURS}
        onTake={(chipColour) => set({ chipColour })}
      />
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <TapNumber
          label="Flank wear VB"
          unit="mm"
          value={draft.wearMm}
          step={0.05}
          low={0}
          high={3}
          onTake={(wearMm) => set({ wearMm })}
        />
        <Field label="Machine serial">
          {(p) => (
            <input
              {...p}
              value={draft.machineSerial}
              maxLength={60}
              onChange={(e) => set({ machineSerial: e.target.value })}
              className={`${FIELD_LOOK} min-h-12 w-36 text-[16px]`}
            />
          )}
        </Field>
        <FilePick what="photo" name={draft.photo?.name ?? null} onTake={(photo) => set({ photo })} />
        <FilePick
          what="recording"
          name={draft.recording?.name ?? null}
          onTake={(recording) => set({ recording })}
        />
      </div>
    </>
  );
}

/** A trial in few taps: how the edge is, how many features, sound, chips; the rest where there is something to say. */
export function TrialDialog({
  op,
  start,
  onLog,
  onClose,
}: {
  op: ReleasedOperation;
  start: TrialDraft;
  onLog: (draft: TrialDraft) => Promise<void>;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(start);
  const [more, setMore] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<TrialDraft>): void => setDraft((d) => ({ ...d, ...change }));
  const { document } = op;

  async function log(): Promise<void> {
    if (draft.machineSerial.trim() === '') {
      setProblem('Machine serial is empty; allowed: the number on the machine’s plate, once per tablet.');
      return;
    }
    keepSerial(document.machineId, draft.machineSerial.trim());
    await onLog({ ...draft, machineSerial: draft.machineSerial.trim() });
  }

  return (
    <SheetDialog
      open
      onClose={onClose}
      size="widest"
      title={`${draft.corrects === null ? 'Log trial' : 'Correct trial'}: ${op.name}`}
    >
      <form
        className="space-y-4 text-[16px]"
        onSubmit={(e) => {
          e.preventDefault();
          void log();
        }}
      >
        <EdgeAndNumbers draft={draft} op={op} set={set} />
        <SeenAndHeard
          draft={draft}
          set={(change) => {
            setProblem(null);
            set(change);
          }}
        />
        {more ? (
          <More draft={draft} op={op} set={set} />
        ) : (
          <Button className="min-h-12" onClick={() => setMore(true)}>
            More: finish, Ra and size, burr, glow, coolant, lot, note
          </Button>
        )}
        <FormError message={problem} />
        <div className="sticky -bottom-5 -mx-5 flex justify-end gap-3 border-t border-line bg-card px-5 py-3">
          <Button className="min-h-12 px-5 text-[16px]" onClick={onClose}>
            Cancel
          </Button>
          <Button look="main" type="submit" className="min-h-12 px-8 text-[16px]">
            {draft.corrects === null ? 'Log' : 'Save correction'}
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
