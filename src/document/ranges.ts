import type { DiagnosticList } from './diagnostics.ts';
import { readLimits, readScreenSize } from './lengths.ts';
import {
  writtenWidgets,
  type DocumentSource,
  type Origin,
  type ScreenConditionSource,
  type SupportSource,
  type ViewSource,
} from './model.ts';
import { pointerTo } from './pointer.ts';

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
  see(document.reference?.limits, 'limits', '/reference');
  for (const { widget, pointer } of writtenWidgets(document)) {
    see(widget.reference?.limits, 'limits', `${pointer}/reference`);
    widget.when?.forEach(({ screen }, nth) => {
      seeScreens(screen, `${pointer}/when/${nth}/screen`);
    });
    // Of a view, and of what it says on some screens.
    (widget as ViewSource).expect?.forEach(({ on }, nth) => {
      seeScreens(on, `${pointer}/expect/${nth}/on`);
    });
  }
  for (const [name, { supports }] of Object.entries(document.views)) {
    const at = `${pointerTo('/views', name)}/supports`;
    see(supports?.aspect, 'aspect', at);
    seeSizes(supports, at, origin, diagnostics);
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
