import { at, get, h, n, set, v } from './small-matrix';

/** Householder's reflections, noted in v. What is of this form already, as most of what comes here, is left alone. */
export function toHessenberg(): void {
  memory.fill(v, 0, (<usize>(n * n)) << 3);
  for (let i = 0; i < n; i++) store<f64>(at(v, i, i), 1);
  for (let m = 1; m < n - 1; m++) {
    let scale: f64 = 0;
    for (let i = m + 1; i < n; i++) scale += Math.abs(get(i, m - 1));
    if (scale === 0) continue;
    scale += Math.abs(get(m, m - 1));
    // The reflection I − u·uᵀ/b; u in the column it empties.
    let b: f64 = 0;
    for (let i = m; i < n; i++) {
      set(i, m - 1, get(i, m - 1) / scale);
      b += get(i, m - 1) * get(i, m - 1);
    }
    const first = get(m, m - 1);
    const g = first > 0 ? -Math.sqrt(b) : Math.sqrt(b);
    b -= first * g;
    set(m, m - 1, first - g);
    for (let j = m; j < n; j++) {
      let f: f64 = 0;
      for (let i = m; i < n; i++) f += get(i, m - 1) * get(i, j);
      f /= b;
      for (let i = m; i < n; i++) set(i, j, get(i, j) - f * get(i, m - 1));
    }
    reflectColumns(h, m, b);
    reflectColumns(v, m, b);
    set(m, m - 1, scale * g);
    for (let i = m + 1; i < n; i++) set(i, m - 1, 0);
  }
}

/** A·(I − u·uᵀ/b), u being column m − 1 of h from row m on. */
function reflectColumns(a: usize, m: i32, b: f64): void {
  for (let i = 0; i < n; i++) {
    let f: f64 = 0;
    for (let j = m; j < n; j++) f += get(j, m - 1) * load<f64>(at(a, i, j));
    f /= b;
    for (let j = m; j < n; j++) {
      const place = at(a, i, j);
      store<f64>(place, load<f64>(place) - f * get(j, m - 1));
    }
  }
}
