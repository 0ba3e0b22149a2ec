import { InputError } from '@burl/core';
import { type Access, ALLOWED, type Person } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type * as yup from 'yup';
import { Refusal } from '../store/refusal.ts';
import { forbidden, HttpProblem, invalid, nothingHere, refused } from './problems.ts';

declare module 'fastify' {
  interface FastifyContextConfig {
    access?: Access;
    body?: yup.Schema;
  }
  interface Session {
    person?: Person;
  }
}

/** The signed-in person. Throws 401 when nobody is. */
export function personOf(request: FastifyRequest): Person {
  const person = request.session.person;
  if (!person) throw new HttpProblem(401, 'signed-out', 'Sign in first.');
  return person;
}

/** A browser says where a write comes from; anything but this very host is refused. */
function checkOrigin(request: FastifyRequest): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const { origin } = request.headers;
  if (origin === undefined) {
    if (request.headers['sec-fetch-site'] && request.headers['sec-fetch-site'] !== 'same-origin') {
      throw forbidden('Writes from another site are refused.');
    }
    return;
  }
  let host: string | undefined;
  try {
    host = new URL(origin).host;
  } catch {
    host = undefined;
  }
  if (host !== request.headers.host) throw forbidden('Writes from another site are refused.');
}

/**
 * Access by role, origin check, and errors without stack traces. Every route under /api has to say who may call it;
 * one that does not stops the server from starting.
 */
export function protect(app: FastifyInstance): void {
  app.addHook('onRoute', (route) => {
    if (
      route.url.startsWith('/api') &&
      route.config?.access === undefined &&
      !route.url.startsWith('/api/docs')
    ) {
      throw new Error(`route ${String(route.method)} ${route.url} does not say who may call it`);
    }
  });

  app.addHook('preValidation', async (request) => {
    const { access } = request.routeOptions.config;
    if (access === undefined) return;
    checkOrigin(request);
    if (access !== 'public') {
      const person = personOf(request);
      if (!ALLOWED[access](person.role))
        throw forbidden(`A person with the role ${person.role} may not do this.`);
    }
  });

  app.setErrorHandler((error: Error & { statusCode?: number; code?: string }, request, reply) => {
    if (error instanceof InputError) error = invalid(error.problems);
    if (error instanceof Refusal) error = refused(error);
    if (error.code === '22P02') error = nothingHere();
    if (error instanceof HttpProblem) {
      return reply.status(error.status).send({ error: error.kind, message: error.message, ...error.extra });
    }
    if (error.statusCode && error.statusCode < 500) {
      return reply.status(error.statusCode).send({ error: error.code ?? 'request', message: error.message });
    }
    request.log.error(error);
    const unreachable = /ECONNREFUSED|terminat|timeout exceeded|57P0|Connection/i.test(
      `${error.message} ${String((error as { cause?: unknown }).cause)}`,
    );
    return unreachable
      ? reply.status(503).send({
          error: 'database',
          message: 'The database does not answer. Nothing was lost; try again shortly.',
        })
      : reply
          .status(500)
          .send({ error: 'server', message: `Something went wrong here (request ${request.id}).` });
  });
}
