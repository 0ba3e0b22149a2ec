import type { EntryField } from './entry-field.ts';

const NAME = 'Designation';
const STRENGTH = 'Strength and heat';
const CUTTING = 'Cutting';
const SPEED = 'Speed windows, from and to';
const speeds = (path: string, label: string): EntryField => ({
  path: `vc_windows_m_min.${path}`,
  label,
  kind: 'two',
  unit: 'm/min',
  group: SPEED,
});

/** Values of an alloy a person fills in. */
export const ALLOY_FIELDS: readonly EntryField[] = [
  { path: 'name', label: 'Name', kind: 'text', group: NAME, required: true },
  { path: 'uns', label: 'UNS', kind: 'text', group: NAME },
  { path: 'en', label: 'EN', kind: 'text', group: NAME },
  { path: 'standard', label: 'Standard', kind: 'text', group: NAME },
  {
    path: 'iso513_group',
    label: 'ISO 513 group',
    kind: 'one-of',
    group: NAME,
    required: true,
    options: ['P', 'M', 'K', 'N', 'S', 'H'],
  },
  { path: 'family', label: 'Family', kind: 'text', group: NAME, required: true },
  { path: 'condition', label: 'Condition', kind: 'text', group: NAME, required: true },
  {
    path: 'hardness.scale',
    label: 'Hardness scale',
    kind: 'one-of',
    group: STRENGTH,
    required: true,
    options: ['HRC', 'HB', 'ShoreD'],
  },
  { path: 'hardness.low', label: 'Hardness, least', kind: 'number', group: STRENGTH, required: true },
  { path: 'hardness.typical', label: 'Hardness, usual', kind: 'number', group: STRENGTH, required: true },
  { path: 'hardness.high', label: 'Hardness, most', kind: 'number', group: STRENGTH, required: true },
  { path: 'tensile_strength_mpa', label: 'Tensile strength', kind: 'span', unit: 'MPa', group: STRENGTH },
  { path: 'yield_strength_mpa', label: 'Yield strength', kind: 'span', unit: 'MPa', group: STRENGTH },
  { path: 'density_kg_m3', label: 'Density, kg/m³', kind: 'number', group: STRENGTH, required: true },
  {
    path: 'thermal_conductivity_w_mk',
    label: 'Thermal conductivity, W/m·K',
    kind: 'number',
    group: STRENGTH,
    required: true,
  },
  { path: 'kienzle.kc11_n_mm2', label: 'kc1.1', kind: 'span', unit: 'N/mm2', group: CUTTING, required: true },
  { path: 'kienzle.mc', label: 'mc', kind: 'span', group: CUTTING, required: true },
  {
    path: 'hm_window.c_mm',
    label: 'Chip at 12 mm',
    kind: 'number',
    unit: 'mm-fine',
    group: CUTTING,
    required: true,
  },
  { path: 'coolant', label: 'Coolant', kind: 'text', group: CUTTING },
  { path: 'notes', label: 'Note', kind: 'text', group: NAME },
  speeds('carbide_milling.low_ae_under_0_1', 'Carbide, ae under 0.1 D'),
  speeds('carbide_milling.moderate_ae_0_2_0_4', 'Carbide, ae 0.2 to 0.4 D'),
  speeds('carbide_milling.heavy_ae_over_0_5', 'Carbide, ae over 0.5 D'),
  speeds('hss_milling', 'HSS milling'),
  speeds('drill_carbide', 'Carbide drill'),
  speeds('drill_hss', 'HSS drill'),
  speeds('tap_hss_e', 'Tap'),
];
