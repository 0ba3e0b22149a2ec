import { PEOPLE } from '@burl/contract';
import type { FastifyInstance } from 'fastify';
import { fits, hashPassword, requireUncommon } from '../http/passwords.ts';
import { HttpProblem, tooMany } from '../http/problems.ts';
import { serve } from '../http/serve.ts';
import type { SiteSettings } from '../http/settings.ts';
import type { SignInLimit } from '../http/sign-in-limit.ts';
import { record } from '../store/audit.ts';
import type { Database } from '../store/client.ts';
import {
  changePerson,
  endSessions,
  invitePerson,
  redeemLink,
  resetPassword,
  setPassword,
} from '../store/people-changes.ts';
import { allPeople, personByEmail } from '../store/people-store.ts';
import { openSession } from '../store/sessions.ts';
import { perAddress } from './session.ts';

/** People, their rights and their passwords. */
export function peopleRoutes(
  app: FastifyInstance,
  db: Database,
  site: SiteSettings,
  limit: SignInLimit,
): void {
  serve(app, PEOPLE.all, () => allPeople(db));
  serve(app, PEOPLE.invite, ({ person, body }) => invitePerson(db, person, body));
  serve(app, PEOPLE.change, ({ at, person, body }) => changePerson(db, person, at.id, body));
  serve(app, PEOPLE.endSessions, ({ at, person }) => endSessions(db, person, at.id));
  serve(app, PEOPLE.passwordLink, ({ at, person }) => resetPassword(db, person, at.id));

  serve(app, PEOPLE.ownPassword, async ({ person, body, request }) => {
    const wait = await limit.attempt(person.email, request.ip);
    if (wait > 0) throw tooMany(wait);
    const known = await personByEmail(db, person.email);
    if (!known || !(await fits(known.passwordHash, body.current)))
      throw new HttpProblem(403, 'password', 'The present password is another.');
    await limit.succeeded(person.email, request.ip);
    requireUncommon(body.password, person.email);
    const passwordHash = await hashPassword(body.password);
    await db.transaction(async (tx) => {
      await setPassword(tx, person.id, passwordHash);
      await record(tx, person, { action: 'changed own password', subject: person.email });
    });
    // Every session ended, this one too: whoever changed it stays signed in under a new one.
    await request.session.regenerate();
    await openSession(db, request.session.sessionId, person.id);
    request.session.person = person;
    return { person };
  });

  serve(
    app,
    PEOPLE.redeem,
    async ({ body }) => {
      requireUncommon(body.password, '');
      return { person: await redeemLink(db, body.token, await hashPassword(body.password)) };
    },
    { config: perAddress(site) },
  );
}
