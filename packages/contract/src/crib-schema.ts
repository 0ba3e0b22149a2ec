import * as yup from 'yup';
import type { CribKind } from './crib-kinds.ts';

export const slug = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .required()
    .max(120)
    .matches(/^[a-z0-9][a-z0-9.-]*$/, '${path} may hold small letters, digits, dots and hyphens');

/** No unit of the crib makes a larger number of anything real. */
const LARGEST = 1e15;
const number = (): yup.NumberSchema<number> =>
  yup
    .number()
    .strict()
    .required()
    .test(
      'real',
      `\${path} must be a number, ${LARGEST.toExponential(0)} at most`,
      // Something missing is named by what requires it.
      (v) => v === undefined || v === null || Math.abs(v) <= LARGEST,
    );
const positive = (): yup.NumberSchema<number> => number().positive();
const zeroOrMore = (): yup.NumberSchema<number> => number().min(0);
const text = (): yup.StringSchema => yup.string().strict().defined().max(20_000);
const texts = (): yup.Schema => yup.array().of(text()).required();
const yes = (): yup.BooleanSchema<boolean> => yup.boolean().strict().required();
/** A thing with these fields; others are carried as they are. */
const thing = (fields: Record<string, yup.Schema>): yup.ObjectSchema<Record<string, unknown>> =>
  yup.object(fields).required() as never;
/** The same, or nothing. Yup fills a missing object in from its fields unless its default is nothing. */
const maybe = (schema: yup.Schema): yup.Schema => schema.notRequired().nullable().default(undefined);

const rising = (v: readonly number[] | null | undefined): boolean =>
  !v || v.every((x, i) => i === 0 || x >= v[i - 1]!);
/** Numbers that rise, as many as said. */
const numbers = (length: number, of: () => yup.NumberSchema<number> = zeroOrMore): yup.Schema =>
  yup
    .array()
    .of(of())
    .length(length, `\${path} must hold ${length} numbers`)
    .required()
    .test('order', '${path} must rise', rising);
const span = (): yup.ObjectSchema<Record<string, unknown>> =>
  thing({ low: positive(), typical: positive(), high: positive() }).test(
    'order',
    '${path} must rise from low over typical to high',
    (v) => !v || rising([v['low'], v['typical'], v['high']] as number[]),
  );

/** Speeds from and to; not used; or nobody knows. */
const speeds = (): yup.Schema =>
  yup
    .mixed()
    .nullable()
    .test('speeds', '${path} must hold two speeds that rise, "not used", or nothing', (v: unknown) => {
      if (v === null || v === undefined || v === 'not used') return true;
      const [a, b] = Array.isArray(v) ? (v as number[]) : [];
      return (
        Array.isArray(v) && v.length === 2 && Number.isFinite(a) && Number.isFinite(b) && a! > 0 && a! <= b!
      );
    });

const lifeModel = (): yup.Schema =>
  thing({
    reference: thing({
      fz_mm: positive(),
      hmax_mm: positive(),
      ae_over_d: positive(),
      ap_over_d: positive(),
      vb_mean_mm: positive(),
      wear_criterion: text(),
    }),
    vc_m_min: thing({ life_15_min: positive(), life_30_min: positive(), life_60_min: positive() }),
    n: positive(),
    hmax_exponent: zeroOrMore(),
    ae_exponent: zeroOrMore(),
    ap_exponent: zeroOrMore(),
    valid: thing({
      vc_over_vc30: numbers(2, positive),
      ae_over_d: numbers(2, positive),
      hmax_over_ref: numbers(2, positive),
      ap_over_d: numbers(2, positive),
    }),
    log_std_vc30_between_shops: zeroOrMore(),
    log_std_life_within_one_setup: zeroOrMore(),
  });

const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'] as const;
const named = { id: slug(), name: yup.string().strict().required().max(200) };

const alloySchema = thing({
  ...named,
  iso513_group: yup.string().strict().oneOf(GROUPS).required(),
  family: text(),
  condition: text(),
  hardness: span().shape({ scale: yup.string().strict().oneOf(['HRC', 'HB', 'ShoreD']).required() }),
  density_kg_m3: positive(),
  tensile_strength_mpa: maybe(span()),
  yield_strength_mpa: maybe(span()),
  thermal_conductivity_w_mk: positive(),
  specific_heat_j_kgk: positive().optional(),
  youngs_modulus_gpa: positive().optional(),
  work_hardening: thing({
    tendency: text(),
    hardened_layer_depth_mm: thing({ fresh_edge: zeroOrMore(), worn_edge: zeroOrMore() }),
  }),
  kienzle: thing({
    kc11_n_mm2: span(),
    mc: span(),
    radial_to_tangential: span(),
    reference_rake_deg: number(),
    valid_h_mm: numbers(2, positive),
    linear_edge_equivalent: thing({
      ktc_n_mm2: positive(),
      kte_n_mm: zeroOrMore(),
      kre_over_kte: zeroOrMore(),
      fit_h_mm: numbers(2, positive),
    }),
    wear_force: thing({ add_n_per_mm_edge_per_mm_vb: zeroOrMore() }),
  }),
  process_damping: maybe(thing({ indentation_coefficient_n_m3: span() })),
  hardness_scaling: thing({ kc_per_hrc: number(), vc_per_hrc: number() }),
  ratings_0_3: thing(
    Object.fromEntries(
      ['notch', 'built_up_edge', 'segmented_chip', 'fire'].map((r) => [r, zeroOrMore().max(3)]),
    ),
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
    c_mm: positive(),
    p: positive(),
    low_multiplier: positive(),
    high_multiplier: positive(),
    d_range_mm: numbers(2, positive),
    indexable_hmax_mm: numbers(2, positive),
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
    .required(),
  estimated_fields: texts(),
});

const curve = (): yup.Schema =>
  yup
    .array()
    .of(thing({ rpm: positive(), kw: positive(), nm: positive() }))
    .min(2, '${path} needs two points or more')
    .required()
    .test(
      'order',
      '${path} must rise in rpm',
      (v) => !v || v.every((p, i) => i === 0 || Number(p?.['rpm']) > Number(v[i - 1]?.['rpm'])),
    );
const axis = () =>
  thing({
    max_feed_mm_min: positive(),
    max_accel_m_s2: positive(),
    travel_mm: positive().optional(),
  });
const modes = (): yup.Schema =>
  yup
    .array()
    .of(
      thing({
        freq_hz: positive().max(50_000),
        stiffness_n_um: positive(),
        damping_ratio: positive().max(0.9),
        rotation_per_translation_rad_per_m: number(),
      }),
    )
    .min(1, '${path} needs a mode or more')
    .required();
const both = (): yup.Schema => thing({ x: positive(), y: positive() });

const machineSchema = thing({
  ...named,
  kind: text(),
  spindle_interface: yup.string().strict().required(),
  max_rpm: positive(),
  min_rpm: zeroOrMore().optional(),
  power_torque: thing({ s1: curve(), s6_40: curve() }),
  axes: thing({ x: axis(), y: maybe(axis()), z: axis() }),
  block_processing_ms: positive(),
  tool_change_s: zeroOrMore(),
  coolant: thing({
    flood: yes(),
    through_spindle: yes(),
    mql: yes(),
    air_blast: yes(),
    pressure_bar: thing({
      flood: zeroOrMore().optional(),
      tsc: zeroOrMore().optional(),
      air: zeroOrMore().optional(),
    }),
  }),
  frf_at_bare_holder: maybe(
    thing({
      modes_x: modes(),
      modes_y: modes(),
      nose_rotation_stiffness_knm_rad: maybe(positive()),
      residual_stiffness_n_um: both(),
      static_stiffness_n_um: both(),
    }),
  ),
  notes: text(),
  work: text(),
});

/** Symbols a length, a diameter or a count stands under: above zero where they are given. */
const SIZES = [
  'DC',
  'DCX',
  'APMX',
  'LU',
  'LCF',
  'DN',
  'LH',
  'OAL',
  'LF',
  'LPR',
  'DCONMS',
  'RPMX',
  'IC',
  'DMIN',
  'TP',
];
const cutterSchema = thing({
  ...named,
  type: yup.string().strict().required(),
  properties: thing({
    ...Object.fromEntries(SIZES.map((symbol) => [symbol, positive().optional()])),
    NOF: positive().integer().max(60).optional(),
    ZEFP: positive().integer().max(60).optional(),
    ...Object.fromEntries(['RE', 'PL', 'BS'].map((symbol) => [symbol, zeroOrMore().optional()])),
    ...Object.fromEntries(
      ['KAPR', 'FHA', 'GAMF', 'SIG', 'RMPX', 'CP', 'CICT'].map((symbol) => [symbol, number().optional()]),
    ),
  }).test('symbols', '${path} may hold numbers and words only', (v) =>
    Object.values(v ?? {}).every((x) => x === undefined || typeof x === 'string' || Number.isFinite(x)),
  ),
  extended: thing({
    coating: slug(),
    substrate: slug(),
    core_ratio: maybe(positive().max(1)),
    effective_bending_diameter_ratio: maybe(positive().max(1.5)),
    chip_gullet_area_mm2: maybe(zeroOrMore()),
    edge_radius_um: maybe(numbers(3)),
    pitch: maybe(yup.string().strict()),
    serrated: yup.boolean().strict().optional(),
    pitch_angles_deg: maybe(yup.array().of(positive())),
    helix_variation_deg: maybe(yup.array().of(number())),
    centre_cutting: yup.boolean().strict().optional(),
    through_coolant: yup.boolean().strict().optional(),
    plunge_ok: yup.boolean().strict().optional(),
    fz_window_mm: maybe(numbers(2, positive)),
    fr_window_mm_per_rev: maybe(numbers(2, positive)),
    f_window_mm_per_rev: maybe(numbers(2, positive)),
    stock_on_diameter_mm: maybe(numbers(3, positive)),
    hole_tolerance: yup.string().strict().optional(),
    bar_E_gpa: maybe(positive()),
    max_ld_recommended: maybe(positive()),
  }),
  suits_iso_groups: yup.array().of(yup.string().strict().oneOf(GROUPS).required()).min(1).required(),
});

const holderSchema = thing({
  ...named,
  kind: text(),
  interfaces: yup.array().of(yup.string().strict().required()).min(1).required(),
  bore_diameter_mm: numbers(2, positive),
  gauge_length_mm: positive(),
  body_diameter_mm: positive(),
  nose_diameter_mm: positive(),
  runout_at_3xd_um: span(),
  clamp_translation_stiffness_n_um: span(),
  clamp_rotation_stiffness_knm_rad: span(),
  joint_damping_ratio: span(),
  grip_torque_nm_at_12mm: maybe(numbers(3)),
  max_rpm: zeroOrMore(),
  coolant: texts(),
});

/** What an entry must have for the core to reckon with it; other fields are carried as they are. */
export const CRIB_SCHEMAS: Readonly<Record<CribKind, yup.ObjectSchema<Record<string, unknown>>>> = {
  alloys: alloySchema,
  machines: machineSchema,
  cutters: cutterSchema,
  holders: holderSchema,
};

/** What a cutter is made of, and what it is coated with. */
export const substrateSchema = thing({
  name: text(),
  E_gpa: positive(),
  transverse_rupture_mpa: numbers(3, positive),
  density_kg_m3: positive(),
  poisson: positive().max(0.5),
  thermal_conductivity_w_mk: positive().optional(),
});
export const coatingSchema = thing({
  name: text(),
  max_service_c: positive(),
  good_for: texts(),
  avoid_for: texts(),
  adds_edge_radius_um: zeroOrMore(),
});

/** A list of things by their ids, each as said. */
export const keyed = (schema: yup.ObjectSchema<Record<string, unknown>>): yup.Schema =>
  yup.lazy((value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? yup.object(Object.fromEntries(Object.keys(value).map((id) => [id, schema]))).required()
      : yup.object().required(),
  ) as never;
