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

/** Calls the API. Throws an ApiError with what the server said, or kind `offline` when it cannot be reached. */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
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
  return data as T;
}

export const get = <T>(path: string): Promise<T> => call<T>('GET', path);

/** What to tell a person about anything that went wrong; `words` are the labels that fields have on the page. */
export function messageOf(error: unknown, words: Readonly<Record<string, string>> = {}): string {
  if (error instanceof ApiError && error.problems.length > 0) {
    return error.problems
      .map((p) => describeProblem({ ...p, field: words[p.field] ?? fieldInWords(p.field) }))
      .join('; ');
  }
  return error instanceof Error ? error.message : String(error);
}
