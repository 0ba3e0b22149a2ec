import type { ProveOutInput, TrialInput } from '@burl/contract';
import Dexie, { type EntityTable } from 'dexie';

/** Something entered at the machine that waits for the line. */
export type Waiting = {
  /** Order in which it was entered, and is sent. */
  readonly order: number;
  readonly id: string;
  /** Who entered it: sent under nobody else's name. */
  readonly personId: string;
  /** What it is, in a few words. */
  readonly what: string;
  readonly jobId: string;
  /** Why the server refused it; absent while it waits. */
  readonly refused?: string;
} & (
  | { readonly kind: 'trial'; readonly body: TrialInput }
  | { readonly kind: 'step'; readonly body: ProveOutInput }
);

export type Entered = Waiting extends infer W ? (W extends Waiting ? Omit<W, 'order'> : never) : never;

/** The browser's own database: it stays when the page, the browser or the tablet is closed. */
export const box = new Dexie('burl') as Dexie & { waiting: EntityTable<Waiting, 'order'> };
box.version(1).stores({ waiting: '++order, &id, personId' });
