import { formatMeasure, type SoundVerdict } from '@burl/core';
import { Mic, Square, Upload } from 'lucide-react';
import { useRef } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { FileInput } from '../../ui/file-input.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Num } from '../../ui/form-parts.tsx';
import { type Recorder, SHIPPED } from './use-recording.ts';

/** A speed told by the recording this near the stated one is the same. */
const SPEED_AGREES = 3e-4;

/** What the recording says of the speed that was typed. */
function SpeedNotes({ verdict, rpm }: { verdict: SoundVerdict; rpm: number }) {
  const system = useSystem();
  if (!verdict.speedFits)
    return (
      <p className="text-[13px] font-semibold text-over" role="note">
        Most lines are no multiples of {formatMeasure(rpm, 'rpm', system)}: type the speed it really ran at,
        then the answer counts.
      </p>
    );
  if (Math.abs(verdict.rpm / rpm - 1) <= SPEED_AGREES) return null;
  return (
    <p className="text-[13px]" role="note">
      The recording fits {formatMeasure(verdict.rpm, 'rpm', system)}; that speed is used.
    </p>
  );
}

/** Where the sound comes from, and the speed it was recorded at. */
export function RecordingCard({
  recorder,
  rpm,
  teeth,
  verdict,
  error,
  onSpeed,
}: {
  recorder: Recorder;
  rpm: number;
  teeth: number;
  verdict: SoundVerdict | undefined;
  error: string | null;
  onSpeed: (rpm: number) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const { recording } = recorder;
  return (
    <section className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Recording</h2>
      <ul className="space-y-1">
        {SHIPPED.map((s) => (
          <li key={s.file}>
            <Button
              className="w-full justify-start text-left whitespace-normal"
              onClick={() => recorder.ship(s)}
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
        {recorder.listening ? (
          <Button look="danger" onClick={recorder.microphone}>
            <Square size={15} aria-hidden="true" /> Stop
          </Button>
        ) : (
          <Button onClick={recorder.microphone}>
            <Mic size={15} aria-hidden="true" /> Record
          </Button>
        )}
      </div>
      <FileInput refOf={file} label="Sound file" accept="audio/*,.wav" onTake={recorder.read} />
      <div className="grid grid-cols-2 gap-2">
        <Num
          label="Spindle speed of the recording"
          unit="rpm"
          value={rpm}
          readOnly={false}
          onTake={(v) => v && onSpeed(v)}
        />
        <p className="self-end text-[13px] text-soft">
          {teeth} teeth{recording?.shipped ? ', of the recording' : ', of the cutter'}
        </p>
      </div>
      {verdict && <SpeedNotes verdict={verdict} rpm={rpm} />}
      {/* Nothing is spoken: captions would have nothing to say. */}
      {recording && (
        <audio controls src={recording.url} className="w-full" aria-label={`Play ${recording.name}`} />
      )}
      <FormError message={recorder.failed ?? error} />
    </section>
  );
}
