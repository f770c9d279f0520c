import type { Comparison, WidgetChange } from '../../compare/index.ts';
import { allScreens, amount, printable } from '../wording.ts';

/** What was compared with what, as the user named them. */
export interface Compared {
  readonly old: string;
  readonly now: string;
  readonly comparison: Comparison;
  readonly screens: readonly string[];
}

/** What became of a widget, as the rest of a sentence that starts with it. */
export function changeSentence(
  { kind, by, screens, locales, worst, from, to }: WidgetChange,
  screenCount: number,
): string {
  const where =
    screens.length === screenCount && screenCount > 1
      ? `on ${allScreens(screenCount)}`
      : screens.length <= 2
        ? `on ${screens.join(' and ')}`
        : `on ${screens.length} of ${screenCount} screens`;
  const most = screens.length > 1 ? `, most on ${worst.screen}` : '';
  switch (kind) {
    case 'new':
      return `is new, ${where}`;
    case 'gone':
      return `is gone, ${where}`;
    case 'moved':
      return `moved by ${amount(by)} px ${where}${most}`;
    case 'resized':
      return `is ${sizeOf(to)} px where it was ${sizeOf(from)}, ${where}${most}`;
    case 'looks':
      return `looks different ${where}`;
    case 'says':
      // A translation is one line of a catalog, however many screens show it.
      return `says something else ${locales.length > 0 ? `in ${locales.join(', ')}` : where}`;
  }
}

function sizeOf(size: WidgetChange['from']): string {
  return size ? size.map(amount).join(' × ') : 'nothing';
}

/** A finding of a comparison in a sentence. */
export function told({ view, widget, message }: Comparison['findings']['new'][number]): string {
  return printable(`${view === undefined ? '' : `${view}/`}${widget} ${message}`);
}
