import type { AtMachine } from '@burl/contract';
import { useSystem } from '../../frame/preferences.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { UNITS } from '@burl/core';

const TEXTS = [
  ['program', 'Program', 60],
  ['programRevision', 'Revision', 20],
  ['workOffset', 'Work offset', 20],
  ['pocket', 'Pocket', 10],
] as const;

/** What nobody has entered yet. */
export const nothingAtMachine = (operationId: string): AtMachine => ({
  operationId,
  program: '',
  programRevision: '',
  workOffset: '',
  pocket: '',
  gaugeLengthMm: null,
});

/** Program, offset, pocket and gauge length of each operation, for the sheet. */
export function AtMachineTable({
  rows,
  names,
  onChange,
}: {
  rows: readonly AtMachine[];
  names: ReadonlyMap<string, string>;
  onChange: (rows: readonly AtMachine[]) => void;
}) {
  const system = useSystem();
  const set = (id: string, change: Partial<AtMachine>): void =>
    onChange(rows.map((r) => (r.operationId === id ? { ...r, ...change } : r)));
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="text-[13px] text-soft">
          <tr>
            <th className="pr-2 font-normal">Operation</th>
            {TEXTS.map(([, label]) => (
              <th key={label} className="pr-2 font-normal">
                {label}
              </th>
            ))}
            <th className="font-normal">Gauge length, {UNITS.mm[system].label}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.operationId}>
              <th scope="row" className="max-w-48 truncate py-0.5 pr-2 font-normal">
                {names.get(r.operationId)}
              </th>
              {TEXTS.map(([key, label, most]) => (
                <td key={key} className="py-0.5 pr-2">
                  <input
                    aria-label={`${label} of ${names.get(r.operationId)}`}
                    value={r[key]}
                    maxLength={most}
                    onChange={(e) => set(r.operationId, { [key]: e.target.value })}
                    className={FIELD_LOOK}
                  />
                </td>
              ))}
              <td className="py-0.5">
                <NumberInput
                  aria-label={`Gauge length of ${names.get(r.operationId)}`}
                  value={r.gaugeLengthMm}
                  unit="mm"
                  readOnly={false}
                  allowEmpty
                  onTake={(gaugeLengthMm) => set(r.operationId, { gaugeLengthMm })}
                  className={FIELD_LOOK}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
