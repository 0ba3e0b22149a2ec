import { seededNormal, seededUniform } from '../../numerics/random.ts';
import { type Field, type Trial } from './field.ts';
import { readFree, writeFree } from '../../operations/milling/milling-movables.ts';

/** Follows the border: steps in one or two parameters at a time, shorter whenever nothing improves. */
export function polish(field: Field, evaluations: number, seed: number): void {
  const normal = seededNormal(seededUniform(seed));
  const n = field.freedoms.length;
  const end = field.evaluations + evaluations;
  let step = 0.06;
  while (field.best && field.evaluations < end && step > 2e-5) {
    const { x, worth } = field.best;
    const go = (to: readonly number[]): void => {
      const place = to.map((v) => Math.min(1, Math.max(0, v)));
      field.better(field.at(place), field.best!.worth, place);
    };
    for (let i = 0; i < n && field.evaluations < end; i++) {
      for (const sign of [1, -1]) go(x.map((v, k) => (k === i ? v + sign * step : v)));
    }
    for (let i = 0; i < 4 * n && field.evaluations < end; i++) {
      const g = Array.from({ length: n }, normal);
      const length = Math.hypot(...g);
      go(x.map((v, k) => v + (step * g[k]!) / length));
    }
    if (field.best.worth <= worth * 1.0002) step *= 0.5;
  }
}

/** Values a person would enter, as near as the limits let: each rounded to its step towards whichever side holds. */
export function tidied(field: Field, trial: Trial): Trial {
  let current = trial;
  for (const f of field.freedoms) {
    const value = readFree(current.op, f.key);
    const sides = [Math.floor(value / f.step + 1e-9) * f.step, Math.ceil(value / f.step - 1e-9) * f.step];
    const tries = sides
      .map((v) => Number(v.toFixed(5)))
      .filter((v) => v >= Math.min(f.low, value) && v <= f.high)
      .map((v) => field.better(writeFree(current.op, f.key, v), 0))
      .filter((t) => t !== null)
      .sort((a, b) => b.worth - a.worth);
    if (tries[0]) current = tries[0];
  }
  return current;
}

/**
 * Climbs on the grid of values a person would enter: one or two parameters by a few steps at a time, as long as it gets
 * better. Rounding takes up to some per cent where a step is coarse; this wins them back.
 */
export function climbGrid(field: Field, from: Trial, evaluations: number): Trial {
  let best = from;
  const end = field.evaluations + evaluations;
  const n = field.freedoms.length;
  const moved = (t: Trial, moves: readonly (readonly [number, number])[]): Trial | null => {
    let op = t.op;
    for (const [i, steps] of moves) {
      const f = field.freedoms[i]!;
      const value = Number((readFree(op, f.key) + steps * f.step).toFixed(5));
      if (value < f.low || value > f.high) return null;
      op = writeFree(op, f.key, value);
    }
    return field.better(op, t.worth);
  };
  for (let better = true; better && field.evaluations < end;) {
    better = false;
    for (let i = 0; i < n; i++) {
      for (const a of [1, -1, 4, -4]) {
        const single = moved(best, [[i, a]]);
        if (single) [best, better] = [single, true];
        for (let j = 0; j < n && field.evaluations < end; j++) {
          if (j === i) continue;
          for (const b of [1, -1, 3, -3]) {
            const pair = moved(best, [
              [i, a],
              [j, b],
            ]);
            if (pair) [best, better] = [pair, true];
          }
        }
      }
    }
  }
  return best;
}
