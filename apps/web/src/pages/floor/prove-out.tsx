import type { AttachedFile } from '@burl/contract';
import { Check, Circle, OctagonX } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { ReasonDialog } from '../../ui/reason-dialog.tsx';
import { FilePick } from './file-pick.tsx';
import type { StepNow } from './steps-of.ts';

/** Signs a step as done, or says what failed. */
export type Sign = (
  step: StepNow,
  result: 'done' | 'failed',
  word: string,
  photo: AttachedFile | null,
) => void;

/** What failed, in a word; it goes before the engineer. */
function FailDialog({
  step,
  onFail,
  onClose,
}: {
  step: StepNow;
  onFail: (word: string, photo: AttachedFile | null) => void;
  onClose: () => void;
}) {
  const [photo, setPhoto] = useState<AttachedFile | null>(null);
  return (
    <ReasonDialog
      title="Stop here: what is wrong?"
      label="What is wrong"
      hint="Goes to the engineer’s desk."
      does="Report"
      look="danger"
      large
      onSay={(word) => onFail(word, photo)}
      onClose={onClose}
    >
      <p className="text-soft">{step.step.text}</p>
      <FilePick what="photo" name={photo?.name ?? null} onTake={setPhoto} />
    </ReasonDialog>
  );
}

/** Steps of the prove-out, done and signed one by one; one that fails goes before the engineer. */
export function ProveOut({ name, steps, onSign }: { name: string; steps: readonly StepNow[]; onSign: Sign }) {
  const [failing, setFailing] = useState<StepNow | null>(null);
  const next = steps.findIndex((s) => s.state !== 'done');
  return (
    <section aria-label={name}>
      <h3 className="mb-1 font-semibold">
        {name}
        <span className="ml-2 font-normal text-soft">
          {next < 0
            ? 'all done'
            : `${steps.filter((s) => s.state === 'done').length} of ${steps.length} done`}
        </span>
      </h3>
      <ol className="space-y-1.5">
        {steps.map((s, i) => {
          const Mark = s.state === 'done' ? Check : s.state === 'failed' ? OctagonX : Circle;
          return (
            <li
              key={s.step.id}
              className={`flex items-center gap-3 rounded-lg border px-3 py-1.5 ${i === next ? 'border-accent' : 'border-line'}`}
            >
              <Mark
                size={22}
                aria-hidden="true"
                className={
                  s.state === 'done' ? 'text-clear' : s.state === 'failed' ? 'text-over' : 'text-soft'
                }
              />
              <div className="min-w-0 flex-1">
                <p>{s.step.text}</p>
                {s.state !== 'open' && (
                  <p className="text-[13px] text-soft">
                    {s.state === 'done' ? 'Done' : `Stopped: ${s.word}`}, {s.by}
                    {s.waits && ' (waits to be sent)'}
                  </p>
                )}
              </div>
              {s.state !== 'done' && (
                <span className="no-print flex shrink-0 gap-2">
                  <Button
                    className="min-h-12 px-4"
                    aria-label={`Stop: ${s.step.text}`}
                    onClick={() => setFailing(s)}
                  >
                    Stop
                  </Button>
                  <Button
                    look={i === next ? 'main' : 'plain'}
                    className="min-h-12 px-5"
                    aria-label={`Done: ${s.step.text}`}
                    onClick={() => onSign(s, 'done', '', null)}
                  >
                    Done
                  </Button>
                </span>
              )}
            </li>
          );
        })}
      </ol>
      {failing && (
        <FailDialog
          step={failing}
          onClose={() => setFailing(null)}
          onFail={(word, photo) => {
            onSign(failing, 'failed', word, photo);
            setFailing(null);
          }}
        />
      )}
    </section>
  );
}
