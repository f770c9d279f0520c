import type { UnusedError } from '../report/index.ts';
import { BuildError, makeSkeleton } from '../skeleton/index.ts';
import { openView, placed } from '../view/index.ts';
import type { Usable } from './load.ts';

/**
 * What is wrong with the values of a document's cases, once one was met: each view is made with each case, so that all is told at
 * once. @param first The one that was met.
 */
export function wrongValues({ document, resources }: Usable, first: BuildError): readonly BuildError[] {
  const found = new Map<string, BuildError>();
  const note = (error: BuildError) => found.set(`${error.pointer}\n${error.message}`, error);
  const { cases = {}, views } = document.source;
  const names = Object.keys(cases);
  for (const view of Object.keys(views))
    for (const name of names.length === 0 ? [undefined] : names) {
      const opened = openView(document, view, { resources, case: name });
      const { width, height } = opened.reference;
      const wrong = (error: BuildError) => note(placed(error, document, name));
      try {
        makeSkeleton(document, view, { ...opened.variant, wrong }, opened.frameOn({ width, height }));
      } catch (error) {
        if (!(error instanceof BuildError)) throw error;
        wrong(error);
      }
    }
  // What is met on another screen, or in another language, is none of those.
  note(first);
  return [...found.values()];
}

/** The same for a report of a file that was not used. */
export function unusedBy({ message, place }: BuildError, file: string): UnusedError {
  const [, name = file, line, column] = /^(.*):(\d+):(\d+)$/.exec(place ?? '') ?? [];
  return {
    code: 'wrong-value',
    severity: 'error',
    message,
    file: name,
    ...(line !== undefined && { line: Number(line), column: Number(column) }),
  };
}
