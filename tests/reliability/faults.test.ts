import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, readdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { pimbot, temporaryFolder } from '../support/cli.ts';
import { isDeep } from '../support/deep.ts';

/* What the machine may do to a command: no room, nobody who reads, somebody else at work, a thread that dies, Ctrl+C. */

const folder = temporaryFolder();
const at = (...names: string[]) => join(folder.path, ...names);
const bin = resolve('bin/pimbot.js');
const env = { ...process.env, NODE_OPTIONS: '', NO_COLOR: '1' };
const post = 'examples/fathom-post/post.yaml';

beforeAll(() => {
  writeFileSync(at('package.json'), '{}');
  mkdirSync(at('work'));
  cpSync('examples/broken', at('work', 'broken'), { recursive: true });
  cpSync('examples/fathom-post', at('work', 'fathom-post'), { recursive: true });
});
afterAll(() => folder.remove());

const broken = () => at('work', 'broken', 'broken.yaml');
const mend = (file: string) => [
  ...['check', file, '--view', 'plates', '--screen', 'desktop', '--no-cache'],
  ...['--mend', 'nearly-aligned', '--write'],
];

/** How a command ended. */
function ended(args: readonly string[], then?: (child: ReturnType<typeof spawn>) => void) {
  return new Promise<{ code: number | null; signal: string | null; err: string }>((done) => {
    const child = spawn(process.execPath, [bin, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env,
    });
    let err = '';
    child.stderr.on('data', (data: Buffer) => (err += data.toString()));
    child.on('exit', (code, signal) => done({ code, signal, err }));
    if (then) then(child);
    else child.stdout.resume();
  });
}

test('no room to write on: one sentence, the report of before is whole, nothing lies beside it', () => {
  writeFileSync(at('out.html'), 'the report of before');
  const args = ['check', broken(), '--view', 'plates', '--screen', 'desktop', '--report', at('out.html')];
  // A file may have 4 kB: writing ends as it does on a full disk.
  const { status, stderr } = spawnSync(
    'bash',
    ['-c', 'ulimit -f 4; exec "$0" "$@"', process.execPath, bin, ...args, '--no-cache'],
    { encoding: 'utf8', env },
  );
  expect(stderr).toMatch(/pimbot: "[^"]+out\.html" cannot be written: file too large\n$/);
  expect(stderr).not.toMatch(/\n\s+at /);
  expect(status).toBe(2);
  expect(readFileSync(at('out.html'), 'utf8')).toBe('the report of before');
  expect(readdirSync(folder.path).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test('a place nothing can be written to is one sentence', () => {
  const { code, err } = pimbot([
    'check',
    broken(),
    '--screen',
    'desktop',
    '--report',
    join(broken(), 'a.html'),
  ]);
  expect(err.trim().split('\n').at(-1)).toMatch(/^pimbot: "[^"]+" cannot be used: /);
  expect(code).toBe(2);
});

test('whoever reads may stop reading: no fault of anybody’s', async () => {
  const { code, err } = await ended(['where', post, '--view', 'dive', '--json'], (child) => {
    child.stdout!.once('data', () => child.stdout!.destroy());
  });
  expect([code, err]).toEqual([0, '']);
});

test('Ctrl+C ends a long check with 130 and without a word', async () => {
  const { code, signal, err } = await ended(['check', post, '--no-cache'], (child) => {
    child.stdout!.resume();
    setTimeout(() => child.kill('SIGINT'), 900);
  });
  // A shell gives 130 as well for a process that had not got as far as hearing it.
  expect(signal === 'SIGINT' ? 130 : code).toBe(130);
  expect(err).toBe('');
});

test('two commands that write one file at once: it is that of the one or of the other, whole', async () => {
  const before = readFileSync(broken(), 'utf8');
  expect(pimbot(mend(broken())).code).toBe(1);
  const after = readFileSync(broken(), 'utf8');
  expect(after).not.toBe(before);
  writeFileSync(broken(), before);
  const both = await Promise.all([ended(mend(broken())), ended(mend(broken()))]);
  for (const { code, err } of both) {
    expect(code).toBe(1);
    expect(err).not.toMatch(/pimbot:|\n\s+at /);
  }
  expect(readFileSync(broken(), 'utf8')).toBe(after);
  expect(readdirSync(at('work', 'broken')).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test('a thread that dies gives its work back: the same is printed', () => {
  const copy = at('copy');
  mkdirSync(copy);
  for (const part of ['bin', 'dist/cli', 'assets', 'schema', 'package.json'])
    cpSync(part, join(copy, part), { recursive: true });
  symlinkSync(resolve('node_modules'), join(copy, 'node_modules'));
  const args = isDeep
    ? ['check', post, '--view', 'dive', '--case', 'typical']
    : ['check', 'examples/reef/reef.yaml'];
  const run = (threads: string, script = join(copy, 'bin', 'pimbot.js')) => {
    const { stdout, stderr, status } = spawnSync(
      process.execPath,
      [script, ...args, '--no-cache', '--threads', threads],
      {
        encoding: 'utf8',
        env,
      },
    );
    return { stdout, stderr, status };
  };
  const whole = run('1');
  expect(whole.status).toBe(0);
  for (const dies of ['process.exit(3);', 'throw new Error("gone");']) {
    writeFileSync(join(copy, 'dist', 'cli', 'check-worker.js'), dies);
    expect(run('3')).toEqual(whole);
  }
});
