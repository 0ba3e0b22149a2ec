import * as yup from 'yup';

/** Largest integer PostgreSQL keeps in four bytes. */
export const MOST_INTEGER = 2_147_483_647;

/** The version somebody read: a save names the one it started from. */
export const version = (): yup.NumberSchema<number> =>
  yup.number().strict().integer().min(0).max(MOST_INTEGER).required();
