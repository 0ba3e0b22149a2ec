import { type Holding, HOLDING_KINDS, HOLDINGS, type HoldingKind, usualHolding } from '@burl/core';
import { Field, FIELD_LOOK } from '../ui/field.tsx';
import { Num } from '../ui/form-parts.tsx';

/** How a part is held, with the numbers that way asks for. */
export function HoldingFields({
  holding,
  readOnly,
  onChange,
}: {
  holding: Holding | null;
  readOnly: boolean;
  onChange: (next: Holding | null) => void;
}) {
  const model = holding && HOLDINGS[holding.kind];
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <div className="col-span-2">
        <Field label="Held by">
          {(p) => (
            <select
              {...p}
              value={holding?.kind ?? ''}
              disabled={readOnly}
              onChange={(e) => onChange(e.target.value ? usualHolding(e.target.value as HoldingKind) : null)}
              className={FIELD_LOOK}
            >
              <option value="">not stated</option>
              {HOLDING_KINDS.map((k) => (
                <option key={k} value={k}>
                  {HOLDINGS[k].name}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      {model?.fields.map((f) => (
        <Num
          key={f.key}
          label={f.label}
          value={holding!.values[f.key] ?? f.usual}
          unit={f.unit}
          readOnly={readOnly}
          onTake={(v) => onChange({ ...holding!, values: { ...holding!.values, [f.key]: v ?? f.usual } })}
        />
      ))}
    </div>
  );
}
