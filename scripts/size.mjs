// `npm run size`: what a game loads, minified and gzipped, beside its budget. Fails above it. `-- --json` prints it for machines.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ensureBuilt, ensurePackages, root } from './setup.mjs';

const log = console.log;
if (process.argv.includes('--json')) console.log = console.error;
ensurePackages();
await ensureBuilt();
console.log = log;
const { build } = await import('esbuild');

const kB = 1000;
/** Bytes after gzip; of the shaper as it is. */
const budgets = [
  { what: 'pimbot/game', entry: 'dist/game.js', most: 97.5 * kB },
  { what: 'pimbot/browser', entry: 'dist/browser/index.js', most: 101.5 * kB },
  { what: 'tables of Unicode', entry: 'dist/text/engine.js', most: 13 * kB },
  { what: 'shaper (WebAssembly)', file: 'assets/shaper.wasm', most: 185 * kB },
];

const rows = [];
for (const { what, entry, file, most } of budgets) {
  const loaded = entry ? await bundled(entry) : readFileSync(join(root, file ?? ''));
  rows.push({ what, bytes: gzipped(loaded), most });
}
const over = rows.filter(({ bytes, most }) => bytes > most);
if (process.argv.includes('--json')) log(JSON.stringify(rows, null, 2));
else
  for (const { what, bytes, most } of rows)
    log(
      `${what.padEnd(22)} ${inKilobytes(bytes)} of ${inKilobytes(most)}${bytes > most ? '  over its budget' : ''}`,
    );
process.exitCode = over.length > 0 ? 1 : 0;

/** What is loaded first; what is loaded on request is left out. @param {string} entry */
async function bundled(entry) {
  const { outputFiles, metafile } = await build({
    entryPoints: [join(root, entry)],
    outdir: join(root, 'dist'),
    bundle: true,
    splitting: true,
    minify: true,
    format: 'esm',
    platform: 'browser',
    write: false,
    metafile: true,
    absWorkingDir: root,
    loader: { '.wasm': 'file' },
    logLevel: 'error',
  });
  const outputs = metafile.outputs;
  const first = Object.keys(outputs).find((name) => outputs[name]?.entryPoint === entry);
  // The entry and what it imports at once.
  const loaded = new Set(first === undefined ? [] : [first]);
  for (const name of loaded)
    for (const { path, kind } of outputs[name]?.imports ?? [])
      if (kind === 'import-statement') loaded.add(path);
  return Buffer.concat(
    outputFiles
      .filter(({ path }) => [...loaded].some((name) => path.endsWith(`/${name}`)))
      .map(({ contents }) => contents),
  );
}

/** @param {Uint8Array} bytes */
function gzipped(bytes) {
  return gzipSync(bytes, { level: 9 }).length;
}

/** @param {number} bytes */
function inKilobytes(bytes) {
  return `${(bytes / kB).toFixed(1).padStart(6)} kB`;
}
