import { isUniform, meanDirection } from '../../src/physics/dynamics/chatter-cut.ts';
import { chatterRange, limitAtSpeed, responseOf, type TipResponse } from '../../src/physics/dynamics/fixed-speed.ts';
import { lobeChart, lobePointsAt } from '../../src/physics/dynamics/lobes.ts';
import { dominantMultiplier } from '../../src/physics/dynamics/periodic/dominant.ts';
import { freeModes } from '../../src/physics/dynamics/periodic/free-motion.ts';
import { heardFrequency } from '../../src/physics/dynamics/periodic/heard-frequency.ts';
import { limitDepth } from '../../src/physics/dynamics/periodic/limit-depth.ts';
import { periodMap } from '../../src/physics/dynamics/periodic/period-map.ts';
import { turningLimit, unconditionalSpeed } from '../../src/physics/dynamics/process-damping.ts';
import { frequencyGrid, readReceptance, receptanceAt, receptanceOf } from '../../src/physics/dynamics/tip-structure.ts';
import { given, type GoldenCase } from '../compare.ts';
import { firstOrderMultiplier } from '../first-order-semi-discretisation.ts';
import { cutOf, structureOf } from '../stability.ts';
import { type Answers, DEG, expects, has, list, type LobePoints } from './answer.ts';

const speeds = (c: GoldenCase): readonly number[] => list(c, 'n_rpm');
const MEASURED = { share: 0.001, perTurnOfPhase: 40 };

/** A response as it was measured, and the range its lines cover. */
function measured(c: GoldenCase): { respond: TipResponse; range: Parameters<typeof limitAtSpeed>[3] } {
  const array = (key: string): Float64Array => Float64Array.from(list(c, key));
  const [start, step] = [given(c, 'f_start_Hz'), given(c, 'f_step_Hz')];
  const hz = frequencyGrid(start, start + step * (given(c, 'n_points') - 1), step);
  const x = { hz, re: array('Gxx_re_m_per_N'), im: array('Gxx_im_m_per_N') };
  const y = { hz, re: array('Gyy_re_m_per_N'), im: array('Gyy_im_m_per_N') };
  return {
    respond: (f) => ({ xx: readReceptance(x, f), yy: readReceptance(y, f) }),
    range: { fromHz: hz[0]!, toHz: hz.at(-1)!, ...MEASURED },
  };
}

/** Every positive lobe point at the case's frequencies, lobes 0 to 2. */
function lobePoints(c: GoldenCase): LobePoints {
  const structure = structureOf(c);
  return list(c, 'fc_list_Hz').flatMap((hz) =>
    lobePointsAt(cutOf(c), hz, receptanceAt(structure.x, hz), receptanceAt(structure.y, hz), 3).map((p) => ({
      fc_Hz: hz,
      k: p.lobe,
      n_rpm: p.rpm,
      ap_mm: p.depthMm,
    })),
  );
}

/** Least depth of any speed, by the whole chart. */
function leastOf(c: GoldenCase): { depthMm: number; hz: number } {
  const structure = structureOf(c);
  const all = [...structure.x, ...structure.y].map((m) => m.hz);
  const grid = frequencyGrid(0.4 * Math.min(...all), 4 * Math.max(...all), 0.2);
  const chart = lobeChart(cutOf(c), receptanceOf(structure.x, grid), receptanceOf(structure.y, grid), {
    fromRpm: 1500,
    toRpm: 14000,
    columns: 2501,
  });
  return { depthMm: chart.leastDepthMm, hz: chart.leastHz };
}

export function zeroOrder(c: GoldenCase): Answers | null {
  if (!has(c, 'ae_over_D')) return null;
  const cut = cutOf(c);
  if (has(c, 'Gxx_re_m_per_N')) {
    const { respond, range } = measured(c);
    const limits = speeds(c).map((rpm) => limitAtSpeed(cut, respond, rpm, range).depthMm);
    return { ap_limit_mm: limits, ap_limit_linear_interp_mm: limits };
  }
  const structure = structureOf(c);
  const at = (of: typeof cut) =>
    (has(c, 'n_rpm') ? speeds(c) : []).map((rpm) =>
      limitAtSpeed(of, responseOf(structure), rpm, chatterRange(structure)),
    );
  const equal = { ...cut, pitch: cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length) };
  const least = expects(c, 'ap_min_absolute_mm') || expects(c, 'ap_min_mm') ? leastOf(c) : null;
  return {
    ap_limit_mm: at(cut).map((f) => f.depthMm),
    fc_at_limit_Hz: at(cut).map((f) => f.hz),
    ap_limit_uniform_mm: at(equal).map((f) => f.depthMm),
    ap_min_absolute_mm: least?.depthMm ?? null,
    fc_at_min_Hz: least?.hz ?? null,
    ap_min_mm: least?.depthMm ?? null,
    fc_Hz: least?.hz ?? null,
    a_yy_MPa: -meanDirection(cut)[3] / 1e6,
    ...(has(c, 'fc_list_Hz') ? { lobe_points: lobePoints(c) } : {}),
  };
}

export function periodic(c: GoldenCase): Answers | null {
  if (!has(c, 'ae_over_D')) return null;
  const [cut, structure] = [cutOf(c), structureOf(c)];
  if (has(c, 'points_n_rpm_ap_mm')) {
    const points = list<readonly [number, number]>(c, 'points_n_rpm_ap_mm');
    const modes = freeModes(structure);
    const found = points.map(([rpm, depth]) => dominantMultiplier(periodMap(cut, modes, rpm, depth)));
    const steps = given(c, 'm_steps_per_tooth');
    return {
      mu_max: found.map((f) => f.size),
      arg_deg: found.map((f) => f.angle * DEG),
      stable: found.map((f) => f.size < 1),
      ...(isUniform(cut)
        ? { sdm1_mu_at_m: points.map(([n, d]) => firstOrderMultiplier(cut, structure, n, d, steps)) }
        : {}),
    };
  }
  const mostMm = has(c, 'ap_scan_max_mm') ? given(c, 'ap_scan_max_mm') : 60;
  const found = speeds(c).map((rpm) => limitDepth(cut, structure, rpm, { mostMm }));
  const zero = speeds(c).map((rpm) => limitAtSpeed(cut, responseOf(structure), rpm, chatterRange(structure)));
  return {
    ap_limit_mm: found.map((f) => f.depthMm),
    type: found.map((f) => f.kind),
    ap_zero_order_mm: zero.map((f) => f.depthMm),
  };
}

export function processDamping(c: GoldenCase): Answers | null {
  if (has(c, 'Kf_MPa')) {
    const mode = { hz: given(c, 'fn_Hz'), damping: given(c, 'zeta'), stiffness: given(c, 'k_N_per_m') };
    const cut = { kfNMm2: given(c, 'Kf_MPa'), diameterMm: given(c, 'D_mm') };
    const kd = given(c, 'Kd_N_per_m');
    const widths = (dampingNPerM: number): (number | null)[] =>
      speeds(c).map((rpm) => {
        const { widthMm } = turningLimit(mode, { ...cut, dampingNPerM }, rpm);
        return widthMm === Infinity ? null : widthMm;
      });
    return {
      b_limit_no_pd_mm: widths(0),
      b_limit_pd_mm: widths(kd),
      v_unconditional_m_min: unconditionalSpeed(mode, cut.kfNMm2, kd),
    };
  }
  if (!has(c, 'ae_over_D', 'Kd_N_per_m')) return null;
  const structure = structureOf(c);
  const zero = (dampingNPerM: number): (number | null)[] =>
    speeds(c).map(
      (rpm) =>
        limitAtSpeed({ ...cutOf(c), dampingNPerM }, responseOf(structure), rpm, chatterRange(structure)).depthMm,
    );
  const whole = (dampingNPerM: number): (number | null)[] =>
    speeds(c).map((rpm) => limitDepth({ ...cutOf(c), dampingNPerM }, structure, rpm).depthMm);
  const kd = given(c, 'Kd_N_per_m');
  return {
    ap_limit_zero_order_no_pd_mm: zero(0),
    ap_limit_zero_order_pd_mm: zero(kd),
    ap_limit_periodic_no_pd_mm: whole(0),
    ap_limit_periodic_pd_mm: whole(kd),
  };
}

/** Roomiest speed of the averaged cut near each speed of the rule. */
function peaksNear(c: GoldenCase, rule: readonly number[]): number[] {
  const structure = structureOf(c);
  const depth = (rpm: number): number =>
    limitAtSpeed(cutOf(c), responseOf(structure), rpm, chatterRange(structure)).depthMm ?? Infinity;
  return rule.map((rpm) => {
    let best = rpm;
    for (let share = 0.9; share <= 1.03; share += 5e-4) if (depth(share * rpm) > depth(best)) best = share * rpm;
    for (let step = 4e-4; step > 1e-6; step /= 2) {
      for (const n of [best * (1 - step), best * (1 + step)]) if (depth(n) > depth(best)) best = n;
    }
    return best;
  });
}

/** The speed a heard frequency points to. */
export function speedRule(c: GoldenCase): Answers | null {
  if (!has(c, 'n_test_rpm')) return null;
  const [cut, structure, test] = [cutOf(c), structureOf(c), given(c, 'n_test_rpm')];
  const map = periodMap(cut, freeModes(structure), test, given(c, 'ap_test_mm'));
  const heard = heardFrequency(map, dominantMultiplier(map), structure);
  const rule = [0, 1, 2, 3].map((k) => (60 * heard) / (given(c, 'N') * (k + 1)));
  const first = rule.slice(0, 3);
  const peaks = peaksNear(c, first);
  return {
    ap_limit_at_test_mm: limitDepth(cut, structure, test).depthMm,
    fc_Hz: heard,
    n_rule_rpm: rule,
    sld_peak_n_rpm_zero_order: peaks,
    rule_over_peak: first.map((n, i) => n / peaks[i]!),
    ap_limit_at_rule_speed_mm: first.map((n) => limitDepth(cut, structure, n).depthMm),
  };
}
