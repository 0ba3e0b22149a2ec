import { type RefObject, useEffect, useRef } from 'react';

/** Number of the press of the pointer that is held anywhere on the page; null while none is. */
export function useHeldPress(): RefObject<number | null> {
  const held = useRef<number | null>(null);
  useEffect(() => {
    let presses = 0;
    const down = (): void => {
      held.current = ++presses;
    };
    // What a drag says last belongs to its press still.
    const up = (): void => {
      const ended = held.current;
      setTimeout(() => {
        if (held.current === ended) held.current = null;
      }, 0);
    };
    addEventListener('pointerdown', down, true);
    addEventListener('pointerup', up, true);
    addEventListener('pointercancel', up, true);
    return () => {
      removeEventListener('pointerdown', down, true);
      removeEventListener('pointerup', up, true);
      removeEventListener('pointercancel', up, true);
    };
  }, []);
  return held;
}
