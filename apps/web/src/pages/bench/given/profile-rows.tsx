import { ARC_SIDES, PROFILE_KINDS, type ProfileElement } from '@burl/core';
import { Trash2 } from 'lucide-react';
import { useSystem } from '../../../frame/preferences.tsx';
import { FIELD_LOOK } from '../../../ui/field.tsx';
import { NumberInput } from '../../../ui/number-input.tsx';

/** A piece as another kind: an arc begins with a radius that reaches. */
const asKind = (e: ProfileElement, kind: ProfileElement['kind']): ProfileElement => ({
  ...e,
  kind,
  lengthMm: kind === 'step' ? e.lengthMm : Math.max(e.lengthMm, 1),
  radiusMm: kind === 'arc' ? (e.radiusMm ?? Math.max(10, 2 * e.lengthMm)) : null,
});

/** The pieces of a profile, from the free end towards the jaws. */
export function ProfileRows({
  elements,
  readOnly,
  onChange,
}: {
  elements: readonly ProfileElement[];
  readOnly: boolean;
  onChange: (next: readonly ProfileElement[]) => void;
}) {
  const system = useSystem();
  const set = (i: number, e: ProfileElement): void => onChange(elements.with(i, e));
  const unit = system === 'metric' ? 'mm' : 'in';
  return (
    <table className="w-full text-[12.5px]">
      <caption className="sr-only">Pieces of the profile, from the free end towards the jaws</caption>
      <thead className="text-left text-soft">
        <tr>
          <th scope="col" className="w-[31%] font-normal">
            Piece
          </th>
          <th scope="col" className="font-normal">
            To ⌀, {unit}
          </th>
          <th scope="col" className="font-normal">
            Length, {unit}
          </th>
          <th className="w-7">
            <span className="sr-only">Take away</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {elements.map((e, i) => (
          <tr key={i} className="align-top">
            <td className="py-0.5 pr-1">
              <select
                aria-label={`Piece ${i + 1}`}
                value={e.kind}
                disabled={readOnly}
                onChange={(event) => set(i, asKind(e, event.target.value as ProfileElement['kind']))}
                className={FIELD_LOOK}
              >
                {PROFILE_KINDS.map((k) => (
                  <option key={k}>{k}</option>
                ))}
              </select>
              {e.kind === 'arc' && (
                <select
                  aria-label={`Piece ${i + 1}, side`}
                  value={e.side}
                  disabled={readOnly}
                  onChange={(event) => set(i, { ...e, side: event.target.value as ProfileElement['side'] })}
                  className={`${FIELD_LOOK} mt-0.5`}
                >
                  {ARC_SIDES.map((s) => (
                    <option key={s}>{s}</option>
                  ))}
                </select>
              )}
            </td>
            <td className="py-0.5 pr-1">
              <NumberInput
                aria-label={`Piece ${i + 1}, to diameter`}
                value={e.toMm}
                unit="mm"
                readOnly={readOnly}
                onTake={(v) => v !== null && set(i, { ...e, toMm: v })}
                className={FIELD_LOOK}
              />
              {e.kind === 'arc' && (
                <span className="mt-0.5 flex items-center gap-1">
                  <span aria-hidden="true">R</span>
                  <NumberInput
                    aria-label={`Piece ${i + 1}, radius`}
                    value={e.radiusMm}
                    unit="mm"
                    readOnly={readOnly}
                    onTake={(v) => v !== null && set(i, { ...e, radiusMm: v })}
                    className={FIELD_LOOK}
                  />
                </span>
              )}
            </td>
            <td className="py-0.5 pr-1">
              <NumberInput
                aria-label={`Piece ${i + 1}, length`}
                value={e.lengthMm}
                unit="mm"
                readOnly={readOnly}
                onTake={(v) => v !== null && set(i, { ...e, lengthMm: v })}
                className={FIELD_LOOK}
              />
            </td>
            <td className="py-0.5">
              {!readOnly && elements.length > 1 && (
                <button
                  type="button"
                  aria-label={`Take away piece ${i + 1}`}
                  onClick={() => onChange(elements.toSpliced(i, 1))}
                  className="grid size-7 place-items-center rounded hover:bg-accent-soft"
                >
                  <Trash2 size={14} aria-hidden="true" />
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
