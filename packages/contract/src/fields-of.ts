import type * as yup from 'yup';

/** What of a thing a schema names: what is kept about it beside stays behind. */
export const fieldsOf = <T extends object>(schema: yup.ObjectSchema<T>, of: T): T =>
  Object.fromEntries(Object.keys(schema.fields).map((key) => [key, of[key as keyof T]])) as T;
