import { type CombinationDetail, MOST_ATTACHED, type TestCutInput } from '@burl/contract';
import { formatMeasure, type Heard } from '@burl/core';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { Num } from '../../ui/form-parts.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import type { operationOf } from './cut-asked.ts';
import { refreshChatter } from '../../api/hooks.ts';

/** A file as the server takes it. Throws when it is too large or neither sound nor picture. */
export async function attachmentOf(file: File): Promise<NonNullable<TestCutInput['attachment']>> {
  if (file.size > MOST_ATTACHED) {
    throw new Error(
      `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; allowed: up to ${MOST_ATTACHED / 1e6} MB`,
    );
  }
  if (!/^(audio|image)\//.test(file.type)) {
    throw new Error(`${file.name} is ${file.type || 'of no known kind'}; allowed: a sound or a picture`);
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += 32_768)
    text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
  return { name: file.name, type: file.type.split(';')[0]!, base64: btoa(text) };
}

/** Cuts that were run with this combination, and a new one. */
export function NotebookPanel({
  combination,
  cut,
  edit,
}: {
  combination: CombinationDetail;
  cut: NonNullable<ReturnType<typeof operationOf>>;
  edit: boolean;
}) {
  const system = useSystem();
  const { op } = cut;
  const [heard, setHeard] = useState<Heard>('stable');
  const [numbers, setNumbers] = useState<{
    rpm: number | null;
    axialDepthMm: number | null;
    radialEngagementMm: number | null;
    feedPerToothMm: number | null;
    overridePercent: number;
    hz: number | null;
  }>({
    rpm: null,
    axialDepthMm: null,
    radialEngagementMm: null,
    feedPerToothMm: null,
    overridePercent: 100,
    hz: null,
  });
  const [note, setNote] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [failed, setFailed] = useState<string | null>(null);

  async function log(event: FormEvent): Promise<void> {
    event.preventDefault();
    setFailed(null);
    try {
      const input: TestCutInput = {
        alloyId: op.alloyId,
        heard,
        rpm: numbers.rpm ?? op.cut.speedRpm,
        overridePercent: numbers.overridePercent,
        axialDepthMm: numbers.axialDepthMm ?? op.cut.axialDepthMm,
        radialEngagementMm: numbers.radialEngagementMm ?? op.cut.radialEngagementMm,
        feedPerToothMm: numbers.feedPerToothMm ?? op.cut.feedPerToothMm,
        direction: op.cut.direction,
        hz: numbers.hz,
        simulated: false,
        note,
        attachment: file ? await attachmentOf(file) : null,
      };
      await call('POST', '/api/resonance/:id/cuts', { id: combination.id }, input);
      await refreshChatter();
      setNote('');
      setFile(null);
      toast.success('Logged. Lobes and limits use it now.');
    } catch (error) {
      setFailed(messageOf(error, FIELD_WORDS));
    }
  }

  async function strike(id: string): Promise<void> {
    await call('DELETE', '/api/resonance/cuts/:id', { id }).catch((e: unknown) => toast.error(messageOf(e)));
    await refreshChatter();
  }

  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
      <div
        className="overflow-x-auto rounded-lg border border-line bg-card"
        tabIndex={0}
        role="region"
        aria-label="Test cuts"
      >
        <table className="w-full text-left text-[13.5px]">
          <thead>
            <tr className="border-b border-line">
              {['Result', 'Spindle speed', 'Axial depth', 'Radial depth', 'Feed', 'Frequency', ''].map(
                (h, i) => (
                  <th key={i} className="px-2.5 py-1.5">
                    {h || <span className="sr-only">Actions</span>}
                  </th>
                ),
              )}
            </tr>
          </thead>
          {combination.cuts.map((c) => (
            <tbody key={c.id} className="border-b border-line last:border-0">
              <tr>
                <td className={`px-2.5 pt-1 font-semibold whitespace-nowrap ${HEARD_LOOK[c.heard]}`}>
                  {HEARD_MARK[c.heard]}
                  {c.simulated && <span className="font-normal text-soft"> simulated</span>}
                </td>
                <td className="px-2.5 whitespace-nowrap">
                  {formatMeasure(c.rpm, 'rpm', system)}
                  {c.overridePercent === 100 ? '' : ` at ${c.overridePercent}%`}
                </td>
                <td className="px-2.5 whitespace-nowrap">{formatMeasure(c.axialDepthMm, 'mm', system)}</td>
                <td className="px-2.5 whitespace-nowrap">
                  {formatMeasure(c.radialEngagementMm, 'mm', system)}
                </td>
                <td className="px-2.5 whitespace-nowrap">
                  {formatMeasure(c.feedPerToothMm, 'mm/tooth', system)}
                </td>
                <td className="px-2.5 whitespace-nowrap">
                  {c.hz === null ? '' : formatMeasure(c.hz, 'Hz', system)}
                </td>
                <td className="px-2.5 pt-1 text-right">
                  {edit && (
                    <Button look="quiet" onClick={() => void strike(c.id)}>
                      Delete
                    </Button>
                  )}
                </td>
              </tr>
              {/* A line of its own, since what was heard takes words. */}
              <tr>
                <td colSpan={7} className="px-2.5 pb-2">
                  {c.note}{' '}
                  {c.attachmentName && (
                    <a className="underline" href={`/api/resonance/cuts/${c.id}/attachment`}>
                      {c.attachmentName}
                    </a>
                  )}{' '}
                  <span className="text-[12.5px] text-soft">
                    {c.madeBy}, {c.madeAt.slice(0, 10)}
                  </span>
                </td>
              </tr>
            </tbody>
          ))}
          {combination.cuts.length === 0 && (
            <tbody>
              <tr>
                <td colSpan={7} className="p-3 text-soft">
                  Nothing logged yet. The plan proposes what to try first.
                </td>
              </tr>
            </tbody>
          )}
        </table>
      </div>
      <form
        onSubmit={(e) => void log(e)}
        className="h-fit space-y-2 rounded-lg border border-line bg-card p-3"
      >
        <h2>Log a cut</h2>
        <p className="text-[13px] text-soft">
          In {cut.context.alloy.name}, {op.cut.direction}, on {combination.machineSerial}: as the cut asked
          above.
        </p>
        <Toggle
          label="Result"
          options={['stable', 'marginal', 'chatter'] as const}
          value={heard}
          onTake={setHeard}
        />
        <div className="grid grid-cols-2 gap-2">
          <Num
            label="Spindle speed"
            unit="rpm"
            value={numbers.rpm ?? op.cut.speedRpm}
            readOnly={false}
            onTake={(rpm) => setNumbers({ ...numbers, rpm })}
          />
          <Num
            label="Override"
            unit="percent"
            value={numbers.overridePercent}
            readOnly={false}
            onTake={(v) => setNumbers({ ...numbers, overridePercent: v ?? 100 })}
          />
          <Num
            label="Axial depth"
            unit="mm"
            value={numbers.axialDepthMm ?? op.cut.axialDepthMm}
            readOnly={false}
            onTake={(axialDepthMm) => setNumbers({ ...numbers, axialDepthMm })}
          />
          <Num
            label="Radial depth"
            unit="mm"
            value={numbers.radialEngagementMm ?? op.cut.radialEngagementMm}
            readOnly={false}
            onTake={(radialEngagementMm) => setNumbers({ ...numbers, radialEngagementMm })}
          />
          <Num
            label="Feed per tooth"
            unit="mm/tooth"
            value={numbers.feedPerToothMm ?? op.cut.feedPerToothMm}
            readOnly={false}
            onTake={(feedPerToothMm) => setNumbers({ ...numbers, feedPerToothMm })}
          />
          <Num
            label="Chatter frequency"
            unit="Hz"
            value={numbers.hz}
            empty
            strict
            readOnly={false}
            onTake={(hz) => setNumbers({ ...numbers, hz })}
          />
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
    </div>
  );
}

/** Fields of a logged cut by the labels of the form. */
const FIELD_WORDS = {
  rpm: 'Spindle speed',
  overridePercent: 'Override',
  axialDepthMm: 'Axial depth',
  radialEngagementMm: 'Radial depth',
  feedPerToothMm: 'Feed per tooth',
  hz: 'Chatter frequency',
  note: 'Note',
} as const;
const HEARD_LOOK = { stable: 'text-clear', marginal: 'text-tight', chatter: 'text-over' } as const;
const HEARD_MARK = { stable: '○ stable', marginal: '◐ marginal', chatter: '◆ chatter' } as const;
