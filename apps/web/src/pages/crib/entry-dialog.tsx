import { describeProblem } from '@burl/core';
import type { CribEntry, CribKind } from '@burl/contract';
import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { ApiError, call, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';

interface Provenance {
  readonly sources?: readonly {
    readonly field_group: string;
    readonly kind: string;
    readonly confidence: string;
  }[];
  readonly estimated_fields?: readonly string[];
  readonly confidence?: string;
  readonly estimate?: boolean;
  readonly notes?: string;
  readonly note?: string;
}

const words = (key: string): string => key.replaceAll('_', ' ');

function Value({ value }: { value: unknown }): ReactNode {
  if (value === null || value === undefined) return <span className="text-soft">none</span>;
  if (Array.isArray(value)) {
    if (value.every((v) => typeof v !== 'object')) return value.join(', ');
    return (
      <ul className="space-y-0.5">
        {value.map((v, i) => (
          <li key={i}>
            {typeof v === 'object' && v !== null
              ? Object.entries(v as object)
                  .map(([k, x]) => `${words(k)} ${String(x)}`)
                  .join(', ')
              : String(v)}
          </li>
        ))}
      </ul>
    );
  }
  if (typeof value === 'object') {
    const { low, typical, high } = value as { low?: number; typical?: number; high?: number };
    if (Object.keys(value).length === 3 && low !== undefined && typical !== undefined && high !== undefined) {
      return `${typical} (${low} to ${high})`;
    }
    return (
      <dl className="grid grid-cols-[auto_1fr] gap-x-3">
        {Object.entries(value).map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="text-soft">{words(k)}</dt>
            <dd>
              <Value value={v} />
            </dd>
          </div>
        ))}
      </dl>
    );
  }
  return String(value);
}

/** Which source group of the record vouches for a field. */
const GROUP_OF: Readonly<Record<string, string>> = {
  density_kg_m3: 'physical',
  thermal_conductivity_w_mk: 'physical',
  specific_heat_j_kgk: 'physical',
  youngs_modulus_gpa: 'physical',
  derived: 'physical',
  hardness: 'mechanical',
  tensile_strength_mpa: 'mechanical',
  yield_strength_mpa: 'mechanical',
  kienzle: 'kienzle',
  hardness_scaling: 'kienzle',
  taylor_milling_coated_carbide: 'taylor',
  vc_windows_m_min: 'taylor',
  hm_window: 'hm',
  work_hardening: 'work_hardening',
  process_damping: 'process_damping',
};
/** Fields that are judgement or designation rather than measured values. */
const JUDGEMENT: Readonly<Record<string, string>> = {
  uns: 'designation',
  en: 'designation',
  standard: 'designation',
  iso513_group: 'ISO 513',
  family: 'designation',
  condition: 'designation',
  coatings: 'judgement rule G-20',
  coolant: 'judgement rules G-30 to G-33',
  ratings_0_3: 'judgement, medium',
  notes: 'judgement, medium',
};
/** What the reference data say of whole kinds, where a record carries no confidence of its own. */
const OF_KIND: Readonly<Record<CribKind, string>> = {
  alloys: 'medium: general engineering knowledge',
  cutters: 'medium: typical geometry; ramp, rated speed and core are estimates',
  holders: 'medium',
  machines: 'estimate: plausible class values, not any real machine',
};

/** Where a value comes from and how far it is to be trusted. */
function provenanceOf(field: string, value: unknown, p: Provenance, kind: CribKind): string {
  const inside = p.estimated_fields?.filter((f) => f === field || f.startsWith(`${field}.`)) ?? [];
  const part = inside.filter((f) => f !== field).map((f) => words(f.slice(field.length + 1)));
  const estimate = inside.includes(field)
    ? '; estimate'
    : part.length
      ? `; estimate: ${part.join(', ')}`
      : '';
  const own = (value as { confidence?: string } | null)?.confidence;
  const group = p.sources?.find((s) => s.field_group === GROUP_OF[field]);
  if (group) return `${group.confidence}: ${group.kind}${estimate}`;
  if (own) return `${own}${estimate}`;
  if (JUDGEMENT[field] && kind === 'alloys') return JUDGEMENT[field];
  return `${p.confidence ?? OF_KIND[kind]}${p.estimate ? ', estimate' : ''}${estimate}`;
}

/** The fields one reckons with first; the rest follow by name. */
const FIRST = [
  'iso513_group',
  'condition',
  'hardness',
  'kienzle',
  'taylor_milling_coated_carbide',
  'vc_windows_m_min',
  'hm_window',
  'type',
  'properties',
  'extended',
  'power_torque',
  'axes',
  'spindle_interface',
];
const place = (field: string): number => (FIRST.indexOf(field) + FIRST.length + 1) % (FIRST.length + 1);

const NOT_SHOWN = new Set(['id', 'name', 'sources', 'estimated_fields']);

/** Every field with its value, and how far it can be trusted. */
function Record({ entry, kind }: { entry: CribEntry; kind: CribKind }) {
  const p = entry.document as Provenance;
  return (
    <table className="w-full align-top text-[13px]">
      <thead>
        <tr className="border-b border-line text-left">
          <th className="py-1">Field</th>
          <th>Value</th>
          <th className="w-44">Confidence and source</th>
        </tr>
      </thead>
      <tbody>
        {Object.entries(entry.document)
          .filter(([key]) => !NOT_SHOWN.has(key))
          .sort(([a], [b]) => place(a) - place(b) || a.localeCompare(b))
          .map(([key, value]) => (
            <tr key={key} className="border-b border-line last:border-0">
              <td className="py-1 pr-3 align-top font-semibold">{words(key)}</td>
              <td className="pr-3 align-top">
                <Value value={value} />
              </td>
              <td className="align-top text-soft">{provenanceOf(key, value, p, kind)}</td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** One entry whole, with provenance; a shop's own can be changed as its open JSON. */
export function EntryDialog({
  entry,
  kind,
  edit,
  onCopy,
  onClose,
}: {
  entry: CribEntry;
  kind: CribKind;
  edit: boolean;
  onCopy: () => void;
  onClose: () => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [failed, setFailed] = useState<readonly string[]>([]);

  async function save(): Promise<void> {
    setFailed([]);
    try {
      const document = JSON.parse(text ?? '') as Record<string, unknown>;
      await call(
        'PUT',
        `/api/crib/${kind}/:entry`,
        { entry: entry.id },
        { version: entry.version, document },
      );
      await mutate('/api/crib');
      toast.success('Saved. Operations that use it are recalculated.');
      setText(null);
    } catch (error) {
      setFailed(
        error instanceof ApiError && error.problems.length
          ? error.problems.map(describeProblem)
          : [messageOf(error)],
      );
    }
  }
  async function remove(): Promise<void> {
    try {
      await call('DELETE', '/api/crib/:kind/:entry', { kind, entry: entry.id });
      await mutate('/api/crib');
      onClose();
    } catch (error) {
      setFailed([messageOf(error)]);
    }
  }

  return (
    <SheetDialog
      open
      onClose={onClose}
      title={entry.document.name}
      description={`${entry.origin}${entry.copiedFrom ? `, copied from ${entry.copiedFrom}` : ''}; id ${entry.id}`}
      wide
    >
      {edit && (
        <div className="mb-3 flex gap-2">
          <Button onClick={onCopy}>Copy to shop crib</Button>
          {entry.origin === 'shop' && text === null && (
            <Button onClick={() => setText(JSON.stringify(entry.document, null, 2))}>Change</Button>
          )}
          {entry.origin === 'shop' && (
            <Button look="danger" onClick={() => void remove()}>
              Remove
            </Button>
          )}
        </div>
      )}
      {failed.length > 0 && (
        <ul role="alert" className="mb-3 list-disc pl-5 text-over">
          {failed.map((f) => (
            <li key={f}>{f}</li>
          ))}
        </ul>
      )}
      {text !== null ? (
        <>
          <textarea
            aria-label="Record as JSON"
            spellCheck={false}
            value={text}
            onChange={(e) => setText(e.target.value)}
            rows={22}
            className="w-full rounded-md border border-line bg-raised p-2 font-mono text-[12.5px]"
          />
          <div className="mt-2 flex justify-end gap-2">
            <Button onClick={() => setText(null)}>Cancel</Button>
            <Button look="main" onClick={() => void save()}>
              Save
            </Button>
          </div>
        </>
      ) : (
        <Record entry={entry} kind={kind} />
      )}
    </SheetDialog>
  );
}
