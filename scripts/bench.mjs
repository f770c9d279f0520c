// `npm run bench`: measures beside Chromium, in one run. `-- --json` prints one object a line.
import { join } from 'node:path';
import { ensureChromium, ensurePackages, root, run } from './setup.mjs';
import { writeValidators } from './validators.mjs';

const quiet = console.log;
if (process.argv.includes('--json')) console.log = console.error;
ensurePackages();
const PIMBOT_CHROMIUM = ensureChromium();
console.log = quiet;
await writeValidators();
const env = { ...process.env, PIMBOT_CHROMIUM };
const tsx = join(root, 'node_modules', 'tsx', 'dist', 'cli.mjs');
process.exitCode = run(process.execPath, [tsx, 'bench/main.ts', ...process.argv.slice(2)], { env });
