import type { Alloy, Cutter, Holder, Machine, ResonanceBook, ToolMaterials } from '@burl/core';
import * as yup from 'yup';
import type { CribKind } from './crib-kinds.ts';
import { CRIB_SCHEMAS, slug } from './crib-schema.ts';
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
  readonly document: CribDocuments[K];
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

export const entrySchema = (
  kind: CribKind,
): yup.Schema<{ version: number; document: Record<string, unknown> }> =>
  yup.object({ version: version(), document: CRIB_SCHEMAS[kind].required() }).required() as never;
