import * as yup from 'yup';
import type { CribKind } from './crib-kinds.ts';

export const slug = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .required()
    .max(120)
    .matches(/^[a-z0-9][a-z0-9.-]*$/, '${path} may hold small letters, digits, dots and hyphens');

/** A number from here to there: what no alloy, tool, holder or machine goes beyond, with room for the unusual. */
const within = (low: number, high: number, unit = ''): yup.NumberSchema<number> => {
  const allowed = `\${path} must be ${low} to ${high}${unit && ` ${unit}`}`;
  return yup.number().strict().required().min(low, allowed).max(high, allowed);
};
const MOST_TEXTS = 60;
const MOST_TEXT = 4000;
const text = (): yup.StringSchema => yup.string().strict().defined().max(MOST_TEXT);
const texts = (): yup.Schema => yup.array().of(text()).max(MOST_TEXTS).required();
const yes = (): yup.BooleanSchema<boolean> => yup.boolean().strict().required();
/** A thing with these fields; others are carried as they are. */
const thing = (fields: Record<string, yup.Schema>): yup.ObjectSchema<Record<string, unknown>> =>
  yup.object(fields).required() as never;
/** The same, or nothing. Yup fills a missing object in from its fields unless its default is nothing. */
const maybe = (schema: yup.Schema): yup.Schema => schema.notRequired().nullable().default(undefined);

const rising = (v: readonly number[] | null | undefined): boolean =>
  !v || v.every((x, i) => i === 0 || x >= v[i - 1]!);
/** Numbers that rise, as many as said. */
const numbers = (length: number, of: () => yup.NumberSchema<number>): yup.Schema =>
  yup
    .array()
    .of(of())
    .length(length, `\${path} must hold ${length} numbers`)
    .required()
    .test('order', '${path} must rise', rising);
const span = (low: number, high: number, unit = ''): yup.ObjectSchema<Record<string, unknown>> =>
  thing({
    low: within(low, high, unit),
    typical: within(low, high, unit),
    high: within(low, high, unit),
  }).test(
    'order',
    '${path} must rise from low over typical to high',
    (v) => !v || rising([v['low'], v['typical'], v['high']] as number[]),
  );

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
const chip = () => within(0.0001, 5, 'mm');
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
      vc_over_vc30: numbers(2, () => within(0.01, 100)),
      ae_over_d: numbers(2, share),
      hmax_over_ref: numbers(2, () => within(0.001, 1000)),
      ap_over_d: numbers(2, () => within(0.001, 100)),
    }),
    log_std_vc30_between_shops: within(0, 3),
    log_std_life_within_one_setup: within(0, 3),
  });

const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'] as const;
const named = { id: slug(), name: yup.string().strict().required().max(200) };

const alloySchema = thing({
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
    valid_h_mm: numbers(2, chip),
    linear_edge_equivalent: thing({
      ktc_n_mm2: within(1, 20_000, 'N/mm²'),
      kte_n_mm: within(0, 2000, 'N/mm'),
      kre_over_kte: within(0, 20),
      fit_h_mm: numbers(2, chip),
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
    d_range_mm: numbers(2, () => within(0.01, 1000, 'mm')),
    indexable_hmax_mm: numbers(2, chip),
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

const rpm = () => within(1, 300_000, 'rpm');
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
        damping_ratio: within(0.0005, 0.7),
        rotation_per_translation_rad_per_m: within(-500, 500, 'rad/m'),
      }),
    )
    .min(1, '${path} needs a mode or more')
    .max(12, '${path} may have 12 modes')
    .required();
const both = (): yup.Schema => thing({ x: stiffness(), y: stiffness() });
const pressure = () => within(0, 1500, 'bar').optional();

const machineSchema = thing({
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
  notes: text(),
  work: text(),
});

/** Longest tool a machine turns, mm. */
const LONGEST = 3000;
const WIDEST = 500;
/** Symbols of sizes and angles with what they may be; each is given or not. */
const SYMBOLS: Readonly<Record<string, readonly [low: number, high: number, unit?: string]>> = {
  DC: [0.05, WIDEST, 'mm'],
  DCX: [0.05, WIDEST, 'mm'],
  DN: [0.03, WIDEST, 'mm'],
  DCONMS: [0.5, WIDEST, 'mm'],
  DMIN: [0.05, 1000, 'mm'],
  APMX: [0.01, LONGEST, 'mm'],
  LU: [0.05, LONGEST, 'mm'],
  LCF: [0.05, LONGEST, 'mm'],
  LH: [0.05, LONGEST, 'mm'],
  OAL: [3, LONGEST, 'mm'],
  LF: [3, LONGEST, 'mm'],
  LPR: [0.5, LONGEST, 'mm'],
  IC: [1, 60, 'mm'],
  TP: [0.05, 25, 'mm'],
  RPMX: [10, 300_000, 'rpm'],
  RE: [0, 250, 'mm'],
  PL: [0, 250, 'mm'],
  BS: [0, 100, 'mm'],
  KAPR: [0, 180, '°'],
  FHA: [-75, 75, '°'],
  GAMF: [-75, 75, '°'],
  SIG: [10, 180, '°'],
  RMPX: [0, 90, '°'],
  CP: [0, 1500, 'bar'],
  CICT: [0, 500],
};
const teeth = () => within(1, 60, 'teeth').integer();

/** Sizes that cannot stand together, each with the field it is said at. */
function clashing(
  properties: Record<string, unknown> | undefined,
): { field: string; allowed: string } | null {
  const of = (symbol: string): number | undefined =>
    typeof properties?.[symbol] === 'number' ? properties[symbol] : undefined;
  const widest = Math.max(of('DC') ?? 0, of('DCX') ?? 0);
  if (widest === 0) return null;
  const more = (symbol: string, most: number, what: string) =>
    (of(symbol) ?? 0) > most * 1.0001
      ? { field: symbol, allowed: `${Number(most.toPrecision(4))} mm at most, ${what}` }
      : null;
  const all = of('OAL') ?? LONGEST;
  return (
    more('RE', widest / 2, 'half the diameter') ??
    more('APMX', all, 'its overall length') ??
    more('LU', all, 'its overall length') ??
    more('LCF', all, 'its overall length') ??
    // Longer than any gun drill for its size: a decimal point was lost.
    more('OAL', 400 * Math.max(widest, of('DCONMS') ?? 0), '400 diameters')
  );
}

const TURN = 360;
const cutterSchema = thing({
  ...named,
  type: yup.string().strict().required().max(60),
  properties: thing({
    ...Object.fromEntries(
      Object.entries(SYMBOLS).map(([symbol, range]) => [symbol, within(...range).optional()]),
    ),
    NOF: teeth().optional(),
    ZEFP: teeth().optional(),
  })
    .test('symbols', '${path} may hold up to 80 numbers and words only', (v) => {
      const given = Object.values(v ?? {}).filter((x) => x !== undefined);
      return (
        given.length <= 80 &&
        given.every((x) =>
          typeof x === 'string' ? x.length <= 200 : Number.isFinite(x) && Math.abs(Number(x)) < 1e9,
        )
      );
    })
    .test('sizes', 'sizes', function (v) {
      const wrong = clashing(v);
      return (
        wrong === null ||
        this.createError({
          path: `${this.path}.${wrong.field}`,
          message: `\${path} must be ${wrong.allowed}`,
          params: { value: v[wrong.field] },
        })
      );
    }),
  extended: thing({
    coating: slug(),
    substrate: slug(),
    core_ratio: maybe(within(0.05, 1)),
    effective_bending_diameter_ratio: maybe(within(0.2, 1.5)),
    chip_gullet_area_mm2: maybe(within(0, 20_000, 'mm²')),
    edge_radius_um: maybe(numbers(3, () => within(0, 500, 'µm'))),
    pitch: maybe(yup.string().strict().max(60)),
    serrated: yup.boolean().strict().optional(),
    pitch_angles_deg: maybe(
      yup
        .array()
        .of(within(1, TURN, '°'))
        .max(60)
        .test(
          'turn',
          `\${path} must together be ${TURN}°`,
          (v) => !v || v.length === 0 || Math.abs(v.reduce((sum, a) => sum + Number(a), 0) - TURN) < 1,
        ),
    ),
    helix_variation_deg: maybe(
      yup
        .array()
        .of(within(-75, 75, '°'))
        .max(60),
    ),
    centre_cutting: yup.boolean().strict().optional(),
    through_coolant: yup.boolean().strict().optional(),
    plunge_ok: yup.boolean().strict().optional(),
    fz_window_mm: maybe(numbers(2, chip)),
    fr_window_mm_per_rev: maybe(numbers(2, () => within(0.0001, 20, 'mm/rev'))),
    f_window_mm_per_rev: maybe(numbers(2, () => within(0.0001, 20, 'mm/rev'))),
    stock_on_diameter_mm: maybe(numbers(3, () => within(0, 20, 'mm'))),
    hole_tolerance: yup.string().strict().max(20).optional(),
    bar_E_gpa: maybe(within(10, 1300, 'GPa')),
    max_ld_recommended: maybe(within(0.5, 100)),
  }),
  suits_iso_groups: yup.array().of(yup.string().strict().oneOf(GROUPS).required()).min(1).max(12).required(),
}).test('teeth', 'teeth', function (cutter) {
  // Angles that are fewer or more than the teeth belong to another cutter.
  const { properties, extended } = cutter as {
    properties?: Record<string, unknown>;
    extended?: { pitch_angles_deg?: unknown[] | null; helix_variation_deg?: unknown[] | null };
  };
  const z = properties?.['ZEFP'] ?? properties?.['NOF'];
  const wrong = (['pitch_angles_deg', 'helix_variation_deg'] as const).find((key) => {
    const angles = extended?.[key];
    return Array.isArray(angles) && angles.length > 0 && typeof z === 'number' && angles.length !== z;
  });
  return (
    wrong === undefined ||
    this.createError({
      path: `${this.path ? `${this.path}.` : ''}extended.${wrong}`,
      message: `\${path} must hold ${String(z)} angles, one for each tooth`,
      params: { value: extended?.[wrong] },
    })
  );
});

const diameter = () => within(1, 400, 'mm');
const holderSchema = thing({
  ...named,
  kind: text(),
  interfaces: yup.array().of(yup.string().strict().required().max(60)).min(1).max(30).required(),
  bore_diameter_mm: numbers(2, () => within(0.05, 400, 'mm')),
  gauge_length_mm: within(5, 800, 'mm'),
  body_diameter_mm: diameter(),
  nose_diameter_mm: diameter(),
  runout_at_3xd_um: span(0.05, 500, 'µm'),
  clamp_translation_stiffness_n_um: span(0.5, 20_000, 'N/µm'),
  clamp_rotation_stiffness_knm_rad: span(0.02, 5000, 'kN·m/rad'),
  joint_damping_ratio: span(0.0005, 0.7),
  grip_torque_nm_at_12mm: maybe(numbers(3, () => within(0, 20_000, 'N·m'))),
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
  E_gpa: within(10, 1300, 'GPa'),
  transverse_rupture_mpa: numbers(3, () => within(10, 20_000, 'MPa')),
  density_kg_m3: within(500, 25_000, 'kg/m³'),
  poisson: within(0.01, 0.49),
  thermal_conductivity_w_mk: within(0.1, 2500, 'W/m·K').optional(),
});
export const coatingSchema = thing({
  name: text(),
  max_service_c: within(20, 3000, '°C'),
  good_for: texts(),
  avoid_for: texts(),
  adds_edge_radius_um: within(0, 200, 'µm'),
});

/** A list of things by their ids, each as said. */
export const keyed = (schema: yup.ObjectSchema<Record<string, unknown>>): yup.Schema =>
  yup.lazy((value: unknown) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.keys(value).length <= MOST_MATERIALS
      ? yup.object(Object.fromEntries(Object.keys(value).map((id) => [id, schema]))).required()
      : yup
          .object()
          .required()
          .test('few', `\${path} may hold ${MOST_MATERIALS} entries`, () => false),
  ) as never;

/** Materials a file may bring. */
const MOST_MATERIALS = 100;
