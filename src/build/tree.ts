import {
  pointerTo,
  type CaseValue,
  type CheckedDocument,
  type Fit,
  type Kind,
  type State,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import { TextBlock, type FontBook, type Messages } from '../text/index.ts';
import { plainLook, styleList, type Look, type Theme } from '../theme/index.ts';
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
  /** What it is in: hovered, pressed … */
  readonly states: readonly State[];
  /** The text it shows, filled in and set; of texts and buttons. */
  readonly text: TextBlock | undefined;
  readonly picture: Picture | undefined;
  readonly fit: Fit;
  /** 0 to 1, of a meter. */
  readonly value: number;
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

/** What a view is built with. */
export interface Variant {
  readonly theme: Theme;
  readonly fonts: FontBook;
  readonly messages: Messages;
  /** A BCP 47 tag that Intl knows. */
  readonly locale: string;
  /** Whether views that do not say their direction go from right to left. */
  readonly rightToLeft: boolean;
  readonly pictures: ReadonlyMap<string, Picture>;
  readonly values: ReadonlyMap<string, CaseValue>;
  /** Scales every text: the player's setting. */
  readonly textSize: number;
  /** States that widgets are in beside those the document says, by id. */
  readonly states?: ReadonlyMap<string, readonly State[]>;
}

/** The natural size of a meter, which has nothing inside that could give it one. In u. */
const meterSize = { width: 160, height: 16 };

interface Pending {
  readonly written: Unexpanded;
  readonly parent: Widget;
  readonly hidden: boolean;
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
  const look = variant.theme.resolve(plainLook, styleList(source.style), source.look, undefined);
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
    states: [],
    text: undefined,
    picture: undefined,
    fit: 'fill',
    value: 0,
    measure: undefined,
    visible: true,
  };
  const widgets: Widget[] = [root];
  const counts = new Map<string, number>();
  const stack: Pending[] = [];
  const push = (children: readonly Unexpanded[], parent: Widget, parentSource: WidgetSource | ViewSource) => {
    for (let index = children.length - 1; index >= 0; index--) {
      const written = children[index]!;
      const hidden = parentSource.arrange === 'pages' && isOtherPage(children, index, parentSource.page);
      stack.push({ written, parent, hidden });
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
      const { parent, hidden } = next;
      for (const later of [one, ...others].reverse())
        stack.push({ written: finished(later), parent, hidden });
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
    if ('value' in source && typeof source.value === 'string') scope.follow(source.value, names);
    for (const name of names) shows.set(name, [...(shows.get(name) ?? []), index]);
  }
  return shows;
}

/** All pages but the one that is shown are there, so that turning a page moves nothing, and are not seen. */
function isOtherPage(children: readonly Unexpanded[], index: number, page: string | undefined): boolean {
  const shown = page === undefined ? 0 : children.findIndex(({ source }) => source.id === page);
  return index !== Math.max(0, shown);
}

/** An expanded widget as one that has nothing left to expand. */
function finished(one: Expanded): Unexpanded {
  const { use: _use, repeat: _repeat, when: _when, set: _set, slot: _slot, ...source } = one.source;
  return { ...one, source, set: undefined, setPointer: '', slotted: [], finished: one };
}

function makeWidget(
  { source, pointer, origins, scope, prefix, id: given }: Expanded,
  { parent, hidden }: Pending,
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
  const inStates = [...statesOf(source.states), ...(variant.states?.get(id) ?? [])];
  const look = variant.theme.resolve(
    parent.look,
    styleList(source.style),
    source.look,
    source.tint,
    inStates,
  );
  const picture = source.image === undefined ? undefined : variant.pictures.get(source.image);
  const text = textOf(source, look, scope, variant, rightToLeft);
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
    states: inStates,
    text,
    picture,
    fit: source.fit ?? (kind === 'image' ? 'contain' : 'fill'),
    value: kind === 'meter' ? meterValue(source.value, scope) : 0,
    measure: text ?? measureOf(kind, picture),
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
  return {
    ...source,
    ...(target !== undefined && { 'anchor-to': prefix + target }),
    ...(Array.isArray(may) && { 'may-overlap': (may as readonly string[]).map((name) => prefix + name) }),
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

/** The text of a widget, filled in and set. */
function textOf(
  source: WidgetSource,
  look: Look,
  scope: Scope,
  variant: Variant,
  rightToLeft: boolean,
): TextBlock | undefined {
  const text = wordsOf(source, look, scope, variant);
  if (text === undefined) return undefined;
  const fontSize = look.fontSize * variant.textSize;
  return new TextBlock(text, {
    chain: variant.fonts.chain(look.font, look.fontWeight, look.italic, {
      tabular: look.tabular,
      language: variant.locale,
    }),
    fontSize,
    lineHeight: look.lineHeight,
    letterSpacing: look.letterSpacing * variant.textSize,
    wrap: source.wrap !== false,
    rightToLeft,
    mostLines: source['max-lines'] ?? Infinity,
    ellipsis: source.ellipsis ?? 'none',
    leastFontSize: Math.min(fontSize, (source['least-font-size'] ?? look.fontSize) * variant.textSize),
  });
}

/** The words of a text, filled in; undefined where there are none. */
export function wordsOf(
  source: WidgetSource,
  look: Look,
  scope: Scope,
  { messages, locale }: Pick<Variant, 'messages' | 'locale'>,
): string | undefined {
  if (source.text === undefined) return undefined;
  const text = typeof source.text === 'string' ? scope.fill(source.text) : String(source.text);
  const shown = messages.finish(text);
  return look.uppercase ? shown.toLocaleUpperCase(locale) : shown;
}

function measureOf(kind: Kind, picture: Picture | undefined): Measure | undefined {
  if (kind === 'image' && picture) {
    const { width, height } = picture;
    return {
      widest: width,
      least: width,
      steadyFrom: Infinity,
      heightInto: (exchange) => (exchange[1] = (exchange[0]! * height) / width),
    };
  }
  if (kind === 'meter') {
    const { width, height } = meterSize;
    return {
      widest: width,
      least: width,
      steadyFrom: 0,
      heightInto: (exchange) => (exchange[1] = height),
    };
  }
  return undefined;
}

/** A value said as a number or a name, held between 0 and 1. */
export function meterValue(value: number | string | undefined, scope: Scope): number {
  const number = Number(typeof value === 'string' ? scope.evaluate(value) : (value ?? 0));
  return Math.min(1, Math.max(0, Number.isFinite(number) ? number : 0));
}
