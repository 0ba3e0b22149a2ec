import { type CribEntry, type CribKind, type Stock, valueAt, withValueAt } from '@burl/contract';
import type { Unit } from '@burl/core';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { ApiError, call, messageOf } from '../../api/client.ts';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';

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
    const put = ({ version, document }: Pick<CribEntry, 'version' | 'document'>) =>
      call(
        'PUT',
        `/api/crib/${kind}/:entry`,
        { entry: entry.id },
        {
          version,
          document: withValueAt(document, path, next ?? undefined) as unknown as { [key: string]: unknown },
        },
      );
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
      await call(
        'PUT',
        '/api/crib/cutters/:entry/stock',
        { entry: entry.id },
        {
          version: stock?.version ?? 0,
          edges: Math.max(0, Math.round(edges)),
          place: stock?.place ?? '',
          price: stock?.price ?? null,
          reason: 'counted',
        },
      );
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
