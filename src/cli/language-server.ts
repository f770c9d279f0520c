import { realpathSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';
import {
  CodeActionKind,
  CompletionItemKind,
  DidChangeWatchedFilesNotification,
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
import type { Range, SourceText } from '../document/index.ts';
import { EditError } from '../edit/index.ts';
import { suggestFor } from '../mend/index.ts';
import { openProject, type Project } from '../node/project.ts';
import { screens } from '../screen/index.ts';
import { checkDocument, keyOf, type CheckOptions } from '../verdict/index.ts';
import { wrongValues } from '../view/index.ts';
import {
  completionsAt,
  definitionAt,
  filesOf,
  hoverAt,
  namesIn,
  referencesAt,
  renamesAt,
  symbolsOf,
  type NamedPart,
} from '../workbench/index.ts';
import { documentsNaming } from './meant-files.ts';
import { shownByFile, shownRange, type Known } from './shown.ts';

/** How long somebody has to pause before what was typed is read, and before it is checked on every screen, in ms. */
const readAfter = 150;
const checkAfter = 900;

/** Serves editors over the Language Server Protocol 3.17, until the input ends. */
export function serveLanguage(input: NodeJS.ReadableStream, output: NodeJS.WritableStream): Promise<void> {
  const connection = createConnection(input, output);
  const server = new LanguageServer(connection);
  return server.serve();
}

class LanguageServer {
  readonly #connection: Connection;
  readonly #documents = new TextDocuments(TextDocument);
  readonly #known = new Map<string, Known & { readonly turn: number }>();
  /** Counts readings: one that began later knows better. */
  #turn = 0;
  readonly #timers = new Map<string, ReturnType<typeof setTimeout>>();
  /** What is told of files by their URI, by the path of the document it is told for. */
  readonly #shown = new Map<string, ReadonlyMap<string, readonly Shown[]>>();
  /** Documents on the disk that name an open file which no open document names, by its path. */
  readonly #beside = new Map<string, Project>();
  readonly #typed = (path: string): string | undefined => this.#openAt(path)?.getText();

  constructor(connection: Connection) {
    this.#connection = connection;
  }

  serve(): Promise<void> {
    const connection = this.#connection;
    let watches = false;
    connection.onInitialize(({ capabilities: { workspace } }) => {
      watches = workspace?.didChangeWatchedFiles?.dynamicRegistration ?? false;
      return {
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
      };
    });
    this.#documents.onDidChangeContent(({ document }) =>
      this.#later(document, readAfter, () => this.#read(document)),
    );
    this.#documents.onDidClose(({ document: { uri } }) => {
      clearTimeout(this.#timers.get(uri));
      this.#timers.delete(uri);
      const file = fileOf(uri);
      this.#known.delete(uri);
      if (file === undefined) return;
      const path = realPath(file);
      this.#takeBack(path);
      const beside = this.#beside.get(path);
      if (beside) this.#takeBack(beside.files[0]!);
      this.#beside.delete(path);
      // What was typed into it and not saved is gone.
      this.#readOpen([path]);
    });
    connection.onInitialized(() => {
      if (watches) void connection.client.register(DidChangeWatchedFilesNotification.type, watched);
    });
    connection.onDidChangeWatchedFiles(({ changes }) => {
      const paths = changes.flatMap(({ uri }) => fileOf(uri) ?? []).map(realPath);
      this.#readOpen(paths);
    });
    connection.onCompletion(({ textDocument, position }) => {
      const document = this.#documents.get(textDocument.uri);
      if (!document) return [];
      const offset = document.offsetAt(position);
      const isTheme = !isDocument(document.getText());
      const usable = this.#usableFor(document);
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
      const usable = document && this.#usableFor(document);
      if (!usable?.document) return null;
      const text = document!.getText();
      const offset = document!.offsetAt(position);
      const value = hoverAt(usable.document, usable.resources, text, offset, !isDocument(text));
      return value === undefined ? null : { contents: { kind: MarkupKind.Markdown, value } };
    });
    connection.onDefinition(({ textDocument: { uri }, position }) => {
      const document = this.#documents.get(uri);
      const usable = document && this.#usableFor(document);
      if (!usable?.document) return null;
      const found = definitionAt(usable.document, document!.getText(), document!.offsetAt(position));
      return found ? this.#location(found.source, found.range) : null;
    });
    connection.onReferences(async ({ textDocument: { uri }, position, context }) => {
      const now = await this.#asTyped(uri);
      if (!now) return null;
      const [written, ...others] = referencesAt(now.read, now.text, now.document.offsetAt(position));
      if (!written) return null;
      return [...(context.includeDeclaration ? [written] : []), ...others].map(({ source, range }) =>
        this.#location(source, range),
      );
    });
    connection.onDocumentHighlight(async ({ textDocument: { uri }, position }) => {
      const now = await this.#asTyped(uri);
      if (!now) return null;
      return referencesAt(now.read, now.text, now.document.offsetAt(position))
        .map(({ source, range }) => this.#location(source, range))
        .filter((one) => one.uri === uri)
        .map(({ range }) => ({ range }));
    });
    connection.onRenameRequest(async ({ textDocument: { uri }, position, newName }) => {
      const refused = (what: string) => new ResponseError(LSPErrorCodes.RequestFailed, what);
      const open = this.#documents.get(uri);
      if (open && !isDocument(open.getText()))
        return refused('names of a theme file are changed by hand: other documents may use it too');
      const now = await this.#asTyped(uri);
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
      // Of a theme there is no outline.
      if (!now || !isDocument(now.text)) return null;
      return symbolsOf(now.read).map((one) => symbolOf(one, now.document));
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

  /** An open document or theme as it is read now; undefined where it cannot be used as it is. */
  async #asTyped(uri: string) {
    const document = this.#documents.get(uri);
    if (!document) return undefined;
    const text = document.getText();
    if (!isDocument(text)) {
      const { document: read, resources } = this.#usableFor(document) ?? {};
      // What names it was read with may be older than what is typed.
      return read && filesOf(read).some((one) => one.text === text)
        ? { document, text, read, resources: resources! }
        : undefined;
    }
    if (this.#known.get(uri)?.text !== text) await this.#read(document);
    const { project, text: known } = this.#known.get(uri) ?? {};
    if (!project?.document || known !== text) return undefined;
    return { document, text, read: project.document, resources: project.resources };
  }

  /** The last version of an open document that could be used; of a theme file that of a document that names it. */
  #usableFor(document: TextDocument): Project | undefined {
    const { uri } = document;
    const file = fileOf(uri);
    if (file === undefined || isDocument(document.getText())) return this.#known.get(uri)?.usable;
    return this.#naming(realPath(file));
  }

  /** A document that names a file: an open one, or one beside it on the disk. */
  #naming(path: string): Project | undefined {
    for (const { project, usable } of this.#known.values())
      if (project.files.map(realPath).includes(path)) return usable ?? project;
    return this.#beside.get(path);
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
    const file = fileOf(uri);
    if (file === undefined) return;
    if (!isDocument(text)) return this.#readNaming(realPath(file));
    const turn = ++this.#turn;
    const before = this.#known.get(uri);
    const project = await openProject(file, { text, like: before?.usable, typed: this.#typed });
    // It was closed meanwhile, or read again with what was typed later.
    if (!this.#documents.get(uri) || (this.#known.get(uri)?.turn ?? 0) > turn) return;
    const usable = project.document ? project : this.#known.get(uri)?.usable;
    this.#known.set(uri, { project, text, usable, turn });
    this.#tell(uri);
    if (project.document) this.#later(document, checkAfter, () => this.#check(document));
  }

  /** A file that is no document has changed: the documents that name it are others now. */
  async #readNaming(path: string): Promise<void> {
    if (!this.#readOpen([path])) await this.#readBeside(path);
  }

  /** Reads the open documents again that name any of some files. @returns whether there is one. */
  #readOpen(paths: readonly string[]): boolean {
    const naming = this.#documents.all().filter(({ uri }) => {
      const files = this.#known.get(uri)?.project.files.slice(1) ?? [];
      return files.some((one) => paths.includes(realPath(one)));
    });
    for (const one of naming) this.#later(one, readAfter, () => this.#read(one));
    return naming.length > 0;
  }

  /** The same where no open document names it: the nearest one on the disk that does tells what is wrong with it. */
  async #readBeside(path: string): Promise<void> {
    const like = this.#beside.get(path);
    for (const file of [...(like ? [like.files[0]!] : []), ...documentsNaming(path)]) {
      const project = await openProject(file, { like, typed: this.#typed }).catch(() => undefined);
      if (!project?.files.slice(1).map(realPath).includes(path)) continue;
      this.#beside.set(path, project);
      const known: Known = { project, text: '', usable: project };
      const shown = shownByFile(known, file, (source, range) => this.#location(source, range));
      // Of a document nobody has opened nothing is told but what stands in this file.
      this.#publish(realPath(file), new Map([...shown].filter(([name]) => realPath(name) === path)));
      return;
    }
  }

  async #check(document: TextDocument): Promise<void> {
    const known = this.#known.get(document.uri);
    if (!known?.project.document) return;
    const { document: read, resources } = known.project;
    // Only one case is checked; what is wrong with the others keeps a document from being used as well.
    known.refused = wrongValues(read, resources);
    if (known.refused.length === 0) known.verdict = checkDocument(read, optionsOf(known.project));
    this.#tell(document.uri);
    await Promise.resolve();
  }

  #tell(uri: string): void {
    const known = this.#known.get(uri);
    const file = fileOf(uri);
    if (!known || file === undefined) return;
    this.#publish(
      realPath(file),
      shownByFile(known, file, (source, range) => this.#location(source, range)),
    );
  }

  /** Tells what is wrong by a document: with it, and with the files it names; what was wrong with others before is taken back. */
  #publish(by: string, shown: ReadonlyMap<string, readonly Shown[]>): void {
    const before = this.#shown.get(by) ?? new Map<string, readonly Shown[]>();
    const now = new Map([...shown].map(([name, all]) => [this.#uriOf(name), all]));
    this.#shown.set(by, now);
    for (const uri of new Set([...before.keys(), ...now.keys()])) {
      // Two documents may name one theme, and both say the same of it.
      const all = [...this.#shown.values()].flatMap((each) => each.get(uri) ?? []);
      const diagnostics = [
        ...new Map(all.map((one) => [JSON.stringify([one.range, one.message]), one])).values(),
      ];
      const version = this.#documents.get(uri)?.version;
      void this.#connection.sendDiagnostics({ uri, version, diagnostics });
    }
  }

  #takeBack(by: string): void {
    if (!this.#shown.has(by)) return;
    this.#publish(by, new Map());
    this.#shown.delete(by);
  }

  #location(source: SourceText, range: Range): Location {
    return { uri: this.#uriOf(source.name), range: shownRange(source, range) };
  }

  /** The name an editor has for a file: as it opened it, where it did. */
  #uriOf(path: string): string {
    return this.#openAt(realPath(path))?.uri ?? pathToFileURL(path).href;
  }

  /** What is open of a file. @param path Without links. */
  #openAt(path: string): TextDocument | undefined {
    return this.#documents.all().find(({ uri }) => {
      const file = fileOf(uri);
      return file !== undefined && realPath(file) === path;
    });
  }

  /** The tested changes for findings, and the name that was meant where one was mistyped. */
  #actions(uri: string, shown: readonly Shown[]): CodeAction[] {
    const document = this.#documents.get(uri);
    if (!document) return [];
    const known = this.#known.get(uri);
    return shown.flatMap((diagnostic): CodeAction[] => {
      const data = diagnostic.data as { key?: string; word?: string; meant?: string } | undefined;
      const edit = (start: number, end: number, newText: string) => ({
        changes: {
          [uri]: [{ range: { start: document.positionAt(start), end: document.positionAt(end) }, newText }],
        },
      });
      if (data?.meant !== undefined) {
        // Something else may have been typed there since.
        if (document.getText(diagnostic.range) !== data.word) return [];
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
      if (known?.text !== document.getText()) return [];
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

/** Files that documents name: a change of one is told by the editor, where it can. */
const watched = { watchers: [{ globPattern: '**/*.{yaml,yml,json,po,svg,png,woff,woff2,ttf,otf}' }] };

/** The path an editor's name of a file stands for; undefined for what is no file. */
function fileOf(uri: string): string | undefined {
  return uri.startsWith('file:') ? fileURLToPath(uri) : undefined;
}

/** A path without links; as it is where there is no such file. */
function realPath(path: string): string {
  try {
    return realpathSync(path);
  } catch {
    return path;
  }
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

/** Whether a text is a document, and no theme or anything else in YAML. */
function isDocument(text: string): boolean {
  return /^\s*(?:["']?pimbot["']?\s*:|\{\s*"?pimbot)/m.test(text);
}
