/** The messages of one language: source text → translation. */
export type Catalog = ReadonlyMap<string, string>;

/** Catalogs by locale (BCP 47 tags such as `de` or `pt-BR`). */
export type Catalogs = ReadonlyMap<string, Catalog>;

/** A locale and those it falls back to: `pt-BR`, then `pt` (RFC 4647 §3.4). */
export function fallbacks(locale: string): string[] {
  const parts = locale.split('-');
  return parts.map((_, at) => parts.slice(0, parts.length - at).join('-'));
}

/** Whether a language is written from right to left: in the script it names, or is likely in (UTS 35, likely subtags; ISO 15924). */
export function isRightToLeft(locale: string): boolean {
  try {
    return /Adlm|Ara[bn]|Hebr|Nkoo|Rohg|Syrc|Thaa/.test(new Intl.Locale(locale).maximize().script!);
  } catch {
    // Of a pseudo-locale for private use nothing is known.
    return false;
  }
}
