/** Why the store does not do what it was told to; how that is answered is the business of whoever asked. */
export type RefusalKind =
  'not-found' | 'stale' | 'locked' | 'in-use' | 'state' | 'forbidden' | 'busy' | 'too-long';

/** A change that is refused, with a sentence a person can act on. */
export class Refusal extends Error {
  readonly kind: RefusalKind;
  /** What is there now, where somebody else was quicker. */
  readonly current: unknown;

  constructor(kind: RefusalKind, message: string, current?: unknown) {
    super(message);
    this.kind = kind;
    this.current = current;
  }
}

export const notFound = (what: string): Refusal =>
  new Refusal('not-found', `${what} is not there (any more).`);
export const locked = (message: string): Refusal => new Refusal('locked', message);
export const inUse = (message: string): Refusal => new Refusal('in-use', message);

/** Somebody saved in between: what is there now goes along, so that nothing is lost. */
export const stale = (current: unknown): Refusal =>
  new Refusal(
    'stale',
    'Somebody saved this in the meantime. Both versions are kept until you choose.',
    current,
  );

/** The row that is there, or a refusal that names what is not. */
export function present<T>(row: T | undefined, what: string): T {
  if (row === undefined) throw notFound(what);
  return row;
}
