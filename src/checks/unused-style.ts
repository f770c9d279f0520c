import { isTemplate, pointerTo, writtenWidgets, type WidgetSource } from '../document/index.ts';
import { markupWords, parseMarkup } from '../text/index.ts';
import { styleList } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedStyle = {
  id: 'unused-style',
  title: 'A style nothing uses',
  measures: "styles of the document's own that no widget, style or text names",
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  sentence: () => 'is an unused style',
  remedies: ['takeOut'],
  run({ document: { source, themes, named } }, report) {
    const used = new Set<string>();
    const take = (names: WidgetSource['style']) => styleList(names).forEach((name) => used.add(name));
    for (const { widget } of writtenWidgets(source)) {
      // Where a value decides which style it is, it may be any.
      if (isTemplate(widget.style)) return;
      take(widget.style);
      for (const said of Object.values(widget)) {
        if (typeof said !== 'string' || !said.includes('[')) continue;
        const words = parseMarkup(said).flatMap(({ how = '' }) => markupWords(how));
        for (const word of words) if (word.type === 'style') used.add(word.name);
      }
    }
    for (const { theme } of [...themes, ...named.values()])
      for (const style of [...Object.values(theme.styles ?? {}), ...Object.values(theme.kinds ?? {})])
        take(style.extends);
    for (const name of Object.keys(source.styles ?? {})) {
      if (used.has(name)) continue;
      const pointer = pointerTo('/styles', name);
      report({ about: name, reason: 'no widget, style or text names it', pointer });
    }
  },
} as const satisfies DocumentCheck;
