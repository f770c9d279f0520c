// `npm run conformance -- --cases N --seed S`: random trees beside Chromium; exit 1 on any disagreement.
import { join } from 'node:path';
import { ensureChromium, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
const env = { ...process.env, PIMBOT_CHROMIUM: ensureChromium() };
const tsx = join(root, 'node_modules', 'tsx', 'dist', 'cli.mjs');
process.exitCode = run(process.execPath, [tsx, 'tests/conformance/main.ts', ...process.argv.slice(2)], {
  env,
});
