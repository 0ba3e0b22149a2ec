import type { Crib } from '@burl/contract';
import { Save } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import { SaveJob } from '../save-job.tsx';
import { SaveVariant } from '../save-variant.tsx';
import { type Answers, RunningAnswer } from './running-answer.tsx';
import { runningCut } from './running-cut.ts';
import { type Corrections, draftOf, MOST_SAID } from './running-draft.ts';
import { RunningFields, SeenChips } from './running-fields.tsx';

const SAMPLES = [
  '12 mm five flute, 80 m/min, 0.1 a tooth, 1 mm stepover, 18 deep, grade 5, it squeals and chips corners',
  '1/2" 4 flute in 17-4, 3000 rpm, 36 ipm, .5 deep, 10% stepover, chips are blue',
  '8.5 drill 316, 60 m/min, 0.12 per rev, 30 deep, long chips',
];

/** What somebody runs and sees, in his words; what fails there, what to change first and what to ask. */
export function Running({
  crib,
  said,
  mayEdit,
  onSaid,
}: {
  crib: Crib;
  said: string;
  mayEdit: boolean;
  onSaid: (next: string) => void;
}) {
  const system = useSystem();
  const [corrections, setCorrections] = useState<Corrections>({});
  const [answers, setAnswers] = useState<Answers>({});
  const [saving, setSaving] = useState<'job' | 'variant' | null>(null);
  const heard = useDeferredValue(said);
  const { draft, read } = useMemo(() => draftOf(heard, corrections, crib), [heard, corrections, crib]);
  const cut = useMemo(
    () => (heard.trim() ? runningCut(draft, crib, system) : 'Type what they run, in any words.'),
    [draft, crib, system, heard],
  );
  const say = (next: string): void => {
    setCorrections({});
    setAnswers({});
    onSaid(next);
  };
  return (
    <div className="space-y-2.5">
      <label className="block">
        <span className="mb-0.5 block text-[13px] font-semibold">
          What are they running, and what do they see?
        </span>
        <textarea
          rows={2}
          maxLength={MOST_SAID}
          value={said}
          onChange={(e) => onSaid(e.target.value)}
          placeholder={SAMPLES[0]}
          className="w-full rounded-md border border-field bg-raised px-3 py-2 text-[16px] text-ink"
        />
      </label>
      {!said.trim() && (
        <div className="flex flex-wrap items-center gap-1.5 text-[13px]">
          <span className="text-soft">For example:</span>
          {SAMPLES.map((s) => (
            <Button key={s} className="!whitespace-normal text-left" onClick={() => say(s)}>
              {s}
            </Button>
          ))}
        </div>
      )}
      <SeenChips
        symptoms={draft.symptoms}
        onChange={(symptoms) => setCorrections({ ...corrections, symptoms })}
      />
      {read.unread.length > 0 && (
        <p role="status" className="text-[13px] text-soft">
          Not understood: {read.unread.join(', ')}.
        </p>
      )}
      {typeof cut === 'string' && !heard.trim() ? null : (
        <div className="grid grid-cols-[300px_minmax(0,1fr)] items-start gap-2.5 max-[900px]:grid-cols-1">
          <div className="space-y-2.5 max-[900px]:order-2">
            <RunningFields crib={crib} draft={draft} corrections={corrections} onCorrect={setCorrections} />
            {mayEdit && typeof cut !== 'string' && (
              <div className="flex flex-wrap gap-2">
                <Button onClick={() => setSaving('job')}>
                  <Save size={15} aria-hidden="true" /> Save as job
                </Button>
                <Button onClick={() => setSaving('variant')}>Save as variant</Button>
              </div>
            )}
          </div>
          {typeof cut === 'string' ? (
            <p role="status" className="rounded-lg border border-line bg-card px-3 py-2">
              {cut}
            </p>
          ) : (
            <RunningAnswer
              cut={cut}
              symptoms={draft.symptoms}
              answers={answers}
              onAnswer={(id, answer) => setAnswers({ ...answers, [id]: answer })}
            />
          )}
        </div>
      )}
      {saving === 'job' && typeof cut !== 'string' && (
        <SaveJob
          name={`As run: ${cut.context.cutter.name}`.slice(0, 200)}
          op={cut.op}
          context={cut.context}
          materials={crib.materials}
          notes={`As told: ${said}`}
          onClose={() => setSaving(null)}
        />
      )}
      {saving === 'variant' && typeof cut !== 'string' && (
        <SaveVariant
          op={cut.op}
          cutter={cut.newTool ? cut.context.cutter : null}
          onClose={() => setSaving(null)}
        />
      )}
    </div>
  );
}
