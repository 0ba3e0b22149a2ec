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
import Fastify, { type FastifyInstance } from 'fastify';
import type { Connection } from './store/client.ts';
import { answerErrors } from './http/errors.ts';
import { forLog } from './http/for-log.ts';
import { healthRoute } from './http/health.ts';
import { readJson } from './http/json-bodies.ts';
import { describeSchema } from './http/openapi.ts';
import { protect } from './http/protect.ts';
import { PostgresSessionStore } from './http/session-store.ts';
import { PLAIN_SITE, type SiteSettings } from './http/settings.ts';
import { signInLimit } from './http/sign-in-limit.ts';
import { cribRoutes } from './routes/crib.ts';
import { chatterRoutes } from './routes/chatter.ts';
import { exchangeRoutes } from './routes/exchange.ts';
import { floorRoutes } from './routes/floor.ts';
import { machineRoutes } from './routes/machine.ts';
import { programRoutes } from './routes/programs.ts';
import { logbookRoutes } from './routes/logbook.ts';
import { jobRoutes } from './routes/jobs.ts';
import { peopleRoutes } from './routes/people.ts';
import { releaseRoutes } from './routes/releases.ts';
import { holeRoutes } from './routes/holes.ts';
import { operationRoutes } from './routes/operations.ts';
import { sessionRoutes } from './routes/session.ts';
import { jobList } from './work/job-list.ts';
import { summaries } from './work/summaries.ts';
import type { Work } from './work/work.ts';

export interface AppOptions {
  readonly connection: Connection;
  /** 32 characters or more. */
  readonly sessionSecret: string;
  /** Folder of the built interface, or null to serve the API alone. */
  readonly webFolder: string | null;
  readonly work: Work;
  /** Which physics summaries were worked out by. */
  readonly physics: string;
  /** Where log lines go; none when absent. */
  readonly log?: { readonly write: (line: string) => void };
  readonly site?: Partial<SiteSettings>;
  /** What a request may take to arrive whole, ms; other than usual in tests. */
  readonly arrival?: typeof ARRIVAL;
  /** Keep summaries up to date by itself, every so many milliseconds. */
  readonly refreshEveryMs?: number;
}

/** What a request may take to arrive whole; a body that stops half-way is closed within half a minute. */
const ARRIVAL = { headersTimeout: 15_000, requestTimeout: 25_000, connectionsCheckingInterval: 3000 };
const MOST_BODY = 512 * 1024;

/** The whole server, ready to listen or to be injected into. */
export async function buildApp(options: AppOptions): Promise<FastifyInstance> {
  const site: SiteSettings = { ...PLAIN_SITE, ...options.site };
  const arrival = options.arrival ?? ARRIVAL;
  const app = Fastify({
    logger: options.log ? { level: 'warn', stream: options.log, serializers: { req: shortRequest } } : false,
    bodyLimit: MOST_BODY,
    requestTimeout: arrival.requestTimeout,
    http: arrival,
    trustProxy: site.trustedProxies.length > 0 ? [...site.trustedProxies] : false,
  });
  answerErrors(app);
  readJson(app);
  await safeHeaders(app, site);
  // The tag is of the answer itself, so it comes before the packing.
  await app.register(etag);
  await app.register(compress, { threshold: 1024, encodings: ['gzip'] });
  await describe(app);
  healthRoute(app, options.connection);
  await app.register((api) => offer(api, options, site));
  await interfaceRoutes(app, options.webFolder);
  return app;
}

/** No address with its query, no header, no cookie: who asked what is enough. */
const shortRequest = (request: { method?: string; url?: string; ip?: string }) => ({
  method: request.method,
  url: request.url?.split('?', 1)[0]?.slice(0, 200),
  address: request.ip,
});

async function safeHeaders(app: FastifyInstance, site: SiteSettings): Promise<void> {
  await app.register(helmet, {
    strictTransportSecurity: site.secureCookie ? undefined : false,
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        // The inner loops of the periodic solution are WebAssembly: it may be compiled, no text may be run as a script.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
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
  app.addHook('onRequest', async (request, reply) => {
    // Kept by the browser, and asked about each time: what has not changed is not sent twice.
    if (request.url.startsWith('/api/')) reply.header('cache-control', 'private, no-cache');
  });
}

/** The API's own description, with a page to read it. */
async function describe(app: FastifyInstance): Promise<void> {
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
  await app.register(swaggerUi, {
    routePrefix: '/api/docs',
    staticCSP: true,
    // The bar on top carries the library's own mark; the page is Burl's.
    theme: {
      title: 'Burl API',
      css: [{ filename: 'burl.css', content: '.swagger-ui .topbar { display: none }' }],
    },
  });
}

/** All that is asked for with a session; files and health stand beside it and need neither session nor database. */
async function offer(
  api: FastifyInstance,
  { connection, sessionSecret, work, physics, refreshEveryMs }: AppOptions,
  site: SiteSettings,
): Promise<void> {
  const { db, pool } = connection;
  await api.register(cookie);
  await api.register(session, {
    secret: sessionSecret,
    // The prefix binds the cookie to this very host and to HTTPS.
    cookieName: site.secureCookie ? '__Host-burl' : 'burl',
    saveUninitialized: false,
    rolling: false,
    store: new PostgresSessionStore(db, site.session),
    cookie: {
      httpOnly: true,
      sameSite: 'strict',
      secure: site.secureCookie,
      path: '/',
      maxAge: site.session.hours * 3600_000,
    },
  });
  await api.register(rateLimit, { global: false });
  protect(api, site.publicOrigin);
  const limit = signInLimit(pool);
  const kept = summaries(db, work, physics);
  if (refreshEveryMs !== undefined && site.summaries)
    kept.start(refreshEveryMs, (error) => api.log.warn({ error: forLog(error) }, 'summaries wait'));
  api.addHook('onClose', async () => {
    kept.stop();
  });
  api.get('/api/openapi.json', { config: { access: 'public' }, schema: { hide: true } }, () => api.swagger());
  sessionRoutes(api, db, site, limit);
  peopleRoutes(api, db, site, limit);
  cribRoutes(api, db, work);
  chatterRoutes(api, db);
  jobRoutes(api, db, jobList(db, site.summaries ? kept : null, physics));
  operationRoutes(api, db);
  holeRoutes(api, db);
  releaseRoutes(api, db, work);
  floorRoutes(api, db, work);
  programRoutes(api, db);
  machineRoutes(api, db, work);
  logbookRoutes(api, db, work);
  exchangeRoutes(api, db, work);
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
