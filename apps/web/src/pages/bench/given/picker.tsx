import { Command } from 'cmdk';

/** An entry of the crib to choose. */
export interface Choosable {
  readonly id: string;
  readonly name: string;
  readonly note?: string;
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
        {entries.map((e) => (
          <Command.Item
            key={e.id}
            value={`${e.name} ${e.id}`}
            onSelect={() => onPick(e.id)}
            className="cursor-pointer rounded px-2 py-1 data-[selected=true]:bg-accent-soft"
          >
            <span className={e.id === chosen ? 'font-bold' : ''}>{e.name}</span>
            {e.note && <span className="block text-[12px] text-soft">{e.note}</span>}
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}
