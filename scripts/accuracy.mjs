// `npm run accuracy`: every seeded defect in every place, and what each check made of it; exit 1 on a miss or false alarm.
// `-- --pages` writes the pages of docs/checks/ anew.
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

const log = console.log;
// Only the numbers go to standard output.
console.log = console.error;
ensurePackages();
await ensureBuilt();
console.log = log;
const tsx = join(root, 'node_modules', 'tsx', 'dist', 'cli.mjs');
const pages = process.argv.includes('--pages');
const script = pages ? 'tests/accuracy/pages.ts' : 'tests/accuracy/main.ts';
process.exitCode = run(process.execPath, [tsx, script, ...process.argv.slice(2)]);
