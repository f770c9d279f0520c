import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { existsSync, realpathSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname, extname, join, relative, resolve, sep } from 'node:path';
import { formatDiagnostic } from '../document/index.ts';
import { FileProblem, ProjectFolder, readLimited, systemMessage, writeWhole } from './files.ts';
import { stampOf } from './watch.ts';
import { bundledFontFiles, openProject, projectRoot, type FontFile, type Project } from './project.ts';

export interface WorkbenchOptions {
  /** Documents to open, the first of them first. */
  readonly files: readonly string[];
  /** The folder with the built page. */
  readonly page: string;
  /** A free one if left out. */
  readonly port?: number;
  /** How long nobody has to look before it ends by itself, in ms; never if left out. */
  readonly idle?: number;
}

export interface Workbench {
  /** The address with the token that lets a page in. */
  readonly url: string;
  /** Resolves once it has ended. */
  readonly ended: Promise<void>;
  close(): Promise<void>;
}

/** The most bytes a page may write at once, and read of one file. */
const mostBytes = 16 * 1024 * 1024;
/** How often files are looked at for changes, in ms. */
const lookEvery = 40;

const types: { readonly [extension: string]: string } = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.wasm': 'application/wasm',
  '.woff': 'font/woff',
  '.svg': 'image/svg+xml',
};

/** What a page may do and load: its own files, and nothing from elsewhere. */
const policy =
  "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; worker-src 'self' blob:; connect-src 'self'; img-src 'self' blob: data:; style-src 'self' 'unsafe-inline'; font-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

/** A request that is refused: its status, and a sentence. */
class Refusal extends Error {
  readonly status: number;

  constructor(status: number, message: string) {
    super(message);
    this.status = status;
  }
}

/**
 * Serves the workbench to this machine alone: the page, the files of the project folder of the documents, and nothing else. Who has not
 * the token, or comes from another page, is refused. @throws FileProblem for a document that cannot be read.
 */
export async function startWorkbench(options: WorkbenchOptions): Promise<Workbench> {
  const files = options.files.map((file) => {
    if (!existsSync(file)) throw new FileProblem('missing', file);
    return realpathSync(file);
  });
  const root = realpathSync(projectRoot(dirname(files[0]!)));
  const named = files.map((file) => {
    const path = relative(root, file);
    if (path.startsWith('..')) throw new FileProblem('outside', file);
    return path.split(sep).join('/');
  });
  const token = randomBytes(24).toString('base64url');
  const served = new Served(root, named, options.page, token);
  const server = createServer((request, response) => void served.answer(request, response));
  await new Promise<void>((ready, failed) => {
    server.once('error', failed);
    server.listen(options.port ?? 0, '127.0.0.1', ready);
  });
  const { port } = server.address() as AddressInfo;
  served.port = port;
  const ended = new Promise<void>((done) => server.once('close', done));
  const close = () => end(server, served, ended);
  if (options.idle !== undefined) served.endAfter(options.idle, () => void close());
  return { url: `http://127.0.0.1:${port}/?token=${token}`, ended, close };
}

function end(server: Server, served: Served, ended: Promise<void>): Promise<void> {
  served.stop();
  server.close();
  server.closeAllConnections();
  return ended;
}

class Served {
  port = 0;
  readonly #root: string;
  readonly #files: readonly string[];
  readonly #page: string;
  readonly #token: Buffer;
  readonly #projects = new Map<string, Project>();
  readonly #listeners = new Set<ServerResponse>();
  readonly #stamps = new Map<string, string>();
  readonly #timer: ReturnType<typeof setInterval>;
  #idle: { readonly ms: number; readonly end: () => void } | undefined;
  #sleep: ReturnType<typeof setTimeout> | undefined;

  constructor(root: string, files: readonly string[], page: string, token: string) {
    this.#root = root;
    this.#files = files;
    this.#page = page;
    this.#token = Buffer.from(token);
    this.#timer = setInterval(() => this.#look(), lookEvery);
  }

  endAfter(ms: number, end: () => void): void {
    this.#idle = { ms, end };
    this.#settle();
  }

  stop(): void {
    clearInterval(this.#timer);
    clearTimeout(this.#sleep);
    for (const one of this.#listeners) one.end();
  }

  /** Ends it some time after the last page has gone. */
  #settle(): void {
    clearTimeout(this.#sleep);
    const idle = this.#idle;
    if (idle && this.#listeners.size === 0) this.#sleep = setTimeout(idle.end, idle.ms);
  }

  async answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    try {
      const url = this.#checked(request);
      response.setHeader('cache-control', 'no-store');
      response.setHeader('x-content-type-options', 'nosniff');
      response.setHeader('cross-origin-resource-policy', 'same-origin');
      response.setHeader('content-security-policy', policy);
      response.setHeader('referrer-policy', 'no-referrer');
      if (!url.pathname.startsWith('/api/')) return this.#static(request, url, response);
      if (!this.#isToken(/^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1]))
        throw new Refusal(403, 'the token is missing or wrong');
      await this.#api(request, url, response);
    } catch (error) {
      const known = error instanceof Refusal;
      const problem = error instanceof FileProblem;
      const status = known ? error.status : problem ? (error.problem === 'missing' ? 404 : 403) : 500;
      if (response.headersSent) return void response.end();
      response.statusCode = status;
      response.setHeader('content-type', 'application/json');
      response.end(JSON.stringify({ error: known || problem ? error.message : systemMessage(error) }));
    }
  }

  /** A page elsewhere may make a browser ask, but can name neither this host nor this origin as its own. */
  #checked({ headers, url }: IncomingMessage): URL {
    const hosts = [`127.0.0.1:${this.port}`, `localhost:${this.port}`];
    if (!hosts.includes(headers.host ?? '')) throw new Refusal(403, 'this host is not served');
    if (headers.origin !== undefined && !hosts.some((host) => headers.origin === `http://${host}`))
      throw new Refusal(403, 'another page asks');
    const site = headers['sec-fetch-site'];
    if (site !== undefined && site !== 'same-origin' && site !== 'none')
      throw new Refusal(403, 'another page asks');
    return new URL(url ?? '/', `http://${hosts[0]!}`);
  }

  #isToken(given: string | undefined | null): boolean {
    const bytes = Buffer.from(given ?? '');
    return bytes.length === this.#token.length && timingSafeEqual(bytes, this.#token);
  }

  #static({ method }: IncomingMessage, { pathname, searchParams }: URL, response: ServerResponse): void {
    if (method !== 'GET' && method !== 'HEAD') throw new Refusal(405, 'only reading is possible here');
    const isIndex = pathname === '/' || pathname === '/index.html';
    if (isIndex && !this.#isToken(searchParams.get('token')))
      throw new Refusal(403, 'open the address that "pimbot open" printed: it has a token in it');
    const page = realpathSync(this.#page);
    const path = join(page, isIndex ? 'index.html' : decodeURIComponent(pathname));
    if (!path.startsWith(page + sep) || !existsSync(path) || !realpathSync(path).startsWith(page + sep))
      throw new Refusal(404, 'there is no such file');
    response.setHeader('content-type', types[extname(path)] ?? 'application/octet-stream');
    response.end(method === 'HEAD' ? undefined : readLimited(path, mostBytes * 4));
  }

  async #api(request: IncomingMessage, url: URL, response: ServerResponse): Promise<void> {
    const path = url.searchParams.get('path') ?? '';
    switch (`${request.method} ${url.pathname}`) {
      case 'GET /api/project':
        return json(response, { files: this.#files });
      case 'GET /api/resources':
        return json(response, await this.#resources(path));
      case 'GET /api/font': {
        const project = this.#projects.get(path);
        const font = project && fontsOf(project)[Number(url.searchParams.get('nth'))];
        if (!font) throw new Refusal(404, 'there is no such font');
        return void response.end(font.bytes);
      }
      case 'GET /api/file': {
        const bytes = new ProjectFolder(this.#root).read(path, mostBytes);
        response.setHeader('etag', etagOf(bytes));
        return void response.end(bytes);
      }
      case 'PUT /api/file':
        return this.#write(path, request, response);
      case 'GET /api/changes':
        return this.#follow(request, response);
      default:
        throw new Refusal(404, 'there is nothing of that name');
    }
  }

  /** What a document names beside texts: catalogs, where its fonts are, and what is wrong with either. */
  async #resources(path: string): Promise<unknown> {
    const file = this.#inside(path);
    const project = await openProject(file, { like: this.#projects.get(path) });
    // A document with a mistake has no fonts: those it had stay.
    const usable = project.document ? project : (this.#projects.get(path) ?? project);
    this.#projects.set(path, usable);
    for (const one of project.files) if (!this.#stamps.has(one)) this.#stamps.set(one, stampOf(one));
    const { catalogs } = usable.resources;
    return {
      catalogs: [...(catalogs ?? [])].map(([locale, catalog]) => [locale, [...catalog]]),
      fonts: fontsOf(usable).map(({ family, weight, italic, bytes }, nth) => ({
        family,
        weight,
        italic,
        nth,
        hash: etagOf(bytes),
      })),
      problems: project.diagnostics
        .filter(
          ({ code }) => code === 'file-missing' || code === 'file-outside' || code === 'file-unreadable',
        )
        .map((one) => formatDiagnostic(one).replaceAll(file, path)),
    };
  }

  async #write(path: string, request: IncomingMessage, response: ServerResponse): Promise<void> {
    const file = this.#inside(path);
    if (!/\.(ya?ml|json)$/i.test(file)) throw new Refusal(403, 'only documents are written');
    const chunks: Buffer[] = [];
    let size = 0;
    for await (const chunk of request as AsyncIterable<Buffer>) {
      size += chunk.length;
      if (size > mostBytes) throw new Refusal(413, `more than ${mostBytes} bytes are not written`);
      chunks.push(chunk);
    }
    const there = existsSync(file) ? readLimited(file, mostBytes) : undefined;
    const expected = request.headers['if-match'];
    // What is on the disk has to be what the page has seen.
    if (there === undefined ? request.headers['if-none-match'] !== '*' : expected !== etagOf(there))
      throw new Refusal(412, `"${path}" was changed on disk`);
    const bytes = Buffer.concat(chunks);
    writeWhole(file, bytes);
    // What was written here is no change from elsewhere.
    this.#stamps.set(file, stampOf(file));
    response.setHeader('etag', etagOf(bytes));
    json(response, { written: bytes.length });
  }

  /** A path in the project folder, whatever links lead out of it. @throws FileProblem */
  #inside(path: string): string {
    if (path.includes('\0') || path === '') throw new FileProblem('missing', 'that is no path');
    const wanted = resolve(this.#root, path);
    const holds = (one: string) => one.startsWith(this.#root + sep);
    if (!holds(wanted)) throw new FileProblem('outside', 'it lies outside the project folder');
    let folder = existsSync(wanted) ? wanted : dirname(wanted);
    while (!existsSync(folder)) folder = dirname(folder);
    const real = realpathSync(folder);
    if (!holds(real) && real !== this.#root)
      throw new FileProblem('outside', 'it lies outside the project folder');
    return wanted;
  }

  #follow(request: IncomingMessage, response: ServerResponse): void {
    response.setHeader('content-type', 'application/x-ndjson');
    response.write('{"changed":[]}\n');
    this.#listeners.add(response);
    this.#settle();
    request.once('close', () => {
      this.#listeners.delete(response);
      this.#settle();
    });
  }

  #look(): void {
    const changed: string[] = [];
    for (const [file, stamp] of this.#stamps) {
      const now = stampOf(file);
      if (now === stamp) continue;
      this.#stamps.set(file, now);
      changed.push(relative(this.#root, file).split(sep).join('/'));
    }
    if (changed.length === 0) return;
    for (const one of this.#listeners) one.write(`${JSON.stringify({ changed })}\n`);
  }
}

/** The fonts of a document; of one that has never been read without a mistake, those that come with Pimbot. */
function fontsOf({ loaded }: Project): readonly FontFile[] {
  return loaded.fontFiles.length > 0 ? loaded.fontFiles : bundledFontFiles();
}

function etagOf(bytes: Uint8Array): string {
  return `"${createHash('sha256').update(bytes).digest('hex').slice(0, 32)}"`;
}

function json(response: ServerResponse, value: unknown): void {
  response.setHeader('content-type', 'application/json');
  response.end(JSON.stringify(value));
}
