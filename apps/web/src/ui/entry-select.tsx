import { Choice } from './form-parts.tsx';

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
    <Choice
      label={label}
      value={value}
      options={list.map((x) => x.id)}
      nameOf={(id) => list.find((x) => x.id === id)!.document.name}
      readOnly={disabled}
      onTake={onTake}
    />
  );
}
