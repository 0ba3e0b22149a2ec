import { type Crib, type CribEntry, type CribKind, findable } from '@burl/contract';
import { found } from '@burl/core';
import {
  type ColumnDef,
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { CellInput, StockInput } from './cell-input.tsx';
import { COLUMNS, type Row, STOCK_COLUMN } from './columns.ts';

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns });
type Column = ColumnDef<typeof features, Row>;

/** Rows on one page: as many as one looks through. */
const PAGE = 60;

type Table = ReturnType<typeof useTable<typeof features, Row>>;

/** Heads that sort. */
function Heads({ table }: { table: Table }) {
  return (
    <thead>
      {table.getHeaderGroups().map((group) => (
        <tr key={group.id} className="border-b border-line">
          {group.headers.map((h) => {
            const order = h.column.getIsSorted();
            return (
              <th
                key={h.id}
                aria-sort={order === 'asc' ? 'ascending' : order === 'desc' ? 'descending' : 'none'}
                className="p-0"
              >
                <button
                  type="button"
                  onClick={h.column.getToggleSortingHandler()}
                  className="flex w-full items-center gap-1 px-2.5 py-1.5 font-semibold whitespace-nowrap hover:bg-accent-soft"
                >
                  {String(h.column.columnDef.header)}
                  {order === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
                  {order === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
                </button>
              </th>
            );
          })}
        </tr>
      ))}
    </thead>
  );
}

/** One entry: its name opens it, its numbers can be changed in place where it is the shop’s own. */
function EntryRow({
  row: { entry, cells, stock },
  kind,
  inPlace,
  onOpen,
}: {
  row: Row;
  kind: CribKind;
  inPlace: boolean;
  onOpen: (entry: CribEntry) => void;
}) {
  const heads = COLUMNS[kind].heads(useSystem());
  return (
    <tr
      className={`border-b border-line last:border-0 hover:bg-accent-soft ${entry.retired ? 'text-soft' : ''}`}
    >
      {cells.map((cell, i) => {
        const editable = inPlace && entry.origin === 'shop' ? COLUMNS[kind].edits[i] : undefined;
        return (
          <td
            key={heads[i]}
            className={`px-2.5 py-1 ${typeof cell === 'number' ? 'text-right' : ''} ${i === 0 ? 'min-w-72' : String(cell).length < 24 ? 'whitespace-nowrap' : ''}`}
          >
            {i === 0 ? (
              <button
                type="button"
                onClick={() => onOpen(entry)}
                className="text-left font-semibold underline-offset-2 hover:underline"
              >
                {cell}
                {entry.retired && ' (retired)'}
              </button>
            ) : inPlace && kind === 'cutters' && i === STOCK_COLUMN ? (
              <StockInput entry={entry} stock={stock} />
            ) : editable ? (
              <CellInput
                entry={entry}
                kind={kind}
                label={heads[i]!}
                path={editable.path}
                unit={editable.unit}
                value={editable.of(entry.document)}
              />
            ) : (
              cell
            )}
          </td>
        );
      })}
    </tr>
  );
}

/** Entries of one kind: searched word by word, sorted, a page at a time; the shop’s own can be changed in place. */
export function EntryTable({
  crib,
  entries,
  kind,
  edit,
  onOpen,
}: {
  crib: Crib;
  entries: readonly CribEntry[];
  kind: CribKind;
  edit: boolean;
  onOpen: (entry: CribEntry) => void;
}) {
  const system = useSystem();
  const [address] = useSearchParams();
  const [typed, setTyped] = useState(address.get('search') ?? '');
  const search = useDeferredValue(typed);
  const [page, setPage] = useState(0);
  const [own, setOwn] = useState(false);
  const [retired, setRetired] = useState(false);
  const [inPlace, setInPlace] = useState(false);
  const stock = useMemo(() => new Map(crib.stock.map((s) => [s.cutterId, s])), [crib.stock]);
  const list = useMemo(
    () => entries.map((entry) => ({ ...findable(kind, entry.document), entry })),
    [entries, kind],
  );
  const rows = useMemo(
    () =>
      found(search, list)
        .map((f) => f.entry)
        .filter((e) => (retired || !e.retired) && (!own || e.origin === 'shop'))
        .map((entry) => COLUMNS[kind].row(entry as never, system, stock.get(entry.id))),
    [search, list, kind, system, own, retired, stock],
  );
  const columns = COLUMNS[kind];
  const heads = useMemo(() => columns.heads(system), [columns, system]);
  const defs = useMemo<Column[]>(
    () => heads.map((head, i) => ({ id: head, header: head, accessorFn: (r: Row) => r.cells[i] ?? '' })),
    [heads],
  );
  const table = useTable({ features, columns: defs, data: rows });
  const sorted = table.getRowModel().rows;
  const pages = Math.max(1, Math.ceil(sorted.length / PAGE));
  const at = Math.min(page, pages - 1);
  const shown = sorted.slice(at * PAGE, (at + 1) * PAGE);
  const anyRetired = entries.some((e) => e.retired);
  const box = (label: string, value: boolean, set: (v: boolean) => void) => (
    <label className="flex items-center gap-1.5 text-[13px]">
      <input type="checkbox" checked={value} onChange={(e) => set(e.target.checked)} />
      {label}
    </label>
  );
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <input
          aria-label={`Search ${kind}`}
          placeholder={`Search ${entries.length.toLocaleString('en')} ${kind}${kind === 'cutters' ? ': 12 5fl titanium' : ''}`}
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setPage(0);
          }}
          className={`${FIELD_LOOK} max-w-sm`}
        />
        {box('Shop’s own', own, setOwn)}
        {anyRetired && box('Retired too', retired, setRetired)}
        {edit && box('Edit in the table', inPlace, setInPlace)}
        <span className="flex-1" />
        <span className="text-[13px] text-soft" aria-live="polite">
          {sorted.length === 0
            ? 'none'
            : `${at * PAGE + 1} to ${at * PAGE + shown.length} of ${sorted.length.toLocaleString('en')}`}
        </span>
        <Button disabled={at === 0} onClick={() => setPage(at - 1)}>
          Previous
        </Button>
        <Button disabled={at >= pages - 1} onClick={() => setPage(at + 1)}>
          Next
        </Button>
      </div>
      <div
        className="overflow-x-auto rounded-lg border border-line bg-card"
        tabIndex={0}
        role="region"
        aria-label={`Table of ${kind}`}
      >
        <table className="w-full text-left">
          <Heads table={table} />
          <tbody>
            {shown.map(({ original }) => (
              <EntryRow
                key={original.entry.id}
                row={original}
                kind={kind}
                inPlace={inPlace}
                onOpen={onOpen}
              />
            ))}
          </tbody>
        </table>
        {shown.length === 0 && <p className="p-3 text-soft">Nothing matches the search.</p>}
      </div>
    </>
  );
}
