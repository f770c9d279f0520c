// Bundles the package's entries into few files for the tests: loading hundreds of small modules for every suite costs
// more than most suites do. Each entry, and each large package that tests use, gets a file beside it that takes it from
// the environment of the tests (test-environment.mjs), where it is loaded once for all suites of a process.
import { existsSync, mkdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newest } from './newest.mjs';
import { writeRecorder } from './recorder.mjs';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const outdir = join(root, 'dist', 'tests');
const entries = {
  index: 'src/index.ts',
  tools: 'src/tools.ts',
  node: 'src/node/index.ts',
  cli: 'src/cli/main.ts',
  lsp: 'src/cli/language-server.ts',
  jest: 'src/jest/index.ts',
};
const packages = ['playwright-core', 'fast-check', '@napi-rs/canvas'];

export default async function bundleForTests() {
  // What is written last stands for all.
  const stamp = join(outdir, 'shared', `${fileOf(packages.at(-1) ?? '')}.js`);
  const made = ['package-lock.json', 'scripts/bundle.mjs'].map((one) => statSync(join(root, one)).mtimeMs);
  if (existsSync(stamp) && Math.max(newest(join(root, 'src')), ...made) < statSync(stamp).mtimeMs) return;
  writeRecorder();
  const { build } = await import('esbuild');
  rmSync(outdir, { recursive: true, force: true });
  const { metafile } = await build({
    entryPoints: {
      ...entries,
      'check-worker': 'src/node/check-worker.ts',
      'prove-worker': 'src/node/prove-worker.ts',
    },
    absWorkingDir: root,
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
    sourcemap: 'inline',
    logLevel: 'warning',
    metafile: true,
  });
  mkdirSync(join(outdir, 'shared'));
  for (const name of Object.keys(entries)) {
    const path = `dist/tests/${name}.js`;
    share(name, pathToFileURL(join(root, path)).href, metafile.outputs[path]?.exports ?? []);
  }
  for (const name of packages) {
    const url = import.meta.resolve(name);
    share(fileOf(name), url, Object.keys(await import(url)));
  }
}

/** @param {string} name Of a package. */
const fileOf = (name) => name.replace('/', '-');

/** @param {string} name @param {string} url @param {string[]} exported */
function share(name, url, exported) {
  const names = exported.filter((one) => one !== 'default' && one !== 'module.exports');
  const lines = [
    `const shared = await globalThis.loadShared(${JSON.stringify(url)});`,
    `export const { ${names.join(', ')} } = shared;`,
    ...(exported.includes('default') ? ['export default shared.default;'] : []),
  ];
  writeFileSync(join(outdir, 'shared', `${name}.js`), `${lines.join('\n')}\n`);
}
