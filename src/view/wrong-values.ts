import { DiagnosticList, type CheckedDocument, type Diagnostic } from '../document/index.ts';
import { BuildError, makeSkeleton } from '../skeleton/index.ts';
import type { Resources } from './resources.ts';
import { SharedViews } from './shared-views.ts';
import { openView, placed } from './view.ts';

/**
 * What the values of a document's cases give that keys cannot be, all at once: each view is made with each case, on its reference.
 * @param first One that was met elsewhere: on another screen, or in another language.
 */
export function wrongValues(
  document: CheckedDocument,
  resources: Resources,
  first?: BuildError,
): readonly Diagnostic[] {
  const told = new Set<string>();
  const diagnostics = new DiagnosticList();
  const note = ({ pointer, message }: BuildError) => {
    const key = `${pointer}\n${message}`;
    if (told.has(key)) return;
    told.add(key);
    diagnostics.add('refused-value', { message }, document.origin.at(pointer));
  };
  const { cases = {}, views } = document.source;
  const names = Object.keys(cases);
  const shared = new SharedViews(document, resources);
  for (const view of Object.keys(views))
    for (const name of names.length === 0 ? [undefined] : names) {
      const opened = openView(document, view, { resources, case: name, shared });
      const { width, height } = opened.reference;
      const wrong = (error: BuildError) => note(placed(error, document, name));
      try {
        makeSkeleton(document, view, { ...opened.variant, wrong }, opened.frameOn({ width, height }));
      } catch (error) {
        if (!(error instanceof BuildError)) throw error;
        wrong(error);
      }
    }
  if (first) note(first);
  return diagnostics.inOrder();
}
