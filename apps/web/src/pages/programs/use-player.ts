import type { BlockTable } from '@burl/core';
import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

/** A step of the played cut, ms, and how many steps a whole program is played in. */
const PLAY_MS = 60;
const PLAY_STEPS = 600;

export interface Player {
  /** Block that runs. */
  readonly at: number;
  readonly last: number;
  readonly playing: boolean;
  go(block: number): void;
  toggle(): void;
}

/** Place in a program: moved by picture, text, keys and slider, or played. */
export function usePlayer(table: BlockTable | null, file: number): Player {
  const [place, setPlace] = useState({ file, at: 0 });
  // Another file begins at its beginning.
  const wanted = place.file === file ? place.at : 0;
  const setAt = (next: number | ((at: number) => number)): void =>
    setPlace((p) => {
      const at = p.file === file ? p.at : 0;
      return { file, at: typeof next === 'number' ? next : next(at) };
    });
  const [playing, setPlaying] = useState(false);
  const last = Math.max(0, (table?.count ?? 1) - 1);
  const at = Math.min(wanted, last);
  useEffect(() => {
    if (!playing) return;
    const jump = Math.max(1, Math.round(last / PLAY_STEPS));
    const timer = setInterval(
      () =>
        setPlace((p) => {
          if (p.at + jump >= last) setPlaying(false);
          return { ...p, at: Math.min(last, p.at + jump) };
        }),
      PLAY_MS,
    );
    return () => clearInterval(timer);
  }, [playing, last]);
  const step = (by: number): void => setAt((i) => Math.max(0, Math.min(last, i + by)));
  useHotkeys('period', () => step(1), [last]);
  useHotkeys('comma', () => step(-1), [last]);
  return {
    at,
    last,
    playing,
    go: setAt,
    toggle: () => {
      if (!playing && at >= last) setAt(0);
      setPlaying(!playing);
    },
  };
}
