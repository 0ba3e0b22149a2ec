import { mayEdit, mayRelease, RELEASE_CHECKS, type Release } from '@burl/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { useSession } from '../../api/hooks.ts';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { FormError } from '../../ui/form-error.tsx';

/** The second person's part; nobody decides their own request. */
export function Decide({ release, onDone }: { release: Release; onDone: () => Promise<void> }) {
  const { data: session } = useSession();
  const person = session?.person;
  const [checks, setChecks] = useState<readonly string[]>([]);
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  if (!person) return null;
  const own = person.id === release.requestedById;

  async function decide(decision: 'release' | 'return'): Promise<void> {
    setFailed(null);
    try {
      await call('POST', '/api/releases/:id/decision', { id: release.id }, { decision, reason, checks });
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
          <fieldset className="space-y-1.5">
            <legend className="sr-only">Checked</legend>
            {RELEASE_CHECKS.map((c) => (
              <label key={c.id} className="flex gap-2">
                <input
                  type="checkbox"
                  checked={checks.includes(c.id)}
                  onChange={(e) =>
                    setChecks(e.target.checked ? [...checks, c.id] : checks.filter((x) => x !== c.id))
                  }
                />
                {c.text}
              </label>
            ))}
          </fieldset>
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
            <Button
              look="main"
              disabled={checks.length < RELEASE_CHECKS.length}
              onClick={() => void decide('release')}
            >
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
