import { formatDiagnostic, type DocumentSource } from '../document/index.ts';
import { readDocument } from './read-document.ts';
import { openView, type View, type ViewOptions } from './view.ts';

/** The ids of all widgets in a view that was built in TypeScript. */
export type IdsOf<Holder> = Holder extends { readonly children: readonly (infer Child)[] }
  ? Child extends unknown
    ? (Child extends { readonly id: infer Id extends string } ? Id : never) | IdsOf<Child>
    : never
  : never;

/** A document built in TypeScript was wrong. */
export class DocumentError extends Error {
  override readonly name = 'DocumentError';
}

/**
 * Opens a view of a document built in TypeScript; its widgets' ids are known to the compiler.
 * @throws DocumentError with all diagnostics when the document is wrong.
 */
export function buildView<const Source extends DocumentSource, Name extends keyof Source['views'] & string>(
  source: Source,
  name: Name,
  options: ViewOptions,
): View<IdsOf<Source['views'][Name]>> {
  const { document, diagnostics } = readDocument(source);
  if (!document) throw new DocumentError(diagnostics.map(formatDiagnostic).join('\n'));
  return openView<IdsOf<Source['views'][Name]>>(document, name, options);
}
