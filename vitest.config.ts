import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Every core: the default leaves one idle, which is half of a small machine.
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'core',
          root: 'packages/core',
          include: ['{src,bench,golden,practice}/**/*.test.ts'],
          // Nothing in it is changed by a test: read once a worker, not once a file.
          isolate: false,
          pool: 'threads',
          testTimeout: 120000,
        },
      },
      {
        test: { name: 'contract', root: 'packages/contract', include: ['src/**/*.test.ts'], isolate: false },
      },
      {
        test: {
          name: 'server',
          root: 'apps/server',
          include: ['{src,hold}/**/*.test.ts'],
          pool: 'forks',
          hookTimeout: 60000,
          testTimeout: 30000,
        },
      },
      { test: { name: 'cli', root: 'apps/cli', include: ['src/**/*.test.ts'], testTimeout: 60000 } },
      {
        extends: 'apps/web/vite.config.ts',
        test: {
          name: 'web',
          root: 'apps/web',
          include: ['src/**/*.test.{ts,tsx}'],
          environment: 'happy-dom',
          testTimeout: 40000,
        },
      },
    ],
  },
});
