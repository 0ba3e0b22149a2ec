import { randomBytes } from 'node:crypto';
import { SESSION } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { hashPassword, fits } from '../http/passwords.ts';
import { HttpProblem, tooMany } from '../http/problems.ts';
import { serve } from '../http/serve.ts';
import type { SiteSettings } from '../http/settings.ts';
import type { SignInLimit } from '../http/sign-in-limit.ts';
import { record } from '../store/audit.ts';
import type { Database } from '../store/client.ts';
import { demoPeople, personByEmail } from '../store/people-store.ts';
import { openSession } from '../store/sessions.ts';

/** Attempts from one address in a minute, for routes nobody has to be signed in for. */
export const perAddress = ({ signInsPerMinute }: SiteSettings) => ({
  rateLimit: {
    max: signInsPerMinute,
    timeWindow: '1 minute',
    errorResponseBuilder: (_request: unknown, context: { ttl: number }) => tooMany(context.ttl / 1000),
  },
});

/** Signing in and out. */
export function sessionRoutes(
  app: FastifyInstance,
  db: Database,
  site: SiteSettings,
  limit: SignInLimit,
): void {
  // An unknown address costs the same time as a wrong password.
  const nobody = hashPassword(randomBytes(16).toString('hex'));

  serve(
    app,
    SESSION.signIn,
    async ({ body, request }) => {
      if (site.secureCookie && request.protocol !== 'https')
        throw new HttpProblem(
          400,
          'plain-http',
          'This site is set up for HTTPS, and this request did not come by it. Open the site’s https address; if you did, its proxy is not among BURL_TRUSTED_PROXIES.',
        );
      const wait = await limit.attempt(body.email, request.ip);
      if (wait > 0) {
        request.log.warn({ address: request.ip }, 'sign-in slowed down');
        throw tooMany(wait);
      }
      const known = await personByEmail(db, body.email);
      const right = await fits(known?.passwordHash ?? (await nobody), body.password);
      if (!known || !right) {
        request.log.warn({ address: request.ip, person: known?.person.id ?? null }, 'sign-in failed');
        throw new HttpProblem(401, 'sign-in', 'Wrong email or password.');
      }
      await limit.succeeded(body.email, request.ip);
      await request.session.regenerate();
      await openSession(db, request.session.sessionId, known.person.id);
      request.session.person = known.person;
      await record(db, known.person, {
        action: 'signed in',
        subject: known.person.email,
        detail: { address: request.ip },
      });
      return known.person;
    },
    { config: perAddress(site) },
  );

  serve(app, SESSION.who, async ({ request }) => {
    const person = request.session.person ?? null;
    const demo = await demoPeople(db);
    return { person, demo: person ? [] : demo, demoAccounts: demo.length > 0 };
  });

  serve(app, SESSION.signOut, async ({ person, request }) => {
    await request.session.destroy();
    await record(db, person, { action: 'signed out', subject: person.email });
    return { person: null };
  });
}
