import type { Alloy, Coating, Cutter, Holder, Machine, Operation, SetupPlan, Substrate } from '@burl/core';
import { InputError, requireDemand, STEP_KEYS, type StepKey } from '@burl/core';
import * as yup from 'yup';
import {
  type JobFields,
  jobFieldsSchema,
  MOST_OPERATIONS,
  MOST_SETUPS,
  VARIANT_LABELS,
  type VariantLabel,
  variantsSchema,
} from './jobs.ts';
import { fileSource, requireContext } from './context.ts';
import { coatingSchema, CRIB_SCHEMAS, keyed, substrateSchema } from './crib-schema.ts';
import { setupPlanSchema } from './job-plan-schema.ts';
import { problemsFromYup } from './problems-from-yup.ts';
import { upgradeJobFile } from './job-file-upgrade.ts';
import { type HoleKindRecord, holeInFileSchema } from './holes.ts';

export const JOB_FILE_FORMAT = 'burl-job';
export const JOB_FILE_VERSION = 5;

/** A job in one file: its route, every variant, and the crib entries it names, so that it can be judged anywhere. */
export interface JobFile {
  readonly format: typeof JOB_FILE_FORMAT;
  readonly version: typeof JOB_FILE_VERSION;
  readonly job: JobFields;
  /** Hole groups; their steps name them by their place in this list. */
  readonly holes: readonly Pick<HoleKindRecord, 'demand' | 'chosen' | 'changes'>[];
  readonly setups: readonly {
    readonly name: string;
    readonly plan: SetupPlan;
    readonly operations: readonly {
      readonly name: string;
      readonly hole: number | null;
      readonly step: StepKey | null;
      readonly selected: VariantLabel;
      readonly variants: readonly { readonly label: VariantLabel; readonly document: Operation }[];
    }[];
  }[];
  readonly crib: {
    readonly alloys: readonly Alloy[];
    readonly machines: readonly Machine[];
    readonly cutters: readonly Cutter[];
    readonly holders: readonly Holder[];
    readonly substrates: Readonly<Record<string, Substrate>>;
    readonly coatings: Readonly<Record<string, Coating>>;
  };
}

const shape = yup
  .object({
    format: yup.string().oneOf([JOB_FILE_FORMAT]).required(),
    version: yup.number().oneOf([JOB_FILE_VERSION]).required(),
    job: jobFieldsSchema,
    holes: yup.array().of(holeInFileSchema).max(500).required(),
    setups: yup
      .array()
      .of(
        yup
          .object({
            name: yup.string().strict().required().max(200),
            plan: setupPlanSchema,
            operations: yup
              .array()
              .of(
                yup
                  .object({
                    name: yup.string().strict().required().max(200),
                    hole: yup.number().strict().integer().min(0).nullable().defined(),
                    step: yup
                      .string()
                      .strict()
                      .nullable()
                      .defined()
                      .oneOf([...STEP_KEYS, null]),
                    selected: yup.string().strict().oneOf(VARIANT_LABELS).required(),
                    variants: variantsSchema,
                  })
                  .noUnknown()
                  .required(),
              )
              .max(MOST_OPERATIONS)
              .required(),
          })
          .noUnknown()
          .required(),
      )
      .max(MOST_SETUPS)
      .required(),
    crib: yup
      .object({
        alloys: yup.array().of(CRIB_SCHEMAS.alloys).max(50).required(),
        machines: yup.array().of(CRIB_SCHEMAS.machines).max(50).required(),
        cutters: yup.array().of(CRIB_SCHEMAS.cutters).max(500).required(),
        holders: yup.array().of(CRIB_SCHEMAS.holders).max(500).required(),
        substrates: keyed(substrateSchema),
        coatings: keyed(coatingSchema),
      })
      .required(),
  })
  .noUnknown();

const refuse = (field: string, value: unknown, allowed: string): never => {
  throw new InputError([{ field, value, allowed }]);
};

/** The data in a text. Throws an InputError when it is no JSON. */
export function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return refuse(
      'file',
      (error as Error).message.slice(0, 120),
      'JSON text; this file is damaged or something else',
    );
  }
}

/** Reads a job file. Throws an InputError that says what is wrong: not JSON, not a job, newer, damaged, incomplete. */
export const parseJobFile = (text: string): JobFile => checkJobFile(jsonIn(text));

/** The same for data already parsed; earlier versions are read as well. */
export function checkJobFile(given: unknown): JobFile {
  const data = upgradeJobFile(given);
  const head = data as { format?: unknown; version?: unknown } | null;
  if (typeof data !== 'object' || head === null || head.format !== JOB_FILE_FORMAT) {
    return refuse('format', head?.format, `"${JOB_FILE_FORMAT}": this is not a job file`);
  }
  if (typeof head.version === 'number' && head.version > JOB_FILE_VERSION) {
    return refuse('version', head.version, `${JOB_FILE_VERSION} or lower: a newer Burl wrote this file`);
  }
  try {
    shape.validateSync(data, { strict: true, abortEarly: false });
  } catch (error) {
    if (error instanceof yup.ValidationError) throw problemsFromYup(error);
    throw error;
  }
  const file = data as JobFile;
  file.holes.forEach((h, i) => {
    try {
      requireDemand(h.demand);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      throw new InputError(error.problems.map((p) => ({ ...p, field: `holes[${i}].demand.${p.field}` })));
    }
  });
  for (const { path, operation } of operationsOf(file)) requireContext(operation, fileSource(file), path);
  file.setups.forEach((s, i) =>
    s.operations.forEach((o, j) => {
      if (o.hole !== null && o.hole >= file.holes.length)
        refuse(`setups[${i}].operations[${j}].hole`, o.hole, `under ${file.holes.length}`);
      if (!o.variants.some((v) => v.label === o.selected)) {
        refuse(
          `setups[${i}].operations[${j}].selected`,
          o.selected,
          o.variants.map((v) => v.label).join(', '),
        );
      }
    }),
  );
  return file;
}

/** Every variant in a file with its path. */
export function operationsOf(
  file: JobFile,
): { path: string; name: string; selected: boolean; operation: Operation }[] {
  return file.setups.flatMap((s, i) =>
    s.operations.flatMap((o, j) =>
      o.variants.map((v, k) => ({
        path: `setups[${i}].operations[${j}].variants[${k}]`,
        name: `${s.name} / ${o.name}${o.variants.length > 1 ? ` ${v.label}` : ''}`,
        selected: v.label === o.selected,
        operation: v.document,
      })),
    ),
  );
}
