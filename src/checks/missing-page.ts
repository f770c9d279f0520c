import type { WidgetSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';

type Facts = { readonly page: string };

export const missingPage = {
  id: 'missing-page',
  title: 'A page that is not there',
  measures: 'panels of pages whose page names none of their children',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'where the page is not there, nothing is shown',
  severity: 'error',
  sentence: ({ facts }) => `shows the page "${facts.page}", which it does not have`,
  run(subject, _, report) {
    const paged = subject.form.once('missing-page', () =>
      subject.widgets.flatMap((widget) => {
        const { index, box, kind, scope } = widget;
        const { page } = widget.source as WidgetSource;
        if (page === undefined || (box.arrange !== 'pages' && kind !== 'tabs')) return [];
        const value = scope.evaluate(String(page));
        const shown = typeof value === 'object' ? '' : String(value);
        const children = subject.widgets.filter(({ parent }) => parent === index);
        const ids = children.flatMap(({ id, source }) => {
          const { controls: controlled } = source as WidgetSource;
          const written = (source as WidgetSource).id;
          return [id, ...(written ? [written] : []), ...(controlled ? [controlled] : [])];
        });
        return ids.includes(shown) ? [] : [{ widget, page: shown, ids: children.map(({ id }) => id) }];
      }),
    );
    for (const { widget, page, ids } of paged) {
      if (!widget.visible) continue;
      const has = ids.length === 0 ? 'it has none' : `it has ${ids.join(', ')}`;
      const reasons = [{ text: `its page is "${page}", and ${has}`, pointer: keyPointer(widget, 'page') }];
      report({ outcome: 'failed', widget: widget.index, measured: 1, facts: { page }, reasons });
    }
  },
} as const satisfies Check<Facts>;
