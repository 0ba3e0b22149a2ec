import type { Operation, OperationContext } from '@burl/core';
import { ChevronRight } from 'lucide-react';
import { Popover } from 'radix-ui';
import { type ReactNode, useState } from 'react';

/** What the cards of a kind get. */
export interface CardProps<O extends Operation = Operation> {
  readonly op: O;
  readonly context: OperationContext;
  readonly readOnly: boolean;
  readonly onChange: (next: Operation) => void;
}

/** A card of the inputs: what it is in a few lines, and the form behind it. */
export function Card({
  title,
  label,
  lines,
  children,
  drawing,
}: {
  title: string;
  label: string;
  lines: readonly string[];
  children: (close: () => void) => ReactNode;
  drawing?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="w-full rounded-lg border border-line bg-card p-2.5 text-left hover:border-accent">
        <span className="flex items-center justify-between text-[12.5px] text-soft">
          {title} <ChevronRight size={14} aria-hidden="true" />
        </span>
        {drawing}
        <span className="block leading-snug font-semibold">{label}</span>
        {lines.map((l) => (
          <span key={l} className="block text-[12.5px] leading-snug text-soft">
            {l}
          </span>
        ))}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={6}
          collisionPadding={10}
          className="z-30 max-h-[80vh] w-[360px] overflow-auto rounded-lg border border-line bg-raised p-3 text-ink shadow-xl"
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
