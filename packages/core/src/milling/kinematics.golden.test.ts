import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../golden/compare.ts';
import { centreFeed, effectiveStepover } from './arc-feed.ts';
import { ballEffectiveDiameter } from './ball-nose.ts';
import { feedForMaximumChip, feedForMeanChip, maximumChip, meanChip } from './chip-thickness.ts';
import { engagementAngle } from './engagement.ts';
import { helicalEntry } from './helical-entry.ts';
import { roundEdgeAngle, roundEffectiveDiameter, roundMeanChip } from './round-insert.ts';
import { removalRate, spindleSpeed, tableFeed } from './spindle-speed.ts';
import { trochoidalChip } from './trochoid.ts';

const DEG = 180 / Math.PI;

describe('kinematics against worked cases', () => {
  it.each(goldenCases('kin-speed'))('$id', (c) => {
    const n = spindleSpeed(given(c, 'vc_m_min'), given(c, 'D_mm'));
    const vf = tableFeed(n, given(c, 'N'), given(c, 'fz_mm'));
    const mrr = removalRate(given(c, 'ap_mm'), given(c, 'ae_mm'), vf);
    expect(disagreements(c, { n_rpm: n, vf_mm_min: vf, mrr_cm3_min: mrr })).toEqual([]);
  });

  it.each([...goldenCases('kin-thin'), ...goldenCases('kin-lead')])('$id', (c) => {
    const [d, ae, fz] = [given(c, 'D_mm'), given(c, 'ae_mm'), given(c, 'fz_mm')];
    const k = given(c, 'kappa_deg') / DEG;
    const got: Record<string, number> = {
      hmax_mm: maximumChip(fz, ae, d, k),
      hmean_mm: meanChip(fz, ae, d, k),
      fz_for_hmax_mm: feedForMaximumChip(given(c, 'h_max_target_mm'), ae, d, k),
      fz_for_hmean_mm: feedForMeanChip(given(c, 'h_mean_target_mm'), ae, d, k),
    };
    if ('engagement_deg' in c.expected) got.engagement_deg = engagementAngle(ae, d) * DEG;
    else got.edge_length_per_mm_ap_mm = 1 / Math.sin(k);
    expect(disagreements(c, got)).toEqual([]);
  });

  it.each(goldenCases('kin-round'))('$id', (c) => {
    const [ic, ap, fz] = [given(c, 'iC_mm'), given(c, 'ap_mm'), given(c, 'fz_mm')];
    const k = roundEdgeAngle(ap, ic);
    expect(
      disagreements(c, {
        kappa_end_deg: k * DEG,
        hmax_mm: fz * Math.sin(k),
        hmean_over_edge_mm: roundMeanChip(fz, ap, ic),
        fz_for_hmax_mm: given(c, 'h_max_target_mm') / Math.sin(k),
        D_eff_at_ap_mm: roundEffectiveDiameter(ap, ic, given(c, 'D_bottom_mm')),
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('kin-ball'))('$id', (c) => {
    const flat = ballEffectiveDiameter(given(c, 'ap_mm'), given(c, 'D_mm'));
    const tilted = ballEffectiveDiameter(given(c, 'ap_mm'), given(c, 'D_mm'), given(c, 'tilt_deg') / DEG);
    const vc = given(c, 'vc_m_min');
    expect(
      disagreements(c, {
        D_eff_mm: flat,
        D_eff_tilt_mm: tilted,
        n_rpm: spindleSpeed(vc, flat),
        n_tilt_rpm: spindleSpeed(vc, tilted),
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('kin-arc'))('$id', (c) => {
    const arc = {
      finishedMm: given(c, 'D_finished_mm'),
      beforeMm: given(c, 'D_before_mm'),
      toolMm: given(c, 'D_tool_mm'),
      internal: Boolean(c.inputs['internal']),
    };
    const ae = effectiveStepover(arc);
    expect(
      disagreements(c, {
        vf_center_mm_min: centreFeed(given(c, 'vf_periphery_mm_min'), arc),
        ae_effective_mm: ae,
        engagement_deg: engagementAngle(ae, arc.toolMm) * DEG,
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('kin-helix'))('$id', (c) => {
    const h = helicalEntry(
      given(c, 'D_hole_mm'),
      given(c, 'D_tool_mm'),
      given(c, 'pitch_mm_per_rev'),
      given(c, 'd_noncutting_core_mm'),
    );
    expect(
      disagreements(c, {
        path_dia_mm: h.pathDiameterMm,
        ramp_angle_deg: h.rampAngle * DEG,
        path_len_per_rev_mm: h.pathLengthPerTurnMm,
        min_hole_mm: h.smallestHoleMm,
        max_hole_full_bottom_mm: h.largestFlatHoleMm,
        core_left_dia_mm: h.postMm,
        bottom_fully_cut: h.bottomFullyCut,
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('kin-trochoid'))('$id', (c) => {
    const angles = c.inputs['phi_deg'] as unknown as number[];
    const fz = given(c, 'fz_mm');
    const exact = angles.map((a) => trochoidalChip(fz, given(c, 'D_mm'), given(c, 'N'), a / DEG));
    const sine = angles.map((a) => fz * Math.sin(a / DEG));
    expect(
      disagreements(c, {
        h_true_mm: exact,
        h_sine_mm: sine,
        rel_err_sine: sine.map((s, i) => s / exact[i]! - 1),
      }),
    ).toEqual([]);
  });
});
