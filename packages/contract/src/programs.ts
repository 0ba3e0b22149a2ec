import { InputError, type Stock } from '@burl/core';
import * as yup from 'yup';
import { attachedFile } from './attached-file.ts';
import { problemsFromYup } from './problems-from-yup.ts';

/** How a kept program came from another by rewriting, and under which release. */
export interface ProgramRewrite {
  readonly fromId: string;
  readonly releaseId: string | null;
  readonly minutesBefore: number;
  readonly minutesAfter: number;
  /** Lines that changed. */
  readonly changes: number;
}

/** A program kept with a job; its text comes apart. */
export interface ProgramEntry {
  readonly id: string;
  readonly jobId: string;
  readonly operationId: string | null;
  readonly name: string;
  readonly size: number;
  /** Material before it; null where nobody said. */
  readonly stock: Stock | null;
  readonly rewrite: ProgramRewrite | null;
  readonly at: string;
  readonly by: string;
}

/** Text of a kept program: its bytes, as base64. */
export interface ProgramText {
  readonly id: string;
  readonly base64: string;
}

/** Bytes of the largest program that is kept; larger ones are looked at and not kept. */
export const LARGEST_PROGRAM = 24_000_000;
const FARTHEST = 20_000;
const MOST_HOLES = 2000;
const MOST_POCKETS = 200;

const place = yup.number().strict().required().min(-FARTHEST).max(FARTHEST);
const point = (size: number) =>
  yup.array().of(place).length(size).required() as unknown as yup.Schema<readonly number[]>;
const floor = yup.number().strict().nullable().defined().min(-FARTHEST).max(FARTHEST);

/** Material before a program. */
export const stockSchema = yup
  .object({
    low: point(3),
    high: point(3),
    barMm: yup.number().strict().nullable().defined().positive().max(FARTHEST),
    holes: yup
      .array()
      .of(
        yup
          .object({
            x: place,
            y: place,
            diameterMm: yup.number().strict().required().positive().max(FARTHEST),
            floor,
          })
          .noUnknown(),
      )
      .max(MOST_HOLES)
      .required(),
    pockets: yup
      .array()
      .of(
        yup
          .object({
            low: point(2),
            high: point(2),
            cornerMm: yup.number().strict().required().min(0).max(FARTHEST),
            floor,
          })
          .noUnknown(),
      )
      .max(MOST_POCKETS)
      .optional(),
  })
  .noUnknown()
  .test('in-order', '${path}: each high must be over its low', (s) =>
    !s?.low || !s.high ? true : [0, 1, 2].every((i) => s.high[i]! > s.low[i]!),
  );

/** Material from a JSON text, like the one a program is kept with. Throws an InputError by field. */
export function parseStock(text: string): Stock {
  let given: unknown;
  try {
    given = JSON.parse(text);
  } catch {
    throw new InputError([{ field: 'stock', value: text.slice(0, 40), allowed: 'JSON' }]);
  }
  try {
    return stockSchema
      .required()
      .validateSync(given, { strict: true, abortEarly: false }) as unknown as Stock;
  } catch (error) {
    if (error instanceof yup.ValidationError) throw problemsFromYup(error);
    throw error;
  }
}

const rewriteSchema = yup
  .object({
    fromId: yup.string().strict().uuid().required(),
    releaseId: yup.string().strict().uuid().nullable().defined(),
    minutesBefore: yup.number().strict().required().min(0).max(1e6),
    minutesAfter: yup.number().strict().required().min(0).max(1e6),
    changes: yup.number().strict().required().integer().min(0).max(1e8),
  })
  .noUnknown();

export const programSchema = yup
  .object({
    operationId: yup.string().strict().uuid().nullable().defined(),
    file: attachedFile(/^text\/plain$/, 'text/plain', LARGEST_PROGRAM).required(),
    stock: stockSchema.nullable().defined() as unknown as yup.Schema<Stock | null>,
    rewrite: rewriteSchema.nullable().defined(),
  })
  .noUnknown()
  .required();
export type ProgramInput = yup.InferType<typeof programSchema>;

export const programStockSchema = yup
  .object({ stock: stockSchema.required() as unknown as yup.Schema<Stock> })
  .noUnknown()
  .required();
