// Compiles src/ into dist/, bundles the command line and writes the JSON Schemas. Does nothing when dist/ is newer than all it is made from.
import { execFileSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { newest } from './newest.mjs';
import { writeRecorder } from './recorder.mjs';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const stamp = join(root, 'dist', '.built');

export async function build({ force = false } = {}) {
  const inputs = ['src', 'pages', 'tsconfig.json', 'tsconfig.build.json', 'package-lock.json'].map((name) =>
    join(root, name),
  );
  const built = existsSync(stamp) ? statSync(stamp).mtimeMs : 0;
  if (!force && inputs.every((path) => newest(path) < built)) return false;
  writeRecorder();
  // The tests' own bundle stays: they may be running.
  for (const name of existsSync(join(root, 'dist')) ? readdirSync(join(root, 'dist')) : [])
    if (name !== 'tests') rmSync(join(root, 'dist', name), { recursive: true, force: true });
  const tsc = join(root, 'node_modules', 'typescript', 'bin', 'tsc');
  execFileSync(process.execPath, [tsc, '-p', join(root, 'tsconfig.build.json')], {
    stdio: 'inherit',
    cwd: root,
  });
  const { documentSchema, themeSchema } = await import(
    `${pathToFileURL(join(root, 'dist', 'document', 'schema.js')).href}?${Date.now()}`
  );
  mkdirSync(join(root, 'schema'), { recursive: true });
  writeJson('pimbot.schema.json', documentSchema);
  writeJson('pimbot-theme.schema.json', themeSchema);
  const { reportSchema } = await import(
    `${pathToFileURL(join(root, 'dist', 'report', 'schema.js')).href}?${Date.now()}`
  );
  writeJson('pimbot-report.schema.json', reportSchema);
  await bundleCommandLine();
  // The shaper as its makers compiled it; our own code calls it (src/text/harfbuzz.ts).
  const shaper = createRequire(import.meta.url).resolve('harfbuzzjs/dist/harfbuzz.wasm');
  copyWhole(shaper, join(root, 'assets', 'shaper.wasm'));
  copyWhole(join(dirname(shaper), 'harfbuzz-subset.wasm'), join(root, 'assets', 'subsetter.wasm'));
  copyFileSync(join(dirname(shaper), '..', 'LICENSE'), join(root, 'assets', 'shaper.LICENSE'));
  await bundlePage();
  writeFileSync(stamp, '');
  return true;
}

/** One file for the command line: reading hundreds of small modules costs more than most commands do. */
/** Copies a file beside its place and renames it: whoever reads it meanwhile has the one of before. @param {string} from @param {string} to */
function copyWhole(from, to) {
  copyFileSync(from, `${to}.part`);
  renameSync(`${to}.part`, to);
}

async function bundleCommandLine() {
  const { build: bundle } = await import('esbuild');
  rmSync(join(root, 'dist', 'cli'), { recursive: true, force: true });
  await bundle({
    entryPoints: {
      'main': join(root, 'src', 'cli', 'main.ts'),
      'check-worker': join(root, 'src', 'node', 'check-worker.ts'),
      'prove-worker': join(root, 'src', 'node', 'prove-worker.ts'),
    },
    outdir: join(root, 'dist', 'cli'),
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    external: ['@napi-rs/canvas'],
    banner: {
      js: "import { createRequire as requireFor } from 'node:module';const require = requireFor(import.meta.url);",
    },
    logLevel: 'warning',
  });
}

/** The page of `pimbot open`. */
async function bundlePage() {
  const { build: bundle } = await import('vite');
  await bundle({ configFile: join(root, 'pages', 'workbench', 'vite.config.js') });
}

/** @param {string} name @param {unknown} value */
function writeJson(name, value) {
  const path = join(root, 'schema', name);
  writeFileSync(`${path}.part`, `${JSON.stringify(value, null, 2)}\n`);
  renameSync(`${path}.part`, path);
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  await build({ force: process.argv.includes('--force') });
