import { readFileSync } from 'node:fs';
import { InputError } from '@burl/core';
import { type ServerLink, signIn } from './server-link.ts';

/** Something that was typed cannot be meant: told with how the commands are used. */
export class Usage extends Error {}

/** Text of a file, or of what is piped in for `-`. Throws an InputError. */
export function read(path: string): string {
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    throw new InputError([
      {
        field: 'FILE',
        value: path,
        allowed: `a file that can be read (${(error as NodeJS.ErrnoException).code ?? 'error'})`,
      },
    ]);
  }
}

/** A server, signed in to as the environment says. */
export function link(): Promise<ServerLink> {
  const { BURL_URL: url = 'http://127.0.0.1:4180', BURL_EMAIL: email, BURL_PASSWORD: password } = process.env;
  if (!email || !password) throw new Usage('BURL_EMAIL and BURL_PASSWORD are not set');
  return signIn({ url, email, password });
}
