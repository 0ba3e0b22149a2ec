// npm run hold [-- NAME …] [--size 0.1]: loads, kills and attacks a server on loopback, and prints what it held.
import { build, installModules, runTool } from './install.mjs';
import { startCluster } from './postgres.mjs';

installModules();
build();
const cluster = await startCluster('pg-test', { fast: true });
const { status } = runTool('tsx', ['apps/server/hold/main.ts', ...process.argv.slice(2)], {
  env: { ...process.env, BURL_TEST_DATABASE: cluster.url('postgres') },
});
cluster.stop();
process.exitCode = status ?? 1;
