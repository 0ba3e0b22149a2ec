import { type Complex, add, complex, divide, multiply, subtract } from '../../../numerics/complex.ts';
import { type BeamPiece, sectionOf } from './beam.ts';

/** Receptances at a place: displacement and rotation from force and moment, [y/F, y/M, θ/F, θ/M]. */
export type Receptance2 = readonly [Complex, Complex, Complex, Complex];

/** Receptances of a free beam at its tip (1) and root (2). */
export interface FreeBeam {
  readonly r11: Receptance2;
  readonly r12: Receptance2;
  readonly r21: Receptance2;
  readonly r22: Receptance2;
}

export const add2 = (a: Receptance2, b: Receptance2): Receptance2 => [
  add(a[0], b[0]),
  add(a[1], b[1]),
  add(a[2], b[2]),
  add(a[3], b[3]),
];
export const subtract2 = (a: Receptance2, b: Receptance2): Receptance2 => [
  subtract(a[0], b[0]),
  subtract(a[1], b[1]),
  subtract(a[2], b[2]),
  subtract(a[3], b[3]),
];
export const multiply2 = (a: Receptance2, b: Receptance2): Receptance2 => [
  add(multiply(a[0], b[0]), multiply(a[1], b[2])),
  add(multiply(a[0], b[1]), multiply(a[1], b[3])),
  add(multiply(a[2], b[0]), multiply(a[3], b[2])),
  add(multiply(a[2], b[1]), multiply(a[3], b[3])),
];
export const scale2 = (a: Receptance2, s: Complex): Receptance2 => [
  multiply(a[0], s),
  multiply(a[1], s),
  multiply(a[2], s),
  multiply(a[3], s),
];

export function invert2(a: Receptance2): Receptance2 {
  const det = subtract(multiply(a[0], a[3]), multiply(a[1], a[2]));
  return [
    divide(a[3], det),
    divide(complex(-a[1].re, -a[1].im), det),
    divide(complex(-a[2].re, -a[2].im), det),
    divide(a[0], det),
  ];
}

const N = 4;

/** c = a·b of 4 × 4 complex matrices, real and imaginary parts apart. */
function product(
  are: Float64Array,
  aim: Float64Array,
  bre: Float64Array,
  bim: Float64Array,
  cre: Float64Array,
  cim: Float64Array,
): void {
  for (let i = 0; i < N; i++) {
    for (let j = 0; j < N; j++) {
      let [re, im] = [0, 0];
      for (let k = 0; k < N; k++) {
        const [p, q] = [i * N + k, k * N + j];
        re += are[p]! * bre[q]! - aim[p]! * bim[q]!;
        im += are[p]! * bim[q]! + aim[p]! * bre[q]!;
      }
      cre[i * N + j] = re;
      cim[i * N + j] = im;
    }
  }
}

/**
 * Receptances of a free–free stepped Timoshenko beam with material damping E(1 + iη), by the transfer matrix of its
 * pieces, exact at each frequency. State along the beam: y, ψ, M, Q with y′ = ψ + Q/κGA, ψ′ = M/EI,
 * M′ = −Q − ρIω²ψ, Q′ = −ρAω²y. Schmitz & Duncan 2005; Timoshenko 1921.
 */
export function freeBeam(pieces: readonly BeamPiece[], hz: number, lossFactor: number): FreeBeam {
  const w2 = (2 * Math.PI * hz) ** 2;
  // Scaled so that all four states are of one size: force by EI/L³.
  const whole = pieces.map(sectionOf);
  const total = whole.reduce((sum, s) => sum + s.length, 0);
  const unit = whole[0]!.bending / total ** 3;
  const scale = [1, 1 / total, unit * total, unit];
  let tre = new Float64Array(16);
  let tim = new Float64Array(16);
  for (let i = 0; i < N; i++) tre[i * N + i] = 1;
  for (const s of whole) {
    const loss = 1 + lossFactor ** 2;
    const are = new Float64Array(16);
    const aim = new Float64Array(16);
    const put = (i: number, j: number, re: number, im: number): void => {
      const f = (s.length * scale[j]!) / scale[i]!;
      are[i * N + j] = re * f;
      aim[i * N + j] = im * f;
    };
    put(0, 1, 1, 0);
    put(0, 3, 1 / (s.shear * loss), -lossFactor / (s.shear * loss));
    put(1, 2, 1 / (s.bending * loss), -lossFactor / (s.bending * loss));
    put(2, 1, -s.rotary * w2, 0);
    put(2, 3, -1, 0);
    put(3, 0, -s.mass * w2, 0);
    const [ere, eim] = exponential(are, aim);
    const nre = new Float64Array(16);
    const nim = new Float64Array(16);
    product(ere, eim, tre, tim, nre, nim);
    [tre, tim] = [nre, nim];
  }
  const t = (i: number, j: number): Complex =>
    complex((tre[i * N + j]! * scale[i]!) / scale[j]!, (tim[i * N + j]! * scale[i]!) / scale[j]!);
  // Loads in the order force, moment; the faces carry Q and M.
  const block = (rows: readonly [number, number], columns: readonly [number, number]): Receptance2 => [
    t(rows[0], columns[0]),
    t(rows[0], columns[1]),
    t(rows[1], columns[0]),
    t(rows[1], columns[1]),
  ];
  const move = block([0, 1], [0, 1]);
  const moveLoad = block([0, 1], [3, 2]);
  const load = block([3, 2], [0, 1]);
  const loadLoad = block([3, 2], [3, 2]);
  const inverse = invert2(load);
  // Tip loads p1 = load·u2 + loadLoad·(−p2): u2 = load⁻¹·(p1 + loadLoad·p2).
  const r21 = inverse;
  const r22 = multiply2(inverse, loadLoad);
  const r11 = multiply2(move, r21);
  const r12 = subtract2(multiply2(move, r22), moveLoad);
  return { r11, r12, r21, r22 };
}

/** Matrix exponential by scaling and a Taylor series; the pieces are short, so that few squarings are needed. */
function exponential(are: Float64Array, aim: Float64Array): readonly [Float64Array, Float64Array] {
  let size = 0;
  for (let i = 0; i < 16; i++) size = Math.max(size, Math.hypot(are[i]!, aim[i]!));
  const squarings = Math.max(0, Math.ceil(Math.log2(4 * size + 1e-30)) + 1);
  const f = 2 ** -squarings;
  const bre = are.map((v) => v * f);
  const bim = aim.map((v) => v * f);
  let sre = new Float64Array(16);
  let sim = new Float64Array(16);
  let pre = new Float64Array(16);
  let pim = new Float64Array(16);
  let nre = new Float64Array(16);
  let nim = new Float64Array(16);
  for (let i = 0; i < N; i++) sre[i * N + i] = pre[i * N + i] = 1;
  for (let k = 1; k <= 10; k++) {
    product(pre, pim, bre, bim, nre, nim);
    for (let i = 0; i < 16; i++) {
      nre[i]! /= k;
      nim[i]! /= k;
      sre[i]! += nre[i]!;
      sim[i]! += nim[i]!;
    }
    [pre, nre] = [nre, pre];
    [pim, nim] = [nim, pim];
  }
  for (let k = 0; k < squarings; k++) {
    product(sre, sim, sre, sim, nre, nim);
    [sre, nre] = [nre, sre];
    [sim, nim] = [nim, sim];
  }
  return [sre, sim];
}
