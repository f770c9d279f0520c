import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** A file of the built package. @param {string} name */
const built = (name) => fileURLToPath(new URL(`../dist/${name}`, import.meta.url));
/** How a page of the examples is built and served. @param {string} url That of its own configuration. */
export const page = (url) => {
  const here = fileURLToPath(new URL('.', url));
  return defineConfig({
    root: here,
    base: './',
    resolve: {
      alias: [
        { find: /^pimbot$/, replacement: built('index.js') },
        { find: /^pimbot\/browser$/, replacement: built('browser/index.js') },
        { find: /^pimbot\/tools$/, replacement: built('tools.js') },
        { find: /^pimbot\/shaper\.wasm(?=\?|$)/, replacement: built('../assets/shaper.wasm') },
      ],
    },
    build: { outDir: 'dist', emptyOutDir: true, chunkSizeWarningLimit: 2000 },
    server: { host: '127.0.0.1', fs: { allow: [fileURLToPath(new URL('..', import.meta.url))] } },
    logLevel: 'warn',
  });
};
