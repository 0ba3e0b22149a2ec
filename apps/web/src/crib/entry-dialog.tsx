import { describeProblem } from '@burl/core';
import type { CribEntry, CribKind } from '@burl/contract';
import { type ReactNode, useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { ApiError, call, messageOf } from '../api/client.ts';
import { Button } from '../parts/button.tsx';
import { SheetDialog } from '../parts/sheet-dialog.tsx';

interface Provenance {
  readonly sources?: readonly { readonly field_group: string; readonly kind: string; readonly confidence: string }[];
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
          <li key={i}>{typeof v === 'object' && v !== null ? Object.entries(v as object).map(([k, x]) => `${words(k)} ${String(x)}`).join(', ') : String(v)}</li>
        ))}
      </ul>
    );
  }
  if (typeof value === 'object') {
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

/** Confidence of a field: of its source group where stated, else of the whole entry. */
function confidenceOf(field: string, p: Provenance): string {
  if (p.estimated_fields?.some((f) => f === field || f.startsWith(`${field}.`))) return 'estimate';
  const group = p.sources?.find((s) => field.startsWith(s.field_group) || s.field_group.startsWith(field.split('_')[0] ?? field));
  if (group) return `${group.confidence}: ${group.kind}`;
  return p.confidence ? `${p.confidence}${p.estimate ? ', estimate' : ''}` : 'as stated in the record';
}

const NOT_SHOWN = new Set(['id', 'name', 'sources', 'estimated_fields']);

/** One entry whole, with provenance; a shop's own can be changed as its open JSON. */
export function EntryDialog({ entry, kind, edit, onCopy, onClose }: { entry: CribEntry; kind: CribKind; edit: boolean; onCopy: () => void; onClose: () => void }) {
  const [text, setText] = useState<string | null>(null);
  const [failed, setFailed] = useState<readonly string[]>([]);
  const p = entry.document as Provenance;

  async function save(): Promise<void> {
    setFailed([]);
    try {
      const document: unknown = JSON.parse(text ?? '');
      await call('PUT', `/api/crib/${kind}/${entry.id}`, { version: entry.version, document });
      await mutate('/api/crib');
      toast.success('Saved. Operations that use it are judged anew.');
      setText(null);
    } catch (error) {
      setFailed(error instanceof ApiError && error.problems.length ? error.problems.map(describeProblem) : [messageOf(error)]);
    }
  }
  async function remove(): Promise<void> {
    try {
      await call('DELETE', `/api/crib/${kind}/${entry.id}`);
      await mutate('/api/crib');
      onClose();
    } catch (error) {
      setFailed([messageOf(error)]);
    }
  }

  return (
    <SheetDialog open onClose={onClose} title={entry.document.name} description={`${entry.origin}${entry.copiedFrom ? `, copied from ${entry.copiedFrom}` : ''}; id ${entry.id}`} wide>
      {edit && (
        <div className="mb-3 flex gap-2">
          <Button onClick={onCopy}>Copy for the shop</Button>
          {entry.origin === 'shop' && text === null && <Button onClick={() => setText(JSON.stringify(entry.document, null, 2))}>Change</Button>}
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
          <textarea aria-label="Record as JSON" spellCheck={false} value={text} onChange={(e) => setText(e.target.value)} rows={22} className="w-full rounded-md border border-line bg-raised p-2 font-mono text-[12.5px]" />
          <div className="mt-2 flex justify-end gap-2">
            <Button onClick={() => setText(null)}>Leave it</Button>
            <Button look="main" onClick={() => void save()}>
              Save
            </Button>
          </div>
        </>
      ) : (
        <table className="w-full align-top text-[13px]">
          <thead>
            <tr className="border-b border-line text-left">
              <th className="py-1">Field</th>
              <th>Value</th>
              <th>Confidence and source</th>
            </tr>
          </thead>
          <tbody>
            {Object.entries(entry.document)
              .filter(([key]) => !NOT_SHOWN.has(key))
              .map(([key, value]) => (
                <tr key={key} className="border-b border-line last:border-0">
                  <td className="py-1 pr-3 align-top font-semibold">{words(key)}</td>
                  <td className="pr-3 align-top">
                    <Value value={value} />
                  </td>
                  <td className="align-top text-soft">{confidenceOf(key, p)}</td>
                </tr>
              ))}
          </tbody>
        </table>
      )}
    </SheetDialog>
  );
}
