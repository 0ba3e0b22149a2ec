import type { Role } from '@burl/contract';
import { DEMO_PASSWORD } from '../src/seed/demo.ts';

export interface Said {
  /** 0 when there was no answer. */
  readonly status: number;
  readonly ms: number;
  readonly text: string;
  readonly headers: Headers;
}

export type Visitor = (
  method: string,
  path: string,
  body?: unknown,
  headers?: Readonly<Record<string, string>>,
) => Promise<Said>;

/** Longer than any request may take: what is still open then hangs. */
const GIVE_UP_MS = 30_000;

/** Asks as a browser would. A connection that breaks is an answer with status 0. */
export const visitor =
  (url: string, cookie = ''): Visitor =>
  async (method, path, body, headers = {}) => {
    const began = performance.now();
    try {
      const answer = await fetch(url + path, {
        method,
        signal: AbortSignal.timeout(GIVE_UP_MS),
        headers: {
          ...(cookie && { cookie }),
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
        ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      });
      const text = await answer.text();
      return { status: answer.status, ms: performance.now() - began, text, headers: answer.headers };
    } catch {
      return { status: 0, ms: performance.now() - began, text: '', headers: new Headers() };
    }
  };

/** Signs in as a demo person. Throws when that is refused. */
export async function signedIn(url: string, role: Role): Promise<Visitor> {
  const answer = await visitor(url)('POST', '/api/session', {
    email: `${role}@burl.example`,
    password: DEMO_PASSWORD,
  });
  if (answer.status !== 200) throw new Error(`sign-in as ${role}: ${answer.status} ${answer.text}`);
  return visitor(url, String(answer.headers.get('set-cookie')).split(';')[0]!);
}

export const jsonOf = <T>(said: Said): T => JSON.parse(said.text) as T;
