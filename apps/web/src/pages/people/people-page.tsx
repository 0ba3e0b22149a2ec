import { type Invitation, mayAdminister } from '@burl/contract';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { usePeople, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { InviteDialog } from './invite-dialog.tsx';
import { LinkDialog } from './link-dialog.tsx';
import { PersonRow } from './person-row.tsx';
import { ROLE_WORDS } from '../../ui/role-words.ts';

/** Who may sign in and what they may do: the administrator's place. */
export default function PeoplePage() {
  const { data: session } = useSession();
  const me = session?.person ?? null;
  const may = me !== null && mayAdminister(me.role);
  const { data: people, error, mutate } = usePeople(may);
  const [inviting, setInviting] = useState(false);
  const [invitation, setInvitation] = useState<Invitation | null>(null);
  if (me && !may)
    return (
      <div className="p-8">
        <h1 className="mb-2 text-xl">People</h1>
        <p className="text-soft">
          Administrators invite people and change what they may do. You are {me.role}.
        </p>
      </div>
    );
  if (error && !people)
    return <Failed what="the people" message={error.message} retry={() => void mutate()} />;
  if (!people || !me) return <Loading what="the people" />;
  const shown = people.toSorted((a, b) => a.state.localeCompare(b.state) || a.name.localeCompare(b.name));
  return (
    <div className="mx-auto max-w-[1200px] p-4">
      <Crumbs trail={[]} />
      <div className="mb-4 flex items-center gap-3">
        <h1 className="text-xl">People</h1>
        <span className="text-soft">
          {people.filter((p) => p.state === 'active').length} of {people.length} may sign in
        </span>
        <span className="flex-1" />
        <Button look="main" onClick={() => setInviting(true)}>
          <UserPlus size={15} aria-hidden="true" /> Invite
        </Button>
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table">
        <table className="w-full rounded-lg border border-line bg-card text-left">
          <thead>
            <tr className="border-b border-line">
              {['Name', 'Role', 'Now', 'Since', 'What to do'].map((h) => (
                <th key={h} scope="col" className="px-3 py-1.5 last:text-right">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((p) => (
              <PersonRow
                key={p.id}
                person={p}
                self={p.id === me.id}
                onChanged={() => void mutate()}
                onLink={setInvitation}
              />
            ))}
          </tbody>
        </table>
      </div>
      <dl className="mt-4 grid w-fit grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 text-soft">
        {Object.entries(ROLE_WORDS).map(([role, words]) => (
          <div key={role} className="contents">
            <dt className="font-semibold">{role}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 text-soft">
        A change holds from the next request on. Whoever is disabled keeps the name in what was done.
      </p>
      {inviting && (
        <InviteDialog
          onClose={() => setInviting(false)}
          onInvited={(made) => {
            setInviting(false);
            setInvitation(made);
            void mutate();
          }}
        />
      )}
      {invitation && <LinkDialog invitation={invitation} onClose={() => setInvitation(null)} />}
    </div>
  );
}
