import {
  type Complex,
  add,
  complex,
  divide,
  magnitude,
  multiply,
  subtract,
} from '../../../numerics/complex.ts';
import { add2, type FreeBeam, invert2, multiply2, type Receptance2, scale2, subtract2 } from './free-beam.ts';

/** A mode of the holder's nose, mass-normalised: displacement 1/√kg and rotation rad/(m·√kg). */
export interface NoseMode {
  readonly hz: number;
  readonly damping: number;
  readonly move: number;
  readonly turn: number;
}

/** Receptances of the holder's nose from its modes. */
export function noseReceptance(modes: readonly NoseMode[], hz: number): Receptance2 {
  const sum: [Complex, Complex, Complex] = [complex(0), complex(0), complex(0)];
  for (const m of modes) {
    const wn = 2 * Math.PI * m.hz;
    const w = 2 * Math.PI * hz;
    const g = divide(complex(1), complex(wn * wn - w * w, 2 * m.damping * wn * w));
    sum[0] = add(sum[0], complex(g.re * m.move * m.move, g.im * m.move * m.move));
    sum[1] = add(sum[1], complex(g.re * m.move * m.turn, g.im * m.move * m.turn));
    sum[2] = add(sum[2], complex(g.re * m.turn * m.turn, g.im * m.turn * m.turn));
  }
  return [sum[0], sum[1], sum[1], sum[2]];
}

/** Tip receptance of a tool held rigidly at a base: G11 = R11 − R12·(R22 + Rb)⁻¹·R21. Schmitz & Donaldson 2000. */
export const coupleTip = (tool: FreeBeam, base: Receptance2): Receptance2 =>
  subtract2(tool.r11, multiply2(multiply2(tool.r12, invert2(add2(tool.r22, base))), tool.r21));

/**
 * The base's receptance from a measured tip: inverse coupling. A tip has one measured number and a base three, so the
 * base keeps the shape of a model of it (how much each force and moment moves and turns it) and is scaled as a whole,
 * one complex factor a frequency, by Newton's method from 1. Null where no factor within reach explains the tip:
 * a notch of the tool, at which the tip hardly feels the base. After Namazi et al. 2007 and Park et al. 2003.
 */
export function baseFactor(tool: FreeBeam, shape: Receptance2, measured: Complex): Complex | null {
  let s = complex(1);
  const tip = (at: Complex): Complex => coupleTip(tool, scale2(shape, at))[0];
  for (let i = 0; i < 25; i++) {
    const g = tip(s);
    const off = subtract(g, measured);
    if (magnitude(off) < 1e-9 * magnitude(measured)) return s;
    const h = 1e-5 * Math.max(1, magnitude(s));
    const slope = divide(subtract(tip(add(s, complex(h))), g), complex(h));
    if (magnitude(slope) === 0) return null;
    const step = divide(off, slope);
    // Held back, since near a resonance the factor turns quickly.
    const most = 0.5 * Math.max(0.2, magnitude(s));
    const size = magnitude(step);
    s = subtract(s, size > most ? multiply(step, complex(most / size)) : step);
    if (magnitude(s) > 50) return null;
  }
  return null;
}
