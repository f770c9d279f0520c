// `npm run bench`: measures what is shipped beside Chromium, in one run. `-- --json` prints one object a line,
// `-- --only layout` (live, page, report, workbench, proof, checking) measures some of it, `-- --quick` less often.
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensurePackages, root, run } from './setup.mjs';

const log = console.log;
// What is printed with --json is for machines.
if (process.argv.includes('--json')) console.log = console.error;
ensurePackages();
const env = { ...process.env, PIMBOT_CHROMIUM: ensureChromium() };
await ensureBuilt();
console.log = log;
const { build } = await import('esbuild');
const outfile = join(root, 'dist', 'bench', 'main.js');
await build({
  entryPoints: [join(root, 'bench', 'main.ts')],
  outfile,
  bundle: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  // The package's own name leads to dist/, as it does for those who install it.
  external: ['pimbot', 'pimbot/tools', 'pimbot/node', 'playwright-core'],
  tsconfigRaw: {},
  logLevel: 'warning',
});
process.exitCode = run(process.execPath, ['--expose-gc', outfile, ...process.argv.slice(2)], { env });
