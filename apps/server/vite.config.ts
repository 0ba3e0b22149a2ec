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
      output: { entryFileNames: '[name].js' },
    },
  },
});
