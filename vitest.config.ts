import { defineConfig } from 'vitest/config';

/** Tests that put something in the place of a module or of the browser's own database: each needs what it imports fresh. */
const STANDS_ALONE = [
  'src/outbox/**/*.test.{ts,tsx}',
  'src/workers/**/*.test.{ts,tsx}',
  'src/pages/{floor,chatter,intake}/**/*.test.{ts,tsx}',
  'src/pages/bench/{compare,panels}/**/*.test.{ts,tsx}',
  'src/pages/bench/use-{operation,judged}.test.tsx',
  'src/pages/crib/entry-dialog.test.tsx',
];
const web = {
  root: 'apps/web',
  include: ['src/**/*.test.{ts,tsx}'],
  environment: 'happy-dom',
  testTimeout: 40000,
  setupFiles: ['test/patient.ts'],
};

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
          // Its workers and pools are made by each application anew, so files share what they read.
          isolate: false,
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
        test: { ...web, name: 'web', exclude: STANDS_ALONE, isolate: false },
      },
      {
        extends: 'apps/web/vite.config.ts',
        test: { ...web, name: 'web, each alone', include: STANDS_ALONE },
      },
    ],
  },
});
