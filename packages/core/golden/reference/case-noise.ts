/** Evenly spread numbers in [0, 1): the generator the worked cases state, of Numerical Recipes. */
export function caseNumbers(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(1664525, s) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

/** A bell-shaped number from twelve even ones, as the worked cases make their noise. */
export const bell = (next: () => number): number => {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += next();
  return sum;
};
