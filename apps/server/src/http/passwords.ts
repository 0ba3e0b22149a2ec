import { hash, verify } from '@node-rs/argon2';
import { InputError } from '@burl/core';
import { dictionary } from '@zxcvbn-ts/language-common';

/** Argon2id with the library's memory-hard defaults (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Whether a password is the one a hash was made of; a damaged hash fits none. */
export const fits = (passwordHash: string, password: string): Promise<boolean> =>
  verify(passwordHash, password).catch(() => false);

const COMMON = new Set<string>(dictionary['passwords-common'] as readonly string[]);

/** Throws when everybody would guess it: a common password, one sign again and again, or the own address. */
export function requireUncommon(password: string, email: string): void {
  const plain = password.toLowerCase();
  const [name = ''] = email.toLowerCase().split('@');
  const bare = plain.replace(/[^a-z]+/g, '');
  const guessed =
    COMMON.has(plain) ||
    // A common word with a year or a few signs round it.
    (bare.length > 0 && COMMON.has(bare) && plain.length - bare.length <= 6) ||
    new Set(plain).size < 5 ||
    (name.length > 2 && plain.includes(name));
  if (guessed)
    throw new InputError([
      {
        field: 'password',
        value: '(not shown)',
        allowed: 'something others would not guess: not a common password, not the own address',
      },
    ]);
}
