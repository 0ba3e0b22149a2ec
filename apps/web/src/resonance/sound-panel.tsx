import type { CombinationDetail } from '@burl/contract';
import { formatMeasure, type Recording } from '@burl/core';
import { Mic, Square, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../api/client.ts';
import { Num } from '../bench/form-parts.tsx';
import { useSystem } from '../frame/preferences.tsx';
import type { Heard } from '../judging/resonance-work.ts';
import { useHeavy } from '../judging/use-heavy.ts';
import { Button } from '../parts/button.tsx';
import { FormError } from '../parts/form-error.tsx';
import type { operationOf } from './cut-asked.ts';
import { Plot } from './plot.tsx';
import { Spectrogram } from './spectrogram.tsx';
import { refreshResonance } from './use-resonance.ts';

/** Recordings that ship with Burl, made by running cuts step by step. */
const SHIPPED = [
  { name: 'calm, 5 flutes at 2,400 rpm', file: 'calm.wav', rpm: 2400, teeth: 5, depthMm: 1.2 },
  { name: 'chatter, 5 flutes at 2,400 rpm', file: 'chatter.wav', rpm: 2400, teeth: 5, depthMm: 4.5 },
  {
    name: 'flip, 2 flutes at 10,500 rpm',
    file: 'flip.wav',
    rpm: 10500,
    teeth: 2,
    depthMm: 3.6,
  },
] as const;

const LONGEST_S = 20;
/** Lines under this share of the strongest are not marked. */
const SHOWN = 0.02;

/** What a cut sounds like: lines that turning explains, and what is left. */
export function SoundPanel({
  combination,
  cut,
}: {
  combination: CombinationDetail;
  cut: NonNullable<ReturnType<typeof operationOf>>;
}) {
  const system = useSystem();
  const { cutter } = cut.context;
  const [rpm, setRpm] = useState(cut.op.cut.speedRpm);
  const [teeth, setTeeth] = useState(cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1);
  const [recording, setRecording] = useState<{
    name: string;
    sound: Recording;
    depthMm: number | null;
  } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [listening, setListening] = useState<MediaRecorder | null>(null);
  const file = useRef<HTMLInputElement>(null);

  const work = useHeavy<Heard>(
    'sound',
    recording ? `sound ${recording.name} ${recording.sound.samples.length} ${rpm} ${teeth}` : null,
    (api) => api.sound(recording!.sound, { rpm, teeth }),
    0,
  );
  const heard = recording && !work.stale ? work.data : null;

  async function decode(name: string, bytes: ArrayBuffer, depthMm: number | null = null): Promise<void> {
    setFailed(null);
    try {
      if (/\.wav$/i.test(name)) {
        const { readWav } = await import('@burl/core/dynamics/files/wav');
        setRecording({ name, sound: readWav(new Uint8Array(bytes)), depthMm });
        return;
      }
      const audio = new AudioContext();
      const buffer = await audio.decodeAudioData(bytes);
      await audio.close();
      setRecording({
        name,
        sound: { rate: buffer.sampleRate, samples: Float64Array.from(buffer.getChannelData(0)) },
        depthMm,
      });
    } catch (error) {
      setFailed(messageOf(error));
    }
  }

  async function microphone(): Promise<void> {
    setFailed(null);
    try {
      const stream = await navigator.mediaDevices.getUserMedia({
        // The browser's own cleaning would take away just what is listened for.
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
      const recorder = new MediaRecorder(stream);
      const pieces: Blob[] = [];
      recorder.ondataavailable = (e) => pieces.push(e.data);
      recorder.onstop = () => {
        stream.getTracks().forEach((t) => t.stop());
        setListening(null);
        void new Blob(pieces).arrayBuffer().then((bytes) => decode('microphone', bytes));
      };
      recorder.start();
      setListening(recorder);
      setTimeout(() => recorder.state === 'recording' && recorder.stop(), LONGEST_S * 1000);
    } catch (error) {
      setFailed(`The microphone cannot be used: ${messageOf(error)}`);
    }
  }

  async function logCut(): Promise<void> {
    if (!heard) return;
    try {
      await call('POST', `/api/resonance/${combination.id}/cuts`, {
        alloyId: cut.op.alloyId,
        heard: heard.verdict.chatter ? 'chatter' : 'stable',
        rpm,
        overridePercent: 100,
        axialDepthMm: recording?.depthMm ?? cut.op.cut.axialDepthMm,
        radialEngagementMm: cut.op.cut.radialEngagementMm,
        feedPerToothMm: cut.op.cut.feedPerToothMm,
        direction: cut.op.cut.direction,
        hz: heard.verdict.chatter ? heard.verdict.hz : null,
        note: `heard in ${recording?.name ?? 'a recording'}`,
        attachment: null,
      });
      await refreshResonance();
      toast.success('Logged in the notebook.');
    } catch (error) {
      toast.error(messageOf(error));
    }
  }

  const verdict = heard?.verdict;
  const strongest = Math.max(...(verdict?.lines.map((l) => l.amplitude) ?? [0]));
  const tooth = (rpm * teeth) / 60;
  const said = verdict
    ? verdict.chatter
      ? `Chatter at ${formatMeasure(verdict.hz!, 'Hz', system)}${verdict.flip ? ', coming round every second tooth' : ''}, ${(100 * verdict.confidence).toFixed(0)} % sure.`
      : `No chatter heard, ${(100 * verdict.confidence).toFixed(0)} % sure: every strong line is a multiple of the speed.`
    : '';
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_290px]">
      <div className="flex min-h-0 flex-col gap-2">
        {heard && recording ? (
          <>
            <p
              className={`text-[16px] font-semibold ${verdict!.chatter ? 'text-over' : 'text-clear'}`}
              role="status"
            >
              {said}
            </p>
            <div className="relative h-64 rounded-lg border border-line bg-card p-2">
              <Plot
                text={`Spectrum of ${recording.name}. ${said}`}
                curves={[
                  {
                    label: 'spectrum',
                    colour: 'series-1',
                    width: 1,
                    points: heard.spectrum.hz.map((x, i) => ({ x, y: heard.spectrum.amplitude[i]! })),
                  },
                  ...LINE_KINDS.map(({ kind, label, mark, colour }) => ({
                    label,
                    mark,
                    colour,
                    size: 5,
                    points: verdict!.lines
                      .filter((l) => l.kind === kind && l.amplitude > SHOWN * strongest)
                      .map((l) => ({ x: l.hz, y: l.amplitude })),
                  })),
                ]}
                x="frequency, Hz"
                y="amplitude"
              />
            </div>
            <Spectrogram picture={heard.picture} chatterHz={verdict!.chatter ? verdict!.hz : null} />
          </>
        ) : (
          <p className="rounded-lg border border-line bg-card p-4 text-soft">
            Choose a recording: one that ships with Burl, a WAV file, or the microphone.
          </p>
        )}
      </div>
      <div className="space-y-3">
        <section className="space-y-2 rounded-lg border border-line bg-card p-3">
          <h2>Recording</h2>
          <ul className="space-y-1">
            {SHIPPED.map((s) => (
              <li key={s.file}>
                <Button
                  className="w-full justify-start text-left whitespace-normal"
                  onClick={() => {
                    setRpm(s.rpm);
                    setTeeth(s.teeth);
                    fetch(`/sounds/${s.file}`)
                      .then((r) => r.arrayBuffer())
                      .then((bytes) => decode(s.file, bytes, s.depthMm))
                      .catch((e: unknown) => setFailed(messageOf(e)));
                  }}
                >
                  {s.name}
                </Button>
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => file.current?.click()}>
              <Upload size={15} aria-hidden="true" /> WAV file
            </Button>
            {listening ? (
              <Button look="danger" onClick={() => listening.stop()}>
                <Square size={15} aria-hidden="true" /> Stop
              </Button>
            ) : (
              <Button onClick={() => void microphone()}>
                <Mic size={15} aria-hidden="true" /> Record
              </Button>
            )}
          </div>
          <input
            ref={file}
            type="file"
            accept="audio/*,.wav"
            aria-label="Sound file"
            className="sr-only"
            tabIndex={-1}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              e.target.value = '';
              if (chosen) void chosen.arrayBuffer().then((bytes) => decode(chosen.name, bytes));
            }}
          />
          <div className="grid grid-cols-2 gap-2">
            <Num
              label="Speed it ran at"
              unit="rpm"
              value={rpm}
              readOnly={false}
              onTake={(v) => v && setRpm(v)}
            />
            <Num
              label="Teeth"
              unit="pieces"
              value={teeth}
              readOnly={false}
              onTake={(v) => v && setTeeth(Math.max(1, Math.round(v)))}
            />
          </div>
          <FormError message={failed ?? work.error} />
        </section>
        <section className="rounded-lg border border-line bg-card p-3 text-[13px]">
          <h2 className="mb-1">Why not speed × teeth</h2>
          <p>
            {rpm.toFixed(0)} rpm with {teeth} teeth push {tooth.toFixed(0)} times a second. That line and its
            multiples are there in every cut, good or bad: the teeth force them. Chatter feeds on the wave the
            tooth before left, so it sings near a natural frequency of the tool, between those lines.
          </p>
        </section>
        {verdict?.chatter && (
          <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
            <h2>Speeds to try</h2>
            <p>
              {verdict.speedsRpm.map((n) => n.toFixed(0)).join(', ')} rpm put the teeth on this frequency, a
              half, a third of it. The pocket lies up to 4 % lower; take the feed with the speed, and listen
              again.
            </p>
          </section>
        )}
        {verdict && (
          <Button look="main" onClick={() => void logCut()}>
            Log as {verdict.chatter ? 'chatter' : 'stable'} in the notebook
          </Button>
        )}
      </div>
    </div>
  );
}

const LINE_KINDS = [
  { kind: 'tooth', label: 'teeth', mark: 'circle', colour: 'clear' },
  { kind: 'spindle', label: 'spindle', mark: 'triangle', colour: 'series-6' },
  { kind: 'chatter', label: 'chatter', mark: 'crossRot', colour: 'over' },
  { kind: 'side of chatter', label: 'side of chatter', mark: 'star', colour: 'series-5' },
] as const;
