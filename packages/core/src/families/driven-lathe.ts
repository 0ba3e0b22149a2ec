import type { Holder } from '../crib/holder.ts';
import type { CurvePoint, Machine } from '../crib/machine.ts';

/** Shank of the tool blocks of a lathe's turret. */
const SHANK = 'ISO 10889 40 mm';
const NM_RPM_PER_KW = 9549.3;

/** Constant torque up to a speed, constant power from it, and what is left at the top. */
const curve = (kw: number, baseRpm: number, maxRpm: number): CurvePoint[] => {
  const at = (rpm: number, power: number): CurvePoint => ({
    rpm,
    kw: Number(power.toPrecision(3)),
    nm: Number(((NM_RPM_PER_KW * power) / rpm).toPrecision(3)),
  });
  return [
    at(baseRpm / 10, kw / 10),
    at(baseRpm / 3, kw / 3),
    at(baseRpm, kw),
    at(0.6 * maxRpm, kw),
    at(maxRpm, 0.7 * kw),
  ];
};

/** Lathes whose turret drives tools, in typical values. */
export const drivenLathes = (): Machine[] => [
  {
    id: 'lathe-driven-18kw',
    name: 'Turning centre 18 kW with driven tools, 10 inch chuck',
    kind: 'lathe',
    spindle_interface: SHANK,
    max_rpm: 4000,
    power_torque: { s1: curve(15, 400, 4000), s6_40: curve(18, 400, 4000) },
    sub_spindle_max_rpm: 3500,
    driven_tools: {
      max_rpm: 6000,
      power_torque: { s1: curve(3.7, 1200, 6000), s6_40: curve(5.5, 1200, 6000) },
    },
    axes: {
      x: { max_feed_mm_min: 24_000, max_accel_m_s2: 4, travel_mm: 280 },
      y: { max_feed_mm_min: 12_000, max_accel_m_s2: 3, travel_mm: 100 },
      z: { max_feed_mm_min: 30_000, max_accel_m_s2: 4, travel_mm: 800 },
    },
    block_processing_ms: 2,
    tool_change_s: 0.4,
    coolant: {
      flood: true,
      through_spindle: false,
      mql: false,
      air_blast: false,
      pressure_bar: { flood: 5, tsc: 20 },
    },
    frf_at_bare_holder: {
      modes_x: [
        { freq_hz: 130, stiffness_n_um: 95, damping_ratio: 0.05, rotation_per_translation_rad_per_m: 3.3 },
        { freq_hz: 440, stiffness_n_um: 85, damping_ratio: 0.045, rotation_per_translation_rad_per_m: 5.5 },
        { freq_hz: 1150, stiffness_n_um: 120, damping_ratio: 0.03, rotation_per_translation_rad_per_m: 8 },
      ],
      modes_y: [
        { freq_hz: 115, stiffness_n_um: 80, damping_ratio: 0.05, rotation_per_translation_rad_per_m: 3.3 },
        { freq_hz: 410, stiffness_n_um: 75, damping_ratio: 0.045, rotation_per_translation_rad_per_m: 5.5 },
        { freq_hz: 1100, stiffness_n_um: 110, damping_ratio: 0.03, rotation_per_translation_rad_per_m: 8 },
      ],
      residual_stiffness_n_um: { x: 200, y: 200 },
      static_stiffness_n_um: { x: 28, y: 24 },
    },
    notes:
      'Structure at the face of a tool block; a driven unit with its gears is softer than a block that stands.',
    work: 'turning, with flats, cross holes and keyways by driven tools',
  },
];

/** Units that a turret drives, in typical values. */
export const drivenHolders = (): Holder[] => [
  {
    id: 'driven-collet-32',
    name: 'Driven collet unit, size 32, ISO 10889 40 mm',
    kind: 'collet',
    interfaces: [SHANK],
    bore_diameter_mm: [2, 20],
    gauge_length_mm: 85,
    body_diameter_mm: 60,
    nose_diameter_mm: 50,
    runout_at_3xd_um: { low: 10, typical: 18, high: 30 },
    clamp_translation_stiffness_n_um: { low: 50, typical: 85, high: 140 },
    clamp_rotation_stiffness_knm_rad: { low: 8, typical: 14, high: 25 },
    joint_damping_ratio: { low: 0.03, typical: 0.06, high: 0.1 },
    grip_torque_nm_at_12mm: [20, 35, 50],
    axial_pull_out_resistance: 'low',
    max_rpm: 6000,
    coolant: ['external'],
    notes: 'Bearings and gears of the unit limit speed and minutes at full load: its plate decides.',
    confidence: 'estimate: typical of its kind and size',
  },
];
