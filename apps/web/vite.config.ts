import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const api = process.env['BURL_API'] ?? 'http://127.0.0.1:4180';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  worker: { format: 'es' },
  build: { target: 'es2022', outDir: 'dist', manifest: true, chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 4181, proxy: { '/api': { target: api, changeOrigin: false } } },
});
