import { mayName, namesIn, states as allStates, type CaseValue, type State } from '../document/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { NoSuchName } from './no-such-name.ts';

/* What a game gives a view while it runs: refused before anything changes, so that no layout is ever made of it. */

/** A value was given that a view cannot show. */
export class ValueError extends Error {
  override readonly name = 'ValueError';
  /** The name it was given for. */
  readonly value: string;
  /** The id of the first widget that shows it; undefined where none does. */
  readonly widget: string | undefined;
  /** `file:line:column` of that widget, where the document was read from a text. */
  readonly place: string | undefined;

  constructor(sentence: string, value: string, widget: string | undefined, place: string | undefined) {
    const shown =
      widget === undefined ? '' : `; ${widget}${place === undefined ? '' : ` (${place})`} shows it`;
    super(`${sentence}${shown}`);
    this.value = value;
    this.widget = widget;
    this.place = place;
  }
}

/** What is known of who asks for a value. */
export interface Asked {
  isAsked(name: string): boolean;
  /** The first widget that follows from it. */
  firstOf(name: string): { readonly widget: Widget } | undefined;
}

/**
 * Holds values against what a view asks for.
 * @param known The names of the values there are. @throws NoSuchName for one that no case has and no widget asks for.
 * @throws ValueError for a value that is no text, number, true, false, nor a list or map of such.
 */
export function checkValues(
  values: { readonly [name: string]: unknown },
  known: ReadonlyMap<string, CaseValue>,
  document: CheckedDocument,
  asked: Asked,
): void {
  for (const name of Object.keys(values)) {
    const value = values[name];
    const isPlain = typeof value === 'string' || typeof value === 'boolean' || Number.isFinite(value);
    if (isPlain && known.has(name)) continue;
    if (!known.has(name) && !asked.isAsked(name)) {
      const cases = Object.values(document.source.cases ?? {}).flatMap((one) => Object.keys(one));
      if (!cases.includes(name))
        throw new NoSuchName('value', name, [...new Set([...cases, ...known.keys()])]);
    }
    const wrong = troubleWith(value);
    if (wrong === undefined) continue;
    const widget = asked.firstOf(name)?.widget;
    throw new ValueError(
      `the value "${name}" is ${wrong}`,
      name,
      widget?.id,
      widget && document.origin.place(widget.pointer),
    );
  }
}

/** Maps in maps go no deeper; a thing of a game that holds itself has no end. */
const deepestMap = 16;

/** What is wrong with a value; undefined where nothing is. */
function troubleWith(value: unknown, depth = 0): string | undefined {
  if (typeof value === 'string' || typeof value === 'boolean') return undefined;
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${value}, which is no number`;
  if (value === null || typeof value !== 'object')
    return `${value === null ? 'null' : typeof value}, not a text, a number, true, false, a list or a map`;
  if (depth > deepestMap) return `deeper than ${deepestMap} maps in each other`;
  for (const [key, part] of Object.entries(value) as [string, unknown][]) {
    if (Array.isArray(value) && Array.isArray(part)) return 'a list in which an entry is a list';
    const wrong = troubleWith(part, depth + 1);
    if (wrong !== undefined)
      return Array.isArray(value)
        ? `a list in which an entry is ${wrong}`
        : `a map in which "${key}" is ${wrong}`;
  }
  return undefined;
}

/** @throws NoSuchName for a state there is not. */
export function checkStates(states: readonly State[]): void {
  for (const state of states)
    if (!allStates.includes(state)) throw new NoSuchName('state', String(state), allStates);
}

/** Whether a widget of a view has an id on some screen, with some values. */
export function mayBeThere(id: string, document: CheckedDocument, view: string): boolean {
  // Those of widgets that say none start with the view's where nothing around them says one.
  if (id === view || id.startsWith(`${view}.`)) return true;
  const written = namesIn(document.source.views[view]!);
  return written !== undefined && mayName(id, written);
}

/**
 * Holds ids against those of a view: of widgets that are there, and of those that may be on another screen.
 * @throws NoSuchName for one that no widget has.
 */
export function checkWidget(
  id: string,
  document: CheckedDocument,
  view: string,
  there: Iterable<string>,
): void {
  const known = new Set(there);
  if (known.has(id) || mayBeThere(id, document, view)) return;
  for (const one of namesIn(document.source.views[view]!)?.ids ?? []) known.add(one);
  throw new NoSuchName('widget', id, [...known]);
}
