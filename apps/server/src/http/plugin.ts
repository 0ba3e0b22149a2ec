import { InputError } from '@burl/core';
import { mayEdit, mayRelease, type Person, problemsFromYup, type Role } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import * as yup from 'yup';
import { forbidden, HttpProblem, invalid } from './problems.ts';

/** Who may call a route. Every route under /api has to say; one that does not stops the server from starting. */
export type Access = 'public' | 'person' | 'editor' | 'approver';

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

const ALLOWED: Readonly<Record<Access, (role: Role) => boolean>> = {
  public: () => true,
  person: () => true,
  editor: mayEdit,
  approver: mayRelease,
};

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

/** Access by role, origin check, validation by Yup, and errors without stack traces. */
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
    const { access, body } = request.routeOptions.config;
    if (access === undefined) return;
    checkOrigin(request);
    if (access !== 'public') {
      const person = personOf(request);
      if (!ALLOWED[access](person.role))
        throw forbidden(`A person with the role ${person.role} may not do this.`);
    }
    if (body) {
      try {
        request.body = await body.validate(request.body, { strict: true, abortEarly: false });
      } catch (error) {
        if (error instanceof yup.ValidationError) throw invalid(problemsFromYup(error).problems, 400);
        throw error;
      }
    }
  });

  app.setErrorHandler((error: Error & { statusCode?: number; code?: string }, request, reply) => {
    if (error instanceof InputError) error = invalid(error.problems);
    if (error instanceof HttpProblem) {
      return reply.status(error.status).send({ error: error.kind, message: error.message, ...error.extra });
    }
    if (error.code === '22P02') {
      return reply.status(404).send({ error: 'not-found', message: 'There is nothing under this address.' });
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

/** Typed body of a validated request. */
export const bodyOf = <T>(request: FastifyRequest): T => request.body as T;

/** Id from the address. Throws 404 unless it is a UUID. */
export function idOf(request: FastifyRequest, name = 'id'): string {
  const value = (request.params as Record<string, string>)[name] ?? '';
  if (!/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(value)) {
    throw new HttpProblem(404, 'not-found', 'There is nothing under this address.');
  }
  return value;
}
