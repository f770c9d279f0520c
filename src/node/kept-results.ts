import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, realpathSync, rmSync, statSync, utimesSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { deserialize, serialize } from 'node:v8';
import type { CheckedDocument } from '../document/index.ts';
import { digestBytes, digestOf } from './digest.ts';
import { writeWhole } from './files.ts';

/** More results, or bytes of them, than this are not kept; those that were used longest ago go first. */
const mostKept = 400;
const mostBytesKept = 512 * 1024 * 1024;
/** More bytes than this of one view are not worth reading again. */
const mostBytes = 64 * 1024 * 1024;

/** What the results of a view follow from. */
export interface AskedOfView {
  readonly document: CheckedDocument;
  /** Undefined where they follow from all views. */
  readonly view: string | undefined;
  /** Of every byte that was read beside the document itself. */
  readonly named: string;
  /** What was looked for, and in what: as JSON tells it. */
  readonly asked: readonly ['check' | 'proof' | 'changes' | 'suggestions', unknown];
}

/**
 * What checks and proofs of views found, and what came of changes, kept in the project's `node_modules/.cache` from one run to the next; a project without
 * `node_modules` keeps nothing. A view goes by all that its results follow from: this program, the document without its
 * other views, every file it names, and what was asked of it.
 */
export class KeptResults {
  readonly #folder: string | undefined;
  readonly #program: string;

  constructor(folder: string | undefined) {
    this.#folder = folder;
    this.#program = folder === undefined ? '' : programKey();
  }

  /** Keeps nothing. */
  static readonly none = new KeptResults(undefined);

  /** The cache of the project a document file is in. */
  static of(file: string): KeptResults {
    let at: string;
    try {
      at = dirname(realpathSync(resolve(file)));
    } catch {
      return KeptResults.none;
    }
    for (; ; at = dirname(at)) {
      if (existsSync(join(at, 'node_modules')))
        return new KeptResults(join(at, 'node_modules', '.cache', 'pimbot'));
      if (dirname(at) === at) return KeptResults.none;
    }
  }

  /** What was found of a view by who asked the same; undefined where nothing that can be used is kept. */
  read(asked: AskedOfView): unknown {
    const path = this.#pathOf(asked);
    if (path === undefined) return undefined;
    try {
      if (statSync(path).size > mostBytes) return undefined;
      const bytes = readFileSync(path);
      const [digest, body] = [bytes.subarray(0, digestBytes), bytes.subarray(digestBytes)];
      // What was cut short or changed by hand is worked out anew.
      if (!digestOf(body).equals(digest)) return undefined;
      const results: unknown = deserialize(body);
      utimesSync(path, new Date(), new Date());
      return results;
    } catch {
      return undefined;
    }
  }

  /** Keeps what was found of a view. A cache that cannot be written is none: nothing is said of it. */
  write(asked: AskedOfView, results: unknown): void {
    const path = this.#pathOf(asked);
    if (path === undefined) return;
    const body = serialize(results);
    if (body.length > mostBytes) return;
    try {
      writeWhole(path, Buffer.concat([digestOf(body), body]));
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
        const { mtimeMs: used, size } = statSync(path);
        return { path, used, size };
      });
      files.sort((a, b) => b.used - a.used);
      let bytes = 0;
      for (const [nth, { path, size }] of files.entries()) {
        bytes += size;
        if (nth >= mostKept || bytes > mostBytesKept) rmSync(path, { force: true });
      }
    } catch {
      // Another run is tidying too.
    }
  }

  #pathOf({ document, view, named, asked }: AskedOfView): string | undefined {
    if (this.#folder === undefined) return undefined;
    const { source, themeName } = document;
    const own = view === undefined ? source : { ...source, views: { [view]: source.views[view] } };
    const key = digestOf(JSON.stringify([this.#program, named, themeName, own, asked])).toString('hex');
    return join(this.#folder, `${key}.kept`);
  }
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
