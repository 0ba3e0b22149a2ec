import { Field, FIELD_LOOK } from './field.tsx';

/** One entry of the crib by its name. */
export function EntrySelect({
  label,
  value,
  list,
  disabled = false,
  onTake,
}: {
  label: string;
  value: string;
  list: readonly { readonly id: string; readonly document: { readonly name: string } }[];
  disabled?: boolean;
  onTake: (id: string) => void;
}) {
  return (
    <Field label={label}>
      {(p) => (
        <select
          {...p}
          value={value}
          disabled={disabled}
          onChange={(e) => onTake(e.target.value)}
          className={FIELD_LOOK}
        >
          {list.map((x) => (
            <option key={x.id} value={x.id}>
              {x.document.name}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
