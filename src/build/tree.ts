import {
  directions,
  pointerTo,
  type CheckedDocument,
  type Direction,
  type Fit,
  type Kind,
  type State,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import type { TextBlock } from '../text/index.ts';
import { faded, plainLook, styleList, type Look, type Theme } from '../theme/index.ts';
import type { Situation } from './conditions.ts';
import {
  childrenOf,
  expand,
  withConditions,
  type Expanded,
  type Origins,
  type Unexpanded,
} from './expand.ts';
import { BuildError, Scope } from './scope.ts';
import { boxOf, boxOfView, type Box, type Measure } from './box.ts';
import { controls, lookOf, measureOf } from './kinds.ts';
import type { Variant } from './variant.ts';
import { textBlockOf, wordsOf } from './words.ts';

/** One widget of a built view. */
export interface Widget {
  /** Its place in document order; 0 is the view itself. */
  readonly index: number;
  /** The id it was given, or one made from its parent's id and its kind. */
  readonly id: string;
  readonly kind: Kind;
  /** The index of its parent; -1 for the view itself. */
  readonly parent: number;
  /** JSON Pointer of where it is written. */
  readonly pointer: string;
  /** Where keys stand that are not at the pointer: in a component, a condition, a change of an instance. */
  readonly origins: Origins;
  readonly source: WidgetSource | ViewSource;
  /** The names it can use. */
  readonly scope: Scope;
  readonly box: Box;
  readonly look: Look;
  /** The theme it is seen in. */
  readonly theme: Theme;
  /** What it is in: hovered, pressed … */
  readonly states: readonly State[];
  /** The text it shows, filled in and set; of texts and buttons. */
  readonly text: TextBlock | undefined;
  /** Whether its text is the placeholder of an empty textbox. */
  readonly isPlaceholder: boolean;
  readonly picture: Picture | undefined;
  readonly fit: Fit;
  /** 0 to 1, of a meter. */
  readonly value: number;
  /** 0 to 1, of a meter: where it was before; its value where that is unsaid. */
  readonly trail: number;
  readonly measure: Measure | undefined;
  /** False: it keeps its place and is not drawn. A widget in an invisible one is invisible. */
  readonly visible: boolean;
}

/** A view with its texts filled in and its looks resolved; parents stand before their children. */
export interface Tree {
  readonly view: string;
  readonly widgets: readonly Widget[];
  /** Indexes in drawing order: among siblings by z, then as they stand; children after their parent. */
  readonly order: readonly number[];
  /** Pointers of the conditions that hold on the screen it was built for. */
  readonly applied: readonly string[];
  /** Names of the case that decide which widgets there are; a change of one asks for another tree. */
  readonly structural: ReadonlySet<string>;
  /** Names of the case → indexes of the widgets that show them. */
  readonly shows: ReadonlyMap<string, readonly number[]>;
}

/** What is left of the colour of a textbox that shows its placeholder. */
const placeholderOpacity = 0.75;

interface Pending {
  readonly written: Unexpanded;
  readonly parent: Widget;
  readonly hidden: boolean;
  /** The one of a widget's tabs that is chosen. */
  readonly selected: boolean;
}

/** The most widgets a view may unfold to. */
const mostWidgets = 200_000;

/**
 * Builds the widgets of a view in document order, for a screen.
 * @throws BuildError when a component is used in a way that only shows now.
 */
export function buildTree(
  document: CheckedDocument,
  view: string,
  variant: Variant,
  situation: Situation,
): Tree {
  const pointer = pointerTo('/views', view);
  const trace = { applied: [] as string[], structural: new Set<string>() };
  const origins = new Map<string, string>();
  const source = withConditions(document.source.views[view]!, pointer, situation, trace, origins);
  const look = variant.theme.resolve(plainLook, styleList(source.style), source.look);
  const root: Widget = {
    index: 0,
    id: view,
    kind: 'panel',
    parent: -1,
    pointer,
    origins,
    source,
    scope: new Scope(variant.values, variant.messages),
    box: boxOfView(
      source,
      look.padding,
      source.direction === undefined ? variant.rightToLeft : source.direction === 'rtl',
    ),
    look,
    theme: variant.theme,
    states: [],
    text: undefined,
    isPlaceholder: false,
    picture: undefined,
    fit: 'fill',
    value: 0,
    trail: 0,
    measure: undefined,
    visible: true,
  };
  const widgets: Widget[] = [root];
  const counts = new Map<string, number>();
  const stack: Pending[] = [];
  const push = (children: readonly Unexpanded[], parent: Widget, parentSource: WidgetSource | ViewSource) => {
    for (let index = children.length - 1; index >= 0; index--) {
      const written = children[index]!;
      const isShown = !isOtherPage(children, index, parentSource.page);
      const hidden = parentSource.arrange === 'pages' && !isShown;
      stack.push({ written, parent, hidden, selected: parent.kind === 'tabs' && isShown });
    }
  };
  push(
    childrenOf(source.children, pointer, {
      scope: root.scope,
      prefix: '',
      set: undefined,
      setPointer: '',
      slotted: [],
    }),
    root,
    source,
  );
  for (let next = stack.pop(); next; next = stack.pop()) {
    const [one, ...others] = expand(document, next.written, situation, trace);
    if (!one) continue;
    if (others.length > 0) {
      // Several go back on the stack in their order, so that each is followed by its own children.
      const { parent, hidden, selected } = next;
      for (const later of [one, ...others].reverse())
        stack.push({ written: finished(later), parent, hidden, selected });
      continue;
    }
    if (widgets.length >= mostWidgets) {
      throw new BuildError(`the view unfolds to more than ${mostWidgets} widgets`, pointer);
    }
    const widget = makeWidget(one, next, widgets.length, counts, variant);
    widgets.push(widget);
    push(one.children, widget, one.source);
  }
  for (const { kind, source: divider, scope } of widgets) {
    // Where a divider stands decides the sizes of its neighbours.
    if (kind === 'separator' && 'value' in divider && typeof divider.value === 'string') {
      scope.follow(divider.value, trace.structural);
    }
    // Whether a textbox is empty decides its colour, and which of two messages it shows.
    if (kind === 'textbox' && 'text' in divider && typeof divider.text === 'string')
      scope.follow(divider.text, trace.structural);
  }
  return {
    view,
    widgets: withDividers(widgets),
    order: drawingOrder(widgets),
    applied: trace.applied,
    structural: trace.structural,
    shows: shownNames(widgets),
  };
}

/** Indexes in drawing order. */
function drawingOrder(widgets: readonly Widget[]): number[] {
  const children = widgets.map((): number[] => []);
  for (const { index, parent } of widgets) if (index > 0) children[parent]!.push(index);
  const zOf = (index: number) => ('z' in widgets[index]!.source ? (widgets[index]!.source.z ?? 0) : 0);
  const order: number[] = [];
  const stack = [0];
  for (let index = stack.pop(); index !== undefined; index = stack.pop()) {
    order.push(index);
    const inside = children[index]!;
    if (inside.some((child) => zOf(child) !== 0)) inside.sort((a, b) => zOf(a) - zOf(b) || a - b);
    for (let at = inside.length - 1; at >= 0; at--) stack.push(inside[at]!);
  }
  return order;
}

/** Which widgets show which values. */
function shownNames(widgets: readonly Widget[]): Map<string, number[]> {
  const shows = new Map<string, number[]>();
  for (const { index, source, scope } of widgets) {
    const names = new Set<string>();
    if ('text' in source && typeof source.text === 'string') scope.follow(source.text, names);
    for (const key of ['value', 'trail'] as const) {
      const said = key in source ? (source as WidgetSource)[key] : undefined;
      if (typeof said === 'string') scope.follow(said, names);
    }
    for (const name of names) shows.set(name, [...(shows.get(name) ?? []), index]);
  }
  return shows;
}

/** All pages but the one that is shown are there, so that turning a page moves nothing, and are not seen. */
function isOtherPage(children: readonly Unexpanded[], index: number, page: string | undefined): boolean {
  const shown =
    page === undefined ? 0 : children.findIndex(({ source }) => (source.controls ?? source.id) === page);
  return index !== Math.max(0, shown);
}

/** An expanded widget as one that has nothing left to expand. */
function finished(one: Expanded): Unexpanded {
  const { use: _use, repeat: _repeat, when: _when, set: _set, slot: _slot, ...source } = one.source;
  return { ...one, source, set: undefined, setPointer: '', slotted: [], finished: one };
}

function makeWidget(
  { source, pointer, origins, scope, prefix, id: given }: Expanded,
  { parent, hidden, selected }: Pending,
  index: number,
  counts: Map<string, number>,
  variant: Variant,
): Widget {
  const kind = source.kind ?? 'panel';
  const start = `${parent.id}.${kind}`;
  let id = given;
  if (id === undefined) {
    const count = (counts.get(start) ?? 0) + 1;
    counts.set(start, count);
    id = `${start}-${count}`;
  }
  const rightToLeft = source.direction === undefined ? parent.box.rightToLeft : source.direction === 'rtl';
  const inStates = [
    ...statesOf(source.states),
    ...(source.checked === true ? (['checked'] as const) : []),
    ...(selected ? (['selected'] as const) : []),
    ...(variant.states?.get(id) ?? []),
  ];
  // What is disabled takes no other state from a player.
  if (variant.everyControl && controls.has(kind) && !inStates.includes('disabled'))
    inStates.push(variant.everyControl);
  const theme = (source.theme === undefined ? undefined : variant.themes.get(source.theme)) ?? parent.theme;
  const said = lookOf(source, kind, theme, parent.look, inStates);
  const picture = source.image === undefined ? undefined : variant.pictures.get(source.image);
  const written = wordsOf(source.text, said, scope, theme, variant);
  const isEmpty = kind === 'textbox' && (written === undefined || written.text === '');
  const look = isEmpty ? { ...said, color: faded(said.color, placeholderOpacity) } : said;
  const words = isEmpty ? wordsOf(source.placeholder ?? '', look, scope, theme, variant) : written;
  const text = words && textBlockOf(words, source, look, rightToLeft, variant);
  const value = kind === 'meter' || kind === 'slider' ? meterValue(source.value, scope) : 0;
  return {
    index,
    id,
    kind,
    parent: parent.index,
    pointer,
    origins,
    source: prefix === '' ? source : withPrefix(source, prefix),
    scope,
    box: boxAt(pointer, prefix === '' ? source : withPrefix(source, prefix), look.padding, rightToLeft),
    look,
    theme,
    states: inStates,
    text,
    isPlaceholder: isEmpty,
    picture,
    fit: source.fit ?? (kind === 'image' ? 'contain' : 'fill'),
    value,
    trail: source.trail === undefined ? value : meterValue(source.trail, scope),
    measure: text ?? measureOf(kind, picture, look),
    visible: parent.visible && !hidden && source.visible !== false,
  };
}

function statesOf(said: WidgetSource['states']): readonly State[] {
  if (said === undefined) return [];
  return typeof said === 'string' ? [said] : said;
}

/** The box of a widget; what cannot be read is told with its place. */
function boxAt(pointer: string, source: WidgetSource, padding: Look['padding'], rightToLeft: boolean): Box {
  try {
    return boxOf(source, padding, rightToLeft);
  } catch (error) {
    if (error instanceof BuildError && error.pointer === '') throw new BuildError(error.message, pointer);
    throw error;
  }
}

/** Names inside an instance are those of its own widgets. */
function withPrefix(source: WidgetSource, prefix: string): WidgetSource {
  const target = source['anchor-to'];
  const may = source['may-overlap'];
  const order = source['focus-order'];
  const neighbours: Partial<Record<Direction, string>> = {};
  for (const key of directions) if (source[key] !== undefined) neighbours[key] = prefix + source[key];
  return {
    ...source,
    ...(target !== undefined && { 'anchor-to': prefix + target }),
    ...(Array.isArray(may) && { 'may-overlap': (may as readonly string[]).map((name) => prefix + name) }),
    ...(order && { 'focus-order': order.map((name) => prefix + name) }),
    ...neighbours,
  };
}

/** A divider gives its two neighbours in a row or column the shares it stands for (docs/layout-model.md 4.8). */
function withDividers(widgets: Widget[]): Widget[] {
  for (const divider of widgets) {
    if (divider.kind !== 'separator' || !('value' in divider.source) || divider.source.value === undefined)
      continue;
    const around = widgets[divider.parent]!.box.arrange;
    if (around !== 'row' && around !== 'column') continue;
    const siblings = widgets.filter(({ parent }) => parent === divider.parent);
    const at = siblings.indexOf(divider);
    const share = meterValue(divider.source.value, divider.scope);
    const give = (widget: Widget | undefined, weight: number) => {
      if (!widget) return;
      const axis = around === 'row' ? 'x' : 'y';
      const box = { ...widget.box, [axis]: { ...widget.box[axis], mode: 'fill', weight } };
      widgets[widget.index] = { ...widget, box };
    };
    give(siblings[at - 1], share);
    give(siblings[at + 1], 1 - share);
  }
  return widgets;
}

/** A value said as a number or a name, held between 0 and 1. */
export function meterValue(value: number | string | undefined, scope: Scope): number {
  const number = Number(typeof value === 'string' ? scope.evaluate(value) : (value ?? 0));
  return Math.min(1, Math.max(0, Number.isFinite(number) ? number : 0));
}
