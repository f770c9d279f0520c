import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, realpathSync, rmSync, statSync, utimesSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { CheckedDocument } from '../document/index.ts';
import type { Batch, BatchResult } from '../verdict/index.ts';
import { writeWhole } from './files.ts';

/** More results than this are not kept; those that were used longest ago go first. */
const mostKept = 400;
/** More bytes than this of one view are not worth reading again. */
const mostBytes = 64 * 1024 * 1024;

/** What a view's results follow from. */
export interface CheckedView {
  readonly document: CheckedDocument;
  readonly view: string;
  /** Of every byte that was read beside the document itself. */
  readonly named: string;
  /** The batches of the view, in their order. */
  readonly batches: readonly Batch[];
}

/**
 * What checks of views found, kept in the project's `node_modules/.cache` from one run to the next; a project without
 * `node_modules` keeps nothing. A view goes by all that its results follow from: this program, the document without its
 * other views, every file it names, and what it was looked at in.
 */
export class CheckCache {
  readonly #folder: string | undefined;
  readonly #program: string;

  constructor(folder: string | undefined) {
    this.#folder = folder;
    this.#program = folder === undefined ? '' : programKey();
  }

  /** The cache of the project a document file is in. */
  static of(file: string): CheckCache {
    let at: string;
    try {
      at = dirname(realpathSync(resolve(file)));
    } catch {
      return new CheckCache(undefined);
    }
    for (; ; at = dirname(at)) {
      if (existsSync(join(at, 'node_modules')))
        return new CheckCache(join(at, 'node_modules', '.cache', 'pimbot'));
      if (dirname(at) === at) return new CheckCache(undefined);
    }
  }

  /** What was found of a view, batch by batch; undefined where nothing that can be used is kept. */
  read(checked: CheckedView): readonly BatchResult[] | undefined {
    const path = this.#pathOf(checked);
    if (path === undefined) return undefined;
    try {
      if (statSync(path).size > mostBytes) return undefined;
      const text = readFileSync(path, 'utf8');
      const [digest, body] = [text.slice(0, 64), text.slice(65)];
      // What was cut short or changed by hand is worked out anew.
      if (hashOf(body) !== digest) return undefined;
      const results = JSON.parse(body) as BatchResult[];
      utimesSync(path, new Date(), new Date());
      return results.length === checked.batches.length ? results : undefined;
    } catch {
      return undefined;
    }
  }

  /** Keeps what was found of a view. A cache that cannot be written is none: nothing is said of it. */
  write(checked: CheckedView, results: readonly BatchResult[]): void {
    const path = this.#pathOf(checked);
    if (path === undefined) return;
    const body = JSON.stringify(results);
    if (body.length > mostBytes) return;
    try {
      writeWhole(path, `${hashOf(body)}\n${body}`);
    } catch {
      // A read-only project is checked all the same.
    }
  }

  /** Lets go of what was used longest ago, and of files a stopped run left half written. */
  tidy(): void {
    const folder = this.#folder;
    if (folder === undefined || !existsSync(folder)) return;
    try {
      const files = readdirSync(folder).map((name) => {
        const path = join(folder, name);
        return { path, used: statSync(path).mtimeMs };
      });
      files.sort((a, b) => b.used - a.used);
      for (const { path } of files.slice(mostKept)) rmSync(path, { force: true });
    } catch {
      // Another run is tidying too.
    }
  }

  #pathOf({ document, view, named, batches }: CheckedView): string | undefined {
    if (this.#folder === undefined) return undefined;
    const { source, themeName } = document;
    const own = { ...source, views: { [view]: source.views[view] } };
    const key = hashOf(JSON.stringify([this.#program, named, themeName, own, batches]));
    return join(this.#folder, `${key}.json`);
  }
}

function hashOf(text: string): string {
  return createHash('sha256').update(text).digest('hex');
}

/** The program and what of its surroundings decides how texts are filled in. */
function programKey(): string {
  const folder = dirname(fileURLToPath(import.meta.url));
  const digest = createHash('sha256');
  for (const name of readdirSync(folder).sort())
    if (name.endsWith('.js') || name.endsWith('.ts')) digest.update(readFileSync(join(folder, name)));
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  const { v8, icu, unicode } = process.versions;
  return [digest.digest('hex'), v8, icu, unicode, timeZone].join(' ');
}
