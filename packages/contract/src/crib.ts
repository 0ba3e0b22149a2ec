import type {
  Accepted,
  Alloy,
  Cutter,
  Difference,
  Holder,
  Machine,
  ResonanceBook,
  ToolMaterials,
} from '@burl/core';
import * as yup from 'yup';
import type { CribKind } from './crib-kinds.ts';
import { CRIB_SCHEMAS, slug } from './crib-schema.ts';
import type { KeptRates } from './shop-rates-schema.ts';
import { version } from './version.ts';

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
  /** Not offered any more; jobs and releases that name it keep it. */
  readonly retired: boolean;
  readonly document: CribDocuments[K];
}

/** What lies on the shelf of a cutter. */
export interface Stock {
  readonly cutterId: string;
  readonly edges: number;
  /** Drawer, cabinet, pocket: as the shop calls it. */
  readonly place: string;
  /** Of one edge, in the shop’s money; null where nobody said. */
  readonly price: number | null;
  readonly version: number;
}

/** The whole crib, as the bench needs it. */
export interface Crib {
  readonly alloys: readonly CribEntry<'alloys'>[];
  readonly machines: readonly CribEntry<'machines'>[];
  readonly cutters: readonly CribEntry<'cutters'>[];
  readonly holders: readonly CribEntry<'holders'>[];
  readonly materials: ToolMaterials;
  /** Cutters that were counted. */
  readonly stock: readonly Stock[];
  readonly assemblies: readonly Assembly[];
  /** What was measured of tips and heard at the machine. */
  readonly resonance: ResonanceBook;
  /** What trials here taught and somebody accepted. */
  readonly learnt: readonly Accepted[];
  /** What time and money come to in this shop. */
  readonly rates: KeptRates;
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

export const assemblyUpdateSchema = assemblySchema.shape({
  version: version(),
});
export type AssemblyUpdate = yup.InferType<typeof assemblyUpdateSchema>;

/** Why a value is another: the measurement, the drawing, the person who knows. */
const reason = () => yup.string().strict().max(500).optional();

export const entrySchema = (
  kind: CribKind,
): yup.Schema<{ version: number; reason?: string; document: Record<string, unknown> }> =>
  yup
    .object({ version: version(), reason: reason(), document: CRIB_SCHEMAS[kind].required() })
    .required() as never;

/** A new entry of the shop; `madeBy` says how it came about. */
export const newEntrySchema = (
  kind: CribKind,
): yup.Schema<{ madeBy?: string; document: Record<string, unknown> }> =>
  yup
    .object({ madeBy: yup.string().strict().max(200).optional(), document: CRIB_SCHEMAS[kind].required() })
    .required() as never;

export const retiredSchema = yup
  .object({ version: version(), retired: yup.boolean().strict().required(), reason: reason() })
  .noUnknown()
  .required();
export type Retirement = yup.InferType<typeof retiredSchema>;

/** Version 0 is a shelf that was never counted. */
export const stockSchema = yup
  .object({
    version: yup.number().strict().integer().min(0).required(),
    edges: yup.number().strict().integer().min(0).max(100_000).required(),
    place: yup.string().strict().defined().max(80),
    price: yup.number().strict().nullable().defined().min(0).max(1e6),
    reason: reason(),
  })
  .noUnknown()
  .required();
export type StockInput = yup.InferType<typeof stockSchema>;

/** One deed at an entry: what became of which value, by whom, when, and why. */
export interface EntryDeed {
  readonly at: string;
  readonly person: string;
  readonly action: string;
  readonly reason: string | null;
  readonly changes: readonly Difference[];
}

/** Entries one search answers. */
export const MOST_FOUND = 60;
