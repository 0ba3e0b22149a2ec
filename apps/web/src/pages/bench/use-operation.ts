import type { Operation } from '@burl/core';
import type { Variant } from '@burl/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { mutate } from 'swr';
import { ApiError, call, messageOf } from '../../api/client.ts';
import { isJobList } from '../../api/hooks.ts';
import { begin, change, type History, redo, undo } from './history.ts';
import { useHeldPress } from '../../drawing/use-held-press.ts';

export type SaveState =
  | { readonly is: 'saved'; readonly at: Date | null }
  | { readonly is: 'unsaved' | 'saving' }
  | { readonly is: 'refused' | 'offline'; readonly message: string }
  | { readonly is: 'conflict'; readonly theirs: Variant };

export interface Editing {
  readonly op: Operation;
  /** What stood here before, oldest first. */
  readonly past: readonly Operation[];
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** `gesture` joins quick changes of one drag into one undo step. */
  readonly set: (next: Operation, gesture?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Ends a conflict: keep what is here, or take what was saved meanwhile. */
  readonly settle: (keep: 'mine' | 'theirs') => void;
}

const REST_MS = 600;
const RETRY_MS = 5000;
const NOTHING = (): void => undefined;

/** Undo and redo move the work without a word: what is pending is never called saved. */
function shownState(save: SaveState, pending: boolean): SaveState {
  if (pending) return save.is === 'saved' ? { is: 'unsaved' } : save;
  return save.is === 'unsaved' ? { is: 'saved', at: null } : save;
}

/**
 * Editing one variant: undo history here, autosave there. A save that is refused as stale stops and keeps both
 * versions until a person chooses; one that finds no server is tried again. An impossible operation is not sent:
 * `valid` says whether it may be.
 */
export function useOperation(
  variant: Variant,
  valid: (op: Operation) => boolean,
  readOnly: boolean,
  onSaved: (saved: Variant) => void = NOTHING,
): Editing {
  const [history, setHistory] = useState<History<Operation>>(() => begin(variant.document));
  const [save, setSave] = useState<SaveState>({ is: 'saved', at: null });
  const [base, setBase] = useState({ version: variant.version, document: variant.document });
  /** The save on its way, and the version it will have made; null when it fails. */
  const inFlight = useRef<Promise<number | null> | null>(null);
  const lastSent = useRef<Operation | null>(null);
  const flush = useRef<(() => Promise<void>) | null>(null);
  const op = history.present;
  const blocked = save.is === 'conflict';

  // Leaving the bench sends what the hand has not rested for. Declared first, so that it still finds the work.
  useEffect(() => () => void flush.current?.(), []);

  useEffect(() => {
    if (readOnly || blocked || op === base.document || !valid(op)) return;
    const put = (version: number): Promise<Variant> =>
      call('PUT', '/api/variants/:id', { id: variant.id }, { document: op, version });
    const send = async (): Promise<number | null> => {
      setSave({ is: 'saving' });
      try {
        const saved = await put(base.version);
        setSave({ is: 'saved', at: new Date() });
        setBase({ version: saved.version, document: op });
        onSaved(saved);
        return saved.version;
      } catch (error) {
        if (error instanceof ApiError && error.status === 409)
          setSave({ is: 'conflict', theirs: error.current as Variant });
        else if (error instanceof ApiError && (error.status === 0 || error.status === 503)) {
          setSave({ is: 'offline', message: error.message });
        } else setSave({ is: 'refused', message: messageOf(error) });
        return null;
      }
    };
    flush.current = async () => {
      const version = inFlight.current ? await inFlight.current : base.version;
      if (version === null || (version !== base.version && lastSent.current === op)) return;
      await put(version).catch(() => undefined);
      await mutate((key) => isJobList(key) || (typeof key === 'string' && key.startsWith('/api/jobs')));
    };
    const begin = (): void => {
      if (inFlight.current) return;
      lastSent.current = op;
      inFlight.current = send().finally(() => {
        inFlight.current = null;
      });
    };
    const wait = setTimeout(begin, REST_MS);
    const again = setInterval(begin, RETRY_MS);
    addEventListener('online', begin);
    return () => {
      clearTimeout(wait);
      clearInterval(again);
      removeEventListener('online', begin);
      flush.current = null;
    };
  }, [op, base, blocked, readOnly, valid, variant.id, onSaved]);

  // Leaving with unsent work is asked about once.
  const pending = op !== base.document;
  useEffect(() => {
    if (!pending || readOnly) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    addEventListener('beforeunload', ask);
    return () => removeEventListener('beforeunload', ask);
  }, [pending, readOnly]);

  const press = useHeldPress();
  const set = useCallback(
    (next: Operation, gesture?: string) => {
      const [now, held] = [Date.now(), press.current];
      setHistory((h) => change(h, next, gesture ?? null, now, held));
      setSave((s) => (s.is === 'conflict' ? s : { is: 'unsaved' }));
    },
    [press],
  );
  const goBack = useCallback(() => setHistory(undo), []);
  const goForth = useCallback(() => setHistory(redo), []);
  const settle = useCallback(
    (keep: 'mine' | 'theirs') => {
      if (save.is !== 'conflict') return;
      const { theirs } = save;
      setBase({ version: theirs.version, document: theirs.document });
      // Taking theirs is a step like any other: undo brings mine back.
      if (keep === 'theirs') setHistory((h) => change(h, theirs.document, null, Date.now()));
      setSave(keep === 'theirs' ? { is: 'saved', at: new Date() } : { is: 'unsaved' });
    },
    [save],
  );

  return {
    op,
    past: history.past,
    save: shownState(save, pending),
    canUndo: !readOnly && history.past.length > 0,
    canRedo: !readOnly && history.future.length > 0,
    set,
    undo: goBack,
    redo: goForth,
    settle,
  };
}
