import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useJobs } from '../api/hooks.ts';
import { useActions } from './actions.tsx';

const ITEM = 'flex items-center justify-between rounded px-2 py-1.5 data-[selected=true]:bg-accent-soft';

/** Jobs by name and everything the page can do, from the keyboard. */
export function CommandPalette({ open, onClose }: { open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const actions = useActions();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  // Actions are searched as well: words that find no job find one of them.
  const { data: jobs, isLoading } = useJobs(open ? { search, most: 20 } : null);
  const looking = isLoading || search !== typed.trim();
  const list = useRef<HTMLDivElement>(null);
  const [entered, setEntered] = useState(false);
  // Who is quicker than the server means the best of what it will answer, not of what stood there before.
  useEffect(() => {
    if (!entered || looking) return;
    const frame = requestAnimationFrame(() => {
      setEntered(false);
      list.current?.querySelector<HTMLElement>('[cmdk-item][data-selected=true]')?.click();
    });
    return () => cancelAnimationFrame(frame);
  }, [entered, looking]);
  const pick = (run: () => void) => () => {
    onClose();
    run();
  };
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[92vw] max-w-xl -translate-x-1/2 rounded-xl border border-line bg-card p-2 text-ink shadow-2xl"
        >
          <Dialog.Title className="sr-only">Search or command</Dialog.Title>
          <Command label="Search or command" loop>
            <Command.Input
              value={typed}
              onValueChange={(next) => {
                setEntered(false);
                setTyped(next);
              }}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' || !looking) return;
                e.preventDefault();
                setEntered(true);
              }}
              placeholder="Job, place or action"
              className="mb-2 w-full rounded-md border border-line bg-raised px-3 py-2"
            />
            <Command.List ref={list} className="max-h-[50vh] overflow-auto">
              <Command.Empty className="p-3 text-soft">No match.</Command.Empty>
              <Command.Group heading="Do" className="text-soft [&_[cmdk-item]]:text-ink">
                {actions.map((a) => (
                  <Command.Item
                    key={a.id}
                    value={`${a.label} ${a.id}`}
                    onSelect={pick(a.run)}
                    className={ITEM}
                  >
                    {a.label}
                    {a.keys && <kbd className="text-[12px] text-soft">{a.keys}</kbd>}
                  </Command.Item>
                ))}
              </Command.Group>
              <Command.Group heading="Jobs" className="text-soft [&_[cmdk-item]]:text-ink">
                {(jobs ?? []).map((j) => (
                  <Command.Item
                    key={j.id}
                    value={`${j.number} ${j.part} ${j.customer} ${j.heatLot} ${j.id}`}
                    onSelect={pick(() => void navigate(`/jobs/${j.id}`))}
                    className={ITEM}
                  >
                    {j.number} {j.part}
                    <span className="text-soft">{j.status}</span>
                  </Command.Item>
                ))}
              </Command.Group>
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
