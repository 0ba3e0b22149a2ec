import { type CribEntry, type CribKind, withValueAt } from '@burl/contract';
import type { Unit } from '@burl/core';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { call, messageOf } from '../../api/client.ts';
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
    const document = withValueAt(entry.document, path, next ?? undefined);
    try {
      await call(
        'PUT',
        `/api/crib/${kind}/:entry`,
        { entry: entry.id },
        { version: entry.version, document: document as unknown as { [key: string]: unknown } },
      );
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
