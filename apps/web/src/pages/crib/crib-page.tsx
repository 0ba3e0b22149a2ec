import { type Crib, type CribEntry, type CribKind, CRIB_KINDS, mayEdit } from '@burl/contract';
import { Download, FileUp, Plus } from 'lucide-react';
import { useState } from 'react';
import { NavLink, useParams, useSearchParams } from 'react-router';
import { useCrib, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { AssembliesTable } from './assemblies-table.tsx';
import { CopyDialog } from './copy-dialog.tsx';
import { EntryDialog } from './entry-dialog.tsx';
import { EntryTable } from './entry-table.tsx';
import { ImportDialog } from './files/import-dialog.tsx';
import { SINGULAR } from './kinds.ts';
import { NewEntryDialog } from './making/new-entry-dialog.tsx';

function Tables({ crib, tab }: { crib: Crib; tab: CribKind | 'assemblies' }) {
  const { data: session } = useSession();
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const [address] = useSearchParams();
  const [open, setOpen] = useState<string | null>(null);
  const [copying, setCopying] = useState<CribEntry | null>(null);
  const [adding, setAdding] = useState<'new' | 'file' | null>(null);
  if (tab === 'assemblies') return <AssembliesTable crib={crib} edit={edit} />;
  const entries: readonly CribEntry[] = crib[tab];
  const entry = entries.find((e) => e.id === open);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        {edit && (
          <>
            <Button look="main" onClick={() => setAdding('new')}>
              <Plus size={15} aria-hidden="true" /> New {SINGULAR[tab]}
            </Button>
            <Button onClick={() => setAdding('file')}>
              <FileUp size={15} aria-hidden="true" /> Import
            </Button>
          </>
        )}
        {(['csv', 'json'] as const).map((format) => (
          <a
            key={format}
            href={`/api/crib/${tab}/export?format=${format}&origin=all`}
            download
            className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft"
          >
            <Download size={15} aria-hidden="true" /> {format.toUpperCase()}
          </a>
        ))}
      </div>
      <EntryTable
        key={`${tab} ${address.get('search') ?? ''}`}
        crib={crib}
        entries={entries}
        kind={tab}
        edit={edit}
        onOpen={(e) => setOpen(e.id)}
      />
      {adding === 'new' && (
        <NewEntryDialog
          kind={tab}
          crib={crib}
          onClose={() => setAdding(null)}
          onMade={(id) => (setAdding(null), setOpen(id))}
        />
      )}
      {adding === 'file' && <ImportDialog kind={tab} onClose={() => setAdding(null)} />}
      {entry && (
        <EntryDialog
          key={entry.id}
          entry={entry}
          kind={tab}
          crib={crib}
          edit={edit}
          onCopy={() => (setOpen(null), setCopying(entry))}
          onClose={() => setOpen(null)}
        />
      )}
      {copying && (
        <CopyDialog
          entry={copying}
          kind={tab}
          onClose={() => setCopying(null)}
          onMade={(id) => (setCopying(null), setOpen(id))}
        />
      )}
    </>
  );
}

/** Alloys, machines, cutters, holders and assemblies, each value with where it comes from. */
export default function CribPage() {
  const { kind } = useParams();
  const { data: crib, error, mutate } = useCrib();
  const tabs = [...CRIB_KINDS, 'assemblies'] as const;
  const tab = tabs.find((t) => t === kind) ?? 'alloys';
  if (error && !crib) return <Failed what="the crib" message={error.message} retry={() => void mutate()} />;
  if (!crib) return <Loading what="the crib" />;
  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[{ label: tab }]} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-xl">Crib</h1>
        <nav aria-label="Tables" className="flex flex-wrap gap-1">
          {tabs.map((t) => (
            <NavLink
              key={t}
              to={`/crib/${t}`}
              className={`rounded-md border px-3 py-1 first-letter:uppercase ${t === tab ? 'border-accent bg-accent text-on-accent' : 'border-line bg-card hover:bg-accent-soft'}`}
            >
              {t}
            </NavLink>
          ))}
        </nav>
        <span className="flex-1" />
        <Button look="quiet" onClick={() => void mutate()}>
          Refresh
        </Button>
      </div>
      <Tables key={tab} crib={crib} tab={tab} />
    </div>
  );
}
