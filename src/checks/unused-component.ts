import { pointerTo, writtenWidgets } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

export const unusedComponent = {
  id: 'unused-component',
  title: 'A component nothing uses',
  measures: 'components that no widget is an instance of',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody uses is edited in vain',
  severity: 'warning',
  sentence: () => 'is an unused component',
  remedies: ['takeOut'],
  run({ document: { source } }, report) {
    const used = new Set([...writtenWidgets(source)].map(({ widget }) => widget.use));
    for (const name of Object.keys(source.components ?? {})) {
      if (used.has(name)) continue;
      const pointer = pointerTo('/components', name);
      report({ about: name, reason: 'no widget uses it', pointer });
    }
  },
} as const satisfies DocumentCheck;
