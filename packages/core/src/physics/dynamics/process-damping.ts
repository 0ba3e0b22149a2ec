import { requirePositive } from '../../units/input-error.ts';
import type { TipMode } from './tip-structure.ts';

/**
 * Process damping Kd, N/m, of an edge with a wear land: half the indentation coefficient (N/m³) times the land squared.
 * The edge presses the wave's flank flat under it: Wu 1989; Chandiramani & Pothala 2006. Force = Kd·w·ẏ/v.
 */
export const dampingOfLand = (indentationNM3: number, landMm: number): number =>
  (indentationNM3 * (landMm / 1000) ** 2) / 2;

/** Limit width of an edge cutting straight on, as in turning or boring. */
export interface TurningLimit {
  /** Limit width, mm; Infinity where no width chatters. */
  readonly widthMm: number;
  readonly hz: number;
}

/**
 * Limit width at a speed of one mode along the chip, the damping growing with the width it limits.
 * The condition Kf·b·(1 − e^(−iωT)) + i·ω·Kd·b/v + k − mω² + icω = 0 gives the width from the real part and a phase
 * that must fit from the imaginary one; both are scanned over frequency, so nothing is iterated. Tlusty 1986; Altintas 2012.
 */
export function turningLimit(
  mode: TipMode,
  cut: { readonly kfNMm2: number; readonly diameterMm: number; readonly dampingNPerM?: number },
  rpm: number,
): TurningLimit {
  requirePositive('spindle speed', rpm);
  requirePositive('cutting coefficient', cut.kfNMm2);
  requirePositive('diameter', cut.diameterMm);
  const omegaN = 2 * Math.PI * mode.hz;
  const mass = mode.stiffness / omegaN ** 2;
  const viscous = 2 * mode.damping * mass * omegaN;
  const kf = cut.kfNMm2 * 1e6;
  const speed = (Math.PI * cut.diameterMm * rpm) / 60000;
  const kd = (cut.dampingNPerM ?? 0) / speed;
  const period = 60 / rpm;
  // From both parts: |1 + i·kd·ω/kf + (k − mω² + icω)/(kf·b)| = 1, an equation in 1/b with one positive root;
  // the phase of the left side must be ωT.
  const at = (omega: number, sign: number): { b: number; off: number } | null => {
    const real = mode.stiffness - mass * omega * omega;
    const imaginary = viscous * omega;
    const p = (kd * omega) / kf;
    // (1 + real·y)² + (p + imaginary·y)² = 1, y = 1/(kf·b).
    const a = real * real + imaginary * imaginary;
    const half = real + p * imaginary;
    const root = half * half - a * p * p;
    if (root < 0) return null;
    const y = (-half + sign * Math.sqrt(root)) / a;
    if (!(y > 0)) return null;
    // e^(−iωT) is the left side: its phase and −ωT must be whole turns apart.
    const turns = (omega * period + Math.atan2(p + imaginary * y, 1 + real * y)) / (2 * Math.PI);
    return { b: 1 / (kf * y), off: turns - Math.round(turns) };
  };
  let best: TurningLimit = { widthMm: Infinity, hz: mode.hz };
  const step = Math.min(0.001 * omegaN, (2 * Math.PI) / (40 * period));
  for (const sign of [1, -1]) {
    let before = at(0.6 * omegaN, sign);
    for (let omega = 0.6 * omegaN + step; omega < 3 * omegaN; omega += step) {
      const now = at(omega, sign);
      if (before && now && before.off * now.off <= 0 && Math.abs(before.off - now.off) < 0.3) {
        const t = before.off === now.off ? 0 : before.off / (before.off - now.off);
        const b = before.b + t * (now.b - before.b);
        if (b * 1000 < best.widthMm)
          best = { widthMm: b * 1000, hz: (omega - step + t * step) / (2 * Math.PI) };
      }
      before = now;
    }
  }
  return best;
}

/** Speed below which no width chatters, m/min: the damping alone outweighs the regeneration. */
export const unconditionalSpeed = (mode: TipMode, kfNMm2: number, dampingNPerM: number): number =>
  (60 * dampingNPerM * 2 * Math.PI * mode.hz) / (kfNMm2 * 1e6);
