import { mayEdit, mayRelease, type Release } from '@burl/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { useSession } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Tick } from './evidence.tsx';
import type { Ticks } from './use-ticks.ts';
import { FormError } from '../../ui/form-error.tsx';

/** The second person's part; nobody decides their own request. */
export function Decide({
  release,
  ticks,
  onDone,
}: {
  release: Release;
  ticks: Ticks;
  onDone: () => Promise<void>;
}) {
  const { data: session } = useSession();
  const person = session?.person;
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  if (!person) return null;
  const own = person.id === release.requestedById;

  async function decide(decision: 'release' | 'return'): Promise<void> {
    setFailed(null);
    try {
      await call(
        'POST',
        '/api/releases/:id/decision',
        { id: release.id },
        {
          decision,
          reason,
          checks: decision === 'release' ? [...ticks.ticked] : [],
        },
      );
      toast.success(
        decision === 'release' ? 'Released. The numbers are locked.' : 'Returned with your reason.',
      );
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  async function withdraw(): Promise<void> {
    try {
      await call('POST', '/api/releases/:id/withdrawal', { id: release.id });
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <section aria-label="Decision" className="space-y-3 rounded-lg border-2 border-accent bg-card p-3">
      <h2>Decision</h2>
      {mayRelease(person.role) && !own ? (
        <>
          <p>
            {ticks.left === 0
              ? 'Everything open is ticked.'
              : `${ticks.left} of ${ticks.checks.length} still to tick: each open limit and caution has its tick beside it.`}
          </p>
          {ticks.checks
            .filter((c) => c.kind === 'assumptions')
            .map((c) => (
              <Tick key={c.id} ticks={ticks} id={c.id} label={c.text}>
                <span>{c.text}</span>
              </Tick>
            ))}
          <Field label="Reason or remark" hint="needed to return">
            {(p) => (
              <textarea
                {...p}
                rows={2}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                className={FIELD_LOOK}
              />
            )}
          </Field>
          <div className="flex gap-2">
            <Button look="main" disabled={ticks.left > 0} onClick={() => void decide('release')}>
              Release
            </Button>
            <Button look="danger" onClick={() => void decide('return')}>
              Return
            </Button>
          </div>
        </>
      ) : (
        <p>
          {own
            ? 'You asked for this release; a second person with the role approver decides.'
            : 'A person with the role approver decides.'}
        </p>
      )}
      {mayEdit(person.role) && (
        <Button look="quiet" onClick={() => void withdraw()}>
          Withdraw the request
        </Button>
      )}
      <FormError message={failed} />
    </section>
  );
}
