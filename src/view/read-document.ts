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
import { checkChoices } from './check-choices.ts';
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
    const looks = new DiagnosticList();
    checkLooks(document, theme, looks);
    // What is not there may be in the file that could not be read: that is told, and not all that follows from it.
    const isWhole = !diagnostics.some((one) => isOfThemeFile(one, document));
    diagnostics.take(looks, (one) => isWhole || !isNameOfTheme(one));
    checkMarkup(document, theme, diagnostics);
    checkVary(document, diagnostics);
    if (!diagnostics.hasErrors) checkChoices(document, diagnostics);
    checkMessages(document, new Messages('en', notations.message), diagnostics);
  }
  return { document: diagnostics.hasErrors ? undefined : document, diagnostics: diagnostics.inOrder() };
}

/** Whether a file with styles or tokens could not be read. */
function isOfThemeFile(
  { code, severity, source, pointer }: Diagnostic,
  { origin }: CheckedDocument,
): boolean {
  if (severity !== 'error') return false;
  if (source !== origin.source) return true;
  return code.startsWith('file-') || (code === 'unknown-name' && pointer === '/theme');
}

/** Whether a style or a token is not there. */
function isNameOfTheme({ code, facts }: Diagnostic): boolean {
  return code === 'unknown-name' && 'what' in facts && (facts.what === 'style' || facts.what === 'token');
}
