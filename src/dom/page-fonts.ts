import type { Pack } from '../pack/index.ts';

/**
 * Gives the fonts of a packed document to a page under their names, so that the words of a `DomPainter` are set in them.
 * @param base What addresses in the pack are relative to; the page itself if left out.
 * @throws the page's error for a font that does not come or is none.
 */
export async function addFonts(
  { fonts }: Pick<Pack, 'fonts'>,
  page: Document = document,
  base: URL | string = page.baseURI,
): Promise<void> {
  await Promise.all(
    fonts.map(async ({ file, family, weight, italic }) => {
      const address = 'url' in file ? new URL(file.url, base).href : `data:font/sfnt;base64,${file.base64}`;
      const face = new FontFace(family, `url(${JSON.stringify(address)})`, {
        weight: String(weight),
        style: italic ? 'italic' : 'normal',
      });
      page.fonts.add(await face.load());
    }),
  );
}
