import { createHash, randomBytes } from 'node:crypto';
import {
  mkdirSync,
  readFileSync,
  readdirSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { basename, dirname, join, resolve, sep } from 'node:path';
import type { TypedText } from './typed-text.ts';

/** A file that a document names could not be used. */
export class FileProblem extends Error {
  override readonly name = 'FileProblem';
  readonly problem: 'missing' | 'outside' | 'unreadable';

  constructor(problem: 'missing' | 'outside' | 'unreadable', detail: string) {
    super(detail);
    this.problem = problem;
  }
}

/** Reads files below one folder and no others, whatever links lead out of it. */
export class ProjectFolder {
  readonly root: string;
  /** Every file that was asked for, found or not. */
  readonly asked = new Set<string>();
  readonly #digest = createHash('sha256');
  /** Of what was read by a name in the document, found or not. */
  readonly #named = createHash('sha256');
  readonly #typed: TypedText | undefined;

  /** @param typed What stands in place of what files hold. */
  constructor(root: string, typed?: TypedText) {
    this.root = realpathSync(root);
    this.#typed = typed;
  }

  /** A fingerprint of everything that was read through it, in its order. */
  get fingerprint(): string {
    return this.#digest.copy().digest('hex');
  }

  /** The same without what was read elsewhere. */
  get namedFingerprint(): string {
    return this.#named.copy().digest('hex');
  }

  /** Counts bytes that were read elsewhere into the fingerprint. */
  note(bytes: Uint8Array): void {
    this.#digest.update(`${bytes.length}\n`).update(bytes);
  }

  /**
   * Reads a file named in a document.
   * @throws FileProblem when it is not there, lies outside the folder, is no plain file or is larger than `most` bytes.
   */
  read(path: string, most: number): Uint8Array {
    // A file that is missing counts too: once it is there, it is another project.
    for (const digest of [this.#digest, this.#named]) digest.update(`${path.length} ${path}\n`);
    if (path.includes('\0')) throw new FileProblem('missing', 'the path has a NUL character');
    const wanted = resolve(this.root, path);
    if (!this.#holds(wanted)) throw new FileProblem('outside', wanted);
    this.asked.add(wanted);
    let real: string;
    try {
      real = realpathSync(wanted);
    } catch (error) {
      throw new FileProblem('missing', systemMessage(error));
    }
    if (!this.#holds(real)) throw new FileProblem('outside', real);
    const typed = this.#typed?.(real);
    const bytes = typed === undefined ? readLimited(real, most) : new TextEncoder().encode(typed);
    this.note(bytes);
    this.#named.update(`${bytes.length}\n`).update(bytes);
    return bytes;
  }

  #holds(path: string): boolean {
    return path === this.root || path.startsWith(this.root.endsWith(sep) ? this.root : this.root + sep);
  }
}

/** Reads a plain file of at most `most` bytes. @throws FileProblem */
export function readLimited(path: string, most: number): Uint8Array {
  try {
    const status = statSync(path);
    if (status.isDirectory()) throw new FileProblem('unreadable', 'it is a folder');
    if (!status.isFile()) throw new FileProblem('unreadable', 'it is not a plain file');
    if (status.size > most)
      throw new FileProblem('unreadable', `it has ${status.size} bytes; ${most} is the most that is read`);
    return readFileSync(path);
  } catch (error) {
    if (error instanceof FileProblem) throw error;
    const missing = (error as NodeJS.ErrnoException).code === 'ENOENT';
    throw new FileProblem(missing ? 'missing' : 'unreadable', systemMessage(error));
  }
}

/** What the system says of an error, without its code and path. */
export function systemMessage(error: unknown): string {
  const text = error instanceof Error ? error.message : String(error);
  return /^[A-Z]+: ([^,]+)/.exec(text)?.[1] ?? text.split('\n')[0]!;
}

/**
 * Writes a file whole or not at all: beside its place under another name, then renamed.
 * Folders on the way are made; what a command that was stopped has left half written there is cleared away.
 * @throws the system's error when that cannot be done.
 */
export function writeWhole(path: string, content: string | Uint8Array): void {
  const folder = dirname(resolve(path));
  mkdirSync(folder, { recursive: true });
  clearLeft(folder, basename(path));
  const beside = `${path}.${process.pid}-${randomBytes(6).toString('hex')}.part`;
  try {
    writeFileSync(beside, content);
    renameSync(beside, path);
  } catch (error) {
    rmSync(beside, { force: true });
    // The system names no file where there was no room to write on.
    throw Object.assign(error as Error, { path });
  }
}

/** Takes away what processes that are no more have left of a file. */
function clearLeft(folder: string, name: string): void {
  for (const one of readdirSync(folder)) {
    if (!one.startsWith(`${name}.`)) continue;
    const [, pid] = /^\.(\d+)-[0-9a-f]{12}\.part$/.exec(one.slice(name.length)) ?? [];
    if (pid !== undefined && !isAlive(Number(pid))) rmSync(join(folder, one), { force: true });
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // Somebody else's process may not be asked, but is there.
    return (error as NodeJS.ErrnoException).code !== 'ESRCH';
  }
}
