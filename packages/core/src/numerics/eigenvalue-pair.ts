/** Two complex numbers as [re, im, re, im]. */
type Pair = Float64Array;

/** Eigenvalues of a complex 2 × 2 matrix from half its trace t and its determinant d, into `out`: t ± √(t² − d). */
export function eigenvaluePair(tr: number, ti: number, dr: number, di: number, out: Pair): void {
  const qr = tr * tr - ti * ti - dr;
  const qi = 2 * tr * ti - di;
  const size = Math.sqrt(qr * qr + qi * qi);
  const rr = Math.sqrt(Math.max(0, (size + qr) / 2));
  const ri = (qi < 0 ? -1 : 1) * Math.sqrt(Math.max(0, (size - qr) / 2));
  out[0] = tr + rr;
  out[1] = ti + ri;
  out[2] = tr - rr;
  out[3] = ti - ri;
}

/** Exchanges the two where the second is the nearer one to where the first was: branches are kept apart. */
export function keepApart(pair: Pair, last: Pair): void {
  const straight = Math.abs(pair[0]! - last[0]!) + Math.abs(pair[1]! - last[1]!);
  const swapped = Math.abs(pair[2]! - last[0]!) + Math.abs(pair[3]! - last[1]!);
  if (swapped >= straight) return;
  const re = pair[0]!;
  const im = pair[1]!;
  pair[0] = pair[2]!;
  pair[1] = pair[3]!;
  pair[2] = re;
  pair[3] = im;
}
