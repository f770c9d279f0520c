// `npm run deep`: every test at its full depth, then the long judges. `-- --seed S` gives chance another start,
// `-- --count N` another number of tries of each property; a name of tests (tests/text) looks at those alone.
import { join } from 'node:path';
import { calledWith, ensureBuilt, ensureChromium, ensurePackages, root, run } from './setup.mjs';

const { values, positionals } = calledWith({
  options: { seed: { type: 'string' }, count: { type: 'string' } },
  allowPositionals: true,
});
for (const [name, value] of Object.entries(values))
  if (!/^\d{1,9}$/.test(value)) {
    console.error(`--${name} takes a whole number.`);
    process.exit(2);
  }
ensurePackages();
const chromium = ensureChromium();
await ensureBuilt();
const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
for (const page of ['answers', 'dive'])
  if (run(process.execPath, [vite, 'build', '--logLevel', 'error', `examples/${page}`]) !== 0)
    process.exit(1);
const env = {
  ...process.env,
  PIMBOT_DEEP: '1',
  PIMBOT_CHROMIUM: chromium,
  ...(values.seed !== undefined && { PIMBOT_SEED: values.seed }),
  ...(values.count !== undefined && { PIMBOT_COUNT: values.count }),
};
const jest = join(root, 'node_modules', 'jest', 'bin', 'jest.js');
const failed = [];
if (
  run(process.execPath, [jest, ...positionals], {
    env: { ...env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings' },
  }) !== 0
)
  failed.push('tests');
if (positionals.length === 0) {
  const seed = values.seed === undefined ? [] : ['--seed', values.seed];
  for (const [name, ...args] of [['conformance', ...seed], ['accuracy']])
    if (run(process.execPath, [join(root, 'scripts', `${name}.mjs`), ...args], { env }) !== 0)
      failed.push(name);
}
if (failed.length > 0) console.error(`Failed: ${failed.join(', ')}.`);
process.exitCode = failed.length > 0 ? 1 : 0;
