import { type Crib, ONE_PART } from '@burl/contract';
import type { Operation } from '@burl/core';
import { Link2, RotateCcw, Save } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { useSystem } from '../../frame/preferences.tsx';
import { contextOf } from '../../judging/context.ts';
import { useMoves } from '../../judging/use-moves.ts';
import { usualMachine } from '../../judging/usual-machine.ts';
import { Button } from '../../ui/button.tsx';
import { StateWord } from '../../ui/state-mark.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { Answer } from './answer.tsx';
import { QuestionForm } from './question-form.tsx';
import { fromSearch, type QuickQuestion, toSearch, WANTS } from './quick-question.ts';
import { keepQuestion, recentQuestions } from './recent.ts';
import { RecentQuestions } from './recent-questions.tsx';
import { SaveJob } from './save-job.tsx';
import { ToolsForThis } from './tools-for-this.tsx';
import { useMoved, withCut } from './use-moved.ts';
import { type Answered, answeredBy, useQuick } from './use-quick.ts';

/** How long a question rests before it counts as asked, ms. */
const ASKED_MS = 2500;
const MACHINE = 'burl.quick.machine';

const labelOf = (q: QuickQuestion, crib: Crib): string => {
  const name = (list: readonly { id: string; document: { name: string } }[], id: string) =>
    list.find((e) => e.id === id)?.document.name ?? id;
  const { what: w } = q;
  const size =
    w.made === 'hole' ? `${w.diameterMm} × ${w.depthMm}` : `${w.lengthMm} × ${w.widthMm} × ${w.depthMm}`;
  return `${WANTS.find((x) => x.made === w.made)!.label} ${size}, ${name(crib.alloys, q.alloyId)}, ${name(crib.machines, q.machineId)}`;
};

/** The machine somebody asked for last, or the middling one of the crib. */
const lastMachine = (crib: Crib): string => {
  const last = localStorage.getItem(MACHINE);
  return crib.machines.find((m) => m.id === last && !m.retired)?.id ?? usualMachine(crib)?.id ?? '';
};

async function copyLink(q: QuickQuestion): Promise<void> {
  const link = new URL(`/quick?${toSearch(q).toString()}`, location.href);
  try {
    await navigator.clipboard.writeText(link.href);
    toast.success('Link copied: it carries the question and its numbers.');
  } catch {
    toast.error('This browser does not let a page copy; the address of the page is the link.');
  }
}

/** What do I run? The question on the left, the answer beside it. */
export function Asked({ crib, mayKeep }: { crib: Crib; mayKeep: boolean }) {
  const system = useSystem();
  const [search, setSearch] = useSearchParams();
  const q = useMemo(
    () => fromSearch(search, { alloyId: 'ti-6al-4v-annealed', machineId: lastMachine(crib) }),
    [search, crib],
  );
  const quick = useQuick(crib, q, system);
  const [recent, setRecent] = useState(recentQuestions);
  const [saving, setSaving] = useState(false);
  // The address follows a moment later than a quick hand asks.
  const latest = useRef(q);
  useEffect(() => {
    latest.current = q;
  }, [q]);
  const ask = useCallback(
    (next: QuickQuestion) => {
      latest.current = next;
      localStorage.setItem(MACHINE, next.machineId);
      setSearch(toSearch(next), { replace: true });
    },
    [setSearch],
  );
  const { moved, move, forget } = useMoved(q, ask);
  const askNew = (next: QuickQuestion): void => {
    forget();
    ask(next);
  };
  const answer = useMemo(
    () => (moved && answeredBy(crib, moved)) ?? quick.answer,
    [crib, moved, quick.answer],
  );
  const contextFor = useCallback((op: Operation) => contextOf(crib, op, ONE_PART), [crib]);
  const known = search.toString();
  const keep = useCallback(
    () => setRecent(keepQuestion({ search: known, label: labelOf(q, crib) })),
    [known, q, crib],
  );
  useEffect(() => {
    if (!answer || !known) return;
    const timer = setTimeout(keep, ASKED_MS);
    return () => clearTimeout(timer);
  }, [answer, known, keep]);
  const byHand = q.taken !== null || moved !== null;

  return (
    <div className="grid grid-cols-[290px_minmax(0,1fr)] grid-rows-[auto_1fr] items-start gap-3 max-[900px]:grid-cols-1">
      <div className="min-w-0 space-y-2.5">
        <QuestionForm crib={crib} question={q} onChange={(change) => askNew(change(latest.current))} />
        <div className="flex flex-wrap gap-2">
          {mayKeep && answer && (
            <Button
              look="main"
              onClick={() => {
                // Who uses an answer has asked, however quick he was.
                keep();
                setSaving(true);
              }}
            >
              <Save size={15} aria-hidden="true" /> Save as job
            </Button>
          )}
          <Button onClick={() => void copyLink(answer ? withCut(q, answer.op) : q)}>
            <Link2 size={15} aria-hidden="true" /> Copy link
          </Button>
          {byHand && (
            <Button onClick={() => askNew({ ...q, taken: null })}>
              <RotateCcw size={15} aria-hidden="true" /> Burl’s numbers
            </Button>
          )}
        </div>
      </div>
      <div className="min-w-0 space-y-2.5 max-[900px]:order-last">
        {quick.ranking && quick.ranking.length > 0 && (
          <ToolsForThis
            ranking={quick.ranking}
            chosen={answer?.op.tooling.cutterId ?? ''}
            onTake={(cutterId) => askNew({ ...q, what: { ...q.what, cutterId }, taken: null })}
          />
        )}
        <RecentQuestions
          recent={recent}
          onAsk={(asked) => {
            forget();
            setSearch(new URLSearchParams(asked));
          }}
        />
      </div>
      <div className="col-start-2 row-span-2 row-start-1 min-w-0 space-y-2.5 max-[900px]:col-start-1 max-[900px]:row-span-1 max-[900px]:row-start-2">
        <div className="flex min-h-7 items-center gap-3">
          {answer && <StateWord state={answer.evaluation.state} />}
          {byHand && <span className="text-[13px] text-soft">with your numbers</span>}
          {!byHand && quick.work?.busy && <HeavyState what="the answer" heavy={quick.work} />}
        </div>
        {answer ? (
          <MovingAnswer answer={answer} contextFor={contextFor} onChange={move} />
        ) : (
          <p role="alert" className="rounded-lg border border-line bg-card px-3 py-2">
            {quick.wrong}
          </p>
        )}
      </div>
      {saving && answer && (
        <SaveJob
          name={quick.name}
          op={answer.op}
          context={answer.context}
          materials={crib.materials}
          onClose={() => setSaving(false)}
        />
      )}
    </div>
  );
}

function MovingAnswer({
  answer,
  contextFor,
  onChange,
}: {
  answer: Answered;
  contextFor: Parameters<typeof useMoves>[1];
  onChange: (op: Operation) => void;
}) {
  const moves = useMoves(answer.op, contextFor, onChange);
  return <Answer answer={answer} moves={moves} onChange={onChange} />;
}
