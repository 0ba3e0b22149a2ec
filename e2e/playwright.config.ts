import { defineConfig } from '@playwright/test';

const port = Number(process.env['BURL_E2E_PORT'] ?? 4199);

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  timeout: 60_000,
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
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-dev-shm-usage',
      ],
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
