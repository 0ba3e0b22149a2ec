import { defineConfig } from 'vite';

export default defineConfig({
  ssr: { noExternal: [/^@burl\//] },
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    sourcemap: true,
    rolldownOptions: {
      input: { main: 'src/main.ts', 'add-person': 'src/add-person.ts' },
      output: { entryFileNames: '[name].js' },
    },
  },
});
