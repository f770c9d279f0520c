// `npm run viewer`: serves examples/viewer on this machine alone until it is stopped.
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
await ensureBuilt();
const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
process.exitCode = run(process.execPath, [
  vite,
  'examples/viewer',
  '--logLevel',
  'info',
  ...process.argv.slice(2),
]);
