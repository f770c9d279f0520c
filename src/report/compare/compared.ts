import type {
  Comparison,
  FindingChanges,
  FoundAgain,
  SeenFinding,
  WidgetChange,
} from '../../compare/index.ts';
import { allScreens, amount, counted, printable } from '../wording.ts';

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
    case 'order':
      return `is drawn over or under others than before, ${where}`;
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

/** What became of whole views. */
export function viewSentences(
  views: Comparison['views'],
): readonly { readonly became: keyof Comparison['views']; readonly sentence: string }[] {
  const sentences: { readonly [Became in keyof Comparison['views']]: (name: string) => string } = {
    new: (name) => `the view ${name} is new`,
    gone: (name) => `the view ${name} is gone`,
    apart: (name) => `of the view ${name} nothing was compared: no layout of it is in both`,
  };
  return (['new', 'gone', 'apart'] as const).flatMap((became) =>
    views[became].map((name) => ({ became, sentence: sentences[became](name) })),
  );
}

/** How many changes and findings there are, of each kind. */
export function countsOf({ changes, findings }: Comparison, ofWhat = ''): string {
  const kinds: readonly (keyof FindingChanges)[] = ['new', 'worse', 'better', 'gone', 'unchanged'];
  const counts = kinds.map((kind) => `${findings[kind].length} ${kind}`);
  return `${counted(changes.length, 'change')}${ofWhat}, findings: ${counts.join(', ')}`;
}

/** A finding of both documents in a sentence: how it is, and how it was. */
export function toldAgain({ now, before, layouts: [was, is], worse }: FoundAgain): string {
  const then = before.message === now.message ? '' : ` ${printable(before.message)},`;
  // Where it is worse in all of them, that is what the line says.
  const some = worse > 0 && worse < is ? `, worse in ${worse} of them` : '';
  return `${told(now)}, in ${counted(is, 'layout')}${some}; before:${then} in ${was}`;
}

/** A finding of a comparison in a sentence. */
export function told({ view, widget, message }: SeenFinding): string {
  return printable(`${view === undefined ? '' : `${view}/`}${widget} ${message}`);
}
