import { PRACTICE_SERIAL } from '@burl/core';
import { Hammer, Upload } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/button.tsx';
import { FileInput } from '../../ui/file-input.tsx';
import { FormError } from '../../ui/form-error.tsx';
import type { Axis } from './use-tip-record.ts';

/** Ways to tell how a tip moves: a file of a tap test, modes typed in, for practice a simulated hammer. */
export function MeasureCard({
  axis,
  practice,
  failed,
  onTap,
  onRead,
  onEnter,
}: {
  axis: Axis;
  /** The machine is not a real one. */
  practice: boolean;
  failed: string | null;
  onTap: () => void;
  onRead: (file: File) => void;
  onEnter: () => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <section className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Measure</h2>
      <p className="text-[13px] text-soft">
        Spindle stopped and locked out by your shop’s rules. Hit the tip, the sensor behind it, and read the
        file here.{' '}
        {practice
          ? 'This serial is for practice: a simulated hammer stands in, and nothing of it reaches a job.'
          : `To practise with a simulated hammer, create a combination whose serial begins with ${PRACTICE_SERIAL}.`}
      </p>
      <div className="flex flex-wrap gap-2">
        {practice && (
          <Button look="main" onClick={onTap} aria-label={`Simulated tap test along ${axis}`}>
            <Hammer size={15} aria-hidden="true" /> Simulated tap along {axis}
          </Button>
        )}
        <Button look={practice ? 'plain' : 'main'} onClick={() => file.current?.click()}>
          <Upload size={15} aria-hidden="true" /> Read a file
        </Button>
        <Button onClick={onEnter}>Enter modes</Button>
      </div>
      <FileInput
        refOf={file}
        label="Frequency response or tap test"
        accept=".csv,.txt,.uff,.unv"
        onTake={onRead}
      />
      <p className="text-[12.5px] text-soft">
        Tables of Hz with real and imaginary part or amplitude and phase; universal files with data set 58;
        raw hits as time, force, response.
      </p>
      <FormError message={failed} />
    </section>
  );
}
