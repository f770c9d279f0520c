import {
  pointerTo,
  widgetsOf,
  type CheckedDocument,
  type ComponentSource,
  type Range,
  type ViewSource,
  type WidgetSource,
} from '../../document/index.ts';

/** A part of a document that has a name, with what is in it. */
export interface NamedPart {
  readonly what: 'view' | 'component' | 'widget' | 'style' | 'case' | 'picture' | 'theme';
  readonly name: string;
  /** What it is, or says, in a few words. */
  readonly detail: string;
  /** All that belongs to it, its name included. */
  readonly whole: Range;
  /** Where its name is written. */
  readonly range: Range;
  readonly parts: readonly NamedPart[];
}

/** Longer words of a text are cut off. */
const mostLetters = 40;

/** What an editor lists of a document: views and components with the widgets in them, and what else has a name, in the order of the text. */
export function symbolsOf(document: CheckedDocument): readonly NamedPart[] {
  const { source, origin } = document;
  const found: NamedPart[] = [];
  const add = (what: NamedPart['what'], name: string, pointer: string, parts: readonly NamedPart[] = []) => {
    const range = origin.atKey(pointer).range;
    const value = origin.at(pointer).range;
    if (range && value)
      found.push({ what, name, detail: what, whole: { start: range.start, end: value.end }, range, parts });
  };
  for (const [what, key] of [
    ['style', 'styles'],
    ['case', 'cases'],
    ['picture', 'pictures'],
    ['theme', 'themes'],
  ] as const)
    for (const name of Object.keys(source[key] ?? {})) add(what, name, pointerTo(`/${key}`, name));
  for (const [what, key] of [
    ['component', 'components'],
    ['view', 'views'],
  ] as const)
    for (const [name, root] of Object.entries<ViewSource | ComponentSource>(source[key] ?? {})) {
      const pointer = pointerTo(`/${key}`, name);
      const all = [...widgetsOf(root, pointer)];
      const parts = new Map<string, NamedPart[]>(all.map((one) => [one.pointer, []]));
      const first: NamedPart[] = [];
      for (const { widget, pointer: at, parent } of all) {
        const whole = origin.at(at).range;
        if (!whole) continue;
        const own = origin.at(`${at}/id`).range;
        const range =
          widget.id !== undefined && own
            ? own
            : { start: whole.start, end: Math.min(whole.start + 1, whole.end) };
        const list = parent ? parts.get(parent.pointer)! : first;
        list.push({ what: 'widget', ...toldOf(widget), whole, range, parts: parts.get(at)! });
      }
      add(what, name, pointer, first);
    }
  return found.sort((a, b) => a.whole.start - b.whole.start);
}

/** A widget without an id goes by what it is; one with words says them. */
function toldOf(widget: WidgetSource): { readonly name: string; readonly detail: string } {
  const { id, use, kind = 'panel', text } = widget;
  const what = use ?? kind;
  const words = typeof text === 'string' ? text.replace(/\s+/g, ' ').trim() : '';
  const short = words.length > mostLetters ? `${words.slice(0, mostLetters - 1)}…` : words;
  return { name: id ?? what, detail: [id === undefined ? '' : what, short].filter(Boolean).join(' · ') };
}
