import { createInterface } from 'node:readline/promises';
import { ROLES, type Role } from '@burl/contract';
import { connect, migrateToLatest } from './store/client.ts';
import { people } from './store/schema.ts';
import { hashPassword } from './routes/session.ts';

const [name, email, role] = process.argv.slice(2);
if (!name || !email || !(ROLES as readonly string[]).includes(role ?? '')) {
  console.error(
    `usage: npm run add-person -- "Name" address@site ${ROLES.join('|')}   (the password is read from standard input)`,
  );
  process.exit(2);
}
const password = (await createInterface({ input: process.stdin }).question('')).trim();
if (password.length < 10) {
  console.error(`password has ${password.length} characters; allowed: 10 or more`);
  process.exit(2);
}
const connection = connect(process.env['DATABASE_URL'] ?? '');
await migrateToLatest(connection.db);
const passwordHash = await hashPassword(password);
await connection.db
  .insert(people)
  .values({ name, email: email.toLowerCase(), role: role as Role, passwordHash })
  .onConflictDoUpdate({ target: people.email, set: { name, role: role as Role, passwordHash } });
await connection.close();
console.log(`${name} may sign in as ${role}.`);
