import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { main } from 'pimbot/cli';

const bin = resolve('bin/pimbot.js');

export interface Ran {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Runs the real command in a folder, as a process of its own. */
export function pimbot(args: readonly string[], cwd = process.cwd(), more?: Record<string, string>): Ran {
  const env = { ...process.env, NODE_OPTIONS: '', ...(more ?? { NO_COLOR: '1' }) };
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], {
    cwd,
    encoding: 'utf8',
    maxBuffer: 256 * 1024 * 1024,
    env,
  });
  return { code: status, out: stdout, err: stderr };
}

const plain = (text: string) => text;
const tones = { good: plain, bad: plain, doubtful: plain, faint: plain, strong: plain };

/** Runs the same command line in this process, which is warm: what is printed is the same, and a call costs no start. */
export async function pimbotHere(args: readonly string[], cwd: string): Promise<Ran> {
  const before = process.cwd();
  let [out, err] = ['', ''];
  process.chdir(cwd);
  try {
    const io = {
      out: (text: string) => void (out += text),
      err: (text: string) => void (err += text),
      tones,
      errTones: tones,
    };
    return { code: await main(args, io), out, err };
  } finally {
    process.chdir(before);
  }
}

/** A folder of its own for a test; removed by the function that comes with it. */
export function temporaryFolder(): { path: string; remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'pimbot-'));
  return { path, remove: () => rmSync(path, { recursive: true, force: true }) };
}

/** What is printed, without the ends of its lines: where those are follows from how many columns there are. */
export function unwrapped(out: string): string {
  return out.replace(/\s+/g, ' ');
}
