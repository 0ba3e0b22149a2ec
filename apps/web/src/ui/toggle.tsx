/** A few words of which one is chosen. */
export function Toggle<T extends string>({
  label,
  options,
  value,
  onTake,
}: {
  label: string;
  options: readonly T[];
  value: T;
  onTake: (value: T) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex overflow-hidden rounded-md border border-line">
      {options.map((o) => (
        <button
          key={o}
          type="button"
          aria-pressed={o === value}
          onClick={() => onTake(o)}
          className={`px-2.5 py-1 font-semibold ${o === value ? 'bg-accent text-on-accent' : 'bg-card text-ink hover:bg-accent-soft'}`}
        >
          {o}
        </button>
      ))}
    </div>
  );
}
