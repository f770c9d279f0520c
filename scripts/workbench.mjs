// `npm run workbench`: opens the demo's documents in the workbench, on this machine alone, until it is stopped.
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

const [...files] = process.argv.slice(2);
ensurePackages();
await ensureBuilt();
const all = files.length > 0 ? files : ['examples/fathom-post/post.yaml', 'examples/broken/broken.yaml'];
process.exitCode = run(process.execPath, [join(root, 'bin', 'pimbot.js'), 'open', ...all]);
