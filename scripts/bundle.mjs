// Bundles the package's entries into few files for the tests: loading hundreds of small modules for every suite costs
// more than most suites do.
import { existsSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { newest } from './newest.mjs';
import { writeRecorder } from './recorder.mjs';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const outdir = join(root, 'dist', 'tests');

export default async function bundleForTests() {
  const stamp = join(outdir, 'index.js');
  if (existsSync(stamp) && newest(join(root, 'src')) < statSync(stamp).mtimeMs) return;
  writeRecorder();
  const { build } = await import('esbuild');
  rmSync(outdir, { recursive: true, force: true });
  await build({
    entryPoints: {
      'index': join(root, 'src', 'index.ts'),
      'tools': join(root, 'src', 'tools.ts'),
      'node': join(root, 'src', 'node', 'index.ts'),
      'cli': join(root, 'src', 'cli', 'main.ts'),
      'lsp': join(root, 'src', 'cli', 'language-server.ts'),
      'jest': join(root, 'src', 'jest', 'index.ts'),
      'check-worker': join(root, 'src', 'node', 'check-worker.ts'),
      'prove-worker': join(root, 'src', 'node', 'prove-worker.ts'),
    },
    outdir,
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    // What is asked for at run time, reads the process or is a program of its own stays outside.
    external: [
      '@napi-rs/canvas',
      'commander',
      'gettext-parser',
      'picocolors',
      'vscode-languageserver',
      'woff2-encoder',
      'pimbot',
    ],
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
    inject: [join(root, 'scripts', 'globals.mjs')],
    sourcemap: 'inline',
    logLevel: 'warning',
  });
}
