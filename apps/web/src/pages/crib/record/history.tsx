import { type CribKind, type EntryDeed, fieldAt, fieldLabel } from '@burl/contract';
import type { ToolMaterials } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { valueText } from './value.tsx';

const MOMENT: Intl.DateTimeFormatOptions = {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
};

/** Who changed which value of an entry, from what to what, when and why. */
export function History({
  kind,
  materials,
  deeds,
}: {
  kind: CribKind;
  materials: ToolMaterials;
  deeds: readonly EntryDeed[];
}) {
  const system = useSystem();
  const text = (path: string, value: unknown): string =>
    valueText(value, path, fieldAt(kind, path), { system, materials });
  if (deeds.length === 0) return <p className="text-[13px] text-soft">As it was shipped.</p>;
  return (
    <ol className="space-y-1.5 text-[13px]">
      {deeds.map((d, i) => (
        <li key={i} className="border-b border-line pb-1.5 last:border-0">
          <span className="font-semibold">{d.person}</span>{' '}
          <span className="text-soft">
            {d.action}, {new Date(d.at).toLocaleString('en-GB', MOMENT)}
          </span>
          {d.reason && <p className="italic">{d.reason}</p>}
          {d.changes.length > 0 && (
            <ul>
              {d.changes.map((c) => (
                <li key={c.path}>
                  {fieldLabel(kind, c.path)}: {text(c.path, c.before)} → {text(c.path, c.after)}
                </li>
              ))}
            </ul>
          )}
        </li>
      ))}
    </ol>
  );
}
