import { centreFeed, effectiveStepover } from '../../src/physics/cutting/arc-feed.ts';
import { feedForMaximumChip, feedForMeanChip, maximumChip, meanChip } from '../../src/physics/cutting/chip-thickness.ts';
import { engagementAngle } from '../../src/physics/cutting/engagement.ts';
import { helicalEntry } from '../../src/physics/cutting/helical-entry.ts';
import { roundEdgeAngle, roundEffectiveDiameter } from '../../src/physics/cutting/round-edge.ts';
import { removalRate, spindleSpeed, tableFeed } from '../../src/physics/cutting/spindle-speed.ts';
import { trochoidalChip } from '../reference/trochoid.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, DEG, has, list, RAD } from './answer.ts';

function speed(c: GoldenCase): Answers {
  const n = spindleSpeed(given(c, 'vc_m_min'), given(c, 'D_mm'));
  const vf = tableFeed(n, given(c, 'N'), given(c, 'fz_mm'));
  return { n_rpm: n, vf_mm_min: vf, mrr_cm3_min: removalRate(given(c, 'ap_mm'), given(c, 'ae_mm'), vf) };
}

function thinning(c: GoldenCase): Answers {
  const [d, ae, fz, k] = [given(c, 'D_mm'), given(c, 'ae_mm'), given(c, 'fz_mm'), given(c, 'kappa_deg') * RAD];
  return {
    engagement_deg: engagementAngle(ae, d) * DEG,
    hmax_mm: maximumChip(fz, ae, d, k),
    hmean_mm: meanChip(fz, ae, d, k),
    fz_for_hmax_mm: feedForMaximumChip(given(c, 'h_max_target_mm'), ae, d, k),
    fz_for_hmean_mm: feedForMeanChip(given(c, 'h_mean_target_mm'), ae, d, k),
    edge_length_per_mm_ap_mm: 1 / Math.sin(k),
  };
}

function round(c: GoldenCase): Answers {
  const [ic, ap, fz] = [given(c, 'iC_mm'), given(c, 'ap_mm'), given(c, 'fz_mm')];
  const k = roundEdgeAngle(ap, ic);
  return {
    kappa_end_deg: k * DEG,
    hmax_mm: fz * Math.sin(k),
    hmean_over_edge_mm: (fz * (1 - Math.cos(k))) / k,
    fz_for_hmax_mm: given(c, 'h_max_target_mm') / Math.sin(k),
    D_eff_at_ap_mm: roundEffectiveDiameter(ap, ic, given(c, 'D_bottom_mm')),
  };
}

function ball(c: GoldenCase): Answers {
  const [ap, d, vc] = [given(c, 'ap_mm'), given(c, 'D_mm'), given(c, 'vc_m_min')];
  const flat = roundEffectiveDiameter(ap, d, 0);
  // Burl has no tilted axes yet: the tilt turns the place where the edge leaves the work up the ball.
  const tilted = d * Math.sin(Math.min(Math.PI / 2, given(c, 'tilt_deg') * RAD + roundEdgeAngle(ap, d)));
  return { D_eff_mm: flat, D_eff_tilt_mm: tilted, n_rpm: spindleSpeed(vc, flat), n_tilt_rpm: spindleSpeed(vc, tilted) };
}

function arc(c: GoldenCase): Answers {
  const [finishedMm, beforeMm, toolMm] = [given(c, 'D_finished_mm'), given(c, 'D_before_mm'), given(c, 'D_tool_mm')];
  const path = { finishedMm, beforeMm, toolMm, internal: Boolean(c.inputs['internal']) };
  const ae = effectiveStepover(path);
  return {
    vf_center_mm_min: centreFeed(given(c, 'vf_periphery_mm_min'), path),
    ae_effective_mm: ae,
    engagement_deg: engagementAngle(ae, toolMm) * DEG,
    ae_nominal_mm: Math.abs(finishedMm - beforeMm) / 2,
  };
}

function helix(c: GoldenCase): Answers {
  const h = helicalEntry(
    given(c, 'D_hole_mm'),
    given(c, 'D_tool_mm'),
    given(c, 'pitch_mm_per_rev'),
    given(c, 'd_noncutting_core_mm'),
  );
  return {
    path_dia_mm: h.pathDiameterMm,
    ramp_angle_deg: h.rampAngle * DEG,
    path_len_per_rev_mm: h.pathLengthPerTurnMm,
    min_hole_mm: h.smallestHoleMm,
    max_hole_full_bottom_mm: h.largestFlatHoleMm,
    core_left_dia_mm: h.coreMm,
    bottom_fully_cut: h.bottomFullyCut,
  };
}

function trochoid(c: GoldenCase): Answers {
  const [fz, d, n] = [given(c, 'fz_mm'), given(c, 'D_mm'), given(c, 'N')];
  const exact = list(c, 'phi_deg').map((a) => trochoidalChip(fz, d, n, a * RAD));
  const sine = list(c, 'phi_deg').map((a) => fz * Math.sin(a * RAD));
  return { h_true_mm: exact, h_sine_mm: sine, rel_err_sine: sine.map((s, i) => s / exact[i]! - 1) };
}

export function kinematics(c: GoldenCase): Answers | null {
  if (has(c, 'iC_mm')) return round(c);
  if (has(c, 'tilt_deg')) return ball(c);
  if (has(c, 'D_before_mm')) return arc(c);
  if (has(c, 'D_hole_mm')) return helix(c);
  if (has(c, 'phi_deg')) return trochoid(c);
  if (has(c, 'kappa_deg')) return thinning(c);
  return has(c, 'vc_m_min') ? speed(c) : null;
}
