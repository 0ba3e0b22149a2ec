import { arrayMove } from '@dnd-kit/sortable';
import { broughtEarly, type MissingEntryHole } from '@burl/core';
import type { Crib, JobDetail, JobOperation, Setup } from '@burl/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { entryHole } from '../../judging/entry-hole.ts';
import { backOf } from '../../api/put-back.ts';
import type { RouteFacts, SetupOrder } from './route-facts.ts';

const orderOf = (setups: readonly Setup[]): SetupOrder[] =>
  setups.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id) }));

/** What can be done to a route; each change that loses something can be undone from where it is announced. */
export interface RouteChanges {
  /** Setups as they are shown: ahead of the server while a new order is on its way. */
  readonly shown: readonly Setup[];
  readonly drop: (moved: string, onto: string) => void;
  readonly reorder: (next: readonly SetupOrder[]) => void;
  /** Adds the drilling of a hole a cutter goes down in, right before it. */
  readonly drillEntry: (hole: MissingEntryHole) => void;
  readonly bringEarly: (o: JobOperation) => void;
  readonly remove: (o: JobOperation) => void;
  readonly addSetup: () => void;
}

export function useRouteChanges({ job, setups }: JobDetail, { risk }: RouteFacts, crib: Crib): RouteChanges {
  const system = useSystem();
  const [ahead, setAhead] = useState<readonly Setup[] | null>(null);
  const shown = ahead ?? setups;
  const at = { id: job.id };
  async function run(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toast.error(messageOf(error));
    }
    await refreshJob(job.id);
    setAhead(null);
  }
  const put = (order: readonly SetupOrder[]) => call('PUT', '/api/jobs/:id/order', at, { setups: order });
  const offerUndo = (what: string, undo: () => Promise<unknown>) =>
    toast(what, { action: { label: 'Undo', onClick: () => void run(undo) } });

  const reorder = (next: readonly SetupOrder[]): void => {
    const old = orderOf(setups);
    void run(async () => {
      await put(next);
      offerUndo('The order was changed.', () => put(old));
    });
  };
  return {
    shown,
    reorder,
    drop(moved, onto) {
      const next = shown.map((s) => {
        const from = s.operations.findIndex((o) => o.id === moved);
        const to = s.operations.findIndex((o) => o.id === onto);
        return from < 0 || to < 0 ? s : { ...s, operations: arrayMove([...s.operations], from, to) };
      });
      setAhead(next);
      void run(() => put(orderOf(next)));
    },
    drillEntry(hole) {
      const input = entryHole(crib, job, hole, system);
      if (typeof input === 'string') {
        toast.error(input);
        return;
      }
      void run(async () => {
        const { id } = await call('POST', '/api/jobs/:id/operations', at, input);
        await put(
          orderOf(setups).map((s) =>
            s.id === hole.setupId
              ? { ...s, operations: s.operations.flatMap((o) => (o === hole.operationId ? [id, o] : [o])) }
              : s,
          ),
        );
        offerUndo(`${input.name} was added.`, () => call('DELETE', '/api/operations/:id', { id }));
      });
    },
    bringEarly(o) {
      const earlier = risk?.operations.find((r) => r.id === o.id)?.earlier;
      if (!earlier) return;
      reorder(
        setups.map((s) => {
          const place = s.operations.findIndex((x) => x.id === earlier.before);
          return s.id === o.setupId
            ? { id: s.id, operations: broughtEarly(s.operations, o.id, Math.max(0, place)) }
            : orderOf([s])[0]!;
        }),
      );
    },
    remove(o) {
      void run(async () => {
        await call('DELETE', '/api/operations/:id', { id: o.id });
        offerUndo(`${o.name} was removed.`, () =>
          call('POST', '/api/jobs/:id/operations/back', at, backOf(o, setups)),
        );
      });
    },
    addSetup: () =>
      void run(() => call('POST', '/api/jobs/:id/setups', at, { name: `Setup ${setups.length + 1}` })),
  };
}
