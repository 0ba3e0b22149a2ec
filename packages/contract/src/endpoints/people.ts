import { endpoint } from '../endpoint.ts';
import {
  type Invitation,
  invitationSchema,
  ownPasswordSchema,
  passwordLinkSchema,
  type Person,
  type PersonRecord,
  personUpdateSchema,
} from '../people.ts';

export const PEOPLE = {
  ownPassword: endpoint<{ person: Person }>()({
    method: 'PUT',
    path: '/api/session/password',
    access: 'person',
    tag: 'people',
    summary: 'Change one’s own password; other sessions end',
    body: ownPasswordSchema,
  }),
  redeem: endpoint<{ person: Person }>()({
    method: 'POST',
    path: '/api/password-links',
    access: 'public',
    tag: 'people',
    summary: 'Set a password by a one-time link',
    body: passwordLinkSchema,
    success: 200,
  }),
  all: endpoint<PersonRecord[]>()({
    method: 'GET',
    path: '/api/people',
    access: 'administrator',
    tag: 'people',
    summary: 'Everybody who may or might sign in',
  }),
  invite: endpoint<Invitation>()({
    method: 'POST',
    path: '/api/people',
    access: 'administrator',
    tag: 'people',
    summary: 'Add a person; answers the one-time link that sets the password',
    body: invitationSchema,
  }),
  change: endpoint<PersonRecord>()({
    method: 'PUT',
    path: '/api/people/:id',
    access: 'administrator',
    tag: 'people',
    summary: 'Change name, role or state of a person',
    body: personUpdateSchema,
  }),
  endSessions: endpoint<PersonRecord>()({
    method: 'DELETE',
    path: '/api/people/:id/sessions',
    access: 'administrator',
    tag: 'people',
    summary: 'End every session of a person',
  }),
  passwordLink: endpoint<Invitation>()({
    method: 'POST',
    path: '/api/people/:id/password-links',
    access: 'administrator',
    tag: 'people',
    summary: 'Take the password away; answers the one-time link that sets a new one',
  }),
};
