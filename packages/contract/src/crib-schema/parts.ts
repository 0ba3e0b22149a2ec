import * as yup from 'yup';
import { within } from '../within.ts';

export const slug = (): yup.StringSchema<string> =>
  yup
    .string()
    .strict()
    .required()
    .max(120)
    .matches(/^[a-z0-9][a-z0-9.-]*$/, '${path} may hold small letters, digits, dots and hyphens');

export const MOST_TEXTS = 60;
const MOST_TEXT = 4000;
export const text = (): yup.StringSchema => yup.string().strict().defined().max(MOST_TEXT);
export const texts = (): yup.Schema => yup.array().of(text()).max(MOST_TEXTS).required();
export const yes = (): yup.BooleanSchema<boolean> => yup.boolean().strict().required();
/** A thing with these fields; others are carried as they are. */
export const thing = (fields: Record<string, yup.Schema>): yup.ObjectSchema<Record<string, unknown>> =>
  yup.object(fields).required() as never;
/** The same, or nothing. Yup fills a missing object in from its fields unless its default is nothing. */
export const maybe = (schema: yup.Schema): yup.Schema => schema.notRequired().nullable().default(undefined);

const rising = (v: readonly number[] | null | undefined): boolean =>
  !v || v.every((x, i) => i === 0 || x >= v[i - 1]!);
/** Numbers that rise, as many as said. One look at all of them: a schema for each is what makes long files wait. */
export const numbers = (length: number, low: number, high: number, unit = ''): yup.Schema =>
  yup
    .mixed()
    .required()
    .test('numbers', 'numbers', function (v: unknown) {
      const allowed = `${length} numbers, ${low} to ${high}${unit && ` ${unit}`}`;
      const wrong = (what: string) => this.createError({ message: `\${path} ${what}` });
      if (v === undefined || v === null) return true;
      if (!Array.isArray(v) || v.length !== length) return wrong(`must hold ${allowed}`);
      const all = v as unknown[];
      if (!all.every((x) => typeof x === 'number' && x >= low && x <= high))
        return wrong(`must hold ${allowed}`);
      return rising(all as number[]) || wrong('must rise');
    });
export const span = (low: number, high: number, unit = ''): yup.ObjectSchema<Record<string, unknown>> =>
  thing({
    low: within(low, high, unit),
    typical: within(low, high, unit),
    high: within(low, high, unit),
  }).test(
    'order',
    '${path} must rise from low over typical to high',
    (v) => !v || rising([v['low'], v['typical'], v['high']] as number[]),
  );

export const chip = () => within(0.0001, 5, 'mm');
export const GROUPS = ['P', 'M', 'K', 'N', 'S', 'H'] as const;
export const named = { id: slug(), name: yup.string().strict().required().max(200) };

export const rpm = () => within(1, 300_000, 'rpm');
