import { type Access, ALLOWED, type Person } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type * as yup from 'yup';
import { forbidden, HttpProblem } from './problems.ts';

declare module 'fastify' {
  interface FastifyContextConfig {
    access?: Access;
    body?: yup.Schema;
    /** Values in the largest body. */
    values?: number;
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

/** A browser says where a write comes from; anything but this very site is refused. */
function checkOrigin(request: FastifyRequest, publicOrigin: string | null): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  const { origin } = request.headers;
  if (origin === undefined) {
    if (request.headers['sec-fetch-site'] && request.headers['sec-fetch-site'] !== 'same-origin') {
      throw forbidden('Writes from another site are refused.');
    }
    return;
  }
  if (publicOrigin !== null) {
    if (origin !== publicOrigin) throw forbidden('Writes from another site are refused.');
    return;
  }
  let host: string | undefined;
  try {
    host = new URL(origin).host;
  } catch {
    host = undefined;
  }
  if (host !== request.host) throw forbidden('Writes from another site are refused.');
}

/**
 * Access by role and the check of where a write comes from, both before a byte of the body is read: nobody who may not write
 * makes the server take in megabytes. Every route under /api has to say who may call it; one that does not stops the
 * server from starting.
 */
export function protect(app: FastifyInstance, publicOrigin: string | null): void {
  app.addHook('onRoute', (route) => {
    if (
      route.url.startsWith('/api') &&
      route.config?.access === undefined &&
      !route.url.startsWith('/api/docs')
    ) {
      throw new Error(`route ${String(route.method)} ${route.url} does not say who may call it`);
    }
  });

  app.addHook('onRequest', async (request) => {
    const { access } = request.routeOptions.config;
    if (access === undefined) return;
    checkOrigin(request, publicOrigin);
    if (access === 'public') return;
    const person = personOf(request);
    if (!ALLOWED[access](person.role))
      throw forbidden(`A person with the role ${person.role} may not do this.`);
  });
}
