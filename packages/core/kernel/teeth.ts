// How teeth press at the nodes of a period, and where they read the wave that others left. Laid by tooth-forces.ts of the core.

/** Turn, rad, within which a place is a node. */
const SAME: f64 = 1e-13;
/** A node at an end of its piece reads the piece on that side: so far toward it, rad. */
const TOWARD: f64 = 1e-10;
/** A place so little before the period is its beginning, rad. */
const BEFORE: f64 = -1e-12;
/** Lag below which an edge is straight, rad. */
const STRAIGHT: f64 = 1e-9;

@unmanaged
class Teeth {
  dims: i32 = 0;
  /** The direction there is, where it is one alone: 0 is x, 1 is y. */
  direction: i32 = 0;
  /** From and to of each piece, rad, and its count of nodes, the nodes before it, and where the places and weights of its nodes lie. */
  spanCount: i32 = 0;
  ends: usize = 0;
  spans: usize = 0;
  /** Turn of each node, rad, just inside its piece, and sine and cosine of twice the turn. */
  nodes: usize = 0;
  passCount: i32 = 0;
  passes: usize = 0;
  window: usize = 0;
  /** Where the direction matrices go: [piece][row][column][node], N/m a metre, and those of the land, or 0. */
  cutting: usize = 0;
  damping: usize = 0;
  /** Where the delayed reads go; 0 where every tooth passes alike. */
  start: usize = 0;
  from: usize = 0;
  count: usize = 0;
  before: usize = 0;
  at: usize = 0;
  shares: usize = 0;
  pressing: usize = 0;
}

/** One tooth of one disc on one of its ways through the cut. */
@unmanaged
class Pass {
  behind: f64 = 0;
  lag: f64 = 0;
  share: f64 = 0;
  delay: f64 = 0;
  /** Sine and cosine of twice the turn at which its lowest point, and its top, stands at φ = 0. */
  lowSine: f64 = 0;
  lowCosine: f64 = 0;
  topSine: f64 = 0;
  topCosine: f64 = 0;
}

@unmanaged
class Window {
  entry: f64 = 0;
  exit: f64 = 0;
  entrySine: f64 = 0;
  entryCosine: f64 = 0;
  exitSine: f64 = 0;
  exitCosine: f64 = 0;
  period: f64 = 0;
  tangential: f64 = 0;
  radial: f64 = 0;
  landTangential: f64 = 0;
  landRadial: f64 = 0;
}

function cuts(w: Window, p: Pass, theta: f64): bool {
  const phi = theta - p.behind;
  if (p.lag < STRAIGHT) return phi >= w.entry && phi <= w.exit;
  return Math.min(w.exit, phi) > Math.max(w.entry, phi - p.lag);
}

/** How often a node has a tooth in the cut. */
export function passesInCut(teeth: usize): i32 {
  const t = changetype<Teeth>(teeth);
  if (t.spanCount === 0) return 0;
  const w = changetype<Window>(t.window);
  const last = t.spans + ((<usize>(t.spanCount - 1)) << 4);
  const nodes = load<i32>(last) + load<i32>(last, 4);
  let sum = 0;
  for (let a = 0; a < nodes; a++) {
    const theta = load<f64>(t.nodes + <usize>a * 24);
    for (let i = 0; i < t.passCount; i++) {
      sum += i32(cuts(w, changetype<Pass>(t.passes + <usize>i * offsetof<Pass>()), theta));
    }
  }
  return sum;
}

let sinSin: f64 = 0;
let sinCos: f64 = 0;
let cosCos: f64 = 0;

/** Mean over the disc's height of sin², sin·cos and cos² of the part that is in the cut, times its share of the depth. */
function factorsOf(w: Window, p: Pass, theta: f64, sine: f64, cosine: f64): void {
  const phi = theta - p.behind;
  // Twice the angle of the lowest point is turned back from twice the tool's.
  let toSine = sine * p.lowCosine - cosine * p.lowSine;
  let toCosine = cosine * p.lowCosine + sine * p.lowSine;
  if (p.lag < STRAIGHT) {
    sinSin = (p.share * (1 - toCosine)) / 2;
    sinCos = (p.share * toSine) / 2;
    cosCos = (p.share * (1 + toCosine)) / 2;
    return;
  }
  let to = phi;
  if (phi > w.exit) {
    to = w.exit;
    toSine = w.exitSine;
    toCosine = w.exitCosine;
  }
  let from = phi - p.lag;
  let fromSine = sine * p.topCosine - cosine * p.topSine;
  let fromCosine = cosine * p.topCosine + sine * p.topSine;
  if (from < w.entry) {
    from = w.entry;
    fromSine = w.entrySine;
    fromCosine = w.entryCosine;
  }
  const per = p.share / p.lag;
  const half = (to - from) / 2;
  const quarter = (toSine - fromSine) / 4;
  sinSin = per * (half - quarter);
  sinCos = (per * (fromCosine - toCosine)) / 4;
  cosCos = per * (half + quarter);
}

/** Direction matrix of a tangential and a radial coefficient and factors; numbers of it stand `apart` bytes apart. */
function pressInto(t: Teeth, tan: f64, rad: f64, ss: f64, sc: f64, cc: f64, out: usize, apart: usize): void {
  if (t.dims === 2) {
    store<f64>(out, tan * sc + rad * ss);
    store<f64>(out + apart, tan * cc + rad * sc);
    store<f64>(out + 2 * apart, rad * sc - tan * ss);
    store<f64>(out + 3 * apart, rad * cc - tan * sc);
  } else {
    store<f64>(out, t.direction === 0 ? tan * sc + rad * ss : rad * cc - tan * sc);
  }
}

/** The piece a turn lies in; between two of them the nearer one. */
function spanAt(t: Teeth, place: f64): i32 {
  let low = 0;
  let high = t.spanCount - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (load<f64>(t.ends + ((<usize>middle) << 4)) <= place) low = middle;
    else high = middle - 1;
  }
  if (low + 1 >= t.spanCount) return low;
  const ends = t.ends + ((<usize>low) << 4);
  const gap = place - load<f64>(ends, 8);
  return gap > 0 && load<f64>(ends, 16) - place < gap ? low + 1 : low;
}

/** Share of each node of a piece in the value at a turn. Barycentric formula: Berrut & Trefethen 2004. */
function readAt(t: Teeth, span: i32, place: f64, out: usize): void {
  const ends = t.ends + ((<usize>span) << 4);
  const words = t.spans + ((<usize>span) << 4);
  const from = load<f64>(ends);
  const x = Math.min(1, Math.max(0, (place - from) / (load<f64>(ends, 8) - from)));
  const long = (<usize>load<i32>(words)) << 3;
  const at = <usize>load<i32>(words, 8);
  const weights = <usize>load<i32>(words, 12);
  let sum: f64 = 0;
  for (let k: usize = 0; k < long; k += 8) {
    const gap = x - load<f64>(at + k);
    if (Math.abs(gap) < SAME) {
      memory.fill(out, 0, long);
      store<f64>(out + k, 1);
      return;
    }
    const term = load<f64>(weights + k) / gap;
    store<f64>(out + k, term);
    sum += term;
  }
  const by = 1 / sum;
  for (let k: usize = 0; k < long; k += 8) store<f64>(out + k, load<f64>(out + k) * by);
}

/** Lays what teeth press with at every node, and the delayed reads; so many shares were laid. */
export function layTeeth(teeth: usize): i32 {
  const t = changetype<Teeth>(teeth);
  const w = changetype<Window>(t.window);
  const each = t.dims * t.dims;
  let reads = 0;
  let shares = 0;
  if (t.start) store<i32>(t.start, 0);
  for (let s = 0; s < t.spanCount; s++) {
    const words = t.spans + ((<usize>s) << 4);
    const count = load<i32>(words);
    const first = load<i32>(words, 4);
    const nodeAt = <usize>load<i32>(words, 8);
    const from = load<f64>(t.ends + ((<usize>s) << 4));
    const to = load<f64>(t.ends + ((<usize>s) << 4), 8);
    for (let a = 0; a < count; a++) {
      const node = t.nodes + <usize>(first + a) * 24;
      const theta = load<f64>(node);
      const place = from + (to - from) * load<f64>(nodeAt + ((<usize>a) << 3));
      const toward: f64 = a === 0 ? TOWARD : a === count - 1 ? -TOWARD : 0;
      let ss: f64 = 0;
      let sc: f64 = 0;
      let cc: f64 = 0;
      for (let i = 0; i < t.passCount; i++) {
        const p = changetype<Pass>(t.passes + <usize>i * offsetof<Pass>());
        if (!cuts(w, p, theta)) continue;
        factorsOf(w, p, theta, load<f64>(node, 8), load<f64>(node, 16));
        ss += sinSin;
        sc += sinCos;
        cc += cosCos;
        if (!t.start) continue;
        const matrix = t.pressing + ((<usize>(reads * each)) << 3);
        pressInto(t, w.tangential, w.radial, sinSin, sinCos, cosCos, matrix, 8);
        let left = place - p.delay;
        let old = 0;
        while (left < BEFORE) {
          left += w.period;
          old++;
        }
        const span = spanAt(t, left + toward);
        const source = t.spans + ((<usize>span) << 4);
        const word = (<usize>reads) << 2;
        store<i32>(t.count + word, load<i32>(source));
        store<i32>(t.from + word, load<i32>(source, 4) * t.dims);
        store<i32>(t.before + word, old);
        store<i32>(t.at + word, shares);
        readAt(t, span, left, t.shares + ((<usize>shares) << 3));
        shares += load<i32>(source);
        reads++;
      }
      if (t.start) store<i32>(t.start + ((<usize>(first + a + 1)) << 2), reads);
      const own = (<usize>(first * each + a)) << 3;
      const apart = (<usize>count) << 3;
      pressInto(t, w.tangential, w.radial, ss, sc, cc, t.cutting + own, apart);
      if (t.damping) pressInto(t, w.landTangential, w.landRadial, ss, sc, cc, t.damping + own, apart);
    }
  }
  return shares;
}
