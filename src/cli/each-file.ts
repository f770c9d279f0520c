import type { Io } from './io.ts';
import { load, printDiagnostics, unusedError, type Loaded, type Usable } from './load.ts';
import { Progress } from './progress.ts';
import { isOfInput, sentenceOf, tellError } from './sentence.ts';
import { printable, type UnusedFile } from '../report/index.ts';
import { BuildError } from '../skeleton/index.ts';
import { wrongValues } from '../view/index.ts';

/**
 * Reads each file and does something with it. What keeps one of several from being used is told, and the others are looked at; of one
 * alone it is thrown, as in any wrong call.
 * @returns The files that could not be used.
 */
export async function eachFile(
  files: readonly string[],
  theme: string | undefined,
  io: Io,
  work: (loaded: Usable, progress: Progress) => Promise<void>,
): Promise<readonly UnusedFile[]> {
  const progress = new Progress(io.progress);
  const unused: UnusedFile[] = [];
  for (const file of files) {
    progress.say(`reading ${printable(file)}`);
    let loaded: Loaded | undefined;
    try {
      loaded = await load(file, io, theme, () => progress.clear());
      if (loaded.document) await work(loaded, progress);
      else unused.push(loaded);
    } catch (error) {
      if (error instanceof BuildError && loaded?.document) {
        progress.clear();
        const wrong = wrongValues(loaded.document, loaded.resources, error);
        printDiagnostics(wrong, io);
        unused.push({ file, errors: wrong.map((one) => unusedError(one, file)) });
        continue;
      }
      if (files.length === 1 || !isOfInput(error)) throw error;
      progress.clear();
      tellError(error, io, file);
      unused.push({
        file,
        errors: [{ code: 'not-used', severity: 'error', message: sentenceOf(error), file }],
      });
    } finally {
      progress.clear();
    }
  }
  return unused;
}
