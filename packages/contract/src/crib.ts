import type { Alloy, Coating, Cutter, Holder, Machine, ResonanceBook, Substrate } from '@burl/core';
import * as yup from 'yup';

export const CRIB_KINDS = ['alloys', 'machines', 'cutters', 'holders'] as const;
export type CribKind = (typeof CRIB_KINDS)[number];

export interface CribDocuments {
  readonly alloys: Alloy;
  readonly machines: Machine;
  readonly cutters: Cutter;
  readonly holders: Holder;
}

/** A crib entry with where it comes from; built-in ones are read-only, copies belong to the shop. */
export interface CribEntry<K extends CribKind = CribKind> {
  readonly id: string;
  readonly origin: 'built-in' | 'shop';
  readonly copiedFrom: string | null;
  readonly version: number;
  readonly document: CribDocuments[K];
}

/** Tool materials named by cutters. */
export interface ToolMaterials {
  readonly substrates: Readonly<Record<string, Substrate>>;
  readonly coatings: Readonly<Record<string, Coating>>;
}

/** The whole crib, as the bench needs it. */
export interface Crib {
  readonly alloys: readonly CribEntry<'alloys'>[];
  readonly machines: readonly CribEntry<'machines'>[];
  readonly cutters: readonly CribEntry<'cutters'>[];
  readonly holders: readonly CribEntry<'holders'>[];
  readonly materials: ToolMaterials;
  readonly assemblies: readonly Assembly[];
  /** What was measured of tips and heard at the machine. */
  readonly resonance: ResonanceBook;
}

/** A cutter in a holder at a stick-out, under the shop's own name. */
export interface Assembly {
  readonly id: string;
  readonly name: string;
  readonly cutterId: string;
  readonly holderId: string;
  readonly stickOutMm: number;
  readonly runoutUm: number | null;
  readonly version: number;
}

const slug = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .required()
    .max(120)
    .matches(/^[a-z0-9][a-z0-9.-]*$/, '${path} may hold small letters, digits, dots and hyphens');

export const copyEntrySchema = yup
  .object({ copyOf: slug(), id: slug(), name: yup.string().strict().required().max(200) })
  .noUnknown()
  .required();
export type CopyEntry = yup.InferType<typeof copyEntrySchema>;

export const assemblySchema = yup
  .object({
    name: yup.string().strict().required().max(200),
    cutterId: slug(),
    holderId: slug(),
    stickOutMm: yup.number().strict().required().positive().max(500),
    runoutUm: yup.number().strict().nullable().defined().min(0.1).max(200),
  })
  .noUnknown()
  .required();
export type AssemblyInput = yup.InferType<typeof assemblySchema>;

const positive = (): yup.NumberSchema<number> => yup.number().strict().required().positive();
const span = (): yup.Schema =>
  yup
    .object({ low: positive(), typical: positive(), high: positive() })
    .required()
    .test('order', '${path} must rise from low over typical to high', (v) =>
      v ? v.low <= v.typical && v.typical <= v.high : false,
    );
const curve = (): yup.Schema =>
  yup
    .array()
    .of(yup.object({ rpm: positive(), kw: positive(), nm: positive() }).required())
    .min(2, '${path} needs two points or more')
    .required()
    .test(
      'order',
      '${path} must rise in rpm',
      (v) => !v || v.every((p, i) => i === 0 || p.rpm > v[i - 1]!.rpm),
    );

const named = { id: slug(), name: yup.string().strict().required().max(200) };

/** What an entry must have for the core to reckon with it; other fields are carried as they are. */
export const CRIB_SCHEMAS: Readonly<Record<CribKind, yup.ObjectSchema<Record<string, unknown>>>> = {
  alloys: yup.object({
    ...named,
    iso513_group: yup.string().strict().oneOf(['P', 'M', 'K', 'N', 'S', 'H']).required(),
    hardness: yup
      .object({
        scale: yup.string().strict().oneOf(['HRC', 'HB', 'ShoreD']).required(),
        low: positive(),
        typical: positive(),
        high: positive(),
      })
      .required(),
    kienzle: yup
      .object({
        kc11_n_mm2: span(),
        mc: span(),
        radial_to_tangential: span(),
        reference_rake_deg: yup.number().strict().required(),
      })
      .required(),
    hm_window: yup
      .object({ c_mm: positive(), p: positive(), low_multiplier: positive(), high_multiplier: positive() })
      .required(),
    coolant: yup.string().strict().required(),
  }) as never,
  machines: yup.object({
    ...named,
    spindle_interface: yup.string().strict().required(),
    max_rpm: positive(),
    power_torque: yup.object({ s1: curve(), s6_40: curve() }).required(),
    axes: yup
      .object({
        x: yup.object({ max_feed_mm_min: positive(), max_accel_m_s2: positive() }).required(),
        z: yup.object({ max_feed_mm_min: positive(), max_accel_m_s2: positive() }).required(),
      })
      .required(),
  }) as never,
  cutters: yup.object({
    ...named,
    type: yup.string().strict().required(),
    properties: yup
      .object({ DC: yup.number().strict().positive(), ZEFP: yup.number().strict().integer().positive() })
      .required(),
    extended: yup
      .object({ coating: yup.string().strict().required(), substrate: yup.string().strict().required() })
      .required(),
    suits_iso_groups: yup
      .array()
      .of(yup.string().strict().oneOf(['P', 'M', 'K', 'N', 'S', 'H']))
      .min(1)
      .required(),
  }) as never,
  holders: yup.object({
    ...named,
    interfaces: yup.array().of(yup.string().strict().required()).min(1).required(),
    gauge_length_mm: positive(),
    runout_at_3xd_um: span(),
    clamp_translation_stiffness_n_um: span(),
    clamp_rotation_stiffness_knm_rad: span(),
  }) as never,
};

export const entrySchema = (
  kind: CribKind,
): yup.Schema<{ version: number; document: Record<string, unknown> }> =>
  yup
    .object({ version: yup.number().strict().integer().required(), document: CRIB_SCHEMAS[kind].required() })
    .required() as never;
