import { DiagnosticList, flag, type CheckedDocument, type Diagnostic } from '../document/index.ts';
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
  const told = new Map<string, { readonly first: BuildError; readonly messages: Set<string> }>();
  const note = (error: BuildError) => {
    const { pointer, message, refused } = error;
    // Of all that one key is given and cannot be, the first is told, and how many others there are.
    const key = refused ? pointer : `${pointer}\n${message}`;
    const one = told.get(key);
    if (one) one.messages.add(message);
    else told.set(key, { first: error, messages: new Set([message]) });
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
  const diagnostics = new DiagnosticList();
  for (const { first: one, messages } of told.values()) {
    const more = one.refused && one.refused.gives === undefined ? 'places' : 'that it cannot be';
    const others = messages.size === 1 ? '' : `, and ${messages.size - 1} more ${more}`;
    const message = `${one.message}${others}${truthMeant(one)}`;
    diagnostics.add('refused-value', { message }, document.origin.at(one.pointer));
  }
  return diagnostics.inOrder();
}

/** What was meant where true or false is needed and a list or a number is given: they are true where there is something. */
function truthMeant({ refused }: BuildError): string {
  if (refused?.expected !== flag.title) return '';
  const { said, gives } = refused;
  if (typeof said !== 'string' || !(typeof gives === 'number' || Array.isArray(gives))) return '';
  return `; did you mean "${said.slice(0, -1)} > 0}"?`;
}
