import {
  FontBook,
  PictureError,
  formatDiagnostic,
  loadPictures,
  readDocument,
  unpackFont,
  type CheckedDocument,
  type Picture,
  type PictureHost,
  type Resources,
} from 'pimbot';
import { loadText } from 'pimbot/browser';
import { defaultFont, fontsOf } from 'pimbot/tools';
import shaper from 'pimbot/shaper.wasm?url';

/** A document with all it refers to, ready to be drawn. */
export interface LoadedProject {
  readonly document: CheckedDocument;
  readonly resources: Resources;
}

/** The files the page is built with, by their path from the examples folder. */
const texts = import.meta.glob<string>(['../fathom-post/*.yaml', './*.yaml'], {
  query: '?raw',
  import: 'default',
  eager: true,
});
const translations = import.meta.glob<Record<string, string>>(['../fathom-post/locales/*.json'], {
  import: 'default',
  eager: true,
});
const files = import.meta.glob<string>(
  ['../fathom-post/art/*', '../fathom-post/fonts/*.woff*', '../../assets/fonts/*.woff'],
  {
    query: '?url',
    import: 'default',
    eager: true,
  },
);

/** Reads a document and fetches its fonts and pictures. */
export async function loadProject(path: string): Promise<LoadedProject> {
  const { document: checked, diagnostics } = readDocument(texts[path] ?? '', {
    name: path,
    readFile: (wanted) => {
      const name = join(path, wanted);
      const text = texts[name];
      return text === undefined ? { problem: 'missing', detail: name } : { text, name };
    },
  });
  if (!checked) throw new Error(diagnostics.map(formatDiagnostic).join('\n\n'));
  const fonts = new FontBook(defaultFont, await loadText(shaper));
  for (const weight of [400, 700])
    fonts.add(
      defaultFont,
      weight,
      await unpackFont(await bytesOf(`../../assets/fonts/inter-${weight}.woff`)),
    );
  for (const [family, { files: weights, origin }] of Object.entries(fontsOf(checked))) {
    for (const [weight, file] of Object.entries(weights)) {
      const bytes = await unpackFont(await bytesOf(join(origin.source!.name, file)));
      fonts.add(family, Number.parseInt(weight, 10), bytes, weight.endsWith('italic'));
    }
  }
  const pictures = new Map<string, Picture>();
  for (const [name, source] of Object.entries(checked.source.pictures ?? {}))
    try {
      for (const [one, picture] of await loadPictures(name, source, host(path))) pictures.set(one, picture);
    } catch (error) {
      // One that cannot be used leaves a hole, and a finding that says so.
      if (!(error instanceof PictureError)) throw error;
    }
  const catalogs = new Map<string, ReadonlyMap<string, string>>();
  for (const [locale, file] of Object.entries(checked.source.catalogs ?? {}))
    catalogs.set(locale, new Map(Object.entries(translations[join(path, file)] ?? {})));
  return { document: checked, resources: { fonts, pictures, catalogs } };
}

/** A path that stands in a file, from that file's folder. */
function join(from: string, path: string): string {
  const parts = from
    .split('/')
    .slice(0, -1)
    .filter((part) => part !== '.');
  for (const part of path.split('/')) {
    if (part === '..' && parts.length > 0 && parts.at(-1) !== '..') parts.pop();
    else if (part !== '.') parts.push(part);
  }
  return parts.join('/');
}

async function bytesOf(path: string): Promise<Uint8Array> {
  const url = files[path];
  if (url === undefined) throw new Error(`the page was built without "${path}"`);
  return new Uint8Array(await (await fetch(url)).arrayBuffer());
}

/** Decodes pictures the way the page draws them. */
const host = (path: string): PictureHost => ({
  read: (file) => bytesOf(join(path, file)),
  async decode({ bytes, mime }) {
    const image = new Image();
    image.src = URL.createObjectURL(new Blob([bytes.slice()], { type: mime }));
    await image.decode();
    return image;
  },
  sample(drawable, from, width, height) {
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d')!;
    const image = drawable as HTMLImageElement;
    context.drawImage(image, from.x, from.y, from.width, from.height, 0, 0, width, height);
    return { width, height, data: context.getImageData(0, 0, width, height).data };
  },
});
