import { spawn } from 'node:child_process';
import { join } from 'node:path';

/**
 * Runs pg_dump or pg_restore against a database. The password goes by the environment, where no list of processes shows it.
 * Throws with what the tool said.
 */
export function postgresTool(name: 'pg_dump' | 'pg_restore', url: string, args: string[]): Promise<void> {
  const { username, password, hostname, port, pathname, searchParams } = new URL(url);
  const folder = process.env['BURL_POSTGRES_TOOLS'];
  const tool = spawn(
    folder ? join(folder, name) : name,
    ['--no-password', '--dbname', decodeURIComponent(pathname.slice(1)), ...args],
    {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: {
        ...process.env,
        PGHOST: hostname,
        PGPORT: port || '5432',
        PGUSER: decodeURIComponent(username),
        PGPASSWORD: decodeURIComponent(password),
        ...(searchParams.get('sslmode') ? { PGSSLMODE: searchParams.get('sslmode')! } : {}),
      },
    },
  );
  let said = '';
  tool.stderr.on('data', (text: Buffer) => (said = (said + text.toString()).slice(-4000)));
  return new Promise((done, fail) => {
    tool.once('error', fail);
    tool.once('close', (code) => (code === 0 ? done() : fail(new Error(`${name}: ${said.trim()}`))));
  });
}
