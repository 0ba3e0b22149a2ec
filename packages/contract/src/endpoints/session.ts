import { endpoint } from '../endpoint.ts';
import { type Person, type SessionInfo, signInSchema } from '../people.ts';

export const SESSION = {
  signIn: endpoint<Person>()({
    method: 'POST',
    path: '/api/session',
    access: 'public',
    tag: 'session',
    summary: 'Sign in',
    body: signInSchema,
    success: 200,
  }),
  who: endpoint<SessionInfo>()({
    method: 'GET',
    path: '/api/session',
    access: 'public',
    tag: 'session',
    summary: 'Who is signed in, and the demo accounts while they exist',
  }),
  signOut: endpoint<{ person: null }>()({
    method: 'DELETE',
    path: '/api/session',
    access: 'person',
    tag: 'session',
    summary: 'Sign out',
  }),
};
