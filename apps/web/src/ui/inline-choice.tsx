/** One of a few, with its label on the same line. */
export function InlineChoice<T extends string | number>({
  label,
  value,
  options,
  name,
  onTake,
}: {
  label: string;
  value: T;
  options: readonly T[];
  name: (v: T) => string;
  onTake: (v: T) => void;
}) {
  return (
    <label className="flex items-center gap-1 text-[13px] text-soft">
      {label}
      <select
        value={value}
        onChange={(e) => onTake(options.find((o) => String(o) === e.target.value) ?? value)}
        className="min-h-7 rounded-md border border-line bg-raised px-1 text-ink"
      >
        {options.map((o) => (
          <option key={o} value={o}>
            {name(o)}
          </option>
        ))}
      </select>
    </label>
  );
}
