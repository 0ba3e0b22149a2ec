import * as yup from 'yup';
import { within } from '../within.ts';
import { text, texts, thing, maybe, numbers, span, MOST_TEXTS, chip, GROUPS, named } from './parts.ts';

/** Cutting speeds anything is cut at, m/min. */
const SLOWEST = 0.1;
const FASTEST = 20_000;
/** Speeds from and to; not used; or nobody knows. */
const speeds = (): yup.Schema =>
  yup
    .mixed()
    .nullable()
    .test(
      'speeds',
      `\${path} must hold two speeds that rise, ${SLOWEST} to ${FASTEST} m/min, "not used", or nothing`,
      (v: unknown) => {
        if (v === null || v === undefined || v === 'not used') return true;
        const [a, b] = Array.isArray(v) ? (v as number[]) : [];
        return (
          Array.isArray(v) &&
          v.length === 2 &&
          Number(a) >= SLOWEST &&
          Number(b) <= FASTEST &&
          Number(a) <= Number(b)
        );
      },
    );

const speed = () => within(SLOWEST, FASTEST, 'm/min');
const share = () => within(0.001, 10);
const lifeModel = (): yup.Schema =>
  thing({
    reference: thing({
      fz_mm: chip(),
      hmax_mm: chip(),
      ae_over_d: share(),
      ap_over_d: share(),
      vb_mean_mm: within(0.005, 2, 'mm'),
      wear_criterion: text(),
    }),
    vc_m_min: thing({ life_15_min: speed(), life_30_min: speed(), life_60_min: speed() }),
    n: within(0.03, 1.5),
    hmax_exponent: within(0, 3),
    ae_exponent: within(0, 3),
    ap_exponent: within(0, 3),
    valid: thing({
      vc_over_vc30: numbers(2, 0.01, 100),
      ae_over_d: numbers(2, 0.001, 10),
      hmax_over_ref: numbers(2, 0.001, 1000),
      ap_over_d: numbers(2, 0.001, 100),
    }),
    log_std_vc30_between_shops: within(0, 3),
    log_std_life_within_one_setup: within(0, 3),
  });

export const alloySchema = thing({
  ...named,
  iso513_group: yup.string().strict().oneOf(GROUPS).required(),
  family: text(),
  condition: text(),
  hardness: span(1, 900).shape({ scale: yup.string().strict().oneOf(['HRC', 'HB', 'ShoreD']).required() }),
  density_kg_m3: within(300, 25_000, 'kg/m³'),
  tensile_strength_mpa: maybe(span(1, 6000, 'MPa')),
  yield_strength_mpa: maybe(span(1, 6000, 'MPa')),
  thermal_conductivity_w_mk: within(0.02, 600, 'W/m·K'),
  specific_heat_j_kgk: within(50, 6000, 'J/kg·K').optional(),
  youngs_modulus_gpa: within(0.01, 1300, 'GPa').optional(),
  work_hardening: thing({
    tendency: text(),
    hardened_layer_depth_mm: thing({ fresh_edge: within(0, 3, 'mm'), worn_edge: within(0, 3, 'mm') }),
  }),
  kienzle: thing({
    kc11_n_mm2: span(1, 15_000, 'N/mm²'),
    mc: span(0.01, 0.8),
    radial_to_tangential: span(0.01, 5),
    reference_rake_deg: within(-60, 60, '°'),
    valid_h_mm: numbers(2, 0.0001, 5, 'mm'),
    linear_edge_equivalent: thing({
      ktc_n_mm2: within(1, 20_000, 'N/mm²'),
      kte_n_mm: within(0, 2000, 'N/mm'),
      kre_over_kte: within(0, 20),
      fit_h_mm: numbers(2, 0.0001, 5, 'mm'),
    }),
    wear_force: thing({ add_n_per_mm_edge_per_mm_vb: within(0, 10_000, 'N/mm per mm') }),
  }),
  process_damping: maybe(thing({ indentation_coefficient_n_m3: span(1e9, 1e16, 'N/m³') })),
  hardness_scaling: thing({ kc_per_hrc: within(-0.5, 0.5), vc_per_hrc: within(-0.5, 0.5) }),
  ratings_0_3: thing(
    Object.fromEntries(['notch', 'built_up_edge', 'segmented_chip', 'fire'].map((r) => [r, within(0, 3)])),
  ),
  coatings: thing({ prefer: texts(), avoid: texts() }),
  coolant: yup.string().strict().required(),
  hazards: thing({ ignition: text(), fire_class: text(), actions: texts(), dust_toxicity: text() }),
  taylor_milling_coated_carbide: maybe(lifeModel()),
  vc_windows_m_min: thing({
    carbide_milling: thing({
      heavy_ae_over_0_5: speeds(),
      moderate_ae_0_2_0_4: speeds(),
      low_ae_under_0_1: speeds(),
    }),
    hss_milling: speeds(),
    drill_hss: speeds(),
    drill_carbide: speeds(),
    tap_hss_e: speeds(),
    carbide_turning: speeds(),
  }),
  hm_window: thing({
    c_mm: within(0.0001, 5, 'mm'),
    p: within(0.01, 3),
    low_multiplier: within(0.01, 1),
    high_multiplier: within(1, 20),
    d_range_mm: numbers(2, 0.01, 1000, 'mm'),
    indexable_hmax_mm: numbers(2, 0.0001, 5, 'mm'),
  }),
  sources: yup
    .array()
    .of(
      thing({
        field_group: text(),
        kind: text(),
        confidence: yup.string().strict().oneOf(['high', 'medium', 'low']).required(),
      }),
    )
    .max(MOST_TEXTS)
    .required(),
  estimated_fields: texts(),
});
