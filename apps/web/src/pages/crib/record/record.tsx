import {
  type CribEntry,
  type CribKind,
  ENTRY_FIELDS,
  type EntryDeed,
  fieldOfType,
  valueAt,
} from '@burl/contract';
import { type Cutter, UNITS } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { type Provenance, provenanceOf, words } from './provenance.ts';
import { fieldText, Value } from './value.tsx';

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

/** Paths of a record that no field of the form shows. */
function restOf(kind: CribKind, document: Record<string, unknown>, shown: ReadonlySet<string>): string[] {
  const top = Object.keys(document).filter((k) => !NOT_SHOWN.has(k) && !shown.has(k));
  const inside = NESTED.flatMap((group) =>
    Object.keys((document[group] as object | undefined) ?? {})
      .map((k) => `${group}.${k}`)
      .filter((p) => !shown.has(p) && !NOT_SHOWN.has(p.slice(group.length + 1))),
  );
  // What the form shows part by part is not told again, but for alloys, whose groups carry more than the form asks.
  const parts = [...shown];
  return [...top, ...inside]
    .filter((p) => kind === 'alloys' || !parts.some((s) => s.startsWith(`${p}.`)))
    .sort((a, b) => place(a) - place(b) || a.localeCompare(b));
}

/** Every value of an entry, and how far it can be trusted. */
export function Record({
  entry,
  kind,
  deeds,
}: {
  entry: CribEntry;
  kind: CribKind;
  deeds: readonly EntryDeed[];
}) {
  const system = useSystem();
  const document = entry.document as unknown as Record<string, unknown>;
  const type = kind === 'cutters' ? (entry.document as Cutter).type : '';
  const fields = ENTRY_FIELDS[kind].filter(
    (f) => f.path !== 'name' && fieldOfType(f, type) && valueAt(document, f.path) !== undefined,
  );
  const rest = restOf(kind, document, new Set(ENTRY_FIELDS[kind].map((f) => f.path)));
  const from = (path: string, value: unknown): string =>
    provenanceOf(path, value, document as Provenance, kind, deeds);
  return (
    <table className="w-full align-top text-[13px]">
      <thead>
        <tr className="border-b border-line text-left">
          <th className="py-1">Field</th>
          <th>Value</th>
          <th className="w-52">Confidence and source</th>
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
            <td className="pr-3 align-top">{fieldText(f, document, system)}</td>
            <td className="align-top text-soft">{from(f.path, valueAt(document, f.path))}</td>
          </tr>
        ))}
        {rest.map((path) => (
          <tr key={path} className="border-b border-line last:border-0">
            <td className="py-1 pr-3 align-top font-semibold first-letter:uppercase">
              {words(path.replace(/^(properties|extended)\./, ''))}
            </td>
            <td className="pr-3 align-top">
              <Value value={valueAt(document, path)} />
            </td>
            <td className="align-top text-soft">{from(path, valueAt(document, path))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
