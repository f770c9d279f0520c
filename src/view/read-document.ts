import { checkMessages } from '../skeleton/index.ts';
import { checkMarkup } from '../dress/index.ts';
import {
  DiagnosticList,
  readShape,
  type CheckedDocument,
  type Diagnostic,
  type DocumentSource,
  type FileReader,
  type Notations,
} from '../document/index.ts';
import { Messages, parseMessage } from '../text/index.ts';
import { Theme, Tokens, checkLooks, parseColor } from '../theme/index.ts';
import { checkVary } from './vary.ts';

export interface ReadOptions {
  /** The name diagnostics show; `document` if left out. */
  readonly name?: string;
  /** Gives the theme file the document names; without it, a document that names one is refused. */
  readonly readFile?: FileReader;
  /** One of the document's themes, or path of a theme file, in place of the one it is seen in. */
  readonly theme?: string;
  /** How colours of CSS and messages of ICU are read; all of them are if left out. */
  readonly notations?: Notations;
}

/** Reads all of CSS's colours, ICU's messages and design tokens. */
export const everyNotation: Notations = {
  color: parseColor,
  message: parseMessage,
  tokens: (_, files) => new Tokens(files),
};

/** A document that can be used, or the diagnostics that say why not. Warnings may come with a document. */
export interface ReadResult {
  readonly document: CheckedDocument | undefined;
  /** All of them, in document order. */
  readonly diagnostics: readonly Diagnostic[];
}

/**
 * Reads a document from YAML or JSON text, or takes one built in TypeScript, and checks all of it:
 * the shape, the notations, the names, the looks and the messages. Never throws on a wrong document.
 */
export function readDocument(input: string | DocumentSource, options: ReadOptions = {}): ReadResult {
  const diagnostics = new DiagnosticList();
  const { name = 'document', notations = everyNotation, readFile, theme: wanted } = options;
  const document = readShape(input, name, diagnostics, notations, readFile, wanted);
  if (document) {
    const theme = new Theme(document);
    checkLooks(document, theme, diagnostics);
    checkMarkup(document, theme, diagnostics);
    checkVary(document, diagnostics);
    checkMessages(document, new Messages('en', notations.message), diagnostics);
  }
  return { document: diagnostics.hasErrors ? undefined : document, diagnostics: diagnostics.inOrder() };
}
