import { readFileSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const args = JSON.parse(readFileSync(new URL('./chromium-args.json', import.meta.url), 'utf8')) as string[];

const port = Number(process.env['BURL_E2E_PORT'] ?? 4199);

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // Twice what the longest takes on a machine that is busy with other work.
  timeout: 120_000,
  expect: { timeout: 10_000 },
  workers: 1,
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args,
    },
  },
  webServer: {
    command: 'node serve.mjs',
    cwd: import.meta.dirname,
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: String(port) },
    timeout: 60_000,
  },
});
