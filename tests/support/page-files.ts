import { mkdirSync, mkdtempSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

/**
 * The files a page of the docs shows, by their names, as they stand from a heading to the next: a line with a name in backquotes,
 * then what is in it.
 */
export function filesIn(page: string, heading: string): Map<string, string> {
  const text = readFileSync(page, 'utf8');
  const from = text.indexOf(`\n## ${heading}\n`);
  if (from < 0) throw new Error(`${page} has no "${heading}"`);
  const to = text.indexOf('\n## ', from + 1);
  const part = text.slice(from, to < 0 ? undefined : to);
  return new Map(
    [...part.matchAll(/^`([\w.-]+)`.*\n\n```\w+\n([^]*?)^```/gm)].map(([, name, body]) => [name!, body!]),
  );
}

/** A new folder in which the package is installed. */
export function newProject(): string {
  const folder = mkdtempSync(join(tmpdir(), 'pimbot-game-'));
  mkdirSync(join(folder, 'node_modules'));
  symlinkSync(resolve('.'), join(folder, 'node_modules', 'pimbot'), 'dir');
  writeFileSync(join(folder, 'package.json'), '{ "name": "game", "private": true, "type": "module" }\n');
  return folder;
}

export function writeFiles(folder: string, files: ReadonlyMap<string, string>): void {
  for (const [name, body] of files) writeFileSync(join(folder, name), body);
}
