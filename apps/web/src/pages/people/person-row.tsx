import { type Invitation, type PersonRecord, type PersonUpdate, ROLES, type Role } from '@burl/contract';
import { formatDay } from '@burl/core';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';

/** How somebody stands, in words. */
function standing({ state, invited, sessions }: PersonRecord): string {
  if (state === 'disabled') return 'disabled';
  if (invited) return 'no password yet';
  if (sessions === 0) return 'not signed in';
  return sessions === 1 ? 'signed in' : `signed in, ${sessions} sessions`;
}

/** One person with what an administrator may do. */
export function PersonRow({
  person,
  self,
  onChanged,
  onLink,
}: {
  person: PersonRecord;
  /** The administrator who looks: not to lock themselves out by a slip. */
  self: boolean;
  onChanged: () => void;
  onLink: (invitation: Invitation) => void;
}) {
  const { id, name, role, state, version } = person;
  async function act(what: () => Promise<unknown>, done: string): Promise<void> {
    try {
      await what();
      toast.success(done);
    } catch (error) {
      toast.error(messageOf(error));
    }
    onChanged();
  }
  const change = (to: Partial<PersonUpdate>, done: string): void =>
    void act(() => call('PUT', '/api/people/:id', { id }, { name, role, state, version, ...to }), done);
  const link = async (): Promise<void> =>
    onLink(await call('POST', '/api/people/:id/password-links', { id }));
  const disabled = state === 'disabled';

  return (
    <tr className={`border-b border-line last:border-0 ${disabled ? 'text-soft' : ''}`}>
      <th scope="row" className="px-3 py-1.5 text-left font-semibold">
        {name}
        {self && <span className="font-normal text-soft"> (you)</span>}
        {person.demo && <span className="font-normal text-soft"> · demo account</span>}
        <span className="block text-[12.5px] font-normal text-soft">{person.email}</span>
      </th>
      <td className="px-3">
        <select
          aria-label={`Role of ${name}`}
          value={role}
          disabled={disabled || self}
          onChange={(e) =>
            change({ role: e.target.value as Role }, `${name} is ${e.target.value} from now on.`)
          }
          className="min-h-8 rounded-md border border-line bg-raised px-2"
        >
          {ROLES.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </select>
      </td>
      <td className="px-3 whitespace-nowrap">{standing(person)}</td>
      <td className="px-3 whitespace-nowrap text-soft">{formatDay(person.createdAt.slice(0, 10))}</td>
      <td className="px-3">
        <div className="flex justify-end gap-1.5">
          {!disabled && (
            <>
              <Button
                aria-label={`End sessions of ${name}`}
                disabled={person.sessions === 0}
                onClick={() =>
                  void act(
                    () => call('DELETE', '/api/people/:id/sessions', { id }),
                    `${name} is signed out everywhere.`,
                  )
                }
              >
                End sessions
              </Button>
              <Button
                aria-label={`Password link for ${name}`}
                disabled={self}
                onClick={() => void act(link, `The password ${name} had no longer works.`)}
              >
                Password link
              </Button>
            </>
          )}
          <Button
            aria-label={`${disabled ? 'Enable' : 'Disable'} ${name}`}
            look={disabled ? 'plain' : 'danger'}
            disabled={self}
            onClick={() =>
              change(
                { state: disabled ? 'active' : 'disabled' },
                disabled ? `${name} may sign in again.` : `${name} is signed out and can sign in no more.`,
              )
            }
          >
            {disabled ? 'Enable' : 'Disable'}
          </Button>
        </div>
      </td>
    </tr>
  );
}
