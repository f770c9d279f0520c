import {
  pictureKinds,
  type Fit,
  type Kind,
  type Length,
  type State,
  type WidgetSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import { Scope, shareOf, withPadding, type Bone, type Skeleton } from '../skeleton/index.ts';
import type { TextBlock } from '../text/index.ts';
import { faded, plainLook, styleList, type Look, type Theme } from '../theme/index.ts';
import { isControl, lookOf, measureOf, wordPadding } from './kinds.ts';
import type { Materials } from './materials.ts';
import type { Measure } from './measure.ts';
import { textBlockOf, wordsOf } from './words.ts';

/** One widget of a view as it is laid out and drawn. */
export interface Widget extends Bone {
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
  /** Of a meter, 0 to 1: the value before; its value if left out. */
  readonly trail: number;
  readonly measure: Measure | undefined;
  /** The caret of a textbox in use; at the end of its text if left out. */
  readonly caret?: Caret | undefined;
  /** Drawn although it is invisible: it is on its way out of sight. */
  readonly leaves?: boolean | undefined;
}

/** Whether a widget is another or in it. */
export function isWithin(widgets: readonly Pick<Widget, 'parent'>[], index: number, outer: number): boolean {
  for (let at = index; at >= outer; at = widgets[at]!.parent) if (at === outer) return true;
  return false;
}

/** Where the next letter goes, in UTF-16 units of the text; what lies between the two is selected. */
export interface Caret {
  readonly at: number;
  readonly from: number;
}

/** A view with its texts filled in and its looks resolved; parents stand before their children. */
export interface Tree extends Pick<Skeleton, 'view' | 'order' | 'applied'> {
  readonly widgets: readonly Widget[];
}

/** What is left of the colour of a textbox that shows its placeholder. */
const placeholderOpacity = 0.75;

/** Gives the widgets of a skeleton their looks, words and measures. */
export function dress(skeleton: Skeleton, materials: Materials): Tree {
  const { bones, scope: names, values, view, order, applied } = skeleton;
  // A skeleton that was made with other values of a case has the same widgets, and asks for the names of this one.
  const isOwn = values === materials.values;
  const root = isOwn ? names : new Scope(materials.values, materials.messages);
  const made = new Map<Scope, Scope>();
  const { theme, kept, states: said, everyControl } = materials;
  const known = said?.size ? undefined : kept?.looks(skeleton, theme, everyControl);
  const widgets: Widget[] = [];
  for (const bone of bones) {
    const parent = bone.index === 0 ? undefined : widgets[bone.parent]!;
    // What follows from a look that is another one for this dress alone is not kept.
    const keeps = known && (!parent || parent.look === known[bone.parent]);
    const scope = isOwn ? bone.scope : bone.scope.over(root, made);
    const widget = dressed(bone, parent, scope, materials, keeps ? known[bone.index] : undefined);
    if (keeps) known[bone.index] ??= widget.said;
    widgets.push(widget.widget);
  }
  return { view, widgets, order, applied };
}

/**
 * Gives one widget its look and words, with the names of its own scope.
 * @param parent What it is in; undefined for the view itself.
 */
export function dressOne(bone: Bone, parent: Widget | undefined, materials: Materials): Widget {
  return dressed(bone, parent, bone.scope, materials, undefined).widget;
}

function dressed(
  bone: Bone,
  parent: Widget | undefined,
  scope: Scope,
  materials: Materials,
  known: Look | undefined,
): { readonly widget: Widget; readonly said: Look } {
  if (!parent) return dressedView(bone, scope, materials, known);
  const { index, id, name, kind, pointer, origins, bound, selected, place, hidden, visible } = bone;
  const written = bone.source as WidgetSource;
  const { rightToLeft } = bone.box;
  const inStates = [
    ...statesOf(written.states),
    ...(written.checked === true ? (['checked'] as const) : []),
    ...(written.disabled === true ? (['disabled'] as const) : []),
    ...(selected ? (['selected'] as const) : []),
    ...(materials.states?.get(id) ?? []),
  ];
  // What is disabled takes no other state from a player.
  if (materials.everyControl && isControl(bone) && !inStates.includes('disabled'))
    inStates.push(materials.everyControl);
  const theme =
    (written.theme === undefined ? undefined : materials.themes.get(written.theme)) ?? parent.theme;
  const said = known ?? lookOf(written, kind, theme, parent.look, inStates);
  const source = withPicture(written, kind, said);
  const picture = source.image === undefined ? undefined : materials.pictures.get(source.image);
  const filled = wordsOf(written.text, said, scope, theme, materials);
  const isEmpty = kind === 'textbox' && (filled === undefined || filled.text === '');
  const look = isEmpty ? { ...said, color: faded(said.color, placeholderOpacity) } : said;
  const words = isEmpty ? wordsOf(written.placeholder ?? '', look, scope, theme, materials) : filled;
  const text = words && textBlockOf(words, source, look, rightToLeft, materials);
  const value = kind === 'meter' || kind === 'slider' ? shareOf(written.value, scope) : 0;
  const widget: Widget = {
    index,
    id,
    name,
    kind,
    parent: bone.parent,
    pointer,
    origins,
    bound,
    source,
    scope,
    box: boxIn(bone, look),
    selected,
    place,
    hidden,
    visible,
    look,
    theme,
    states: inStates,
    text,
    isPlaceholder: isEmpty,
    picture,
    fit: source.fit ?? (kind === 'image' ? 'contain' : 'fill'),
    value,
    trail: source.trail === undefined ? value : shareOf(source.trail, scope),
    measure: text ?? measureOf(kind, source, picture, look),
  };
  return { widget, said };
}

/** What a widget says with the picture of its look in place of its own. */
function withPicture(source: WidgetSource, kind: Kind, { image, slice }: Look): WidgetSource {
  if ((image === undefined && slice === undefined) || !pictureKinds.includes(kind)) return source;
  return { ...source, ...(image !== undefined && { image }), ...(slice !== undefined && { slice }) };
}

/** The view itself: it has a look and nothing else to dress. */
function dressedView(
  bone: Bone,
  scope: Scope,
  { theme, states: given }: Materials,
  known: Look | undefined,
): { readonly widget: Widget; readonly said: Look } {
  const { style, look: own } = bone.source;
  const states = given?.get(bone.id) ?? [];
  const look = known ?? theme.resolve(plainLook, styleList(style), own, states);
  const widget: Widget = {
    ...bone,
    scope,
    box: boxIn(bone, look),
    look,
    theme,
    states,
    text: undefined,
    isPlaceholder: false,
    picture: undefined,
    fit: 'fill',
    value: 0,
    trail: 0,
    measure: undefined,
  };
  return { widget, said: look };
}

/** The padding of a look holds where the widget says none; where neither does, words are kept off the edges of buttons and textboxes. */
export function boxIn({ box, source, kind }: Bone, { padding }: Look): Bone['box'] {
  if (source.padding !== undefined) return box;
  if (padding !== undefined) return withPadding(box, padding);
  const off = wordPadding({ kind, source }, (axis) => box[axis].mode !== 'fixed' && !box[axis].span);
  return !off || (off.x === 0 && off.y === 0)
    ? box
    : withPadding(box, { top: plain(off.y), right: plain(off.x), bottom: plain(off.y), left: plain(off.x) });
}

function plain(u: number): Length {
  return { u, share: 0 };
}

/** The states that a widget says. */
export function statesOf(said: WidgetSource['states']): readonly State[] {
  if (said === undefined) return [];
  return typeof said === 'string' ? [said] : said;
}
