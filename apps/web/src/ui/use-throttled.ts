import { startTransition, useEffect, useRef, useState } from 'react';

/** A value that follows at most once in `ms`: for what costs more than a frame has while the hand moves. The last one always arrives. */
export function useThrottled<T>(value: T, ms: number): T {
  const [shown, setShown] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const timer = setTimeout(
      () => {
        last.current = performance.now();
        // Rendered in slices between frames: the hand comes first.
        startTransition(() => setShown(value));
      },
      Math.max(0, last.current + ms - performance.now()),
    );
    return () => clearTimeout(timer);
  }, [value, ms]);
  return shown;
}
