import { addressOf, type Method, type Offered, type PathOf } from '@burl/contract';
import { describeProblem, fieldInWords, type InputProblem } from '@burl/core';

/** An answer that is not success, or none at all (`status` 0). */
export class ApiError extends Error {
  readonly status: number;
  readonly kind: string;
  readonly problems: readonly InputProblem[];
  readonly current: unknown;

  constructor(
    status: number,
    body: { error?: string; message?: string; problems?: InputProblem[]; current?: unknown },
  ) {
    super(
      body.message ?? 'The server does not answer. Your work here is kept; it is sent when the line is back.',
    );
    this.status = status;
    this.kind = body.error ?? 'offline';
    this.problems = body.problems ?? [];
    this.current = body.current;
  }
}

type At<M, P> = Extract<Offered, { readonly method: M; readonly path: P }>;
/** Addresses the server offers under a method. */
type PathsOf<M> = Extract<Offered, { readonly method: M }>['path'];
/** Lists that are only read go in as well. */
type Sent<T> = T extends object ? { readonly [K in keyof T]: Sent<T[K]> } : T;
type BodyOf<E> = E extends { readonly given?: infer Body } ? Sent<Body> : never;
export type AnswerOf<M, P> = At<M, P> extends { readonly answer?: infer Answer } ? Answer : never;
type Given<E> = [BodyOf<E>] extends [undefined] ? [] : [body: BodyOf<E>];

/** Sends to an address. Throws an ApiError with what the server said, or kind `offline` when it cannot be reached. */
async function send(method: Method, address: string, body?: unknown): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(address, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch {
    throw new ApiError(0, {});
  }
  const data: unknown = await response.json().catch(() => ({}));
  if (!response.ok) throw new ApiError(response.status, data as never);
  return data;
}

/** Calls an endpoint of the contract, which says what goes in and what comes back. Throws an ApiError. */
export const call = <M extends Method, P extends PathsOf<M>>(
  method: M,
  path: P,
  at: PathOf<P>,
  ...[body]: Given<At<M, P>>
): Promise<AnswerOf<M, P>> => send(method, addressOf(path, at), body) as Promise<AnswerOf<M, P>>;

/** What stands at an address made before. */
export const get = <T>(address: string): Promise<T> => send('GET', address) as Promise<T>;

/** What to tell a person about anything that went wrong; `words` are the labels that fields have on the page. */
export function messageOf(error: unknown, words: Readonly<Record<string, string>> = {}): string {
  if (error instanceof ApiError && error.problems.length > 0) {
    return error.problems
      .map((p) => describeProblem({ ...p, field: words[p.field] ?? fieldInWords(p.field) }))
      .join('; ');
  }
  return error instanceof Error ? error.message : String(error);
}
