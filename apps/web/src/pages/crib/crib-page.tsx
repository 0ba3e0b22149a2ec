import { type Crib, type CribEntry, type CribKind, CRIB_KINDS, mayEdit } from '@burl/contract';
import {
  type ColumnDef,
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFns,
  globalFilteringFeature,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { NavLink, useParams } from 'react-router';
import { useCrib, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { AssembliesTable } from './assemblies-table.tsx';
import { CopyDialog } from './copy-dialog.tsx';
import { EntryDialog } from './entry-dialog.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { COLUMNS, type Row } from './columns.ts';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  filterFns,
  sortFns,
});
type Column = ColumnDef<typeof features, Row>;

function EntryTable({
  entries,
  kind,
  onOpen,
}: {
  entries: readonly CribEntry[];
  kind: CribKind;
  onOpen: (entry: CribEntry) => void;
}) {
  const system = useSystem();
  const [filter, setFilter] = useState('');
  const rows = useMemo(
    () => entries.map((entry) => COLUMNS[kind].row(entry as never, system)),
    [entries, kind, system],
  );
  const columns = useMemo<Column[]>(
    () =>
      COLUMNS[kind].heads(system).map((head, i) => ({
        id: head,
        header: head,
        accessorFn: (r: Row) => r.cells[i] ?? '',
      })),
    [kind, system],
  );
  const table = useTable({
    features,
    columns,
    data: rows,
    state: { globalFilter: filter },
    globalFilterFn: 'includesString',
  });
  return (
    <>
      <input
        aria-label={`Search ${kind}`}
        placeholder={`Search ${entries.length} ${kind}`}
        value={filter}
        onChange={(e) => setFilter(e.target.value)}
        className={`${FIELD_LOOK} mb-2 max-w-sm`}
      />
      <div
        className="overflow-x-auto rounded-lg border border-line bg-card"
        tabIndex={0}
        role="region"
        aria-label={`Table of ${kind}`}
      >
        <table className="w-full text-left">
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} className="border-b border-line">
                {group.headers.map((h) => {
                  const sorted = h.column.getIsSorted();
                  return (
                    <th
                      key={h.id}
                      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                      className="p-0"
                    >
                      <button
                        type="button"
                        onClick={h.column.getToggleSortingHandler()}
                        className="flex w-full items-center gap-1 px-2.5 py-1.5 font-semibold whitespace-nowrap hover:bg-accent-soft"
                      >
                        {String(h.column.columnDef.header)}
                        {sorted === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
                        {sorted === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
                      </button>
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <tr
                key={row.original.entry.id}
                className="border-b border-line last:border-0 hover:bg-accent-soft"
              >
                {row.original.cells.map((cell, i) => (
                  <td
                    key={COLUMNS[kind].heads(system)[i]}
                    className={`px-2.5 py-1 ${typeof cell === 'number' ? 'text-right' : ''}`}
                  >
                    {i === 0 ? (
                      <button
                        type="button"
                        onClick={() => onOpen(row.original.entry)}
                        className="text-left font-semibold underline-offset-2 hover:underline"
                      >
                        {cell}
                      </button>
                    ) : (
                      cell
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {table.getRowModel().rows.length === 0 && (
          <p className="p-3 text-soft">Nothing matches the search.</p>
        )}
      </div>
    </>
  );
}

function Tables({ crib, tab }: { crib: Crib; tab: CribKind | 'assemblies' }) {
  const { data: session } = useSession();
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const [open, setOpen] = useState<string | null>(null);
  const [copying, setCopying] = useState<CribEntry | null>(null);
  if (tab === 'assemblies') return <AssembliesTable crib={crib} edit={edit} />;
  const entries: readonly CribEntry[] = crib[tab];
  const entry = entries.find((e) => e.id === open);
  return (
    <>
      <EntryTable key={tab} entries={entries} kind={tab} onOpen={(e) => setOpen(e.id)} />
      {entry && (
        <EntryDialog
          key={entry.id + entry.version}
          entry={entry}
          kind={tab}
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
      <div className="mb-3 flex items-center gap-4">
        <h1 className="text-xl">Crib</h1>
        <nav aria-label="Tables" className="flex gap-1">
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
      <Tables crib={crib} tab={tab} />
    </div>
  );
}
