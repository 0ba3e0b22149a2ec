import type { CombinationDetail, Crib } from '@burl/contract';
import {
  formatMeasure,
  genericStructure,
  InputError,
  madeOf,
  isHammerCsv,
  isPracticeSerial,
  PRACTICE_SERIAL,
  readHammerCsv,
  readResponseCsv,
  readUniversalFile,
  seenIn,
  tipKnowledge,
  type TipMode,
  softModes,
  writeResponseCsv,
  writeUniversalFile,
  type Receptance,
} from '@burl/core';
import { Download, Hammer, Upload } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { askWorker } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import { EarlierTips } from './earlier-tips.tsx';
import { ModesTable } from './modes-table.tsx';
import { Plot } from '../../charts/plot.tsx';
import { type Part, PARTS, ResponseChart } from './response-chart.tsx';
import { SimulatedTap } from './simulated-tap.tsx';
import { asReceptance, stored } from './stored-response.ts';
import { TableDialog } from './table-dialog.tsx';
import { completed, TipPreview, type TipReading } from './tip-preview.tsx';
import { refreshChatter } from '../../api/hooks.ts';

type Axis = 'x' | 'y';

function save(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** How the tip of a combination moves: measured, coupled, stated or guessed; tap tests in and out. */
export function TapPanel({
  combination,
  crib,
  edit,
}: {
  combination: CombinationDetail;
  crib: Crib;
  edit: boolean;
}) {
  const [axis, setAxis] = useState<Axis>('x');
  const [part, setPart] = useState<Part>('magnitude');
  const [tapping, setTapping] = useState<Axis | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [stating, setStating] = useState(false);
  const [reading, setReading] = useState<TipReading | null>(null);
  const system = useSystem();
  const file = useRef<HTMLInputElement>(null);

  const parts = useMemo(() => {
    const of = <T extends { id: string; document: unknown }>(list: readonly T[], id: string) =>
      list.find((e) => e.id === id)?.document as T['document'] | undefined;
    const machine = of(crib.machines, combination.machineId);
    const holder = of(crib.holders, combination.holderId);
    const cutter = of(crib.cutters, combination.cutterId);
    const made = cutter && madeOf(cutter, crib.materials);
    return machine && holder && made ? { machine, holder, cutter, substrate: made.substrate } : null;
  }, [crib, combination.machineId, combination.holderId, combination.cutterId]);
  const knowledge = useMemo(
    () =>
      parts && tipKnowledge(parts, combination.stickOutMm, crib.resonance.tips, combination.machineSerial),
    [parts, combination.stickOutMm, combination.machineSerial, crib.resonance.tips],
  );
  if (!parts || !knowledge) {
    return <p role="alert">The crib lacks the machine, holder, cutter or its material.</p>;
  }
  const record = combination.tips.find((t) => t.axis === axis);
  const modes = record?.modes ?? softModes(knowledge.structure, 0.03)[axis];
  const model = genericStructure(parts, combination.stickOutMm);
  const seen = seenIn(modes, record?.receptance?.hz.at(-1) ?? Infinity);
  const modelled = modes.filter((m) => !seen.includes(m));
  const practice = isPracticeSerial(combination.machineSerial);
  const toHz = Math.min(8000, Math.max(2000, 1.4 * Math.max(...modes.map((m) => m.hz))));

  async function keep(
    on: Axis,
    found: {
      modes: readonly TipMode[];
      receptance: Receptance | null;
      coherence?: Float64Array;
      misfit: number | null;
    },
    origin: string,
  ): Promise<void> {
    setFailed(null);
    const shapes = model[on];
    // A tap test tells nothing of the motion along the tool: that is the model's, mode by nearest mode.
    const withShape = found.modes.map(({ hz, damping, stiffness }) => {
      const near = [...shapes].sort(
        (a, b) => Math.abs(Math.log(a.hz / hz)) - Math.abs(Math.log(b.hz / hz)),
      )[0];
      return { hz, damping, stiffness, ...(near?.shape ? { shape: near.shape } : {}) };
    });
    try {
      await call(
        'POST',
        '/api/resonance/:id/tips',
        { id: combination.id },
        {
          axis: on,
          source: found.receptance ? 'measured' : 'table',
          modes: withShape,
          receptance: found.receptance ? stored(found.receptance) : null,
          coherence: found.coherence ? [...found.coherence] : null,
          misfit: found.misfit,
          origin,
        },
      );
      await refreshChatter();
      setAxis(on);
      toast.success(
        `${found.receptance ? 'Tap test' : 'Table of modes'} along ${on} saved. Every operation uses it now.`,
      );
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  async function take(chosen: File): Promise<void> {
    setFailed(null);
    try {
      const text = await chosen.text();
      if (isHammerCsv(text)) {
        const hits = readHammerCsv(text);
        const found = await askWorker('tap', (api) => api.readHits(hits));
        setReading({ ...found, axis, origin: chosen.name });
        return;
      }
      const receptance = /\.(uff|unv)$/i.test(chosen.name)
        ? readUniversalFile(text).find((s) => s.receptance)?.receptance
        : readResponseCsv(text).receptance;
      if (!receptance) {
        throw new InputError([
          { field: chosen.name, value: 'time records only', allowed: 'a frequency response' },
        ]);
      }
      const fit = await askWorker('tap', (api) => api.fit(receptance));
      setReading({ ...fit, receptance, axis, origin: chosen.name });
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  async function restore(id: string): Promise<void> {
    setFailed(null);
    try {
      await call('POST', '/api/resonance/tips/:id/restore', { id });
      await refreshChatter();
      toast.success('Restored. Every operation uses it now.');
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  const name = `${combination.machineSerial}-${combination.stickOutMm}mm-${axis}`;
  return (
    <div className="grid min-h-0 gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
      <div className="flex min-h-0 flex-col gap-2">
        <div className="flex flex-wrap items-center gap-2">
          <Toggle label="Direction" options={['x', 'y'] as const} value={axis} onTake={setAxis} />
          <Toggle label="Shown" options={PARTS} value={part} onTake={setPart} />
          <span className="ml-auto text-[13px] text-soft">
            {record ? `${record.origin}, ${record.madeBy}, ${record.madeAt.slice(0, 10)}` : knowledge.from}
          </span>
        </div>
        <div className="relative min-h-72 flex-1 rounded-lg border border-line bg-card p-2">
          <ResponseChart
            axis={axis}
            part={part}
            receptance={record?.receptance ?? null}
            modes={modes}
            toHz={toHz}
          />
        </div>
        {record?.coherence && (
          <div className="relative h-28 rounded-lg border border-line bg-card p-2">
            <Plot
              text="Coherence of the hits kept: near one where hammer and sensor belong together."
              curves={[
                {
                  label: 'coherence',
                  colour: 'series-4',
                  width: 1,
                  points: thinned(record.receptance!.hz, record.coherence, toHz),
                },
              ]}
              x="frequency, Hz"
              y="coherence"
              xRange={[0, toHz]}
              yRange={[0, 1]}
              legend="none"
            />
          </div>
        )}
      </div>
      <div className="space-y-3">
        <section className="rounded-lg border border-line bg-card p-3">
          <h2 className="mb-1">Data basis</h2>
          <p className="mb-2 text-[13px]">
            <b>{knowledge.trust}</b>: {knowledge.from}. Good to ±{band(knowledge.sigma.hz)} in frequency, ±
            {band(knowledge.sigma.damping)} in damping, ±{band(knowledge.sigma.stiffness)} in stiffness.
          </p>
          <ModesTable caption={`Modes along ${axis}`} modes={modes} />
          {modelled.length > 0 && (
            <p className="mt-1 text-[13px] text-soft">
              {modelled.map((m) => formatMeasure(m.hz, 'Hz', system)).join(', ')}: above what the tap could
              see, kept from the model.
            </p>
          )}
          {record && record.misfit !== null && (
            <p className="mt-1 text-[13px] text-soft">
              The modes leave {(100 * record.misfit).toFixed(1)}% of the response unexplained.
            </p>
          )}
        </section>
        {edit && (
          <section className="space-y-2 rounded-lg border border-line bg-card p-3">
            <h2>Measure</h2>
            <p className="text-[13px] text-soft">
              Spindle stopped and locked out by your shop’s rules. Hit the tip, the sensor behind it, and read
              the file here.{' '}
              {practice
                ? 'This serial is for practice: a simulated hammer stands in, and nothing of it reaches a job.'
                : `To practise with a simulated hammer, remember a combination whose serial begins with ${PRACTICE_SERIAL}.`}
            </p>
            <div className="flex flex-wrap gap-2">
              {practice && (
                <Button
                  look="main"
                  onClick={() => setTapping(axis)}
                  aria-label={`Simulated tap test along ${axis}`}
                >
                  <Hammer size={15} aria-hidden="true" /> Simulated tap along {axis}
                </Button>
              )}
              <Button look={practice ? 'plain' : 'main'} onClick={() => file.current?.click()}>
                <Upload size={15} aria-hidden="true" /> Read a file
              </Button>
              <Button onClick={() => setStating(true)}>Enter modes</Button>
            </div>
            <input
              ref={file}
              type="file"
              accept=".csv,.txt,.uff,.unv"
              aria-label="Frequency response or tap test"
              className="sr-only"
              tabIndex={-1}
              onChange={(e) => {
                const chosen = e.target.files?.[0];
                e.target.value = '';
                if (chosen) void take(chosen);
              }}
            />
            <p className="text-[12.5px] text-soft">
              Tables of Hz with real and imaginary part or amplitude and phase; universal files with data set
              58; raw hits as time, force, response.
            </p>
            <FormError message={failed} />
          </section>
        )}
        {edit && <EarlierTips earlier={combination.earlier} onRestore={(id) => void restore(id)} />}
        {record?.receptance && (
          <section className="flex flex-wrap gap-2 rounded-lg border border-line bg-card p-3">
            <Button
              onClick={() =>
                save(`${name}.csv`, 'text/csv', writeResponseCsv(asReceptance(record.receptance!)))
              }
            >
              <Download size={15} aria-hidden="true" /> CSV
            </Button>
            <Button
              onClick={() =>
                save(
                  `${name}.uff`,
                  'text/plain',
                  writeUniversalFile(asReceptance(record.receptance!), { name, direction: axis }),
                )
              }
            >
              <Download size={15} aria-hidden="true" /> Universal file
            </Button>
          </section>
        )}
      </div>
      {stating && (
        <TableDialog
          axis={axis}
          start={modes}
          onClose={() => setStating(false)}
          onKeep={(stated) => {
            setStating(false);
            void keep(axis, { modes: stated, receptance: null, misfit: null }, 'stated');
          }}
        />
      )}
      {reading && (
        <TipPreview
          reading={reading}
          model={model[reading.axis]}
          onClose={() => setReading(null)}
          onKeep={(kept) => {
            setReading(null);
            void keep(reading.axis, { ...reading, modes: kept }, reading.origin);
          }}
        />
      )}
      {tapping && (
        <SimulatedTap
          parts={parts}
          combinationId={combination.id}
          stickOutMm={combination.stickOutMm}
          axis={tapping}
          toHz={toHz}
          onClose={() => setTapping(null)}
          onKeep={(found) => {
            setTapping(null);
            void keep(tapping, { ...found, modes: completed(found, model[tapping]).modes }, found.origin);
          }}
        />
      )}
    </div>
  );
}

const band = (sigma: number): string => `${(100 * 1.28 * sigma).toFixed(0)}%`;

function thinned(hz: readonly number[], values: readonly number[], toHz: number): { x: number; y: number }[] {
  const every = Math.max(1, Math.ceil(hz.length / 600));
  const points: { x: number; y: number }[] = [];
  for (let i = 0; i < hz.length && hz[i]! <= toHz; i += every) points.push({ x: hz[i]!, y: values[i]! });
  return points;
}
