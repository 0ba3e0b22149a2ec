/** Least of the indices 0 to `count` − 1 from which on something holds; `count` where it holds for none. It must not cease to hold further on. */
export function firstIndex(count: number, holds: (index: number) => boolean): number {
  let [low, high] = [0, count];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}
