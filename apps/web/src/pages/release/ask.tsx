import { SEVERITY, speak } from '@burl/core';
import { chosenVariant, batchAt, type AtMachine, mayEdit } from '@burl/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { useCrib, useJob, useRelease, useReleases, useSession } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { Loading } from '../../ui/page-states.tsx';
import { StateWord } from '../../ui/state-mark.tsx';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { AtMachineTable, nothingAtMachine } from './at-machine.tsx';

/** What the last sheet of a job said of programs and pockets. */
function useLastSheet(jobId: string): readonly AtMachine[] {
  const { data: releases } = useReleases(jobId);
  const last = releases?.find((r) => r.state === 'released' || r.state === 'superseded');
  const { data: release } = useRelease(last?.id);
  return release?.snapshot.operations.flatMap((o) => (o.atMachine ? [o.atMachine] : [])) ?? [];
}

/** Before anything is asked: what would be released now. */
export function Ask({ jobId, onDone }: { jobId: string; onDone: () => Promise<void> }) {
  const { data: detail } = useJob(jobId);
  const { data: crib } = useCrib();
  const { data: session } = useSession();
  const system = useSystem();
  const [note, setNote] = useState('');
  const [entered, setEntered] = useState<readonly AtMachine[] | null>(null);
  const last = useLastSheet(jobId);
  const [failed, setFailed] = useState<string | null>(null);
  if (!detail || !crib || !session?.person) return <Loading what="the job" />;
  const rows = detail.setups.flatMap((s) =>
    s.operations.map((o) => {
      const document = chosenVariant(o)!.document;
      return { o, e: judge(document, contextOf(crib, document, batchAt(detail.job, s))).evaluation };
    }),
  );
  const worst = [...rows].sort((a, b) => SEVERITY[b.e?.state ?? 'over'] - SEVERITY[a.e?.state ?? 'over']);
  // What the last sheet said holds until another is entered.
  const atMachine =
    entered ?? rows.map(({ o }) => last.find((m) => m.operationId === o.id) ?? nothingAtMachine(o.id));
  const over = rows.filter((r) => r.e?.state === 'over');
  const edit = mayEdit(session.person.role);

  async function ask(): Promise<void> {
    setFailed(null);
    try {
      await call('POST', '/api/jobs/:id/release-requests', { id: jobId }, { note, atMachine });
      toast.success('Asked for release. The numbers are held until it is decided.');
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <section aria-label="Request release" className="rounded-lg border border-line bg-card p-4">
      <h2 className="mb-2">Revision {detail.job.revision}: what would go out</h2>
      {rows.length === 0 ? (
        <p className="text-soft">The route is empty. Add an operation first.</p>
      ) : (
        <ul className="mb-3 space-y-1.5">
          {worst.map(({ o, e }) => {
            const limit = e?.limits.find((l) => l.id === e.governing);
            return (
              <li key={o.id} className="grid grid-cols-[100px_1fr] gap-2">
                {e ? (
                  <StateWord state={e.state} />
                ) : (
                  <span className="font-semibold text-over">needs input</span>
                )}
                <span>
                  <Link
                    to={`/jobs/${jobId}/ops/${o.id}`}
                    className="font-semibold underline-offset-2 hover:underline"
                  >
                    {o.name}
                  </Link>
                  {limit && e?.state !== 'clear' && (
                    <span className="block text-[13px] text-soft">{speak(limit.why, system)}</span>
                  )}
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {edit ? (
        <div className="space-y-3">
          <details open={atMachine.some((m) => m.program !== '')}>
            <summary className="cursor-pointer font-semibold">
              At the machine: program, offset, pocket
            </summary>
            <AtMachineTable
              rows={atMachine}
              names={new Map(rows.map(({ o }) => [o.id, o.name]))}
              onChange={setEntered}
            />
          </details>
          <Field
            label="Note to the approver"
            hint={
              over.length
                ? `needed: why ${over.map((r) => r.o.name).join(', ')} may go out with a limit over`
                : 'what it rests on, what is new'
            }
          >
            {(p) => (
              <textarea
                {...p}
                rows={3}
                value={note}
                onChange={(e) => setNote(e.target.value)}
                className={FIELD_LOOK}
              />
            )}
          </Field>
          <FormError message={failed} />
          <Button look="main" disabled={rows.length === 0} onClick={() => void ask()}>
            Request release
          </Button>
        </div>
      ) : (
        <p className="text-soft">An engineer requests release.</p>
      )}
    </section>
  );
}
