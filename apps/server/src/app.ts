import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compress from '@fastify/compress';
import cookie from '@fastify/cookie';
import etag from '@fastify/etag';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import session from '@fastify/session';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import { sql } from 'drizzle-orm';
import Fastify, { type FastifyInstance } from 'fastify';
import type { Database } from './store/client.ts';
import { describeSchema } from './http/openapi.ts';
import { protect } from './http/protect.ts';
import { PostgresSessionStore, SESSION_HOURS } from './http/session-store.ts';
import { cribRoutes } from './routes/crib.ts';
import { chatterRoutes } from './routes/chatter.ts';
import { exchangeRoutes } from './routes/exchange.ts';
import { jobRoutes } from './routes/jobs.ts';
import { releaseRoutes } from './routes/releases.ts';
import { holeRoutes } from './routes/holes.ts';
import { operationRoutes } from './routes/operations.ts';
import { sessionRoutes } from './routes/session.ts';

export interface AppOptions {
  readonly db: Database;
  /** 32 characters or more. */
  readonly sessionSecret: string;
  /** Folder of the built interface, or null to serve the API alone. */
  readonly webFolder: string | null;
  readonly log?: boolean;
  readonly signInsPerMinute?: number;
  /** Set the cookie for HTTPS only; off on loopback. */
  readonly secureCookie?: boolean;
}

/** The whole server, ready to listen or to be injected into. */
export async function buildApp(options: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger: options.log ? { level: 'warn' } : false,
    bodyLimit: 1024 * 1024,
    trustProxy: false,
  });
  await app.register(helmet, {
    strictTransportSecurity: (options.secureCookie ?? false) ? undefined : false,
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        // A recording that was chosen is played from the page's own memory.
        mediaSrc: ["'self'", 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
        baseUri: ["'self'"],
        upgradeInsecureRequests: null,
      },
    },
  });
  // The tag is of the answer itself, so it comes before the packing.
  await app.register(etag);
  await app.register(compress, { threshold: 1024, encodings: ['gzip'] });
  app.addHook('onRequest', async (request, reply) => {
    // Kept by the browser, and asked about each time: what has not changed is not sent twice.
    if (request.url.startsWith('/api/')) reply.header('cache-control', 'private, no-cache');
  });
  await app.register(cookie);
  await app.register(session, {
    secret: options.sessionSecret,
    cookieName: 'burl',
    saveUninitialized: false,
    store: new PostgresSessionStore(options.db),
    cookie: {
      httpOnly: true,
      sameSite: 'strict',
      secure: options.secureCookie ?? false,
      path: '/',
      maxAge: SESSION_HOURS * 3600_000,
    },
  });
  await app.register(rateLimit, { global: false });
  await app.register(swagger, {
    openapi: {
      info: {
        title: 'Burl',
        version: '1',
        description: 'Jobs, operations, limits and releases. Sign in with POST /api/session first.',
      },
      components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'burl' } } },
    },
    transform: ({ schema, url, route }) => {
      const { access, body } = (route.config ?? {}) as {
        access?: string;
        body?: Parameters<typeof describeSchema>[0];
      };
      return {
        url,
        schema: {
          ...schema,
          ...(body ? { body: describeSchema(body) } : {}),
          ...(access && access !== 'public'
            ? { security: [{ session: [] }], description: `For: ${access}` }
            : {}),
        },
      };
    },
  });
  protect(app);
  await app.register(swaggerUi, {
    routePrefix: '/api/docs',
    staticCSP: true,
    // The bar on top carries the library's own mark; the page is Burl's.
    theme: {
      title: 'Burl API',
      css: [{ filename: 'burl.css', content: '.swagger-ui .topbar { display: none }' }],
    },
  });

  app.get(
    '/api/health',
    { config: { access: 'public' }, schema: { summary: 'Server and database are there', tags: ['server'] } },
    async () => {
      await options.db.execute(sql`select 1`);
      return { ok: true };
    },
  );
  app.get('/api/openapi.json', { config: { access: 'public' }, schema: { hide: true } }, () => app.swagger());
  sessionRoutes(app, options.db, options.signInsPerMinute ?? 10);
  cribRoutes(app, options.db);
  chatterRoutes(app, options.db);
  jobRoutes(app, options.db);
  operationRoutes(app, options.db);
  holeRoutes(app, options.db);
  releaseRoutes(app, options.db);
  exchangeRoutes(app, options.db);
  await interfaceRoutes(app, options.webFolder);
  return app;
}

/** Serves the built interface; any page address gets index.html, everything else a plain 404. */
async function interfaceRoutes(app: FastifyInstance, folder: string | null): Promise<void> {
  const served = folder !== null && existsSync(join(folder, 'index.html'));
  if (served) {
    await app.register(fastifyStatic, {
      root: folder,
      wildcard: true,
      cacheControl: false,
      setHeaders: (reply, path) =>
        reply.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    });
  }
  app.setNotFoundHandler((request, reply) => {
    const page = request.method === 'GET' && (request.headers.accept ?? '').includes('text/html');
    if (served && page && !/^\/(api|assets)\//.test(request.url))
      return reply.type('text/html').sendFile('index.html');
    return reply.status(404).send({ error: 'not-found', message: 'There is nothing under this address.' });
  });
}
