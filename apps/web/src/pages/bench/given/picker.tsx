import { Command } from 'cmdk';

/** An entry of the crib to choose. */
export interface Choosable {
  readonly id: string;
  readonly name: string;
  readonly note?: string;
  /** Why it cannot be taken here; it stands last, and is not picked. */
  readonly wrong?: string | null;
}

/** A searchable list of crib entries. */
export function Picker({
  label,
  entries,
  chosen,
  onPick,
}: {
  label: string;
  entries: readonly Choosable[];
  chosen: string;
  onPick: (id: string) => void;
}) {
  return (
    <Command label={label} loop>
      <Command.Input
        placeholder={`Search ${label.toLowerCase()}`}
        className="mb-2 w-full rounded-md border border-line bg-card px-2 py-1.5"
      />
      <Command.List className="max-h-72 overflow-auto">
        <Command.Empty className="p-2 text-soft">No match.</Command.Empty>
        {entries
          .toSorted((a, b) => Number(Boolean(a.wrong)) - Number(Boolean(b.wrong)))
          .map((e) => (
            <Command.Item
              key={e.id}
              value={`${e.name} ${e.id}`}
              disabled={Boolean(e.wrong)}
              onSelect={() => onPick(e.id)}
              className="cursor-pointer rounded px-2 py-1 data-[disabled=true]:cursor-not-allowed data-[selected=true]:bg-accent-soft"
            >
              <span
                className={`${e.id === chosen ? 'font-bold' : ''} ${e.wrong ? 'text-soft line-through' : ''}`}
              >
                {e.name}
              </span>
              {e.wrong && <span className="block text-[12px] text-over">{e.wrong}</span>}
              {e.note && <span className="block text-[12px] text-soft">{e.note}</span>}
            </Command.Item>
          ))}
      </Command.List>
    </Command>
  );
}
