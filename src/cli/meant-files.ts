import { closeSync, openSync, readSync, readdirSync } from 'node:fs';
import { basename, dirname, extname, join } from 'node:path';
import { nearestName } from '../document/index.ts';
import { readLimited } from '../node/files.ts';
import { mostTextBytes, projectRoot } from '../node/project.ts';

/* Which file somebody may have meant by a path that is no document. */

/** Files of a folder that are looked into, at the most. */
const mostLookedInto = 200;
/** A document says what it is in its first lines. */
const bytesLookedAt = 4096;
const endings = ['.yaml', '.yml', '.json'];

/** Documents in a folder, as they would have to be named; none where it cannot be read. */
export function documentsIn(folder: string): readonly string[] {
  const named = filesOf(folder).filter((name) => endings.includes(extname(name)));
  return named
    .slice(0, mostLookedInto)
    .map((name) => join(folder, name))
    .filter(isDocument);
}

/**
 * Documents that have the name of a file in their text, in its folder and in those around it, the nearest first, as far as its
 * project goes.
 */
export function documentsNaming(path: string): readonly string[] {
  const root = projectRoot(dirname(path));
  const found: string[] = [];
  for (let at = dirname(path); ; at = dirname(at)) {
    found.push(...documentsIn(at).filter((one) => one !== path && hasIn(one, basename(path))));
    if (at === root || dirname(at) === at) return found;
  }
}

function hasIn(file: string, word: string): boolean {
  try {
    return new TextDecoder().decode(readLimited(file, mostTextBytes)).includes(word);
  } catch {
    return false;
  }
}

/** The file beside a missing one whose name is nearest to it; undefined where none is near. */
export function nearestFile(path: string): string | undefined {
  const folder = dirname(path);
  const near = nearestName(basename(path), filesOf(folder));
  return near && join(folder, near);
}

function filesOf(folder: string): readonly string[] {
  try {
    const entries = readdirSync(folder, { withFileTypes: true });
    return entries.filter((one) => one.isFile()).map(({ name }) => name);
  } catch {
    return [];
  }
}

function isDocument(path: string): boolean {
  let file: number | undefined;
  try {
    file = openSync(path, 'r');
    const bytes = Buffer.alloc(bytesLookedAt);
    const text = bytes.toString('utf8', 0, readSync(file, bytes));
    return /^[\s{]*["']?pimbot["']?\s*:\s*\d/m.test(text);
  } catch {
    return false;
  } finally {
    if (file !== undefined) closeSync(file);
  }
}
