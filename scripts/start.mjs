// npm start: installs what is missing, starts PostgreSQL, migrates, seeds, builds, serves, prints the address.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { burlDatabase, secretOf } from './database.mjs';
import { build, installModules } from './install.mjs';
import { ROOT } from './postgres.mjs';

/** A server that answers ends within six seconds of being asked. */
const STOP_MS = 8000;

const free = (port, host) =>
  new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, host, () => probe.close(() => done(true)));
  });

async function main() {
  installModules();
  const database = await burlDatabase();
  build();

  const host = process.env.HOST ?? '127.0.0.1';
  const wanted = Number(process.env.PORT ?? 4180);
  let port = wanted;
  while (!(await free(port, host))) port++;
  if (port !== wanted) console.log(`port ${wanted} is taken; using ${port}`);

  const server = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'apps/server/dist/main.js')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      NODE_ENV: 'production',
      ...process.env,
      ...database.environment,
      SESSION_SECRET: process.env.SESSION_SECRET ?? secretOf('session-secret'),
      PORT: String(port),
      HOST: host,
    },
  });
  server.on('message', () =>
    console.log(`Burl is at http://${host === '0.0.0.0' ? 'localhost' : host}:${port}`),
  );

  let stopping = false;
  const stop = (code) => {
    if (stopping) return;
    stopping = true;
    server.kill('SIGTERM');
    const end = () => {
      database.stop();
      process.exit(code);
    };
    if (server.exitCode !== null || server.signalCode !== null) return end();
    server.once('exit', end);
    // One that hangs hears nothing; it must not be left behind with the port.
    setTimeout(() => server.kill('SIGKILL'), STOP_MS);
  };
  server.once('exit', (code) => {
    if (!stopping) console.error(`the server ended with ${code}`);
    stop(code ?? 1);
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));
  // npm passes SIGTERM only to its shell; when that is gone, so are we.
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && stop(0), 1000).unref();
}

main().catch((error) => {
  console.error(`Burl cannot start: ${error.message}`);
  process.exit(1);
});
