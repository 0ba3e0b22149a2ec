import type { CribKind } from '../crib-kinds.ts';
import { ALLOY_FIELDS } from './alloy-fields.ts';
import { CUTTER_FIELDS } from './cutter-fields.ts';
import type { EntryField } from './entry-field.ts';
import { HOLDER_FIELDS } from './holder-fields.ts';
import { MACHINE_FIELDS } from './machine-fields.ts';

export { CUTTER_TYPES } from './cutter-fields.ts';
export { HOLDER_TYPES } from './holder-fields.ts';
export { type Clash, mergeEdits } from './merge.ts';
export { type EntryField, fieldOfType, valueAt, withValueAt } from './entry-field.ts';

/** Values a person fills in, of each kind of entry. */
export const ENTRY_FIELDS: Readonly<Record<CribKind, readonly EntryField[]>> = {
  alloys: ALLOY_FIELDS,
  machines: MACHINE_FIELDS,
  cutters: CUTTER_FIELDS,
  holders: HOLDER_FIELDS,
};

/** The field a path of a document belongs to, as a person knows it; the path in words where there is none. */
export function fieldAt(kind: CribKind, path: string): EntryField | undefined {
  const inside = path.replace(/^document\./, '').replace(/\[\d+\]/g, '');
  return (
    ENTRY_FIELDS[kind].find((f) => f.path === inside) ??
    ENTRY_FIELDS[kind].find((f) => inside.startsWith(`${f.path}.`))
  );
}
export const fieldLabel = (kind: CribKind, path: string): string =>
  fieldAt(kind, path)?.label ??
  path
    .replace(/^document\./, '')
    .replaceAll('.', ', ')
    .replaceAll('_', ' ');
