import { describeProblem, type InputProblem } from '@burl/core';
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

export const forbidden = (message: string): HttpProblem => new HttpProblem(403, 'forbidden', message);

export const invalid = (problems: readonly InputProblem[], status = 422): HttpProblem =>
  new HttpProblem(status, 'input', problems.map(describeProblem).join('; '), { problems });

const STATUS: Readonly<Record<RefusalKind, number>> = {
  'not-found': 404,
  stale: 409,
  'in-use': 409,
  state: 409,
  locked: 423,
  forbidden: 403,
};

/** How a refusal of the store is answered. */
export const refused = ({ kind, message, current }: Refusal): HttpProblem =>
  new HttpProblem(STATUS[kind], kind, message, current === undefined ? {} : { current });
