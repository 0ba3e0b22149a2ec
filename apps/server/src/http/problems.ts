import { describeProblem, type InputProblem } from '@burl/core';
import { MOST_PROBLEMS } from '@burl/contract';
import { databaseCode, isAway, isBusy } from '../store/database-error.ts';
import type { Refusal, RefusalKind } from '../store/refusal.ts';

/** An answer other than success, with a sentence a person can act on. */
export class HttpProblem extends Error {
  readonly status: number;
  readonly kind: string;
  readonly extra: Readonly<Record<string, unknown>>;

  constructor(status: number, kind: string, message: string, extra: Readonly<Record<string, unknown>> = {}) {
    super(message);
    this.status = status;
    this.kind = kind;
    this.extra = extra;
  }
}

export const nothingHere = (): HttpProblem =>
  new HttpProblem(404, 'not-found', 'There is nothing under this address.');

export const tooMany = (seconds: number): HttpProblem =>
  new HttpProblem(
    429,
    'too-many',
    `Too many attempts. Try again in ${Math.max(1, Math.ceil(seconds))} seconds.`,
  );

export const forbidden = (message: string): HttpProblem => new HttpProblem(403, 'forbidden', message);

/** Every field that is wrong, up to what anybody reads; how many more there are is said. */
export function invalid(all: readonly InputProblem[], status = 422): HttpProblem {
  const problems = all
    .slice(0, MOST_PROBLEMS)
    .map(({ field, value, allowed }) => ({ field, value, allowed }));
  const more = all.length - problems.length;
  const said = problems.map(describeProblem).join('; ');
  return new HttpProblem(status, 'input', more > 0 ? `${said}; and ${more} more` : said, {
    problems,
    ...(more > 0 && { more }),
  });
}

const STATUS: Readonly<Record<RefusalKind, number>> = {
  'not-found': 404,
  stale: 409,
  'in-use': 409,
  state: 409,
  locked: 423,
  forbidden: 403,
  busy: 503,
  'too-long': 422,
};

/** How a refusal of the store is answered. */
export const refused = ({ kind, message, current }: Refusal): HttpProblem =>
  new HttpProblem(STATUS[kind], kind, message, current === undefined ? {} : { current });

/** What the database would not take is the sender's business, and what it cannot do now is said so; null for anything else. */
export function ofDatabase(error: unknown): HttpProblem | null {
  switch (databaseCode(error)) {
    case '22P02':
      return nothingHere();
    case '22021':
    case '22P05':
      return invalid(
        [{ field: 'body', value: 'a character that is none', allowed: 'text in Unicode without NUL' }],
        400,
      );
    case '22003':
    case '22007':
    case '22008':
      return invalid(
        [{ field: 'body', value: 'a number or date', allowed: 'what the database can keep' }],
        400,
      );
    case '23503':
      return new HttpProblem(
        409,
        'in-use',
        'Something else names this, or what it names is gone. Reload and look again.',
      );
    case '23505':
      return new HttpProblem(409, 'in-use', 'This is there already.');
    default:
  }
  if (isBusy(error))
    return new HttpProblem(503, 'busy', 'Somebody else is changing this at the moment. Try again shortly.');
  return isAway(error)
    ? new HttpProblem(
        503,
        'database',
        'The database does not answer. Nothing that was saved is lost; try again shortly.',
      )
    : null;
}
