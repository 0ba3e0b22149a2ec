import {
  type CribDocuments,
  type CribKind,
  ENTRY_FIELDS,
  type EntryField,
  fieldOfType,
  withValueAt,
} from '@burl/contract';
import { type Cutter, formatField, type Holder, type Machine, type ToolMaterials, UNITS } from '@burl/core';
import { rangeOf } from '@burl/contract/crib-schema';
import { Fragment, type ReactNode, useMemo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { CutterDrawing } from '../drawings/cutter-drawing.tsx';
import { HolderDrawing } from '../drawings/holder-drawing.tsx';
import { MachineCurve } from '../drawings/machine-curve.tsx';
import { CurveTable } from './curve-table.tsx';
import { EntryInput } from './entry-input.tsx';

type Document = CribDocuments[CribKind];

/** The entry as it looks with what is typed so far. */
export function EntryDrawing({ kind, document }: { kind: CribKind; document: Document }): ReactNode {
  if (kind === 'cutters') return <CutterDrawing cutter={document as Cutter} />;
  if (kind === 'holders') return <HolderDrawing holder={document as Holder} />;
  if (kind === 'machines') return <MachineCurve machine={document as Machine} />;
  return null;
}

/** Long text of any length stands alone in its row. */
const WIDE = new Set(['name', 'note', 'notes', 'work', 'coolant']);
const wide = (path: string, kind: string): boolean => WIDE.has(path) || kind === 'some-of' || kind === 'list';

/** What a number may be, said while it is typed. */
function Range({ kind, field }: { kind: CribKind; field: EntryField }) {
  const system = useSystem();
  const range = useMemo(() => (NUMBERS.has(field.kind) ? rangeOf(kind, field.path) : null), [kind, field]);
  if (!range) return null;
  const [low, high] = range.map((v) =>
    Number(field.unit ? formatField(v, field.unit, system) : v).toLocaleString('en', {
      maximumFractionDigits: 6,
    }),
  );
  return (
    <p className="hidden text-[12px] text-soft group-focus-within:block">
      {low} to {high} {field.unit ? UNITS[field.unit][system].label : ''}
    </p>
  );
}
const NUMBERS = new Set(['number', 'whole', 'two', 'three', 'span', 'list']);

/** Every value of an entry with its label, unit and what is wrong about it; the drawing follows at each key. */
export function EntryForm({
  kind,
  document,
  problems,
  materials,
  onSet,
}: {
  kind: CribKind;
  document: Document;
  problems: ReadonlyMap<string, string>;
  materials: ToolMaterials;
  onSet: (document: Document) => void;
}) {
  const type = kind === 'cutters' ? (document as Cutter).type : '';
  const fields = ENTRY_FIELDS[kind].filter((f) => fieldOfType(f, type));
  const groups = [...new Set(fields.map((f) => f.group))];
  const names: Record<string, Record<string, string>> = {
    'extended.coating': Object.fromEntries(Object.entries(materials.coatings).map(([id, c]) => [id, c.name])),
    'extended.substrate': Object.fromEntries(
      Object.entries(materials.substrates).map(([id, c]) => [id, c.name]),
    ),
  };
  const curve = kind === 'machines' ? (document as Machine).power_torque : null;
  return (
    <div className="grid grid-cols-1 gap-4 lg:grid-cols-[1fr_380px]">
      <div className="order-2 space-y-3 lg:order-1">
        {problems.has('') && (
          <p role="alert" className="text-over">
            {problems.get('')}
          </p>
        )}
        {groups.map((group) => (
          <section key={group} aria-label={group}>
            <h3 className="mb-1 border-b border-line text-[13px] text-soft">{group}</h3>
            <div className="grid grid-cols-2 items-start gap-x-3 gap-y-2 sm:grid-cols-3">
              {fields
                .filter((f) => f.group === group)
                .map((field) => (
                  <div
                    key={field.path}
                    className={wide(field.path, field.kind) ? 'group col-span-full' : 'group min-w-0'}
                  >
                    <EntryInput
                      field={field}
                      document={document}
                      error={problems.get(field.path)}
                      {...(names[field.path] ? { names: names[field.path]! } : {})}
                      onSet={(value) => onSet(withValueAt(document, field.path, value))}
                    />
                    <Range kind={kind} field={field} />
                  </div>
                ))}
            </div>
          </section>
        ))}
        {curve && (
          <section aria-label="Spindle curve" className="grid grid-cols-1 gap-3 sm:grid-cols-2">
            {(['s1', 's6_40'] as const).map((rating) => (
              <Fragment key={rating}>
                <CurveTable
                  title={rating === 's1' ? 'Continuous, S1' : '4 of 10 minutes, S6'}
                  points={curve[rating] ?? []}
                  onSet={(points) => onSet(withValueAt(document, `power_torque.${rating}`, points))}
                />
              </Fragment>
            ))}
          </section>
        )}
      </div>
      <div className="order-1 lg:order-2">
        <div className="lg:sticky lg:top-0">
          <EntryDrawing kind={kind} document={document} />
        </div>
      </div>
    </div>
  );
}
