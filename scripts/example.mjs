// `npm run answers`, `npm run dive`: serves a page of examples/ on this machine alone until it is stopped.
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

const [page = 'answers', ...more] = process.argv.slice(2);
ensurePackages();
await ensureBuilt();
const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
process.exitCode = run(process.execPath, [vite, `examples/${page}`, '--logLevel', 'info', ...more]);
