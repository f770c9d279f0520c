// `npm run painting`: writes assets/painting anew, the drawings and pictures that a painter can be held against (docs/painting.md).
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
await ensureBuilt();
const tsx = join(root, 'node_modules', 'tsx', 'dist', 'cli.mjs');
process.exitCode = run(process.execPath, [tsx, join('tests', 'paint', 'write-set.ts')]);
