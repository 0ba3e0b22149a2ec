import { InputError } from '@burl/core';
import type { FastifyInstance } from 'fastify';
import { Refusal } from '../store/refusal.ts';
import { forLog } from './for-log.ts';
import { HttpProblem, invalid, ofDatabase, refused } from './problems.ts';

/** Every error as a sentence a person can act on, without stack traces; what is the server's own fault goes into the log. */
export function answerErrors(app: FastifyInstance): void {
  app.setErrorHandler((given: Error & { statusCode?: number; code?: string }, request, reply) => {
    const answer = asProblem(given);
    if (answer === null)
      request.log.error({ error: forLog(given), route: request.routeOptions.url }, 'failed');
    else if (answer.status === 503)
      request.log.warn({ error: forLog(given), route: request.routeOptions.url }, answer.kind);
    else if (answer.status === 401 || answer.status === 403 || answer.status === 429)
      request.log.warn(
        {
          address: request.ip,
          person: request.session?.person?.id,
          route: request.routeOptions.url,
          status: answer.status,
        },
        'refused',
      );
    const { status, kind, message, extra } =
      answer ?? new HttpProblem(500, 'server', `Something went wrong here (request ${request.id}).`);
    return reply.status(status).send({ error: kind, message, ...extra });
  });
}

function asProblem(error: Error & { statusCode?: number; code?: string }): HttpProblem | null {
  if (error instanceof InputError) return invalid(error.problems);
  if (error instanceof Refusal) return refused(error);
  if (error instanceof HttpProblem) return error;
  const ofDb = ofDatabase(error);
  if (ofDb) return ofDb;
  if (error.statusCode && error.statusCode < 500)
    return new HttpProblem(error.statusCode, error.code ?? 'request', error.message.slice(0, 300));
  return null;
}
