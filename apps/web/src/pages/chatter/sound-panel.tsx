import type { CombinationDetail } from '@burl/contract';
import {
  explainsHeard,
  formatMeasure,
  isPracticeSerial,
  millingState,
  type Recording,
  speedsToTry,
} from '@burl/core';
import { Mic, Square, Upload } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { Num } from '../../ui/form-parts.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import type { Heard } from '../../workers/chatter-work.ts';
import { useHeavy } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import type { operationOf } from './cut-asked.ts';
import { Plot } from '../../charts/plot.tsx';
import { Spectrogram } from './spectrogram.tsx';
import { refreshChatter } from '../../api/hooks.ts';

/** Recordings that ship with Burl, made by running cuts step by step. */
const SHIPPED = [
  { name: 'stable, 5 flutes, 2,400 rpm', file: 'calm.wav', rpm: 2400, teeth: 5, depthMm: 1.2 },
  { name: 'chatter, 5 flutes, 2,400 rpm', file: 'chatter.wav', rpm: 2400, teeth: 5, depthMm: 4.5 },
  {
    name: 'period-doubling, 2 flutes, 10,500 rpm',
    file: 'flip.wav',
    rpm: 10500,
    teeth: 2,
    depthMm: 3.6,
  },
] as const;

const LONGEST_S = 20;
/** Lines under this share of the strongest are not marked. */
const SHOWN = 0.02;
/** A speed told by the recording this near the stated one is the same. */
const SPEED_AGREES = 3e-4;

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
  const own = { rpm: cut.op.cut.speedRpm, teeth: cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1 };
  const [rpm, setRpm] = useState(own.rpm);
  const [recording, setRecording] = useState<{
    name: string;
    sound: Recording;
    /** What the browser plays. */
    url: string;
    /** A recording that ships with Burl: its own cut, and no machine's. */
    shipped: (typeof SHIPPED)[number] | null;
  } | null>(null);
  const url = recording?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  const teeth = recording?.shipped?.teeth ?? own.teeth;
  const practice = isPracticeSerial(combination.machineSerial);
  const [failed, setFailed] = useState<string | null>(null);
  const [listening, setListening] = useState<MediaRecorder | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const modes = useMemo(() => millingState(cut.op, cut.context).stability.structure, [cut]);

  const work = useHeavy<Heard>(
    'sound',
    recording ? `sound ${recording.name} ${recording.sound.samples.length} ${rpm} ${teeth}` : null,
    (api) => api.sound(recording!.sound, { rpm, teeth }),
    0,
  );
  const heard = recording && !work.stale ? work.data : null;

  async function decode(
    name: string,
    bytes: ArrayBuffer,
    shipped: (typeof SHIPPED)[number] | null = null,
  ): Promise<void> {
    setFailed(null);
    // The speed of the recording before says nothing of this one.
    setRpm(shipped?.rpm ?? own.rpm);
    const played = { name, shipped, url: URL.createObjectURL(new Blob([bytes])) };
    try {
      if (/\.wav$/i.test(name)) {
        const { readWav } = await import('@burl/core/wav');
        setRecording({ ...played, sound: readWav(new Uint8Array(bytes)) });
        return;
      }
      const audio = new AudioContext();
      const buffer = await audio.decodeAudioData(bytes);
      await audio.close();
      setRecording({
        ...played,
        sound: { rate: buffer.sampleRate, samples: Float64Array.from(buffer.getChannelData(0)) },
      });
    } catch (error) {
      setRecording(null);
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
      await call(
        'POST',
        '/api/resonance/:id/cuts',
        { id: combination.id },
        {
          alloyId: cut.op.alloyId,
          heard: heard.verdict.chatter ? 'chatter' : 'stable',
          rpm: Math.round(heard.verdict.rpm),
          overridePercent: 100,
          axialDepthMm: recording?.shipped?.depthMm ?? cut.op.cut.axialDepthMm,
          radialEngagementMm: cut.op.cut.radialEngagementMm,
          feedPerToothMm: cut.op.cut.feedPerToothMm,
          direction: cut.op.cut.direction,
          hz: heard.verdict.chatter ? heard.verdict.hz : null,
          simulated: recording?.shipped !== null,
          note: `heard in ${recording?.name ?? 'a recording'}`,
          attachment: null,
        },
      );
      await refreshChatter();
      toast.success('Logged with the test cuts.');
    } catch (error) {
      toast.error(messageOf(error));
    }
  }

  const verdict = heard?.verdict;
  const strongest = Math.max(...(verdict?.lines.map((l) => l.amplitude) ?? [0]));
  const ran = verdict?.rpm ?? rpm;
  const tooth = (ran * teeth) / 60;
  const speeds =
    verdict?.chatter && verdict.speedFits && !recording?.shipped
      ? speedsToTry(verdict.hz!, cut.op, cut.context)
      : [];
  const explained =
    !verdict?.chatter || recording?.shipped !== null || explainsHeard(verdict.hz!, [...modes.x, ...modes.y]);
  const said = verdict
    ? !verdict.speedFits
      ? `No result: the recording does not fit ${formatMeasure(rpm, 'rpm', system)}.`
      : verdict.chatter
        ? `Chatter at ${formatMeasure(verdict.hz!, 'Hz', system)}${verdict.flip ? ', period-doubling (flip)' : ''}, ${(100 * verdict.confidence).toFixed(0)}% sure.`
        : `No chatter heard, ${(100 * verdict.confidence).toFixed(0)}% sure: every strong line is a multiple of the speed.`
    : '';
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_290px]">
      <div className="flex min-h-0 flex-col gap-2">
        {heard && recording ? (
          <>
            <p
              className={`text-[16px] font-semibold ${!verdict!.speedFits ? 'text-unproven' : verdict!.chatter ? 'text-over' : 'text-clear'}`}
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
                    fetch(`/sounds/${s.file}`)
                      .then((r) => r.arrayBuffer())
                      .then((bytes) => decode(s.file, bytes, s))
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
              label="Spindle speed of the recording"
              unit="rpm"
              value={rpm}
              readOnly={false}
              onTake={(v) => v && setRpm(v)}
            />
            <p className="self-end text-[13px] text-soft">
              {teeth} teeth{recording?.shipped ? ', of the recording' : ', of the cutter'}
            </p>
          </div>
          {verdict && !verdict.speedFits && (
            <p className="text-[13px] font-semibold text-over" role="note">
              Most lines are no multiples of {formatMeasure(rpm, 'rpm', system)}: type the speed it really ran
              at, then the answer counts.
            </p>
          )}
          {verdict && Math.abs(verdict.rpm / rpm - 1) > SPEED_AGREES && (
            <p className="text-[13px]" role="note">
              The recording fits {formatMeasure(verdict.rpm, 'rpm', system)}; that speed is used.
            </p>
          )}
          {/* Nothing is spoken: captions would have nothing to say. */}
          {url && <audio controls src={url} className="w-full" aria-label={`Play ${recording.name}`} />}
          <FormError message={failed ?? work.error} />
        </section>
        <section className="rounded-lg border border-line bg-card p-3 text-[13px]">
          <h2 className="mb-1">Why not speed × teeth</h2>
          <p>
            At {formatMeasure(ran, 'rpm', system)}, {teeth} teeth pass {tooth.toFixed(0)} times per second.
            That line and its multiples are there in every cut, good or bad: the teeth force them. Chatter
            feeds on the wave the tooth before left, so it vibrates near a natural frequency of the tool,
            between those lines.
          </p>
        </section>
        {verdict?.chatter && verdict.speedFits && (
          <section className="space-y-1 rounded-lg border border-line bg-card p-3 text-[13px]">
            <h2>Speeds to try</h2>
            {speeds.length > 0 ? (
              <>
                <p>
                  The teeth then come in step with this frequency. Best metal first, at the depth that has an
                  50% stable there; take the feed with the speed, and listen again.
                </p>
                <ol className="list-decimal pl-5">
                  {speeds.map((s) => (
                    <li key={s.rpm}>
                      {formatMeasure(s.rpm, 'rpm', system)}, 50% stable at{' '}
                      {s.depthMm === null ? 'any depth' : formatMeasure(s.depthMm, 'mm', system)}
                    </li>
                  ))}
                </ol>
              </>
            ) : (
              <p>
                {recording?.shipped
                  ? 'A recording that ships with Burl: another cutter’s, so no speeds for this one follow from it.'
                  : 'None within this machine, this cutter’s rating and the allowed cutting speed: use less depth or width, or a shorter, stiffer tool.'}
              </p>
            )}
            {!explained && (
              <p className="text-tight" role="note">
                No known mode of this tip lies near {formatMeasure(verdict.hz!, 'Hz', system)}: the part, the
                fixture or a mode nobody has measured does. Tap those too.
              </p>
            )}
          </section>
        )}
        {verdict && (
          <Button
            look="main"
            disabled={!verdict.speedFits || (recording?.shipped !== null && !practice)}
            onClick={() => void logCut()}
          >
            Log as {verdict.chatter ? 'chatter' : 'stable'} with the test cuts
          </Button>
        )}
        {verdict && (
          <p className="text-[12.5px] text-soft">
            {recording?.shipped && !practice
              ? 'Simulated: it can be logged under a practice serial only.'
              : `As ${cut.context.alloy.name}, ${formatMeasure(recording?.shipped?.depthMm ?? cut.op.cut.axialDepthMm, 'mm', system)} deep, ${formatMeasure(cut.op.cut.radialEngagementMm, 'mm', system)} wide, ${formatMeasure(ran, 'rpm', system)}${recording?.shipped ? ', simulated' : ''}: the cut under Lobes.`}
          </p>
        )}
      </div>
    </div>
  );
}

const LINE_KINDS = [
  { kind: 'tooth', label: 'teeth', mark: 'circle', colour: 'clear' },
  { kind: 'spindle', label: 'spindle', mark: 'triangle', colour: 'series-6' },
  { kind: 'chatter', label: 'chatter', mark: 'crossRot', colour: 'over' },
  { kind: 'chatter sidebands', label: 'chatter sidebands', mark: 'star', colour: 'series-5' },
] as const;
