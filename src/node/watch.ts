import { statSync } from 'node:fs';

/** How often files are looked at, in ms: often enough that nobody waits, and on every kind of disk. */
const lookEvery = 120;

/** What tells whether a file is still the same. */
export function stampOf(file: string): string {
  const status = statSync(file, { throwIfNoEntry: false });
  return status ? `${status.mtimeMs} ${status.size} ${status.ino}` : 'none';
}

/** Waits until one of some files is another than its stamp says. @returns the files that changed. */
export function untilChanged(stamps: ReadonlyMap<string, string>): Promise<readonly string[]> {
  return new Promise((done) => {
    const timer = setInterval(() => {
      const changed = [...stamps].flatMap(([file, stamp]) => (stampOf(file) === stamp ? [] : [file]));
      if (changed.length === 0) return;
      clearInterval(timer);
      done(changed);
    }, lookEvery);
  });
}
