import { readFileSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const args = JSON.parse(readFileSync(new URL('./chromium-args.json', import.meta.url), 'utf8')) as string[];

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  // Several times what the longest takes on a quiet machine: many others work beside it.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // Files side by side, each worker on a server and a database of its own: see own-server.ts.
  workers: Number(process.env['BURL_E2E_WORKERS'] ?? 2),
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args,
    },
  },
});
