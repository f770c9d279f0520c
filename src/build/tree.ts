import {
  pointerTo,
  type CheckedDocument,
  type Fit,
  type Kind,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import { TextBlock, type FontBook, type Messages, type Value } from '../text/index.ts';
import { plainLook, styleList, type Look, type Theme } from '../theme/index.ts';
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
  readonly source: WidgetSource | ViewSource;
  readonly box: Box;
  readonly look: Look;
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
}

/** What a view is built with. */
export interface Variant {
  readonly theme: Theme;
  readonly fonts: FontBook;
  readonly messages: Messages;
  readonly pictures: ReadonlyMap<string, Picture>;
  readonly values: { readonly [name: string]: Value };
}

/** The natural size of a meter, which has nothing inside that could give it one. In u. */
const meterSize = { width: 160, height: 16 };

interface Pending {
  readonly source: WidgetSource;
  readonly pointer: string;
  readonly parent: Widget;
  readonly id: string;
}

/** Builds the widgets of a view in document order. */
export function buildTree(document: CheckedDocument, view: string, variant: Variant): Tree {
  const source = document.source.views[view]!;
  const pointer = pointerTo('/views', view);
  const look = variant.theme.resolve(plainLook, styleList(source.style), source.look, undefined);
  const root: Widget = {
    index: 0,
    id: view,
    kind: 'panel',
    parent: -1,
    pointer,
    source,
    box: boxOfView(source, look.padding, source.direction === 'rtl'),
    look,
    text: undefined,
    picture: undefined,
    fit: 'fill',
    value: 0,
    measure: undefined,
    visible: true,
  };
  const widgets: Widget[] = [root];
  const stack: Pending[] = [];
  pushChildren(stack, source.children, root);
  for (let next = stack.pop(); next; next = stack.pop()) {
    const widget = makeWidget(next, widgets.length, variant);
    widgets.push(widget);
    pushChildren(stack, next.source.children, widget);
  }
  return { view, widgets };
}

function pushChildren(stack: Pending[], children: readonly WidgetSource[] | undefined, parent: Widget): void {
  if (!children) return;
  const counts = new Map<Kind, number>();
  const pending = children.map((source, index) => {
    const kind = source.kind ?? 'panel';
    const count = (counts.get(kind) ?? 0) + 1;
    if (source.id === undefined) counts.set(kind, count);
    const id = source.id ?? `${parent.id}.${kind}-${count}`;
    return { source, pointer: `${parent.pointer}/children/${index}`, parent, id };
  });
  for (let index = pending.length - 1; index >= 0; index--) stack.push(pending[index]!);
}

function makeWidget({ source, pointer, parent, id }: Pending, index: number, variant: Variant): Widget {
  const kind = source.kind ?? 'panel';
  const rightToLeft = source.direction === undefined ? parent.box.rightToLeft : source.direction === 'rtl';
  const look = variant.theme.resolve(parent.look, styleList(source.style), source.look, source.tint);
  const picture = source.image === undefined ? undefined : variant.pictures.get(source.image);
  const text = textOf(source, look, variant);
  return {
    index,
    id,
    kind,
    parent: parent.index,
    pointer,
    source,
    box: boxOf(source, look.padding, rightToLeft),
    look,
    text,
    picture,
    fit: source.fit ?? (kind === 'image' ? 'contain' : 'fill'),
    value: kind === 'meter' ? meterValue(source.value, variant.values) : 0,
    measure: text ?? measureOf(kind, picture),
    visible: parent.visible && source.visible !== false,
  };
}

function textOf(source: WidgetSource, look: Look, variant: Variant): TextBlock | undefined {
  if (source.text === undefined) return undefined;
  const { text } = variant.messages.fill(String(source.text), variant.values);
  return new TextBlock(look.uppercase ? text.toUpperCase() : text, {
    face: variant.fonts.face(look.font, look.fontWeight),
    fontSize: look.fontSize,
    lineHeight: look.lineHeight,
    letterSpacing: look.letterSpacing,
    wrap: source.wrap !== false,
  });
}

function measureOf(kind: Kind, picture: Picture | undefined): Measure | undefined {
  if (kind === 'image' && picture) {
    const { width, height } = picture;
    return { widest: width, least: width, heightAt: (given) => (given * height) / width };
  }
  if (kind === 'meter') {
    return { widest: meterSize.width, least: meterSize.width, heightAt: () => meterSize.height };
  }
  return undefined;
}

function meterValue(value: number | string | undefined, values: Variant['values']): number {
  let number = value ?? 0;
  if (typeof number === 'string') {
    const name = number.slice(1, -1);
    number = Number(Object.hasOwn(values, name) ? values[name] : 0);
  }
  return Math.min(1, Math.max(0, Number.isFinite(number) ? number : 0));
}
