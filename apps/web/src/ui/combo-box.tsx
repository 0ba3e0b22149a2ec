import { found } from '@burl/core';
import { useCombobox } from 'downshift';
import { ChevronDown } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
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
  const box = useRef<HTMLDivElement>(null);
  const [typed, setTyped] = useState<string | null>(null);
  const items = useMemo(() => found(typed ?? '', list).slice(0, SHOWN), [typed, list]);
  const chosen = list.find((e) => e.id === value) ?? null;
  useEffect(() => {
    if (first && !matchMedia('(pointer: coarse)').matches) box.current?.querySelector('input')?.focus();
  }, [first]);

  /** On to the next field, as Tab would. */
  const goOn = (): void => {
    const form = box.current?.closest('form') ?? document;
    const fields = [...form.querySelectorAll<HTMLElement>('input, select')];
    fields[fields.findIndex((f) => box.current?.contains(f)) + 1]?.focus();
  };
  const { isOpen, getLabelProps, getInputProps, getMenuProps, getItemProps, highlightedIndex } =
    useCombobox<Searchable>({
      items: [...items],
      selectedItem: chosen,
      itemToString: (e) => e?.name ?? '',
      inputValue: typed ?? chosen?.name ?? '',
      defaultHighlightedIndex: 0,
      onStateChange: ({ type, selectedItem }) => {
        const { InputBlur, InputKeyDownEnter, InputKeyDownEscape, ItemClick } = useCombobox.stateChangeTypes;
        if (type === InputBlur || type === InputKeyDownEscape) setTyped(null);
        if ((type !== InputKeyDownEnter && type !== ItemClick) || !selectedItem) return;
        setTyped(null);
        onTake(selectedItem.id);
        goOn();
      },
    });
  return (
    <div ref={box} className="relative">
      <label {...getLabelProps()} className="mb-0.5 block text-[13px] font-semibold">
        {label}
      </label>
      <input
        {...getInputProps({
          placeholder,
          // At once, or the caret would jump to the end.
          onChange: (e) => setTyped(e.currentTarget.value),
          onFocus: (e) => e.currentTarget.select(),
          // A press would put the caret into what is chosen: what is typed next takes its place instead.
          onMouseDown: (e) => {
            if (typed !== null) return;
            e.preventDefault();
            e.currentTarget.focus();
            e.currentTarget.select();
          },
          // A form around must not be sent by the Enter that takes an entry.
          onKeyDown: (e) => e.key === 'Enter' && e.preventDefault(),
        })}
        className={`${FIELD_LOOK} truncate pr-7`}
      />
      <ChevronDown
        size={15}
        aria-hidden="true"
        className="pointer-events-none absolute right-2 bottom-2.5 text-soft"
      />
      <ul
        {...getMenuProps()}
        hidden={!isOpen}
        className="absolute inset-x-0 top-full z-30 mt-1 max-h-72 overflow-auto rounded-md border border-line bg-raised p-1 shadow-lg [[hidden]]:hidden"
      >
        {isOpen && items.length === 0 && <li className="p-2 text-soft">No match.</li>}
        {isOpen &&
          items.map((e, index) => (
            <li
              key={e.id}
              {...getItemProps({ item: e, index })}
              className={`cursor-pointer rounded px-2 py-1.5 ${index === highlightedIndex ? 'bg-accent-soft' : ''}`}
            >
              {e.name}
              {e.note && <span className="block text-[12.5px] text-soft">{e.note}</span>}
            </li>
          ))}
      </ul>
    </div>
  );
}
