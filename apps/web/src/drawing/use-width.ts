import { useEffect, useRef, useState, type RefObject } from 'react';

/** Width of an element on the page, px; null until it is measured. */
export function useWidth<E extends Element>(): readonly [RefObject<E | null>, number | null] {
  const ref = useRef<E>(null);
  const [width, setWidth] = useState<number | null>(null);
  useEffect(() => {
    if (!ref.current || typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)));
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
