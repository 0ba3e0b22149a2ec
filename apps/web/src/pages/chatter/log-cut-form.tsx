import type { CombinationDetail, TestCutInput } from '@burl/contract';
import type { Heard, Unit } from '@burl/core';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshChatter } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import { attachmentOf } from './attachment.ts';
import type { ChatterCut } from './chatter-cut.ts';

/** Numbers of the cut that was run, with their units and the labels of the form. */
const NUMBERS = {
  rpm: ['Spindle speed', 'rpm'],
  overridePercent: ['Override', 'percent'],
  axialDepthMm: ['Axial depth', 'mm'],
  radialEngagementMm: ['Radial depth', 'mm'],
  feedPerToothMm: ['Feed per tooth', 'mm/tooth'],
} as const satisfies Partial<Record<keyof TestCutInput, readonly [label: string, unit: Unit]>>;
type Key = keyof typeof NUMBERS;

/** Fields of a logged cut by the labels of the form. */
const FIELD_WORDS = {
  ...Object.fromEntries(Object.entries(NUMBERS).map(([key, [label]]) => [key, label])),
  hz: 'Chatter frequency',
  note: 'Note',
};

/** Logs a cut that was run: as the cut asked for under Lobes, with what was different and what was heard. */
export function LogCutForm({ combination, cut }: { combination: CombinationDetail; cut: ChatterCut }) {
  const { op } = cut;
  const [heard, setHeard] = useState<Heard>('stable');
  const [typed, setTyped] = useState<Partial<Record<Key, number | null>>>({});
  const [hz, setHz] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const ran: Record<Key, number> = {
    rpm: typed.rpm ?? op.cut.speedRpm,
    overridePercent: typed.overridePercent ?? 100,
    axialDepthMm: typed.axialDepthMm ?? op.cut.axialDepthMm,
    radialEngagementMm: typed.radialEngagementMm ?? op.cut.radialEngagementMm,
    feedPerToothMm: typed.feedPerToothMm ?? op.cut.feedPerToothMm,
  };

  async function log(event: FormEvent): Promise<void> {
    event.preventDefault();
    setFailed(null);
    try {
      await call(
        'POST',
        '/api/resonance/:id/cuts',
        { id: combination.id },
        {
          ...ran,
          alloyId: op.alloyId,
          heard,
          direction: op.cut.direction,
          hz,
          simulated: false,
          note,
          attachment: file ? await attachmentOf(file) : null,
        },
      );
      await refreshChatter();
      setNote('');
      setFile(null);
      toast.success('Logged. Lobes and limits use it now.');
    } catch (error) {
      setFailed(messageOf(error, FIELD_WORDS));
    }
  }

  return (
    <form onSubmit={(e) => void log(e)} className="h-fit space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Log a cut</h2>
      <p className="text-[13px] text-soft">
        In {cut.context.alloy.name}, {op.cut.direction}, on {combination.machineSerial}: as the cut under
        Lobes.
      </p>
      <Toggle
        label="Result"
        options={['stable', 'marginal', 'chatter'] as const}
        value={heard}
        onTake={setHeard}
      />
      <div className="grid grid-cols-2 gap-2">
        {(Object.keys(NUMBERS) as Key[]).map((key) => (
          <Num
            key={key}
            label={NUMBERS[key][0]}
            unit={NUMBERS[key][1]}
            value={ran[key]}
            readOnly={false}
            onTake={(v) => setTyped({ ...typed, [key]: v })}
          />
        ))}
        <Num label="Chatter frequency" unit="Hz" value={hz} empty strict readOnly={false} onTake={setHz} />
      </div>
      <Field label="Note">
        {(p) => (
          <input {...p} value={note} onChange={(e) => setNote(e.target.value)} className={FIELD_LOOK} />
        )}
      </Field>
      <Field label="Recording or photo" hint="up to 8 MB">
        {(p) => (
          <input
            {...p}
            type="file"
            accept="audio/*,image/*"
            className="w-full text-[13px]"
            onChange={(e) => setFile(e.target.files?.[0] ?? null)}
          />
        )}
      </Field>
      <FormError message={failed} />
      <Button type="submit" look="main">
        Log cut
      </Button>
    </form>
  );
}
