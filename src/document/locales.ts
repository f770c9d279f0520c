import type { DiagnosticList } from './diagnostics.ts';
import type { DocumentSource, Origin } from './model.ts';
import { pointerTo } from './pointer.ts';

/** What has the shape of a locale and is none (Unicode Technical Standard 35, 3.2): `when`, `de-1`, `de-DE-DE`. */
export function checkLocales(
  { language, catalogs = {} }: DocumentSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const expected = 'a locale such as de or pt-BR';
  if (language !== undefined && !isLocale(language))
    diagnostics.add(
      'wrong-value',
      { key: 'language', expected, found: JSON.stringify(language) },
      origin.at('/language'),
    );
  for (const locale of Object.keys(catalogs)) {
    if (isLocale(locale)) continue;
    const at = origin.atKey(pointerTo('/catalogs', locale));
    diagnostics.add('wrong-value', { key: locale, expected, found: 'this' }, at);
  }
}

function isLocale(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}
