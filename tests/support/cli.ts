import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const bin = resolve('bin/pimbot.js');

export interface Ran {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Runs the real command in a folder. */
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

/** A folder of its own for a test; removed by the function that comes with it. */
export function temporaryFolder(): { path: string; remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'pimbot-'));
  return { path, remove: () => rmSync(path, { recursive: true, force: true }) };
}
