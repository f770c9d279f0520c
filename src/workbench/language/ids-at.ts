import { isIdPattern, pointerTo } from '../../document/index.ts';
import type { KnownWidget, Names } from './names.ts';
import { pathToWidget, pointerOf, type Path } from './schema-at.ts';

/** Where widgets are named. */
export interface NamingPlace {
  /** What leads to the value. */
  readonly at: Path;
  readonly word: string;
  readonly names: Names;
  /** The id of the widget that names them, as the text has it now; the document may be of an earlier one. */
  readonly id: string | undefined;
}

/** The ids of the widgets that may be named at a place; of what is in an instance where its own is there already: `hull.`. */
export function idsAt(
  one: 'widgets' | 'children' | 'tooltips',
  { at, word, names, id }: NamingPlace,
): string[] {
  const root = pointerOf(at.slice(0, 2));
  const from = pointerOf(pathToWidget(at) ?? at.slice(0, 2));
  const isItself = id !== undefined && names.widgets.get(from)?.id === id;
  const following = isItself && at.includes('anchor-to') ? followersOf(from, names) : undefined;
  const may = (pointer: string, { kind, use, entry }: KnownWidget) => {
    if (!pointer.startsWith(`${root}/`) || (entry !== '' && from !== entry && !from.startsWith(`${entry}/`)))
      return false;
    if (one === 'children') return pointer.slice(0, pointer.lastIndexOf('/')) === `${from}/children`;
    if (one === 'tooltips') return kind === 'tooltip' || use !== undefined;
    return !following?.has(pointer);
  };
  const found: string[] = [];
  for (const [pointer, widget] of names.widgets) {
    const { use } = widget;
    const name = one === 'children' ? widget.chosenBy : widget.id;
    if (name === undefined || !may(pointer, widget)) continue;
    if (!isIdPattern(name) && !(isItself && pointer === from)) found.push(name);
    if (use !== undefined && word.startsWith(`${name}.`))
      found.push(...idsIn(use, names).map((part) => `${name}.${part}`));
  }
  return found;
}

/** A widget and all whose places follow from its own: it cannot stand where one of them stands. */
function followersOf(pointer: string, { widgets }: Names): ReadonlySet<string> {
  const after = new Map<string, string[]>();
  const follow = (one: string, other: string) => {
    const known = after.get(one);
    if (known) known.push(other);
    else after.set(one, [other]);
  };
  for (const [one, { anchoredTo }] of widgets) {
    follow(one.replace(/\/children\/\d+$/, ''), one);
    for (const target of anchoredTo) follow(target, one);
  }
  const found = new Set<string>([pointer]);
  for (const one of found) for (const other of after.get(one) ?? []) found.add(other);
  return found;
}

/** The ids of what is in a component, and in no entry of a repeat there. */
export function idsIn(component: string, { widgets }: Names): string[] {
  const inside = `${pointerTo('/components', component)}/`;
  return [...widgets].flatMap(([pointer, { id, entry }]) =>
    id !== undefined && entry === '' && pointer.startsWith(inside) ? [id] : [],
  );
}
