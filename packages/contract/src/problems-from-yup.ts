import { InputError } from '@burl/core';
import type * as yup from 'yup';

/** More problems than these say nothing new. */
export const MOST_PROBLEMS = 50;
const SECRET = /password|current|token/i;
const MOST_SHOWN = 120;

const shorten = (value: unknown): unknown => {
  if (typeof value === 'string' && value.length > MOST_SHOWN) return `${value.slice(0, MOST_SHOWN)}…`;
  return typeof value === 'object' && value !== null
    ? Array.isArray(value)
      ? 'a list'
      : 'an object'
    : value;
};

/** The library's words for a bound, and a shop's. */
const BOUNDS: readonly (readonly [RegExp, string])[] = [
  [/^less than or equal to (.+)$/, 'up to $1'],
  [/^greater than or equal to (.+)$/, '$1 or more'],
  [/^less than (.+)$/, 'below $1'],
  [/^greater than (.+)$/, 'above $1'],
  [/^a positive number$/, 'above 0'],
  [/^one of the following values: (.+)$/, 'one of $1'],
];

/** What is allowed, of a sentence that says what a field must be: the field is named beside it. */
function allowedIn(message: string, path: string | undefined): string {
  const start = `${path} must be `;
  if (!path || !message.startsWith(start)) return message;
  const said = message.slice(start.length);
  const bound = BOUNDS.find(([pattern]) => pattern.test(said));
  return bound ? said.replace(...bound) : said;
}

/** Yup's errors as field, value and what is allowed. A secret is never among the values. */
export function problemsFromYup(error: yup.ValidationError): InputError {
  const inner = error.inner.length > 0 ? error.inner : [error];
  return new InputError(
    inner.slice(0, MOST_PROBLEMS).map((e) => {
      const { value, type } = (e.params ?? {}) as { value?: unknown; type?: string };
      const field = e.path || 'body';
      return {
        field,
        value: SECRET.test(field) ? '(not shown)' : shorten(value),
        // The library's own words for a wrong type repeat the whole value.
        allowed:
          e.type === 'typeError' && / but the final value was/.test(e.message)
            ? `a ${type}`
            : allowedIn(e.message, e.path),
      };
    }),
  );
}
