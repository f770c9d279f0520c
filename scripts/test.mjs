// `npm test`: everything that has to hold, from nothing. Arguments are handed to Jest: npm test -- tests/layout
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
const chromium = ensureChromium();
await ensureBuilt();

const bin = (/** @type {string[]} */ ...name) => join(root, 'node_modules', ...name);
/** What is looked at beside the tests, one after the other. @type {[string, string, string[]][]} */
const steps = [
  ['types', bin('typescript', 'bin', 'tsc'), ['-p', 'tsconfig.json']],
  ['types of the core, which has no page', bin('typescript', 'bin', 'tsc'), ['-p', 'tsconfig.core.json']],
  ['lint', bin('eslint', 'bin', 'eslint.js'), ['.']],
  ['format', bin('prettier', 'bin', 'prettier.cjs'), ['--check', '--log-level', 'warn', '.']],
  [
    'import rules',
    bin('dependency-cruiser', 'bin', 'dependency-cruise.mjs'),
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src'],
  ],
  ['unused code', bin('knip', 'bin', 'knip.js'), ['--no-config-hints']],
];

/**
 * Runs a step and keeps what it prints until it has ended, so that it does not run into what the tests print.
 * @param {string} script @param {string[]} args @returns {Promise<{ code: number, printed: string }>}
 */
function quietly(script, args) {
  return new Promise((done) => {
    const child = spawn(process.execPath, [script, ...args], { cwd: root });
    let printed = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (/** @type {Buffer} */ data) => (printed += data.toString()));
    child.on('exit', (code) => done({ code: code ?? 1, printed }));
  });
}

/** @returns {Promise<string[]>} the names of what failed */
async function runSteps() {
  const failed = [];
  for (const [name, script, args] of steps) {
    const { code, printed } = await quietly(script, args);
    console.log(`${code === 0 ? '✓' : '✗'} ${name}`);
    if (code === 0) continue;
    failed.push(name);
    console.log(printed);
  }
  return failed;
}

const chosen = process.argv.slice(2);
const vite = bin('vite', 'bin', 'vite.js');
for (const page of ['answers', 'dive'])
  if (run(process.execPath, [vite, 'build', '--logLevel', 'error', `examples/${page}`]) !== 0)
    process.exit(1);
const env = {
  ...process.env,
  PIMBOT_CHROMIUM: chromium,
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
};
const jest = spawn(process.execPath, [bin('jest', 'bin', 'jest.js'), ...chosen], {
  cwd: root,
  stdio: 'inherit',
  env,
});
const tests = new Promise((done) => jest.on('exit', (code) => done(code ?? 1)));
const failed = chosen.length > 0 ? [] : await runSteps();
const code = await tests;
if (failed.length > 0) console.error(`Failed beside the tests: ${failed.join(', ')}.`);
process.exitCode = code === 0 && failed.length === 0 ? 0 : 1;
