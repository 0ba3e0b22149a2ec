import { defineConfig } from 'vite';

export default defineConfig({
  ssr: { noExternal: true },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    rolldownOptions: {
      input: { burl: 'src/main.ts' },
      output: { entryFileNames: '[name].js', banner: '#!/usr/bin/env node' },
    },
  },
});
