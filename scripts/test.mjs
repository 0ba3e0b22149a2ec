// npm test: installs what is missing, checks types, style and import directions, runs every test, says how many passed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, installModules } from './install.mjs';
import { installPackages, requirePostgres, ROOT, startCluster } from './postgres.mjs';

const data = join(ROOT, '.data');
mkdirSync(data, { recursive: true });
let failed = 0;
let passed = 0;

/** Runs a program of node_modules beside others and counts it as one check; what it says comes out when it ends. */
function check(name, tool, args) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(join(ROOT, 'node_modules/.bin', tool), args, { cwd: ROOT });
    let said = '';
    child.stdout.on('data', (text) => (said += text));
    child.stderr.on('data', (text) => (said += text));
    child.on('error', (error) => (said += error.message));
    child.on('close', (status) => {
      process.stdout.write(said);
      console.log(
        `${status === 0 ? 'ok' : 'FAILED'}: ${name}, ${((Date.now() - started) / 1000).toFixed(0)} s`,
      );
      if (status === 0) passed++;
      else failed++;
      resolve();
    });
  });
}

/** Optional packages of other platforms must stand in the lock file, or a clean install elsewhere fails. */
function checkLock() {
  const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
  const names = new Set(Object.keys(packages).map((p) => p.replace(/^.*node_modules\//, '')));
  const missing = Object.values(packages).flatMap((p) =>
    Object.keys(p.optionalDependencies ?? {}).filter((n) => !names.has(n)),
  );
  if (missing.length) {
    console.error(`optional packages missing in the lock file: ${missing.join(', ')}`);
    failed++;
  } else passed++;
}

function count(file, read) {
  if (!existsSync(file)) {
    console.error(`${file} was not written: the tests did not run`);
    failed++;
    return;
  }
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad;
}

async function main() {
  const needed = [];
  if (!existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) needed.push('chromium');
  if (spawnSync('pdftotext', ['-v']).error) needed.push('poppler-utils');
  if (needed.length) installPackages(needed);
  installModules();
  checkLock();
  const cluster = await startCluster('pg-test', { fast: true });
  try {
    process.env.BURL_TEST_DATABASE = cluster.url('postgres');
    process.env.BURL_POSTGRES_TOOLS = requirePostgres();
    await Promise.all([
      // Style reads the types that are written first.
      check('types', 'tsc', ['-b']).then(() => check('style', 'eslint', ['.', '--max-warnings', '0'])),
      check('format', 'prettier', ['--check', '--log-level', 'warn', '.']).then(() =>
        check('import directions', 'depcruise', [
          '--config',
          '.dependency-cruiser.mjs',
          'packages',
          'apps',
          'e2e',
        ]).then(() => check('unused exports', 'knip', [])),
      ),
    ]);

    const unit = join(data, 'unit.json');
    rmSync(unit, { force: true });
    const tests = spawnSync(
      join(ROOT, 'node_modules/.bin/vitest'),
      ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
      { cwd: ROOT, stdio: 'inherit' },
    );
    count(unit, (r) => [
      r.numPassedTests,
      r.numFailedTests + r.numFailedTestSuites - Math.min(r.numFailedTestSuites, r.numFailedTests),
    ]);
    if (tests.status !== 0 && failed === 0) failed++;

    build();
    const browser = join(data, 'browser.json');
    rmSync(browser, { force: true });
    const e2e = spawnSync(
      join(ROOT, 'node_modules/.bin/playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      {
        cwd: ROOT,
        stdio: 'inherit',
        env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
      },
    );
    count(browser, (r) => [r.stats.expected, r.stats.unexpected + r.stats.flaky]);
    if (e2e.status !== 0 && failed === 0) failed++;
  } finally {
    cluster.stop();
  }
}

main()
  .catch((error) => {
    console.error(error.message);
    failed++;
  })
  .finally(() => {
    console.log(`${passed} passed, ${failed} failed`);
    process.exitCode = failed === 0 ? 0 : 1;
  });
