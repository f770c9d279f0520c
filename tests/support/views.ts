import { openView, readDocument, formatDiagnostic } from 'pimbot';
import type {
  CheckedDocument,
  DocumentSource,
  Picture,
  ReadResult,
  ScreenSize,
  View,
  ViewLayout,
  ViewSource,
  WidgetSource,
} from 'pimbot';
import { bundledFonts } from 'pimbot/node';

/** Fonts for tests: read once a test file. */
export const fonts = bundledFonts();

export interface OpenedWith {
  readonly view?: string;
  readonly pictures?: Map<string, Picture>;
  readonly case?: string;
  readonly hudSize?: number;
}

/** Reads a document that has to be right. */
export function rightDocument(source: string | DocumentSource): CheckedDocument {
  const { document, diagnostics } = readDocument(source);
  if (!document) throw new Error(diagnostics.map(formatDiagnostic).join('\n'));
  return document;
}

/** Opens a view of a document that has to be right. */
export function opened(source: string | DocumentSource, more: OpenedWith = {}): View {
  const { view = 'test', pictures, ...options } = more;
  return openView(rightDocument(source), view, { resources: { fonts, pictures }, ...options });
}

/** A document with one view, `test`, of the given children. */
export function documentOf(
  children: readonly WidgetSource[],
  more: Partial<DocumentSource> = {},
  view: Partial<ViewSource> = {},
): DocumentSource {
  return { pimbot: 1, reference: { scaling: 'none' }, ...more, views: { test: { ...view, children } } };
}

/** Lays children out on a surface of that size, 1 u to a px. */
export function laidOut(
  children: readonly WidgetSource[],
  screen: ScreenSize = { width: 1000, height: 800 },
  more: Partial<DocumentSource> = {},
): ViewLayout {
  return opened(documentOf(children, more)).layoutOn(screen);
}

/** x, y, width, height of a widget. */
export function numbers(on: ViewLayout, id: string): [number, number, number, number] {
  const { x, y, width, height } = on.rect(id);
  return [x, y, width, height];
}

/** The formatted diagnostics of a document. */
export function told({ diagnostics }: ReadResult): string[] {
  return diagnostics.map(formatDiagnostic);
}
