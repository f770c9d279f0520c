import {
  FontBook,
  Theme,
  defaultFont,
  formatDiagnostic,
  readDocument,
  readPicture,
  unpackWoff2,
  type CheckedDocument,
  type Picture,
  type Resources,
} from 'pimbot';

/** A document with all it refers to, ready to be drawn. */
export interface LoadedProject {
  readonly document: CheckedDocument;
  readonly resources: Resources;
}

/** The files the page is built with, by their path from the examples folder. */
const texts = import.meta.glob<string>(['../fathom-post/*.yaml', '../broken/*.yaml'], {
  query: '?raw',
  import: 'default',
  eager: true,
});
const translations = import.meta.glob<Record<string, string>>(
  ['../fathom-post/locales/*.json', '../broken/*.json'],
  {
    import: 'default',
    eager: true,
  },
);
const files = import.meta.glob<string>(
  ['../fathom-post/art/*', '../fathom-post/fonts/*.woff*', '../../assets/fonts/*.woff'],
  {
    query: '?url',
    import: 'default',
    eager: true,
  },
);

/** Documents the page can show. */
export const documents = {
  'Fathom Post': '../fathom-post/post.yaml',
  'Broken on purpose': '../broken/broken.yaml',
};

/** The theme files a document can be seen in; the first is its own. */
export function themesFor(path: string): string[] {
  if (!path.includes('fathom-post')) return ['brine'];
  const found = Object.keys(texts).flatMap((name) => /([^/]+)\.theme\.yaml$/.exec(name)?.[1] ?? []);
  return found.sort();
}

/** Reads a document and fetches its fonts and pictures. */
export async function loadProject(path: string, theme?: string): Promise<LoadedProject> {
  const { document, diagnostics } = readDocument(texts[path] ?? '', {
    name: path,
    theme,
    readFile: (wanted) => {
      const name = join(path, wanted);
      const text = texts[name];
      return text === undefined ? { problem: 'missing', detail: name } : { text, name };
    },
  });
  if (!document) throw new Error(diagnostics.map(formatDiagnostic).join('\n\n'));
  const fonts = new FontBook(defaultFont);
  for (const weight of [400, 700])
    fonts.add(defaultFont, weight, await bytesOf(`../../assets/fonts/inter-${weight}.woff`));
  const named = theme ?? document.source.theme;
  const themeFile = named === undefined ? path : join(path, named);
  for (const [family, weights] of Object.entries(new Theme(document).fonts())) {
    for (const [weight, file] of Object.entries(weights)) {
      const bytes = await unpackWoff2(await bytesOf(join(themeFile, file)));
      fonts.add(family, Number.parseInt(weight, 10), bytes, weight.endsWith('italic'));
    }
  }
  const pictures = new Map<string, Picture>();
  for (const [name, file] of Object.entries(document.source.pictures ?? {})) {
    pictures.set(name, await decode(readPicture(name, await bytesOf(join(path, file)))));
  }
  const catalogs = new Map<string, ReadonlyMap<string, string>>();
  for (const [locale, file] of Object.entries(document.source.catalogs ?? {}))
    catalogs.set(locale, new Map(Object.entries(translations[join(path, file)] ?? {})));
  return { document, resources: { fonts, pictures, catalogs } };
}

/** A path that stands in a file, from that file's folder. */
function join(from: string, path: string): string {
  const parts = from.split('/').slice(0, -1);
  for (const part of path.split('/')) {
    if (part === '..' && parts.at(-1) !== '..') parts.pop();
    else if (part !== '.') parts.push(part);
  }
  return parts.join('/');
}

async function bytesOf(path: string): Promise<Uint8Array> {
  const url = files[path];
  if (url === undefined) throw new Error(`the page was built without "${path}"`);
  return new Uint8Array(await (await fetch(url)).arrayBuffer());
}

/** The longer side of the small drawing that checks look at, in px. */
const sampleSide = 256;

async function decode(picture: Picture): Promise<Picture> {
  const image = new Image();
  image.src = URL.createObjectURL(new Blob([picture.bytes.slice()], { type: picture.mime }));
  await image.decode();
  const scale = Math.min(1, sampleSide / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  const context = canvas.getContext('2d')!;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  const { width, height, data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return { ...picture, drawable: image, sample: { width, height, data } };
}
