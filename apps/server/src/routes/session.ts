import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { type Person, type SignIn, signInSchema } from '@burl/contract';
import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../db/client.ts';
import { people } from '../db/schema.ts';
import { bodyOf, personOf } from '../http/plugin.ts';
import { HttpProblem } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';

/** Argon2id with the library's memory-hard defaults (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

export function sessionRoutes(app: FastifyInstance, db: Database, attemptsPerMinute: number): void {
  // An unknown address costs the same time as a wrong password.
  const nobody = hashPassword(randomBytes(16).toString('hex'));

  app.post(
    '/api/session',
    {
      config: {
        access: 'public',
        body: signInSchema,
        rateLimit: {
          max: attemptsPerMinute,
          timeWindow: '1 minute',
          errorResponseBuilder: (_request: unknown, context: { ttl: number }) =>
            new HttpProblem(
              429,
              'too-many',
              `Too many attempts. Try again in ${Math.ceil(context.ttl / 1000)} seconds.`,
            ),
        },
      },
      schema: { summary: 'Sign in', tags: ['session'] },
    },
    async (request) => {
      const { email, password } = bodyOf<SignIn>(request);
      const [row] = await db.select().from(people).where(eq(people.email, email.toLowerCase()));
      const right = await verify(row?.passwordHash ?? (await nobody), password).catch(() => false);
      if (!row || !right) throw new HttpProblem(401, 'sign-in', 'Wrong email or password.');
      const person: Person = { id: row.id, name: row.name, email: row.email, role: row.role };
      await request.session.regenerate();
      request.session.person = person;
      await record(db, person, { action: 'signed in', subject: person.email });
      return person;
    },
  );

  app.get(
    '/api/session',
    {
      config: { access: 'public' },
      schema: { summary: 'Who is signed in, and the demo accounts while they exist', tags: ['session'] },
    },
    async (request) => {
      const person = request.session.person ?? null;
      const demo = person
        ? []
        : await db
            .select({ name: people.name, email: people.email, role: people.role })
            .from(people)
            .where(eq(people.demo, 1));
      return { person, demo };
    },
  );

  app.delete(
    '/api/session',
    { config: { access: 'person' }, schema: { summary: 'Sign out', tags: ['session'] } },
    async (request) => {
      const person = personOf(request);
      await request.session.destroy();
      await record(db, person, { action: 'signed out', subject: person.email });
      return { person: null };
    },
  );
}
