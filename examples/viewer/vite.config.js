import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = fileURLToPath(new URL('.', import.meta.url));

export default defineConfig({
  root: here,
  base: './',
  resolve: { alias: { pimbot: fileURLToPath(new URL('../../dist/index.js', import.meta.url)) } },
  // The shaper finds its WebAssembly beside its own file.
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  build: { target: 'es2022', outDir: 'dist', emptyOutDir: true, chunkSizeWarningLimit: 2000 },
  server: { host: '127.0.0.1', fs: { allow: [fileURLToPath(new URL('../..', import.meta.url))] } },
  logLevel: 'warn',
});
