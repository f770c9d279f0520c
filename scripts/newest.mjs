import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/**
 * When a file, or the newest file of a folder, was last changed.
 * @param {string} path
 * @returns {number}
 */
export function newest(path) {
  const status = statSync(path);
  if (!status.isDirectory()) return status.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}
