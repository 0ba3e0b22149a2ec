import { defineConfig } from 'vite';

export default defineConfig({
  ssr: { noExternal: [/^@burl\//] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    sourcemap: true,
    rolldownOptions: {
      input: {
        main: 'src/main.ts',
        worker: 'src/work/worker.ts',
        'add-person': 'src/add-person.ts',
        'remove-demo': 'src/remove-demo.ts',
        audit: 'src/audit.ts',
        backup: 'src/backup.ts',
        restore: 'src/restore.ts',
      },
      // Beside the entries: what looks for the worker looks in its own folder.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
