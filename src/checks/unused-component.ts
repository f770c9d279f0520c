import { rootsOf, widgetsOf, type WidgetSource } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedComponent: DocumentCheck = {
  id: 'unused-component',
  title: 'A component nothing uses',
  measures: 'components that no widget is an instance of',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  run({ source, origin }, limit, report) {
    const used = new Set<string>();
    for (const { root, pointer } of rootsOf(source))
      for (const { use } of [root as WidgetSource, ...[...widgetsOf(root, pointer)].map((one) => one.widget)])
        if (use !== undefined) used.add(use);
    for (const name of Object.keys(source.components ?? {})) {
      if (used.has(name) || limit >= 1) continue;
      const pointer = `/components/${name}`;
      report({
        about: name,
        measured: 1,
        detail: 'component',
        reasons: [{ text: 'no widget uses it', pointer }],
        origin,
        pointer,
      });
    }
  },
};
