import type { CheckedDocument } from '../document/index.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { readChanged } from './moves.ts';

/** A document with one more view, which is empty, behind the others. @throws EditError for a name that cannot be one, or is one. */
export function addView(document: CheckedDocument, name: string): string {
  const { views } = document.source;
  if (Object.hasOwn(views, name)) throw new EditError(`there is a view "${name}" already`);
  if (!/^[\w-]+$/.test(name)) throw new EditError(`"${name}" is no name: letters, digits, - and _ are`);
  const text = new DocumentText(document);
  const last = Object.keys(views).at(-1)!;
  text.append('/views', last, name, { children: [] });
  readChanged(document, text.text);
  return text.text;
}
