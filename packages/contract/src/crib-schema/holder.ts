import { DAMPING } from '@burl/core';
import * as yup from 'yup';
import { within } from '../within.ts';
import { text, texts, thing, maybe, numbers, span, named } from './parts.ts';

const diameter = () => within(1, 400, 'mm');
export const holderSchema = thing({
  ...named,
  kind: text(),
  interfaces: yup.array().of(yup.string().strict().required().max(60)).min(1).max(30).required(),
  bore_diameter_mm: numbers(2, 0.05, 400, 'mm'),
  gauge_length_mm: within(5, 800, 'mm'),
  body_diameter_mm: diameter(),
  nose_diameter_mm: diameter(),
  runout_at_3xd_um: span(0.05, 500, 'µm'),
  clamp_translation_stiffness_n_um: span(0.5, 20_000, 'N/µm'),
  clamp_rotation_stiffness_knm_rad: span(0.02, 5000, 'kN·m/rad'),
  joint_damping_ratio: span(DAMPING.least, DAMPING.most),
  grip_torque_nm_at_12mm: maybe(numbers(3, 0, 20_000, 'N·m')),
  max_rpm: within(0, 300_000, 'rpm'),
  coolant: texts(),
}).test('slender', 'slender', function (v) {
  const {
    gauge_length_mm: length,
    body_diameter_mm: body,
    nose_diameter_mm: nose,
  } = v as Record<string, number>;
  const thinnest = Math.min(Number(body), Number(nose));
  return (
    !(Number(length) > 40 * thinnest) ||
    this.createError({
      path: `${this.path ? `${this.path}.` : ''}gauge_length_mm`,
      message: `\${path} must be ${40 * thinnest} mm at most, 40 times its thinnest diameter`,
      params: { value: length },
    })
  );
});
