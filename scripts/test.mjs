// `npm test`: everything from nothing. Arguments are handed to Jest: npm test -- tests/layout
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
const chromium = ensureChromium();
await ensureBuilt();

const bin = (name) => join(root, 'node_modules', ...name);
const steps = [
  ['types', bin(['typescript', 'bin', 'tsc']), ['-p', 'tsconfig.json']],
  ['types of the viewer', bin(['typescript', 'bin', 'tsc']), ['-p', 'examples/viewer']],
  ['lint', bin(['eslint', 'bin', 'eslint.js']), ['.']],
  ['format', bin(['prettier', 'bin', 'prettier.cjs']), ['--check', '--log-level', 'warn', '.']],
  [
    'import rules',
    bin(['dependency-cruiser', 'bin', 'dependency-cruise.mjs']),
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src'],
  ],
  ['unused code', bin(['knip', 'bin', 'knip.js']), ['--no-config-hints']],
  ['viewer', bin(['vite', 'bin', 'vite.js']), ['build', 'examples/viewer']],
];
const chosen = process.argv.slice(2);
for (const [name, script, args] of chosen.length > 0 ? steps.slice(-1) : steps) {
  if (run(process.execPath, [script, ...args]) !== 0) {
    console.error(`The step "${name}" failed.`);
    process.exit(1);
  }
}
const jest = bin(['jest', 'bin', 'jest.js']);
const env = {
  ...process.env,
  PIMBOT_CHROMIUM: chromium,
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
};
process.exitCode = run(process.execPath, [jest, ...chosen], { env });
