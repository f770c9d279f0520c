import { rootsOf, widgetsOf, type WidgetSource } from '../document/index.ts';
import { markupWords, parseMarkup } from '../text/index.ts';
import { styleList } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedStyle: DocumentCheck = {
  id: 'unused-style',
  title: 'A style nothing uses',
  measures: "styles of the document's own that no widget, style or text names",
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  run({ source, origin, themes, named }, limit, report) {
    const used = new Set<string>();
    const take = (names: WidgetSource['style']) => styleList(names).forEach((name) => used.add(name));
    let isOpen = false;
    for (const { root, pointer } of rootsOf(source)) {
      for (const widget of [
        root as WidgetSource,
        ...[...widgetsOf(root, pointer)].map((one) => one.widget),
      ]) {
        const changes = [
          widget,
          ...(widget.when ?? []).map(({ change }) => change),
          ...Object.values(widget.set ?? {}),
        ];
        for (const one of changes) {
          take(one.style);
          if (typeof one.style === 'string' && one.style.startsWith('{')) isOpen = true;
          for (const said of Object.values(one))
            if (typeof said === 'string' && said.includes('['))
              for (const part of parseMarkup(said))
                for (const word of markupWords(part.how ?? ''))
                  if (word.type === 'style') used.add(word.name);
        }
      }
    }
    for (const { theme } of [...themes, ...named.values()])
      for (const style of [...Object.values(theme.styles ?? {}), ...Object.values(theme.kinds ?? {})])
        take(style.extends);
    // Where a value decides which style it is, it may be any.
    if (isOpen || limit >= 1) return;
    for (const name of Object.keys(source.styles ?? {})) {
      if (used.has(name)) continue;
      const pointer = `/styles/${name}`;
      report({
        about: name,
        measured: 1,
        detail: 'style',
        reasons: [{ text: 'no widget, style or text names it', pointer }],
        origin,
        pointer,
      });
    }
  },
};
