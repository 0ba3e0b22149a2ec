import {
  type CribEntry,
  type CribKind,
  ENTRY_FIELDS,
  type EntryDeed,
  fieldOfType,
  valueAt,
  withValueAt,
} from '@burl/contract';
import { type Cutter, type ToolMaterials, UNITS } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { type Provenance, provenanceOf, words } from './provenance.ts';
import { Value, valueText } from './value.tsx';

/** Not shown beside the fields: they say where those come from, or are the entry itself. */
const NOT_SHOWN = new Set([
  'id',
  'name',
  'sources',
  'estimated_fields',
  'estimate',
  'confidence',
  'properties',
  'extended',
]);
/** The rest of a record that stands in two groups of its own. */
const NESTED = ['properties', 'extended'];
/** Of the rest of an alloy, what one reckons with first. */
const FIRST = [
  'taylor_milling_coated_carbide',
  'kienzle',
  'hm_window',
  'work_hardening',
  'process_damping',
  'power_torque',
  'frf_at_bare_holder',
];
const place = (field: string): number => (FIRST.indexOf(field) + FIRST.length + 1) % (FIRST.length + 1);

type Tree = Readonly<globalThis.Record<string, unknown>>;
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v);
/** An object of which nothing is left says nothing. */
const says = (v: unknown): boolean => v !== undefined && (!isTree(v) || Object.values(v).some(says));

/** What a record says beside the fields of the form, by path. */
function restOf(kind: CribKind, document: Tree): readonly (readonly [path: string, value: unknown])[] {
  const left = ENTRY_FIELDS[kind].reduce<Tree>(
    (d, f) => (valueAt(d, f.path) === undefined ? d : withValueAt(d, f.path, undefined)),
    document,
  );
  return Object.entries(left)
    .flatMap(([key, value]): (readonly [string, unknown])[] =>
      NESTED.includes(key) && isTree(value)
        ? Object.entries(value).map(([k, v]) => [`${key}.${k}`, v] as const)
        : [[key, value]],
    )
    .filter(([path, value]) => !NOT_SHOWN.has(path.split('.').at(-1)!) && says(value))
    .sort(([a], [b]) => place(a) - place(b) || a.localeCompare(b));
}

/** Every value of an entry, and how far it can be trusted. */
export function Record({
  entry,
  kind,
  materials,
  deeds,
}: {
  entry: CribEntry;
  kind: CribKind;
  materials: ToolMaterials;
  deeds: readonly EntryDeed[];
}) {
  const system = useSystem();
  const document = entry.document as unknown as Tree;
  const type = kind === 'cutters' ? (entry.document as Cutter).type : '';
  const fields = ENTRY_FIELDS[kind].filter(
    (f) => f.path !== 'name' && fieldOfType(f, type) && valueAt(document, f.path) !== undefined,
  );
  const rest = restOf(kind, document);
  const from = (path: string, value: unknown): string =>
    provenanceOf(path, value, document as Provenance, kind, deeds);
  return (
    <table className="w-full align-top text-[13px]">
      <thead>
        <tr className="border-b border-line text-left">
          <th className="py-1">Field</th>
          <th>Value</th>
          <th className="w-[22rem]">Confidence and source</th>
        </tr>
      </thead>
      <tbody>
        {fields.map((f) => (
          <tr key={f.path} className="border-b border-line last:border-0">
            <td className="py-1 pr-3 align-top font-semibold">
              {f.label}
              <span className="font-normal text-soft">
                {f.symbol ? `, ${f.symbol}` : ''}
                {f.unit && UNITS[f.unit][system].label ? `, ${UNITS[f.unit][system].label}` : ''}
              </span>
            </td>
            <td className="py-1 pr-3 align-top">
              {valueText(valueAt(document, f.path), f.path, f, { system, materials })}
            </td>
            <td className="py-1 align-top text-soft">{from(f.path, valueAt(document, f.path))}</td>
          </tr>
        ))}
        {rest.map(([path, value]) => (
          <tr key={path} className="border-b border-line last:border-0">
            <td className="py-1 pr-3 align-top font-semibold first-letter:uppercase">
              {words(path.replace(/^(properties|extended)\./, ''))}
            </td>
            <td className="py-1 pr-3 align-top">
              <Value value={value} />
            </td>
            <td className="py-1 align-top text-soft">{from(path, valueAt(document, path))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
