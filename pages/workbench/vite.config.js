import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** A file of the project. @param {string} name */
const from = (name) => fileURLToPath(new URL(`../../${name}`, import.meta.url));

/** The page of `pimbot open`: built from the sources, shipped with the package. */
export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  base: './',
  resolve: {
    alias: [
      { find: /^pimbot$/, replacement: from('src/index.ts') },
      { find: /^pimbot\/browser$/, replacement: from('src/browser/index.ts') },
      { find: /^pimbot\/tools$/, replacement: from('src/tools.ts') },
      { find: /^pimbot\/shaper\.wasm(?=\?|$)/, replacement: from('assets/shaper.wasm') },
    ],
  },
  build: {
    outDir: from('dist/page'),
    emptyOutDir: true,
    chunkSizeWarningLimit: 2000,
    sourcemap: false,
    // How long it takes on this machine is no fault of the page.
    rolldownOptions: { checks: { pluginTimings: false } },
  },
  worker: { format: 'es' },
  logLevel: 'warn',
});
