import {
  FontBook,
  PictureError,
  PictureBudget,
  loadPictures,
  readDocument,
  type CheckedDocument,
  type Diagnostic,
  type FileText,
  type Picture,
  type PictureHost,
  type Resources,
} from 'pimbot';
import { loadText } from 'pimbot/browser';
import { defaultFont } from 'pimbot/tools';
import shaper from 'pimbot/shaper.wasm?url';

/** What the server says of a document's fonts and catalogs. */
interface Served {
  readonly catalogs: readonly (readonly [string, readonly (readonly [string, string])[]])[];
  readonly fonts: readonly { family: string; weight: number; italic: boolean; nth: number; hash: string }[];
  readonly problems: readonly string[];
}

/** Draws an SVG in so many px: a worker cannot. */
export type DrawSvg = (bytes: Uint8Array, width: number, height: number) => Promise<ImageBitmap | undefined>;

/** The longer side of a drawn SVG, in px: sharp on a large screen. */
const svgSide = 1024;

/** Reads documents with what they name from the server, and keeps what has not changed. */
export class ProjectReader {
  readonly #token: string;
  readonly #drawSvg: DrawSvg;
  readonly #texts = new Map<string, FileText>();
  readonly #bytes = new Map<string, Promise<Uint8Array>>();
  readonly #pictures = new Map<string, Promise<ReadonlyMap<string, Picture>>>();
  readonly #fontBytes = new Map<string, Promise<Uint8Array>>();
  /** What those pictures unpack to together. */
  #unpacked = new PictureBudget();
  /** Px of a drawn SVG for one of its own. */
  readonly #times = new WeakMap<ImageBitmap, number>();
  #fonts: { readonly key: string; readonly book: FontBook } | undefined;
  #served: { readonly file: string; readonly value: Served } | undefined;

  constructor(token: string, drawSvg: DrawSvg) {
    this.#token = token;
    this.#drawSvg = drawSvg;
  }

  /** Forgets what was read: a file has changed. */
  forget(): void {
    this.#texts.clear();
    this.#bytes.clear();
    this.#pictures.clear();
    this.#unpacked = new PictureBudget();
    this.#served = undefined;
  }

  /** Asks again which fonts and catalogs a document has, as it is on disk. @returns whether they are others. */
  async refresh(file: string): Promise<boolean> {
    const before = this.#served;
    const value = await this.#json<Served>('resources', file);
    return before?.file !== file || JSON.stringify(before.value) !== JSON.stringify(value);
  }

  async read(
    file: string,
    text: string,
  ): Promise<{
    document: CheckedDocument | undefined;
    diagnostics: readonly Diagnostic[];
    problems: readonly string[];
    resources: Resources;
  }> {
    const read = readDocument(text, { name: file, readFile: (path) => this.#text(join(file, path)) });
    if (this.#served?.file !== file)
      this.#served = { file, value: await this.#json<Served>('resources', file) };
    const { catalogs, fonts, problems } = this.#served.value;
    const key = fonts.map(({ hash }) => hash).join();
    if (this.#fonts === undefined || (this.#fonts.key !== key && fonts.length > 0)) {
      const book = new FontBook(defaultFont, await loadText(shaper));
      for (const { family, weight, italic, nth, hash } of fonts) {
        if (!this.#fontBytes.has(hash))
          this.#fontBytes.set(hash, this.#get(`font?path=${encodeURIComponent(file)}&nth=${nth}`));
        book.add(family, weight, await this.#fontBytes.get(hash)!, italic);
      }
      this.#fonts = { key, book };
    }
    const pictures = new Map<string, Picture>();
    for (const [name, source] of Object.entries(read.document?.source.pictures ?? {})) {
      const said = `${file} ${name} ${JSON.stringify(source)}`;
      if (!this.#pictures.has(said)) this.#pictures.set(said, this.#load(file, name, source));
      try {
        for (const [one, picture] of await this.#pictures.get(said)!) pictures.set(one, picture);
      } catch (error) {
        // One that cannot be used leaves a hole, and the server says why.
        if (!(error instanceof PictureError) && !(error instanceof TypeError)) throw error;
      }
    }
    const resources = {
      fonts: this.#fonts.book,
      pictures,
      catalogs: new Map(catalogs.map(([locale, entries]) => [locale, new Map(entries)])),
    };
    return { document: read.document, diagnostics: read.diagnostics, problems, resources };
  }

  /** Pictures are the same objects in the next reading: what was made smaller or tinted of them is kept by them. */
  async #load(
    file: string,
    name: string,
    source: Parameters<typeof loadPictures>[1],
  ): Promise<ReadonlyMap<string, Picture>> {
    const found = await loadPictures(name, source, this.#host(file), this.#unpacked);
    return new Map([...found].map(([one, picture]) => [one, this.#sharp(picture)]));
  }

  /** A text file of the project, now: reading a document does not wait. */
  #text(path: string): FileText {
    const known = this.#texts.get(path);
    if (known) return known;
    const request = new XMLHttpRequest();
    request.open('GET', `/api/file?path=${encodeURIComponent(path)}`, false);
    request.setRequestHeader('authorization', `Bearer ${this.#token}`);
    request.send();
    const text: FileText =
      request.status === 200
        ? { text: request.responseText, name: path }
        : { problem: request.status === 403 ? 'outside' : 'missing', detail: path };
    this.#texts.set(path, text);
    return text;
  }

  async #json<T>(what: string, path: string): Promise<T> {
    return JSON.parse(
      new TextDecoder().decode(await this.#get(`${what}?path=${encodeURIComponent(path)}`)),
    ) as T;
  }

  async #get(what: string): Promise<Uint8Array> {
    const response = await fetch(`/api/${what}`, { headers: { authorization: `Bearer ${this.#token}` } });
    if (!response.ok) throw new PictureError(`${what}: ${response.status}`);
    return new Uint8Array(await response.arrayBuffer());
  }

  #file(path: string): Promise<Uint8Array> {
    const known = this.#bytes.get(path) ?? this.#get(`file?path=${encodeURIComponent(path)}`);
    this.#bytes.set(path, known);
    return known;
  }

  #host(file: string): PictureHost {
    return {
      read: (path) => this.#file(join(file, path)),
      decode: async ({ bytes, mime, width, height }) => {
        if (mime !== 'image/svg+xml') return createImageBitmap(new Blob([bytes.slice()], { type: mime }));
        const times = Math.max(1, svgSide / Math.max(width, height));
        const bitmap = await this.#drawSvg(bytes, Math.round(width * times), Math.round(height * times));
        if (!bitmap) throw new PictureError('it cannot be drawn');
        this.#times.set(bitmap, times);
        return bitmap;
      },
      sample: (drawable, from, width, height) => {
        const bitmap = drawable as ImageBitmap;
        const times = this.#times.get(bitmap) ?? 1;
        const canvas = new OffscreenCanvas(width, height);
        const context = canvas.getContext('2d')!;
        const { x, y } = from;
        context.drawImage(
          bitmap,
          x * times,
          y * times,
          from.width * times,
          from.height * times,
          0,
          0,
          width,
          height,
        );
        return { width, height, data: context.getImageData(0, 0, width, height).data };
      },
    };
  }

  /** A picture whose bitmap is larger than it is: as a file of a higher density. */
  #sharp(picture: Picture): Picture {
    const bitmap = picture.drawable as ImageBitmap | undefined;
    if (!bitmap || picture.mime !== 'image/svg+xml' || picture.files) return picture;
    const density = bitmap.width / picture.width;
    if (density <= 1) return picture;
    const fine = { ...picture, width: bitmap.width, height: bitmap.height };
    return { ...picture, files: [{ density, picture: fine }] };
  }
}

/** A path that stands in a file, from the project folder. */
export function join(from: string, path: string): string {
  const parts = from.split('/').slice(0, -1);
  for (const part of path.split('/')) {
    if (part === '..' && parts.length > 0 && parts.at(-1) !== '..') parts.pop();
    else if (part !== '.') parts.push(part);
  }
  return parts.join('/');
}
