import type { DiagnosticList } from './diagnostics.ts';
import { readLimits, readScreenSize } from './lengths.ts';
import {
  rootsOf,
  widgetsOf,
  type DocumentSource,
  type Origin,
  type PromiseSource,
  type ScreenConditionSource,
  type SupportSource,
} from './model.ts';

/* A range that ends before it starts holds for nothing: a condition that never holds, a view that is never looked at. */

/** Reports every range of a document that ends before it starts. */
export function checkRanges(document: DocumentSource, origin: Origin, diagnostics: DiagnosticList): void {
  const see = (range: string | undefined, key: string, at: string) => {
    const read = range === undefined ? undefined : readLimits(range);
    if (!read || read.least <= read.most) return;
    const facts = { key, least: read.least, most: read.most };
    diagnostics.add('limits-crossed', facts, origin.at(`${at}/${key}`));
  };
  const seeScreens = (condition: ScreenConditionSource | undefined, at: string) => {
    for (const key of ['aspect', 'width', 'height', 'distance'] as const) see(condition?.[key], key, at);
    const { orientation, aspect } = condition ?? {};
    const read = aspect === undefined ? undefined : readLimits(aspect);
    const isNever = orientation === 'portrait' ? (read?.least ?? 0) >= 1 : (read?.most ?? Infinity) < 1;
    if (orientation === undefined || !isNever) return;
    const needs = `orientation: ${orientation === 'portrait' ? 'landscape' : 'portrait'}`;
    diagnostics.add('key-needs', { key: `aspect: ${aspect!}`, needs }, origin.at(`${at}/aspect`));
  };
  const seePromises = (promises: readonly PromiseSource[] | undefined, at: string) => {
    promises?.forEach(({ on }, nth) => {
      seeScreens(on, `${at}/expect/${nth}/on`);
    });
  };
  see(document.reference?.limits, 'limits', '/reference');
  for (const { name, root, pointer, component } of rootsOf(document)) {
    for (const { widget, pointer: at } of [{ widget: root, pointer }, ...widgetsOf(root, pointer)]) {
      if ('reference' in widget) see(widget.reference?.limits, 'limits', `${at}/reference`);
      widget.when?.forEach(({ screen, change }, nth) => {
        seeScreens(screen, `${at}/when/${nth}/screen`);
        if ('expect' in change) seePromises(change.expect, `${at}/when/${nth}/change`);
      });
    }
    if (component) continue;
    const { supports, expect } = document.views[name]!;
    seePromises(expect, pointer);
    see(supports?.aspect, 'aspect', `${pointer}/supports`);
    seeSizes(supports, `${pointer}/supports`, origin, diagnostics);
  }
}

function seeSizes(
  { from, to }: SupportSource = {},
  at: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const [least, most] = [from, to].map((one) => (one === undefined ? undefined : readScreenSize(one)));
  for (const side of ['width', 'height'] as const) {
    if (!least || !most || least[side] <= most[side]) continue;
    const facts = { key: side, least: least[side], most: most[side] };
    diagnostics.add('limits-crossed', facts, origin.at(`${at}/to`));
  }
}
