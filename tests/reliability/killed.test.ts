import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { random } from '../../bench/trees.ts';
import { pimbot, temporaryFolder } from '../support/cli.ts';
import { newSeed, rounds } from '../support/deep.ts';

const folder = temporaryFolder();
afterAll(() => folder.remove());
mkdirSync(join(folder.path, 'work'));
cpSync('examples/broken', join(folder.path, 'work', 'broken'), { recursive: true });
cpSync('examples/fathom-post', join(folder.path, 'work', 'fathom-post'), { recursive: true });
writeFileSync(join(folder.path, 'package.json'), '{}');

const file = join(folder.path, 'work', 'broken', 'broken.yaml');
const args = [
  'check',
  file,
  '--view',
  'plates',
  '--screen',
  'desktop',
  '--mend',
  'nearly-aligned',
  '--write',
];

/** Starts the command and kills it after a while; gives how it ended. */
function killed(after: number): Promise<string> {
  return new Promise((done) => {
    const child = spawn(process.execPath, [resolve('bin/pimbot.js'), ...args], { stdio: 'ignore' });
    const timer = setTimeout(() => child.kill('SIGKILL'), after);
    child.on('exit', (code, signal) => {
      clearTimeout(timer);
      done(signal ?? String(code));
    });
  });
}

test('a command that writes is killed at any moment: the file is that of before or that of after, and nothing is left lying', async () => {
  const before = readFileSync(file, 'utf8');
  expect(pimbot(args).code).toBe(1);
  const after = readFileSync(file, 'utf8');
  expect(after).not.toBe(before);
  const next = random(newSeed());
  for (let nth = 0; nth < rounds(3, 100); nth++) {
    writeFileSync(file, before);
    await killed(next() * 1500);
    expect([before, after]).toContain(readFileSync(file, 'utf8'));
  }
  // What a killed one leaves beside the file, the next one that writes it clears away.
  writeFileSync(`${file}.4194303-0123456789ab.part`, 'half');
  writeFileSync(`${file}.${process.pid}-0123456789ab.part`, 'of one that is still at work');
  writeFileSync(file, before);
  expect(pimbot(args).code).toBe(1);
  expect(readFileSync(file, 'utf8')).toBe(after);
  const left = readdirSync(join(folder.path, 'work', 'broken')).filter((name) => name.endsWith('.part'));
  expect(left).toEqual([`broken.yaml.${process.pid}-0123456789ab.part`]);
});
