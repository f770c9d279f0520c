import type { HtmlTagDescriptor, Rollup } from 'vite';

/** What a built page loads with a document, so that it can be asked for before the page's script has been read. */
export class Preloads {
  /** Document → the names of its fonts, pictures and of the shaper. */
  readonly files = new Map<string, readonly string[]>();
  chunks: readonly Rollup.OutputChunk[] = [];

  /**
   * For a page whose script imports documents at once; nothing for documents that are imported later.
   * @param hrefOf The address of a built file, from the page.
   */
  tagsFor(entry: Rollup.OutputChunk, hrefOf: (file: string) => string): HtmlTagDescriptor[] {
    const byName = new Map(this.chunks.map((chunk) => [chunk.fileName, chunk]));
    const loaded = new Set([entry]);
    for (const { imports } of loaded)
      for (const name of imports) {
        const chunk = byName.get(name);
        if (chunk) loaded.add(chunk);
      }
    const modules = [...loaded].flatMap(({ moduleIds }) => moduleIds);
    const files = new Set(modules.flatMap((id) => this.files.get(id) ?? []));
    if (files.size === 0) return [];
    const later = new Set([...loaded].flatMap(({ dynamicImports }) => dynamicImports));
    const tables = [...later].filter((name) => isTextEngine(byName.get(name)));
    return [
      ...tables.map((name) => link({ rel: 'modulepreload', href: hrefOf(name) })),
      ...[...files].map((name) => link({ rel: 'preload', as: 'fetch', href: hrefOf(name) })),
    ];
  }
}

/** Taken by a `fetch` of the same page only where both ask in the same way. */
const link = (attrs: Readonly<Record<string, string>>): HtmlTagDescriptor => ({
  tag: 'link',
  attrs: { ...attrs, crossorigin: true },
  injectTo: 'head',
});

const isTextEngine = (chunk: Rollup.OutputChunk | undefined): boolean =>
  chunk?.moduleIds.some((id) => /[\\/]text[\\/]engine\.[jt]s$/.test(id)) ?? false;

/** Addresses of built files from a page at a path of the site. */
export function hrefFrom(base: string, path: string): (file: string) => string {
  const isRelative = base === '' || base === './';
  const up = '../'.repeat(path.split('/').filter(Boolean).length - 1);
  return (file) => (isRelative ? `${up || './'}${file}` : `${base}${file}`);
}
