import { createInterface } from 'node:readline/promises';
import { LEAST_PASSWORD, ROLES, type Role } from '@burl/contract';
import { InputError } from '@burl/core';
import { hashPassword, requireUncommon } from './http/passwords.ts';
import { record } from './store/audit.ts';
import { bringUp, connect } from './store/client.ts';
import { people } from './store/schema/people.ts';
import { closeAllOf } from './store/sessions.ts';

const [name, address, role] = process.argv.slice(2);
if (!name || !address || !(ROLES as readonly string[]).includes(role ?? '')) {
  console.error(
    `usage: npm run add-person -- "Name" address@site ${ROLES.join('|')}   (the password is read from standard input)`,
  );
  process.exit(2);
}
const email = address.toLowerCase();
const password = (await createInterface({ input: process.stdin }).question('')).trim();
if (password.length < LEAST_PASSWORD) {
  console.error(`password has ${password.length} characters; allowed: ${LEAST_PASSWORD} or more`);
  process.exit(2);
}
try {
  requireUncommon(password, email);
} catch (error) {
  if (!(error instanceof InputError)) throw error;
  console.error(`password: allowed is ${error.problems[0]?.allowed}`);
  process.exit(2);
}
const url = process.env['DATABASE_URL'] ?? '';
await bringUp(process.env['BURL_OWNER_URL'] ?? url);
const connection = connect(url);
const passwordHash = await hashPassword(password);
await connection.db.transaction(async (tx) => {
  const [row] = await tx
    .insert(people)
    .values({ name, email, role: role as Role, passwordHash })
    .onConflictDoUpdate({
      target: people.email,
      set: { name, role: role as Role, passwordHash, state: 'active' },
    })
    .returning({ id: people.id });
  await closeAllOf(tx, row!.id);
  await record(tx, null, { action: 'added person by command', subject: email, detail: { role } });
});
await connection.close();
console.log(`${name} may sign in as ${role}.`);
