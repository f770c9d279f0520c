import type { Widget } from '../dress/index.ts';
import { formatDiagnostic, type CheckedDocument, type FileText } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Screen } from '../screen/index.ts';
import { Theme, namedThemes } from '../theme/index.ts';
import { readDocument, type View, type ViewLayout } from '../view/index.ts';
import { EditError } from './edit-error.ts';
import { exactNumber } from './place.ts';
import { referenceScreen } from './standing.ts';

/** How far a change of a document moved a widget on a screen. */
export interface Move {
  readonly screen: string;
  /** Id of the widget before the change. */
  readonly widget: string;
  /** By how much its farthest edge moved, in device px. */
  readonly by: number;
}

/** The view of a document as it is after a change of its text. @throws EditError when the text is no document any more. */
export function rearranged(document: CheckedDocument, view: View, text: string): View {
  const [, chosen] = document.themes;
  // The theme the view is seen in, whichever the document names.
  const changed = readChanged(document, text, view.variant.theme.name ?? chosen?.origin.source?.name);
  const theme = new Theme(changed, view.variant.theme.name);
  return view.with({ theme, themes: namedThemes(changed) }, changed);
}

/**
 * A document as it is after a change of its text; theme files are as they were read.
 * @param theme The theme it is seen in; as before if left out. @throws EditError when the text is no document any more.
 */
export function readChanged(document: CheckedDocument, text: string, theme?: string): CheckedDocument {
  const [, chosen] = document.themes;
  const read = readDocument(text, {
    name: document.origin.source?.name,
    theme: theme ?? document.themeName ?? chosen?.origin.source?.name,
    readFile: (path) => readAgain(document, path),
  });
  if (read.document) return read.document;
  const first = read.diagnostics.find(({ severity }) => severity === 'error');
  throw new EditError(
    `the change would make the document unusable: ${first ? formatDiagnostic(first).split('\n')[0]! : ''}`,
  );
}

/** A theme or token file as it was read with the document. */
function readAgain({ themes, named }: CheckedDocument, path: string): FileText {
  const isIt = (name: string | undefined): name is string =>
    name === path || name?.endsWith(`/${path}`) === true;
  const files = [...themes.slice(1), ...named.values()];
  for (const theme of files) {
    const { source } = theme.origin;
    if (source && isIt(source.name)) return { text: source.text, name: source.name, theme };
  }
  for (const { source } of [...files, themes[0]!].flatMap(({ tokenFiles }) =>
    tokenFiles.map(({ origin }) => origin),
  ))
    if (source && isIt(source.name)) return { text: source.text, name: source.name };
  return { problem: 'missing', detail: path };
}

/**
 * How far every widget moved, on each of some screens; one that is only there before or after is left out.
 * @param apart Id of a container that one of the two has more than the other.
 */
export function movesBetween(before: View, after: View, screens: readonly Screen[], apart?: string): Move[] {
  return screens.flatMap((screen) => {
    const [was, is] = [before.layoutOn(screen), after.layoutOn(screen)];
    return pairsOf(was, is, apart).map(([one, other]) => ({
      screen: screen.name,
      widget: one.id,
      by: farthest(was.layout.rect(one.index), is.layout.rect(other.index)),
    }));
  });
}

/** The same widgets before and after: in document order, as those without an id may have got another name. */
function pairsOf(was: ViewLayout, is: ViewLayout, apart: string | undefined): (readonly [Widget, Widget])[] {
  const [old, now] = [was, is].map(({ widgets }) => widgets.filter(({ id }) => id !== apart)) as [
    Widget[],
    Widget[],
  ];
  if (old.length === now.length) return old.map((one, at) => [one, now[at]!] as const);
  const byId = new Map(now.map((one) => [one.id, one]));
  return old.flatMap((one) => {
    const other = byId.get(one.id);
    return other ? [[one, other] as const] : [];
  });
}

/** How far the edge of a rectangle is from that of another that is farthest from it. */
export function farthest(one: Rect, other: Rect): number {
  return Math.max(
    Math.abs(one.x - other.x),
    Math.abs(one.y - other.y),
    Math.abs(one.x + one.width - other.x - other.width),
    Math.abs(one.y + one.height - other.y - other.height),
  );
}

/** What a place may move by on the reference, in px: numbers are written with two decimals, and gaps add up. */
export const still = 0.1;

/**
 * The text of a change, once it is sure that everything is where it was.
 * @param apart Id of the container that came or went. @throws EditError
 */
export function withPlacesKept(document: CheckedDocument, view: View, text: string, apart: string): string {
  const after = rearranged(document, view, text);
  const moves = movesBetween(view, after, [referenceScreen(view)], apart);
  const worst = moves.reduce<(typeof moves)[number] | undefined>(
    (most, move) => (most && most.by >= move.by ? most : move),
    undefined,
  );
  if (worst && worst.by > still)
    throw new EditError(
      `the places cannot be kept: "${worst.widget}" would move by ${exactNumber(worst.by)} px on the reference`,
    );
  return text;
}
