import type { CombinationDetail } from '@burl/contract';
import { formatMeasure, isPracticeSerial, type SoundVerdict, type System } from '@burl/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshChatter } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import type { Heard } from '../../workers/chatter-work.ts';
import { useHeavy } from '../../workers/use-heavy.ts';
import { type ChatterCut, teethOf } from './chatter-cut.ts';
import { RecordingCard } from './recording-card.tsx';
import { Spectrogram } from './spectrogram.tsx';
import { Spectrum } from './spectrum.tsx';
import { SpeedsCard } from './speeds-card.tsx';
import { type Loaded, useRecording } from './use-recording.ts';

function inWords(verdict: SoundVerdict, rpm: number, system: System): string {
  if (!verdict.speedFits)
    return `No result: the recording does not fit ${formatMeasure(rpm, 'rpm', system)}.`;
  const sure = `${(100 * verdict.confidence).toFixed(0)}% sure`;
  return verdict.chatter
    ? `Chatter at ${formatMeasure(verdict.hz!, 'Hz', system)}${verdict.flip ? ', period-doubling (flip)' : ''}, ${sure}.`
    : `No chatter heard, ${sure}: every strong line is a multiple of the speed.`;
}

const colourOf = (verdict: SoundVerdict): string =>
  !verdict.speedFits ? 'text-unproven' : verdict.chatter ? 'text-over' : 'text-clear';

/** Logs the cut a recording was of among the test cuts. */
async function logCut(
  combination: CombinationDetail,
  { op }: ChatterCut,
  { name, shipped }: Loaded,
  { chatter, rpm, hz }: SoundVerdict,
): Promise<void> {
  try {
    await call(
      'POST',
      '/api/resonance/:id/cuts',
      { id: combination.id },
      {
        alloyId: op.alloyId,
        heard: chatter ? 'chatter' : 'stable',
        rpm: Math.round(rpm),
        overridePercent: 100,
        axialDepthMm: shipped?.depthMm ?? op.cut.axialDepthMm,
        radialEngagementMm: op.cut.radialEngagementMm,
        feedPerToothMm: op.cut.feedPerToothMm,
        direction: op.cut.direction,
        hz: chatter ? hz : null,
        simulated: shipped !== null,
        note: `heard in ${name}`,
        attachment: null,
      },
    );
    await refreshChatter();
    toast.success('Logged with the test cuts.');
  } catch (error) {
    toast.error(messageOf(error));
  }
}

/** The way from what was heard to the test cuts, and as what cut it would be logged. */
function LogCut({
  combination,
  cut,
  recording,
  verdict,
}: {
  combination: CombinationDetail;
  cut: ChatterCut;
  recording: Loaded;
  verdict: SoundVerdict;
}) {
  const system = useSystem();
  const { shipped } = recording;
  const { axialDepthMm, radialEngagementMm } = cut.op.cut;
  // What was simulated teaches nothing of a real machine.
  const refused = shipped !== null && !isPracticeSerial(combination.machineSerial);
  return (
    <>
      <Button
        look="main"
        disabled={!verdict.speedFits || refused}
        onClick={() => void logCut(combination, cut, recording, verdict)}
      >
        Log as {verdict.chatter ? 'chatter' : 'stable'} with the test cuts
      </Button>
      <p className="text-[12.5px] text-soft">
        {refused
          ? 'Simulated: it can be logged under a practice serial only.'
          : `As ${cut.context.alloy.name}, ${formatMeasure(shipped?.depthMm ?? axialDepthMm, 'mm', system)} deep, ${formatMeasure(radialEngagementMm, 'mm', system)} wide, ${formatMeasure(verdict.rpm, 'rpm', system)}${shipped ? ', simulated' : ''}: the cut under Lobes.`}
      </p>
    </>
  );
}

/** What a cut sounds like: lines that turning explains, and what is left. */
export function SoundPanel({ combination, cut }: { combination: CombinationDetail; cut: ChatterCut }) {
  const system = useSystem();
  const own = { rpm: cut.op.cut.speedRpm, teeth: teethOf(cut) };
  const [rpm, setRpm] = useState(own.rpm);
  // The speed of the recording before says nothing of this one.
  const recorder = useRecording((shipped) => setRpm(shipped?.rpm ?? own.rpm));
  const { recording } = recorder;
  const teeth = recording?.shipped?.teeth ?? own.teeth;
  const work = useHeavy<Heard>(
    'sound',
    recording ? `sound ${recording.name} ${recording.sound.samples.length} ${rpm} ${teeth}` : null,
    (api) => api.sound(recording!.sound, { rpm, teeth }),
    0,
  );
  const heard = recording && !work.stale ? work.data : null;
  const verdict = heard?.verdict;
  const ran = verdict?.rpm ?? rpm;
  return (
    <div className="grid grid-cols-1 gap-3 lg:grid-cols-[minmax(0,1fr)_290px]">
      <div className="flex min-h-0 flex-col gap-2">
        {heard && recording ? (
          <>
            <p className={`text-[16px] font-semibold ${colourOf(heard.verdict)}`} role="status">
              {inWords(heard.verdict, rpm, system)}
            </p>
            <Spectrum
              heard={heard}
              text={`Spectrum of ${recording.name}. ${inWords(heard.verdict, rpm, system)}`}
            />
            <Spectrogram
              picture={heard.picture}
              chatterHz={heard.verdict.chatter ? heard.verdict.hz : null}
            />
          </>
        ) : (
          <p className="rounded-lg border border-line bg-card p-4 text-soft">
            Choose a recording: one that ships with Burl, a WAV file, or the microphone.
          </p>
        )}
      </div>
      <div className="space-y-3">
        <RecordingCard
          recorder={recorder}
          rpm={rpm}
          teeth={teeth}
          verdict={verdict}
          error={work.error}
          onSpeed={setRpm}
        />
        <section className="rounded-lg border border-line bg-card p-3 text-[13px]">
          <h2 className="mb-1">Why not speed × teeth</h2>
          <p>
            At {formatMeasure(ran, 'rpm', system)}, {teeth} teeth pass {((ran * teeth) / 60).toFixed(0)} times
            per second. That line and its multiples are there in every cut, good or bad: the teeth force them.
            Chatter feeds on the wave the tooth before left, so it vibrates near a natural frequency of the
            tool, between those lines.
          </p>
        </section>
        {recording && verdict?.chatter && verdict.speedFits && (
          <SpeedsCard verdict={verdict} cut={cut} shipped={recording.shipped !== null} />
        )}
        {recording && verdict && (
          <LogCut combination={combination} cut={cut} recording={recording} verdict={verdict} />
        )}
      </div>
    </div>
  );
}
