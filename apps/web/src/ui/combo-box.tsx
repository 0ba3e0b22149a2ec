import { Command } from 'cmdk';
import { found } from '@burl/core';
import { ChevronDown } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { FIELD_LOOK } from './field.tsx';
import type { Searchable } from './search-select.tsx';

/** So many are drawn; what one looks for is among them, or wants another word. */
const SHOWN = 40;

/**
 * A choice from a long list that takes one line: words narrow it, Enter takes the first that is found and goes on to the next
 * field. What is chosen stands in the field until one types.
 */
export function ComboBox({
  label,
  list,
  value,
  placeholder = '',
  first = false,
  onTake,
}: {
  label: string;
  list: readonly Searchable[];
  value: string;
  placeholder?: string;
  /** Has the focus when the page opens, where no keyboard on the glass would cover it. */
  first?: boolean;
  onTake: (id: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (first && !matchMedia('(pointer: coarse)').matches) box.current?.querySelector('input')?.focus();
  }, [first]);
  const fits = useMemo(() => found(typed ?? '', list), [typed, list]);
  const chosen = list.find((e) => e.id === value);
  const open = typed !== null;
  const take = (id: string): void => {
    setTyped(null);
    onTake(id);
    // On to the next field, as Tab would.
    const fields = [
      ...(box.current?.closest('form') ?? document).querySelectorAll<HTMLElement>('input, select'),
    ];
    const at = fields.findIndex((f) => box.current?.contains(f));
    fields[at + 1]?.focus();
  };
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Escape' && open) {
      e.stopPropagation();
      setTyped(null);
    } else if (!open && e.key === 'Enter') e.preventDefault();
    else if (!open && e.key === 'ArrowDown') setTyped('');
  };
  return (
    <div ref={box} className="relative">
      <Command shouldFilter={false} loop label={label} onKeyDown={onKey} className="[&>label]:sr-only">
        <span aria-hidden="true" className="mb-0.5 block text-[13px] font-semibold">
          {label}
        </span>
        <Command.Input
          value={typed ?? chosen?.name ?? ''}
          placeholder={placeholder}
          onFocus={(e) => e.currentTarget.select()}
          onClick={() => setTyped((t) => t ?? '')}
          onValueChange={setTyped}
          onBlur={() => setTyped(null)}
          aria-expanded={open}
          className={`${FIELD_LOOK} truncate pr-7`}
        />
        <ChevronDown
          size={15}
          aria-hidden="true"
          className="pointer-events-none absolute right-2 bottom-2.5 text-soft"
        />
        <Command.List
          hidden={!open}
          className="absolute inset-x-0 top-full z-30 mt-1 max-h-72 overflow-auto rounded-md border border-line bg-raised p-1 shadow-lg [[hidden]]:hidden"
        >
          {open && fits.length === 0 && <Command.Empty className="p-2 text-soft">No match.</Command.Empty>}
          {open &&
            fits.slice(0, SHOWN).map((e) => (
              <Command.Item
                key={e.id}
                value={e.id}
                onSelect={() => take(e.id)}
                // The field keeps the focus, and with it the list, until a choice is taken.
                onMouseDown={(event) => event.preventDefault()}
                className="cursor-pointer rounded px-2 py-1.5 data-[selected=true]:bg-accent-soft"
              >
                {e.name}
                {e.note && <span className="block text-[12.5px] text-soft">{e.note}</span>}
              </Command.Item>
            ))}
        </Command.List>
      </Command>
    </div>
  );
}
