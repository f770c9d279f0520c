import { dirname, isAbsolute, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import {
  CodeActionKind,
  CompletionItemKind,
  DiagnosticSeverity,
  LSPErrorCodes,
  MarkupKind,
  ResponseError,
  SymbolKind,
  TextDocumentSyncKind,
  TextDocuments,
  createConnection,
  type CodeAction,
  type Connection,
  type Diagnostic as Shown,
  type DocumentSymbol,
  type Location,
} from 'vscode-languageserver/node';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { messageOf, type CheckedTheme, type Diagnostic, type SourceText } from '../document/index.ts';
import { EditError } from '../edit/index.ts';
import { suggestFor } from '../mend/index.ts';
import { openProject, type Project } from '../node/project.ts';
import { sentenceOf } from '../report/index.ts';
import { screens } from '../screen/index.ts';
import { checkDocument, keyOf, type CheckOptions, type Verdict } from '../verdict/index.ts';
import { wrongValues } from '../view/index.ts';
import {
  completionsAt,
  definitionAt,
  hoverAt,
  namesIn,
  referencesAt,
  renamesAt,
  symbolsOf,
  type NamedPart,
} from '../workbench/index.ts';

/** How long somebody has to pause before what was typed is read, and before it is checked on every screen, in ms. */
const readAfter = 150;
const checkAfter = 900;

/** What is known of an open file. */
interface Known {
  project: Project;
  /** The text it was read from. */
  text: string;
  /** The last version that could be used. */
  usable: Project | undefined;
  verdict: Verdict | undefined;
  /** What cases give that keys cannot be: nothing else is found then. */
  refused?: readonly Diagnostic[];
}

/** Serves editors over the Language Server Protocol 3.17, until the input ends. */
export function serveLanguage(input: NodeJS.ReadableStream, output: NodeJS.WritableStream): Promise<void> {
  const connection = createConnection(input, output);
  const server = new LanguageServer(connection);
  return server.serve();
}

class LanguageServer {
  readonly #connection: Connection;
  readonly #documents = new TextDocuments(TextDocument);
  readonly #known = new Map<string, Known>();
  readonly #timers = new Map<string, ReturnType<typeof setTimeout>>();

  constructor(connection: Connection) {
    this.#connection = connection;
  }

  serve(): Promise<void> {
    const connection = this.#connection;
    connection.onInitialize(() => ({
      capabilities: {
        textDocumentSync: TextDocumentSyncKind.Incremental,
        completionProvider: { triggerCharacters: [' ', ':', '$', '-', '{', ',', '.'] },
        hoverProvider: true,
        definitionProvider: true,
        referencesProvider: true,
        documentHighlightProvider: true,
        documentSymbolProvider: true,
        renameProvider: true,
        codeActionProvider: { codeActionKinds: [CodeActionKind.QuickFix] },
      },
      serverInfo: { name: 'pimbot' },
    }));
    this.#documents.onDidChangeContent(({ document }) =>
      this.#later(document, readAfter, () => this.#read(document)),
    );
    this.#documents.onDidClose(({ document: { uri } }) => {
      clearTimeout(this.#timers.get(uri));
      this.#timers.delete(uri);
      this.#known.delete(uri);
      void connection.sendDiagnostics({ uri, diagnostics: [] });
    });
    connection.onCompletion(({ textDocument, position }) => {
      const document = this.#documents.get(textDocument.uri);
      if (!document) return [];
      const offset = document.offsetAt(position);
      const isTheme = !isDocument(document.getText());
      const usable = isTheme ? this.#usingTheme(textDocument.uri) : this.#known.get(textDocument.uri)?.usable;
      const names = usable?.document && namesIn(usable.document);
      const found = completionsAt(document.getText(), offset, names, isTheme);
      return (found?.options ?? []).map(({ label, insert, detail, info }, nth) => ({
        label,
        detail,
        kind: detail === 'key' ? CompletionItemKind.Property : CompletionItemKind.Value,
        sortText: String(nth).padStart(4, '0'),
        ...(info !== '' && { documentation: info }),
        textEdit: {
          range: { start: document.positionAt(found!.from), end: document.positionAt(found!.to) },
          newText: insert,
        },
      }));
    });
    connection.onHover(({ textDocument, position }) => {
      const document = this.#documents.get(textDocument.uri);
      const usable = this.#known.get(textDocument.uri)?.usable;
      if (!document || !usable?.document) return null;
      const value = hoverAt(
        usable.document,
        usable.resources,
        document.getText(),
        document.offsetAt(position),
      );
      return value === undefined ? null : { contents: { kind: MarkupKind.Markdown, value } };
    });
    connection.onDefinition(({ textDocument, position }) => {
      const document = this.#documents.get(textDocument.uri);
      const usable = this.#known.get(textDocument.uri)?.usable;
      if (!document || !usable?.document) return null;
      const found = definitionAt(usable.document, document.getText(), document.offsetAt(position));
      return found ? this.#location(textDocument.uri, found.source, found.range) : null;
    });
    connection.onReferences(async ({ textDocument: { uri }, position, context }) => {
      const now = await this.#asTyped(uri);
      if (!now) return null;
      const [written, ...others] = referencesAt(now.read, now.text, now.document.offsetAt(position));
      if (!written) return null;
      return [...(context.includeDeclaration ? [written] : []), ...others].map(({ source, range }) =>
        this.#location(uri, source, range),
      );
    });
    connection.onDocumentHighlight(async ({ textDocument: { uri }, position }) => {
      const now = await this.#asTyped(uri);
      if (!now) return null;
      return referencesAt(now.read, now.text, now.document.offsetAt(position))
        .map(({ source, range }) => this.#location(uri, source, range))
        .filter((one) => one.uri === uri)
        .map(({ range }) => ({ range }));
    });
    connection.onRenameRequest(async ({ textDocument: { uri }, position, newName }) => {
      const now = await this.#asTyped(uri);
      const refused = (what: string) => new ResponseError(LSPErrorCodes.RequestFailed, what);
      if (!now) return refused('the document has a mistake: nothing can be tried');
      const { document, read, resources, text } = now;
      try {
        const found = renamesAt(read, resources, text, document.offsetAt(position), newName);
        return {
          changes: { [uri]: found.map((one) => ({ range: rangeIn(document, one), newText: newName })) },
        };
      } catch (error) {
        if (error instanceof EditError) return refused(error.message);
        throw error;
      }
    });
    connection.onDocumentSymbol(async ({ textDocument: { uri } }) => {
      const now = await this.#asTyped(uri);
      return now ? symbolsOf(now.read).map((one) => symbolOf(one, now.document)) : null;
    });
    connection.onCodeAction(({ textDocument, context }) =>
      this.#actions(textDocument.uri, context.diagnostics),
    );
    this.#documents.listen(connection);
    const ended = new Promise<void>((done) => {
      connection.onExit(() => done());
      connection.onShutdown(() => undefined);
    });
    connection.listen();
    return ended;
  }

  /** An open document as it is read now; undefined where it cannot be used as it is. */
  async #asTyped(uri: string) {
    const document = this.#documents.get(uri);
    if (!document) return undefined;
    const text = document.getText();
    if (this.#known.get(uri)?.text !== text) await this.#read(document);
    const { project, text: known } = this.#known.get(uri) ?? {};
    if (!project?.document || known !== text) return undefined;
    return { document, text, read: project.document, resources: project.resources };
  }

  /** An open document that has a theme file among its own. */
  #usingTheme(uri: string): Project | undefined {
    for (const [one, { usable }] of this.#known) {
      const { themes = [], named = new Map<string, CheckedTheme>() } = usable?.document ?? {};
      for (const { origin } of [...themes, ...named.values()])
        if (origin.source && this.#location(one, origin.source, { start: 0, end: 0 }).uri === uri)
          return usable;
    }
    return undefined;
  }

  #later(document: TextDocument, ms: number, work: () => Promise<void>): void {
    clearTimeout(this.#timers.get(document.uri));
    const { version } = document;
    const timer = setTimeout(() => {
      if (this.#documents.get(document.uri)?.version !== version) return;
      work().catch((error: unknown) => this.#connection.console.error(String(error)));
    }, ms);
    this.#timers.set(document.uri, timer);
  }

  /** Reads what is typed, and tells what is wrong with it; what of it fails on screens follows. */
  async #read(document: TextDocument): Promise<void> {
    const text = document.getText();
    const { uri } = document;
    if (!isDocument(text) || !uri.startsWith('file:')) return;
    const before = this.#known.get(uri);
    const project = await openProject(fileURLToPath(uri), { text, like: before?.usable });
    const usable = project.document ? project : before?.usable;
    this.#known.set(uri, { project, text, usable, verdict: undefined });
    this.#tell(document);
    if (project.document) this.#later(document, checkAfter, () => this.#check(document));
  }

  async #check(document: TextDocument): Promise<void> {
    const known = this.#known.get(document.uri);
    if (!known?.project.document) return;
    const { document: read, resources } = known.project;
    // Only one case is checked; what is wrong with the others keeps a document from being used as well.
    known.refused = wrongValues(read, resources);
    if (known.refused.length === 0) known.verdict = checkDocument(read, optionsOf(known.project));
    this.#tell(document);
    await Promise.resolve();
  }

  #tell(document: TextDocument): void {
    const known = this.#known.get(document.uri);
    if (!known) return;
    const file = fileURLToPath(document.uri);
    const diagnostics = [...known.project.diagnostics, ...(known.refused ?? [])].map((one) =>
      shownOf(one, document, file),
    );
    const { document: checked } = known.project;
    for (const finding of known.verdict?.findings ?? []) {
      const { range } = checked!.origin.atKey(finding.pointer);
      const start = document.positionAt(range?.start ?? 0);
      // The line it starts on: a widget's range goes over all that is in it.
      const line = document.getText().indexOf('\n', range?.start ?? 0);
      const end = document.positionAt(Math.min(range?.end ?? 0, line < 0 ? Infinity : line));
      diagnostics.push({
        range: { start, end },
        severity: finding.severity === 'error' ? DiagnosticSeverity.Warning : DiagnosticSeverity.Information,
        source: 'pimbot',
        code: finding.check,
        message: `${finding.view === undefined ? '' : `${finding.view}/`}${finding.widget} ${sentenceOf(finding)}${whereOf(finding.occurrences)}`,
        data: { key: keyOf(finding) },
        relatedInformation: finding.reasons.flatMap(({ text, pointer }) => {
          const { source, range: place } = checked!.origin.at(pointer);
          return source && place
            ? [{ location: this.#location(document.uri, source, place), message: text }]
            : [];
        }),
      });
    }
    void this.#connection.sendDiagnostics({ uri: document.uri, version: document.version, diagnostics });
  }

  #location(uri: string, source: SourceText, { start, end }: { start: number; end: number }): Location {
    const file = fileURLToPath(uri);
    const path = isAbsolute(source.name) ? source.name : join(dirname(file), source.name);
    const place = (offset: number) => {
      const { line, column } = source.placeOf(offset);
      return { line: line - 1, character: column - 1 };
    };
    return {
      uri: path === file ? uri : pathToFileURL(path).href,
      range: { start: place(start), end: place(end) },
    };
  }

  /** The tested changes for findings, and the name that was meant where one was mistyped. */
  #actions(uri: string, shown: readonly Shown[]): CodeAction[] {
    const document = this.#documents.get(uri);
    const known = this.#known.get(uri);
    if (!document || !known || known.text !== document.getText()) return [];
    return shown.flatMap((diagnostic): CodeAction[] => {
      const data = diagnostic.data as { key?: string; meant?: string } | undefined;
      const edit = (start: number, end: number, newText: string) => ({
        changes: {
          [uri]: [{ range: { start: document.positionAt(start), end: document.positionAt(end) }, newText }],
        },
      });
      if (data?.meant !== undefined) {
        const [start, end] = [
          document.offsetAt(diagnostic.range.start),
          document.offsetAt(diagnostic.range.end),
        ];
        return [
          {
            title: `Change to "${data.meant}"`,
            kind: CodeActionKind.QuickFix,
            diagnostics: [diagnostic],
            isPreferred: true,
            edit: edit(start, end, data.meant),
          },
        ];
      }
      const finding = known.verdict?.findings.find((one) => keyOf(one) === data?.key);
      if (!finding || !known.project.document || !known.verdict) return [];
      const found = suggestFor(known.project.document, finding, known.verdict, optionsOf(known.project));
      if (!found) return [];
      return [
        {
          title: `${found.say} (tried on every screen; ${found.disturbs})`,
          kind: CodeActionKind.QuickFix,
          diagnostics: [diagnostic],
          edit: edit(found.start, found.end, found.insert),
        },
      ];
    });
  }
}

/** What is checked while somebody types: every view on every screen, in the first of everything that varies. */
function optionsOf({ document, resources }: Project): CheckOptions {
  const { source, themeName } = document!;
  const [first] = Object.keys(source.cases ?? {});
  return {
    resources,
    screens,
    locales: [source.language ?? 'en'],
    hudSizes: [1],
    textSizes: [1],
    ...(first !== undefined && { cases: [first] }),
    ...(themeName !== undefined && { themes: [themeName] }),
  };
}

function rangeIn(document: TextDocument, { start, end }: { start: number; end: number }) {
  return { start: document.positionAt(start), end: document.positionAt(end) };
}

const symbolKinds: { readonly [What in NamedPart['what']]: SymbolKind } = {
  view: SymbolKind.Module,
  component: SymbolKind.Class,
  widget: SymbolKind.Object,
  style: SymbolKind.Property,
  case: SymbolKind.Constant,
  picture: SymbolKind.File,
  theme: SymbolKind.File,
};

function symbolOf(
  { what, name, detail, whole, range, parts }: NamedPart,
  document: TextDocument,
): DocumentSymbol {
  return {
    name,
    detail,
    kind: symbolKinds[what],
    range: rangeIn(document, whole),
    selectionRange: rangeIn(document, range),
    children: parts.map((one) => symbolOf(one, document)),
  };
}

function whereOf(occurrences: readonly { readonly screen: string }[]): string {
  const names = [...new Set(occurrences.map(({ screen }) => screen))];
  if (names.length <= 3) return ` (${names.join(', ')})`;
  return ` (${names.slice(0, 2).join(', ')} and ${names.length - 2} more screens)`;
}

function shownOf(diagnostic: Diagnostic, document: TextDocument, file: string): Shown {
  const { source, range, severity, code, facts } = diagnostic;
  const own = source?.name === file && range;
  const place = source && range && !own ? source.placeOf(range.start) : undefined;
  const start = own ? document.positionAt(range.start) : { line: 0, character: 0 };
  const end = own ? document.positionAt(range.end) : { line: 0, character: 1 };
  const { meant } = facts as { meant?: string };
  const where = place ? `${source!.name}:${place.line}:${place.column}: ` : '';
  return {
    range: { start, end },
    severity: severity === 'error' ? DiagnosticSeverity.Error : DiagnosticSeverity.Warning,
    source: 'pimbot',
    code,
    message: where + messageOf(diagnostic),
    ...(own && meant !== undefined && { data: { meant } }),
  };
}

/** Whether a text is a document, and no theme or anything else in YAML. */
function isDocument(text: string): boolean {
  return /^\s*(?:["']?pimbot["']?\s*:|\{\s*"?pimbot)/m.test(text);
}
