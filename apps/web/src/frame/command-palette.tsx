import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { type ReactNode, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  CRIB_KINDS,
  type CribEntry,
  type CribKind,
  findable,
  type JobSummary,
  mayAdminister,
  type Person,
} from '@burl/contract';
import { found } from '@burl/core';
import { useCrib, useJobs, useOperationsFound, usePeople } from '../api/hooks.ts';
import { offered } from '../judging/offer.ts';
import { useActions } from './actions.tsx';

const ITEM = 'flex items-center justify-between rounded px-2 py-1.5 data-[selected=true]:bg-accent-soft';

/** What can be chosen under one heading; no heading without it. */
function Group({
  heading,
  items,
}: {
  heading: string;
  items: readonly {
    readonly id: string;
    readonly label: string;
    readonly note: ReactNode;
    readonly run: () => void;
  }[];
}) {
  if (items.length === 0) return null;
  return (
    <Command.Group heading={heading} className="text-soft [&_[cmdk-item]]:text-ink">
      {items.map((i) => (
        <Command.Item key={i.id} value={i.id} onSelect={i.run} className={ITEM}>
          {i.label}
          <span className="text-soft">{i.note}</span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}

/** Frames the list is given to mark its best. */
const MARKED_WITHIN = 60;

/** Entries of a group shown. */
const MOST = 6;

/** What an entry of each kind is called in a list of all. */
const ENTRY_NOTES: Readonly<Record<CribKind, string>> = {
  alloys: 'alloy',
  cutters: 'tool',
  holders: 'holder',
  machines: 'machine',
};

/** Entries of the crib in which everything typed is found. */
function useCribFound(search: string) {
  const { data: crib } = useCrib();
  // Made once, so that a key more does not index the whole crib anew.
  const lists = useMemo(
    () =>
      crib
        ? CRIB_KINDS.map((kind) =>
            offered<CribEntry>(crib[kind]).map((e) => ({ ...findable(kind, e.document), kind })),
          )
        : [],
    [crib],
  );
  return useMemo(
    () => (search ? lists.flatMap((list) => found(search, list).slice(0, MOST)) : []),
    [lists, search],
  );
}

/** Takes what was named, or the best of the list once it stands, where somebody pressed Enter before. */
function useEntered(looking: boolean, named: string | null) {
  const list = useRef<HTMLDivElement>(null);
  const [entered, setEntered] = useState(false);
  // Who is quicker than the server means the best of what it will answer, not of what stood there before.
  useEffect(() => {
    if (!entered || looking) return;
    let frame = 0;
    // The list marks its best a moment after what was found stands in it.
    const take = (left: number): void => {
      const best = list.current?.querySelector<HTMLElement>(
        named === null ? '[cmdk-item][data-selected=true]' : `[cmdk-item][data-value="${CSS.escape(named)}"]`,
      );
      if (!best && left > 0) {
        frame = requestAnimationFrame(() => take(left - 1));
        return;
      }
      setEntered(false);
      best?.click();
    };
    frame = requestAnimationFrame(() => take(MARKED_WITHIN));
    return () => cancelAnimationFrame(frame);
  }, [entered, looking, named]);
  return { list, setEntered };
}

const jobKey = (j: JobSummary): string => `${j.number} ${j.part} ${j.customer} ${j.heatLot} ${j.id}`;

/** Jobs, operations, tools, alloys, people and everything the page can do, from the keyboard. */
export function CommandPalette({
  open,
  onClose,
  person,
}: {
  open: boolean;
  onClose: () => void;
  person: Person;
}) {
  const navigate = useNavigate();
  const actions = useActions();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  // Actions are searched as well: words that find no job find one of them.
  const { data: jobs, isLoading } = useJobs(open ? { search, most: 8 } : null);
  const { data: operations, isLoading: finding } = useOperationsFound(open ? search : '');
  const looking = isLoading || finding || search !== typed.trim();
  const entries = useCribFound(open ? search : '');
  const { data: people } = usePeople(open && mayAdminister(person.role));
  const named = search
    ? (people ?? []).filter((p) => p.name.toLowerCase().includes(search.toLowerCase())).slice(0, MOST)
    : [];
  // Operations are found by the number of their job too, and may be answered before it: who typed a number wants the job.
  const exact = jobs?.find((j) => j.number.toLowerCase() === typed.trim().toLowerCase());
  const exactKey = exact ? jobKey(exact) : null;
  const [marked, setMarked] = useState('');
  const [markedFor, setMarkedFor] = useState<string | null>(null);
  if (exactKey !== markedFor) {
    setMarkedFor(exactKey);
    if (exactKey !== null) setMarked(exactKey);
  }
  const { list, setEntered } = useEntered(looking, exactKey);
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
          <Command label="Search or command" loop value={marked} onValueChange={setMarked}>
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
              placeholder="Job, operation, tool, alloy, machine, place or action"
              className="mb-2 w-full rounded-md border border-line bg-raised px-3 py-2"
            />
            <Command.List ref={list} className="max-h-[50vh] overflow-auto">
              <Command.Empty className="p-3 text-soft">No match.</Command.Empty>
              <Group
                heading="Do"
                items={actions.map((a) => ({
                  id: `${a.label} ${a.id}`,
                  label: a.label,
                  note: a.keys ? <kbd className="text-[12px]">{a.keys}</kbd> : null,
                  run: pick(a.run),
                }))}
              />
              <Group
                heading="Operations"
                items={(operations ?? []).map((o) => ({
                  id: `${o.name} ${o.jobNumber} ${o.id}`,
                  label: o.name,
                  note: o.jobNumber,
                  run: pick(() => void navigate(`/jobs/${o.jobId}/ops/${o.id}`)),
                }))}
              />
              <Group
                heading="Crib"
                items={entries.map((e) => ({
                  // What was typed is in it by its words, whatever its name says.
                  id: `${search} ${e.name} ${e.id}`,
                  label: e.name,
                  note: ENTRY_NOTES[e.kind],
                  run: pick(() => void navigate(`/crib/${e.kind}?search=${encodeURIComponent(e.name)}`)),
                }))}
              />
              <Group
                heading="People"
                items={named.map((p) => ({
                  id: `${p.name} ${p.id}`,
                  label: p.name,
                  note: p.role,
                  run: pick(() => void navigate('/people')),
                }))}
              />
              <Group
                heading="Jobs"
                items={(jobs ?? []).map((j) => ({
                  id: jobKey(j),
                  label: `${j.number} ${j.part}`,
                  note: j.status,
                  run: pick(() => void navigate(`/jobs/${j.id}`)),
                }))}
              />
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
