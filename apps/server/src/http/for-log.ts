import { databaseCode } from '../store/database-error.ts';

const MOST_STACK = 2000;

/**
 * What of an error goes into the log: kind, code and where. Never a message of the database or its driver, which repeat the
 * parameters of the query: a note, a password's hash, a recording of eight megabytes.
 */
export function forLog(error: Error): Readonly<Record<string, unknown>> {
  const code = databaseCode(error);
  const ofQuery = code !== null || 'query' in error || 'params' in error;
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((l) => /^\s+at /.test(l))
    .join('\n');
  return {
    kind: error.name,
    ...(code !== null && { code }),
    ...(ofQuery ? {} : { message: error.message.slice(0, 300) }),
    stack: frames.slice(0, MOST_STACK),
  };
}
