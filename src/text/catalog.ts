/** The messages of one language: source text → translation. */
export type Catalog = ReadonlyMap<string, string>;

/** Catalogs by locale (BCP 47 tags such as `de` or `pt-BR`). */
export type Catalogs = ReadonlyMap<string, Catalog>;

/** A locale and those it falls back to: `pt-BR`, then `pt` (RFC 4647 §3.4). */
export function fallbacks(locale: string): string[] {
  const parts = locale.split('-');
  return parts.map((_, at) => parts.slice(0, parts.length - at).join('-'));
}

const rightToLeftLanguages = new Set([
  'ar',
  'arc',
  'ckb',
  'dv',
  'fa',
  'he',
  'ks',
  'ps',
  'sd',
  'ug',
  'ur',
  'yi',
]);

/** Whether a language is written from right to left. */
export function isRightToLeft(locale: string): boolean {
  const [language, ...rest] = locale.split('-');
  if (rest.includes('Latn')) return false;
  return rightToLeftLanguages.has(language!.toLowerCase());
}
