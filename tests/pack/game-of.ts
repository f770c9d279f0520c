import { FontBook, unpack, type CheckedDocument, type Pack, type Resources } from 'pimbot';
import { nodeText } from 'pimbot/node';

/** What a game makes of a pack, once it has been written and read again. */
export function gameOf(
  packed: Pack,
  { pictures }: Resources,
): { readonly document: CheckedDocument; readonly resources: Resources } {
  const pack = JSON.parse(JSON.stringify(packed)) as Pack;
  const fonts = new FontBook(pack.fallback, nodeText());
  for (const { family, weight, italic, file: font } of pack.fonts)
    fonts.add(family, weight, Buffer.from('base64' in font ? font.base64 : '', 'base64'), italic);
  const catalogs = new Map(
    Object.entries(pack.catalogs).map(([locale, texts]) => [locale, new Map(Object.entries(texts))]),
  );
  return { document: unpack(pack), resources: { fonts, catalogs, ...(pictures && { pictures }) } };
}
