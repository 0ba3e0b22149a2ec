/** Values by how much time or way each stands for; the middle one has half of it below. */
export interface Middle {
  add(value: number, weight: number): void;
  /** Null where nothing was added. */
  value(): number | null;
}

/** Gathers values in steps, so that a program of any length takes no more room: steps of a size, or of a share where `by` is `share`. */
export function makeMiddle(step: number, by: 'size' | 'share'): Middle {
  const weights = new Map<number, number>();
  const stepOf = (value: number): number =>
    Math.round((by === 'share' ? Math.log(Math.max(value, 1e-6)) : value) / step);
  const valueOf = (at: number): number => (by === 'share' ? Math.exp(at * step) : at * step);
  return {
    add(value, weight) {
      const at = stepOf(value);
      weights.set(at, (weights.get(at) ?? 0) + weight);
    },
    value() {
      const total = [...weights.values()].reduce((sum, w) => sum + w, 0);
      let sum = 0;
      for (const [at, w] of [...weights].sort(([a], [b]) => a - b)) {
        sum += w;
        if (sum >= total / 2) return valueOf(at);
      }
      return null;
    },
  };
}
