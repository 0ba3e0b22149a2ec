import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { SESSION } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { HttpProblem } from '../http/problems.ts';
import { serve } from '../http/serve.ts';
import { record } from '../store/audit.ts';
import type { Database } from '../store/client.ts';
import { demoPeople, personByEmail } from '../store/people-store.ts';

/** Argon2id with the library's memory-hard defaults (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Signing in and out. */
export function sessionRoutes(app: FastifyInstance, db: Database, attemptsPerMinute: number): void {
  // An unknown address costs the same time as a wrong password.
  const nobody = hashPassword(randomBytes(16).toString('hex'));
  const rateLimit = {
    max: attemptsPerMinute,
    timeWindow: '1 minute',
    errorResponseBuilder: (_request: unknown, context: { ttl: number }) =>
      new HttpProblem(
        429,
        'too-many',
        `Too many attempts. Try again in ${Math.ceil(context.ttl / 1000)} seconds.`,
      ),
  };

  serve(
    app,
    SESSION.signIn,
    async ({ body, request }) => {
      const known = await personByEmail(db, body.email);
      const right = await verify(known?.passwordHash ?? (await nobody), body.password).catch(() => false);
      if (!known || !right) throw new HttpProblem(401, 'sign-in', 'Wrong email or password.');
      await request.session.regenerate();
      request.session.person = known.person;
      await record(db, known.person, { action: 'signed in', subject: known.person.email });
      return known.person;
    },
    { config: { rateLimit } },
  );

  serve(app, SESSION.who, async ({ request }) => {
    const person = request.session.person ?? null;
    return { person, demo: person ? [] : await demoPeople(db) };
  });

  serve(app, SESSION.signOut, async ({ person, request }) => {
    await request.session.destroy();
    await record(db, person, { action: 'signed out', subject: person.email });
    return { person: null };
  });
}
