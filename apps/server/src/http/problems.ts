import { describeProblem, type InputProblem } from '@burl/core';

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

export const notFound = (what: string): HttpProblem =>
  new HttpProblem(404, 'not-found', `${what} is not there (any more).`);

export const forbidden = (message: string): HttpProblem => new HttpProblem(403, 'forbidden', message);

/** Somebody saved in between: the answer carries what is there now, so that nothing is lost. */
export const stale = (current: unknown): HttpProblem =>
  new HttpProblem(
    409,
    'stale',
    'Somebody saved this in the meantime. Both versions are kept until you choose.',
    { current },
  );

export const locked = (message: string): HttpProblem => new HttpProblem(423, 'locked', message);

export const invalid = (problems: readonly InputProblem[], status = 422): HttpProblem =>
  new HttpProblem(status, 'input', problems.map(describeProblem).join('; '), { problems });
