import { type Findable, found } from '@burl/core';
import { Command } from 'cmdk';
import { useMemo, useState } from 'react';

/** An entry of the crib to choose. */
export interface Choosable extends Findable {
  readonly note?: string;
  /** Why it cannot be taken here; it stands last, and is not picked. */
  readonly wrong?: string | null;
}

/** So many are drawn; what one looks for is among the first, or wants another word. */
const SHOWN = 60;

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
  const [typed, setTyped] = useState('');
  const fits = useMemo(() => {
    const list = found(typed, entries);
    return [...list.filter((e) => !e.wrong), ...list.filter((e) => e.wrong)];
  }, [typed, entries]);
  return (
    // What is found is found here: the list's own search would draw and sort every entry at each key.
    <Command label={label} loop shouldFilter={false}>
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder={`Search ${label.toLowerCase()}`}
        className="mb-2 w-full rounded-md border border-line bg-card px-2 py-1.5"
      />
      <Command.List className="max-h-72 overflow-auto">
        <Command.Empty className="p-2 text-soft">No match.</Command.Empty>
        {fits.slice(0, SHOWN).map((e) => (
          <Command.Item
            key={e.id}
            value={e.id}
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
        {fits.length > SHOWN && (
          <p className="p-2 text-[12px] text-soft">and {fits.length - SHOWN} more: type another word</p>
        )}
      </Command.List>
    </Command>
  );
}
