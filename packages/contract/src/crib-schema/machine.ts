import { DAMPING } from '@burl/core';
import * as yup from 'yup';
import { within } from '../within.ts';
import { text, yes, thing, maybe, named, rpm } from './parts.ts';

const curve = (): yup.Schema =>
  yup
    .array()
    .of(thing({ rpm: rpm(), kw: within(0.0001, 2000, 'kW'), nm: within(0.001, 100_000, 'N·m') }))
    .min(2, '${path} needs two points or more')
    .max(100, '${path} may have 100 points')
    .required()
    .test(
      'order',
      '${path} must rise in rpm',
      (v) => !v || v.every((p, i) => i === 0 || Number(p?.['rpm']) > Number(v[i - 1]?.['rpm'])),
    );
const axis = () =>
  thing({
    max_feed_mm_min: within(10, 500_000, 'mm/min'),
    max_accel_m_s2: within(0.01, 200, 'm/s²'),
    travel_mm: within(10, 100_000, 'mm').optional(),
  });
const stiffness = () => within(0.1, 100_000, 'N/µm');
const modes = (): yup.Schema =>
  yup
    .array()
    .of(
      thing({
        freq_hz: within(2, 30_000, 'Hz'),
        stiffness_n_um: stiffness(),
        damping_ratio: within(DAMPING.least, DAMPING.most),
        rotation_per_translation_rad_per_m: within(-500, 500, 'rad/m'),
      }),
    )
    .min(1, '${path} needs a mode or more')
    .max(12, '${path} may have 12 modes')
    .required();
const both = (): yup.Schema => thing({ x: stiffness(), y: stiffness() });
const pressure = () => within(0, 1500, 'bar').optional();

export const machineSchema = thing({
  ...named,
  kind: text(),
  spindle_interface: yup.string().strict().required().max(60),
  max_rpm: rpm(),
  min_rpm: within(0, 300_000, 'rpm').optional(),
  power_torque: thing({ s1: curve(), s6_40: curve() }),
  axes: thing({ x: axis(), y: maybe(axis()), z: axis() }),
  block_processing_ms: within(0.001, 5000, 'ms'),
  tool_change_s: within(0, 3600, 's'),
  coolant: thing({
    flood: yes(),
    through_spindle: yes(),
    mql: yes(),
    air_blast: yes(),
    pressure_bar: thing({ flood: pressure(), tsc: pressure(), air: pressure() }),
  }),
  frf_at_bare_holder: maybe(
    thing({
      modes_x: modes(),
      modes_y: modes(),
      nose_rotation_stiffness_knm_rad: maybe(within(1, 1e6, 'kN·m/rad')),
      residual_stiffness_n_um: both(),
      static_stiffness_n_um: both(),
    }),
  ),
  driven_tools: maybe(thing({ max_rpm: rpm(), power_torque: thing({ s1: curve(), s6_40: curve() }) })),
  sub_spindle_max_rpm: rpm().optional(),
  turret: yup.string().strict().oneOf(['front', 'rear']).optional(),
  notes: text(),
  work: text(),
});
