import { nearestName, type CheckedDocument, type DiagnosticList } from '../document/index.ts';
import { fallbacks, pseudoLocales, pseudoOf } from '../text/index.ts';

/** Reports locales of `vary` that the document cannot be shown in. */
export function checkVary({ source, origin }: CheckedDocument, diagnostics: DiagnosticList): void {
  const there = [source.language ?? 'en', ...Object.keys(source.catalogs ?? {})];
  source.vary?.locales?.forEach((name, nth) => {
    if (pseudoOf(name) || fallbacks(name).some((one) => there.includes(one))) return;
    const meant = nearestName(name, [...there, ...pseudoLocales]);
    diagnostics.add('unknown-name', { what: 'catalog for', name, meant }, origin.at(`/vary/locales/${nth}`));
  });
}
