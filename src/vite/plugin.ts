import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import type { Plugin } from 'vite';
import { formatDiagnostic, messageOf, type Diagnostic } from '../document/index.ts';
import { writeWhole } from '../node/files.ts';
import { packProject, packWhole, type PackedProject } from '../node/pack.ts';
import { openProject, type Project } from '../node/project.ts';
import { shaperFile } from '../node/text.ts';
import { Preloads, hrefFrom } from './preloads.ts';
import { declarationOf, namesOf, type Names, type PackedFile } from '../pack/index.ts';
import { wrongValues } from '../view/index.ts';

export interface PimbotOptions {
  /** Characters that fonts keep beside those of texts, catalogs, cases and ASCII. */
  readonly characters?: string;
  /** Keeps every character of the fonts. */
  readonly wholeFonts?: boolean;
  /**
   * Whether a declaration is written beside each document: `hud.d.yaml.ts`, which TypeScript takes with
   * `allowArbitraryExtensions`. True if left out.
   */
  readonly types?: boolean;
  /**
   * Whether a built page that imports a document asks at once for its fonts and pictures, the shaper and the tables of text
   * (`<link rel="preload">`), in place of when its script has been read. True if left out.
   */
  readonly preload?: boolean;
}

/** Where the development server has fonts and pictures. */
const servedUnder = '/@pimbot/';

/** Whether a text is a document of ours: other plugins may have YAML of their own. */
const isDocument = (text: string): boolean => /^\s*["']?pimbot["']?\s*:/m.test(text);

/**
 * Packs the documents that a game imports. While developing, a change of a document, theme, catalog, font or picture replaces the
 * views in the running page, which keep their values, states, focus and scroll; a mistake in one is shown over the page with its
 * file, line and column, and the last good version stays.
 */
export function pimbot(options: PimbotOptions = {}): Plugin {
  const served = new Map<string, Uint8Array>();
  /** Document → what it was last read as. */
  const known = new Map<
    string,
    { readonly files: readonly string[]; readonly project: Project | undefined }
  >();
  let isBuild = false;
  let base = '/';
  /** Document → what a page that shows it loads, as the bundler knows it. */
  const emitted = new Map<string, readonly string[]>();
  const preloads = new Preloads();

  const serve = (name: string, bytes: Uint8Array): PackedFile => {
    const url = `${servedUnder}${createHash('sha256').update(bytes).digest('hex').slice(0, 12)}/${name}`;
    served.set(url, bytes);
    return { url };
  };

  return {
    name: 'pimbot',
    enforce: 'pre',

    // Known beforehand, so that the first page is not loaded twice.
    config: () => ({ optimizeDeps: { include: ['pimbot', 'pimbot/browser'] } }),

    configResolved(config) {
      isBuild = config.command === 'build';
      base = config.base;
    },

    configureServer({ middlewares }) {
      middlewares.use((request, response, next) => {
        const { url = '' } = request;
        const bytes = url.startsWith(servedUnder) ? served.get(decodeURI(url)) : undefined;
        if (!bytes) return next();
        response.setHeader('Cache-Control', 'max-age=31536000, immutable');
        response.end(bytes);
      });
    },

    async load(id) {
      const [path = ''] = id.split('?');
      if (!/\.ya?ml$/i.test(path) || id !== path || !existsSync(path)) return null;
      const wasDocument = known.has(path);
      if (!isDocument(wasDocument ? await written(path) : readFileSync(path, 'utf8')) && !wasDocument)
        return null;
      if (isBuild) {
        const files: string[] = [];
        const fileOf = (name: string, source: Uint8Array): PackedFile => {
          files.push(this.emitFile({ type: 'asset', name, source }));
          return { url: String(files.length - 1) };
        };
        const packed = await packProject(path, { ...options, fileOf });
        if (!packed.pack) return this.error(errorOf(packed.diagnostics, path));
        for (const one of packed.diagnostics) this.warn(formatDiagnostic(one));
        if (options.types !== false) writeTypes(path, packed.names!);
        const shaper = this.emitFile({
          type: 'asset',
          name: 'shaper.wasm',
          source: readFileSync(shaperFile()),
        });
        emitted.set(path, [...files, shaper]);
        return builtModule(packed, files, shaper);
      }
      const { project, code, diagnostics } = await forDevelopment(path);
      for (const one of project.files) if (one !== path) this.addWatchFile(one);
      if (code === undefined) return this.error(errorOf(diagnostics, path));
      return code;
    },

    generateBundle(_, bundle) {
      for (const [path, files] of emitted)
        preloads.files.set(
          path,
          files.map((file) => this.getFileName(file)),
        );
      preloads.chunks = Object.values(bundle).filter((one) => one.type === 'chunk');
    },

    transformIndexHtml: {
      order: 'post',
      handler: (_, { chunk, path }) =>
        chunk && options.preload !== false ? preloads.tagsFor(chunk, hrefFrom(base, path)) : [],
    },

    handleHotUpdate({ file, modules, server: { moduleGraph } }) {
      // A theme, a catalog, a font or a picture: the documents that name it are others now.
      const changed = [...modules];
      for (const [path, { files }] of known)
        if (path !== file && files.includes(file))
          changed.push(...(moduleGraph.getModulesByFile(path) ?? []));
      return changed;
    },
  };

  async function forDevelopment(path: string): Promise<{
    readonly project: Project;
    readonly code: string | undefined;
    readonly diagnostics: readonly Diagnostic[];
  }> {
    const before = known.get(path)?.project;
    const project = await openProject(path, { like: before });
    const { document, resources, diagnostics } = project;
    known.set(path, { files: project.files, project: document ? project : before });
    if (!document) return { project, code: undefined, diagnostics };
    const wrong = wrongValues(document, resources);
    if (wrong.length > 0) return { project, code: undefined, diagnostics: [...diagnostics, ...wrong] };
    const pack = packWhole(project, serve);
    if (options.types !== false)
      // Whoever waits for the page does not wait for this.
      setTimeout(() => writeTypes(path, namesOf(document, resources)), 300).unref();
    const shaper = serve('shaper.wasm', readFileSync(shaperFile()));
    const whole = { ...pack, ...('url' in shaper && { shaper: shaper.url }) };
    return { project, code: servedModule(JSON.stringify(whole)), diagnostics };
  }
}

/** How often, and after how many ms, a document is read again that is empty or cut short just now. */
const [mostLooks, lookAfter] = [10, 20];

/** The text of what was a document before: whoever saves it may have emptied it, and not have written it yet. */
async function written(path: string): Promise<string> {
  let text = readFileSync(path, 'utf8');
  for (let looks = 0; !isDocument(text) && looks < mostLooks; looks++) {
    await new Promise((done) => setTimeout(done, lookAfter));
    text = readFileSync(path, 'utf8');
  }
  return text;
}

/** The module of a document in a build: its files are those of the bundler. */
function builtModule({ pack }: PackedProject, files: readonly string[], shaper: string): string {
  const urlOf = (file: string) => `import.meta.ROLLUP_FILE_URL_${file}`;
  return `const pack = JSON.parse(${JSON.stringify(JSON.stringify(pack))});
const urls = [${files.map(urlOf).join(', ')}];
for (const one of [...pack.fonts, ...pack.images]) one.file = { url: urls[one.file.url] };
pack.shaper = ${urlOf(shaper)};
export default pack;
`;
}

/** The same while developing: whoever has loaded it hears of its next version. */
function servedModule(json: string): string {
  return `import { everyNotation } from 'pimbot';
const pack = JSON.parse(${JSON.stringify(json)});
pack.notations = everyNotation;
pack.changes = import.meta.hot?.data.changes ?? { listeners: new Set() };
export default pack;
if (import.meta.hot) {
  import.meta.hot.data.changes = pack.changes;
  import.meta.hot.accept((next) => {
    if (next) for (const hear of next.default.changes.listeners) hear(next.default);
  });
}
`;
}

/** What is wrong with a document, as Vite shows it over the page: the first mistake in its place, the others after it. */
function errorOf(diagnostics: readonly Diagnostic[], path: string) {
  const [first, ...others] = diagnostics.filter(({ severity }) => severity === 'error');
  const { source, range } = first ?? {};
  const place = source && range && source.placeOf(range.start);
  // The page shows the lines around the place by itself.
  const sentences = first ? [place ? messageOf(first) : formatDiagnostic(first)] : [];
  return {
    message: [...sentences, ...others.map(formatDiagnostic)].join('\n\n'),
    id: path,
    stack: '',
    ...(place && { loc: { file: source.name, line: place.line, column: place.column } }),
  };
}

/** Writes the declaration of a document where it is another than before: editors look again at what is written. */
function writeTypes(path: string, names: Names): void {
  const file = path.replace(/\.(ya?ml)$/i, '.d.$1.ts');
  const text = declarationOf(names, path.split(/[\\/]/).at(-1)!);
  if (!existsSync(file) || readFileSync(file, 'utf8') !== text) writeWhole(file, text);
}
