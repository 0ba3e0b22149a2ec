/** The error the database itself gave, below what was wrapped around it. */
function innermost(error: unknown): { readonly code?: unknown; readonly message?: unknown } {
  let e = error as { cause?: unknown };
  for (let i = 0; i < 5 && e?.cause instanceof Error; i++) e = e.cause as { cause?: unknown };
  return e as { code?: unknown; message?: unknown };
}

/** SQLSTATE or the system's code of an error of the database; null when it has none. */
export function databaseCode(error: unknown): string | null {
  const { code } = innermost(error) ?? {};
  return typeof code === 'string' ? code : null;
}

/** What the driver says, word for word, when it has no code for it. */
const DRIVER_SAYS = new Set([
  'timeout exceeded when trying to connect',
  'Connection terminated unexpectedly',
  'Connection terminated due to connection timeout',
  'Connection terminated',
  'Query read timeout',
  'Client has encountered a connection error and is not queryable',
  'Cannot use a pool after calling end on the pool',
]);
const NOT_THERE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EHOSTUNREACH']);

/** Whether the database is away, starting, stopping or out of room; told by codes, never by words a user may have written. */
export function isAway(error: unknown): boolean {
  const code = databaseCode(error);
  if (code !== null) return NOT_THERE.has(code) || /^(08|57P|53)/.test(code);
  return DRIVER_SAYS.has(String(innermost(error)?.message));
}

/** Somebody else holds what is needed, or it took too long: the same request may succeed in a moment. */
export const isBusy = (error: unknown): boolean =>
  ['55P03', '57014', '40001', '40P01', '25P03', '25P04'].includes(databaseCode(error) ?? '');
