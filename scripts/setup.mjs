// What every command of the repository does first, each step only when it is needed.
import { parseArgs } from 'node:util';
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** @param {string} sentence @returns {never} */
function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** Installs the packages of the lock file when they are missing or older than it. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Node 20.19 or newer is needed; this is ${process.version}.`);
  const done = join(root, 'node_modules', '.installed');
  const lock = statSync(join(root, 'package-lock.json')).mtimeMs;
  if (existsSync(done) && statSync(done).mtimeMs >= lock) return;
  console.log('Installing packages …');
  const npm = process.env.npm_execpath;
  // What npm says is for people: stdout may be read by machines.
  const stdio = /** @type {import('node:child_process').StdioOptions} */ (['inherit', 2, 'inherit']);
  // Not `npm ci`: it refuses a lock file that leaves out optional packages of platforms a registry does not carry.
  const args = ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'];
  const result =
    npm && npm.endsWith('.js')
      ? spawnSync(process.execPath, [npm, ...args], { cwd: root, stdio })
      : spawnSync('npm', args, { cwd: root, stdio, shell: process.platform === 'win32' });
  if (result.status !== 0) fail('The packages could not be installed; see above.');
  writeFileSync(done, '');
}

/** Compiles dist/ when a source is newer. */
export async function ensureBuilt() {
  const { build } = await import('./build.mjs');
  if (await build()) console.log('Built dist/.');
}

const candidates = [
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
  '/usr/bin/google-chrome-stable',
];

/** The path of a Chromium: PIMBOT_CHROMIUM, one that is installed, or Debian's, installed through apt when root. */
export function ensureChromium() {
  const wanted = process.env.PIMBOT_CHROMIUM;
  if (wanted !== undefined && wanted !== '') {
    if (!existsSync(wanted)) fail(`PIMBOT_CHROMIUM is "${wanted}", and there is no such file.`);
    return wanted;
  }
  const found = candidates.find((path) => existsSync(path));
  if (found) return found;
  const advice =
    'Install Debian’s package "chromium", or set PIMBOT_CHROMIUM to the path of a Chromium or Chrome.';
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get'))
    fail(`The tests need a browser. ${advice}`);
  console.log('Installing Chromium …');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  try {
    execFileSync('apt-get', ['update', '-qq'], { stdio: ['ignore', 'ignore', 'inherit'], env });
    execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env,
    });
  } catch {
    fail(`Chromium could not be installed through apt. ${advice}`);
  }
  return ensureChromiumAgain(advice);
}

/** @param {string} advice */
function ensureChromiumAgain(advice) {
  const found = candidates.find((path) => existsSync(path));
  return found ?? fail(`The tests need a browser. ${advice}`);
}

/**
 * Runs a program to its end; gives its exit code.
 * @param {string} program @param {readonly string[]} args @param {import('node:child_process').SpawnSyncOptions} options
 */
export function run(program, args, options = {}) {
  const result = spawnSync(program, args, { cwd: root, stdio: 'inherit', ...options });
  return result.status ?? 1;
}

/**
 * What a script was called with; a wrong call ends it with one sentence.
 * @template {import('node:util').ParseArgsConfig} Config
 * @param {Config} config
 */
export function calledWith(config) {
  try {
    return parseArgs(config);
  } catch (error) {
    const { message } = /** @type {Error} */ (error);
    console.error(/^[^.]*(?:'\.[^.]*)?/.exec(message)?.[0]);
    return process.exit(2);
  }
}
