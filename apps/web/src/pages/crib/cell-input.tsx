import { type CribEntry, type CribKind, type Stock, valueAt, withValueAt } from '@burl/contract';
import type { Unit } from '@burl/core';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { ApiError, messageOf } from '../../api/client.ts';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { edgesOf, putEntry, putOnShelf, uncounted } from './save-entry.ts';

/** A number of an entry changed where it stands in the table. */
export function CellInput({
  entry,
  kind,
  label,
  path,
  unit,
  value,
}: {
  entry: CribEntry;
  kind: CribKind;
  label: string;
  path: string;
  unit: Unit;
  value: number | null;
}) {
  async function save(next: number | null): Promise<void> {
    const put = (to: CribEntry) => putEntry(kind, to, withValueAt(to.document, path, next ?? undefined));
    try {
      await put(entry).catch((error: unknown) => {
        // Somebody changed another value meanwhile: this one is put beside it.
        const current =
          error instanceof ApiError && error.status === 409 ? (error.current as CribEntry) : null;
        if (current && Object.is(valueAt(current.document, path), valueAt(entry.document, path)))
          return put(current);
        throw error;
      });
    } catch (error) {
      toast.error(`${entry.document.name}: ${messageOf(error)}`);
    }
    await mutate('/api/crib');
  }
  return (
    <NumberInput
      value={value}
      unit={unit}
      allowEmpty
      aria-label={`${label} of ${entry.document.name}`}
      className={`${FIELD_LOOK} max-w-24 text-right`}
      onTake={(v) => void save(v)}
    />
  );
}

/** The edges on a shelf, counted where they stand in the table; also of a built-in tool. */
export function StockInput({ entry, stock }: { entry: CribEntry; stock: Stock | undefined }) {
  async function count(edges: number): Promise<void> {
    try {
      await putOnShelf(stock ?? uncounted(entry.id), { edges: edgesOf(edges) }, 'counted');
    } catch (error) {
      toast.error(`${entry.document.name}: ${messageOf(error)}`);
    }
    await mutate('/api/crib');
  }
  return (
    <NumberInput
      value={stock?.edges ?? null}
      unit="pieces"
      aria-label={`Edges in stock of ${entry.document.name}`}
      className={`${FIELD_LOOK} max-w-20 text-right`}
      onTake={(v) => v !== null && void count(v)}
    />
  );
}
