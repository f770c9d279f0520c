import { isTemplate, rootsOf, widgetsOf } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

export const neverShown = {
  id: 'never-shown',
  title: 'A widget that is never shown',
  measures: 'widgets that are hidden or gone on every screen, in every case',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what is never shown is never checked; a case that shows it would look at it',
  severity: 'warning',
  needsAll: true,
  sentence: () => 'is never shown, on any screen or in any case',
  run({ document, shown }, report) {
    for (const { root, pointer, component } of rootsOf(document.source)) {
      const top = component && { widget: component, pointer, parent: undefined, arrange: undefined };
      for (const placed of [...(top ? [top] : []), ...widgetsOf(root, pointer)]) {
        const { widget, pointer: at } = placed;
        // Whoever is in something that is not shown is told of with it; pages take turns.
        const around = placed.parent?.pointer ?? pointer;
        if (shown.has(at) || !shown.has(around) || placed.arrange === 'pages') continue;
        if (widget.repeat !== undefined || widget.slot !== undefined || placed === top) continue;
        // A game shows a tooltip when somebody rests on its control, whatever the cases say.
        if (widget.kind === 'tooltip' && isTemplate(widget.visible)) continue;
        const says = (['gone', 'visible'] as const).find((key) => widget[key] !== undefined);
        if (says === undefined) continue;
        const reason = `it says ${says}: ${String(widget[says])}, and nothing that was looked at changes that`;
        report({ about: widget.id ?? at, reason, pointer: `${at}/${says}` });
      }
    }
  },
} as const satisfies DocumentCheck;
