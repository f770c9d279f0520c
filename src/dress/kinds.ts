import {
  controlKinds,
  type Kind,
  type LookSource,
  type State,
  type WidgetSource,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import { faded, stylesOf, type Look, type Theme } from '../theme/index.ts';
import { isDivider, type Bone } from '../skeleton/index.ts';
import type { Measure } from './measure.ts';

/** Kinds that take the focus, are pressed or dragged. */
export const controls: ReadonlySet<Kind> = new Set(controlKinds);

/** Whether a widget can take the focus: a control, or a divider that has a name (ARIA: a separator that can be moved). */
export function isControl({ kind, source }: Pick<Bone, 'kind' | 'source'>): boolean {
  return (
    controls.has(kind) || (isDivider({ kind, source }) && 'label' in source && source.label !== undefined)
  );
}

/** What `tint` is short for: the colour, of a picture what it is multiplied by. */
export function tintKey(kind: Kind): keyof LookSource {
  return kind === 'image' ? 'image-tint' : 'color';
}

/**
 * The look of a widget in states: what it inherits, what its kind starts from, its styles, its own changes and tint.
 * @param parent The look of what it is in.
 */
export function lookOf(
  { style, look, tint }: WidgetSource,
  kind: Kind,
  theme: Theme,
  parent: Look,
  states: readonly State[],
): Look {
  const own = tint === undefined ? look : { ...look, [tintKey(kind)]: tint };
  const resolved = theme.resolve(parent, stylesOf(kind, style), own, states);
  return kind === 'separator' && !resolved.background && resolved.borderWidth === 0
    ? { ...resolved, background: { type: 'color', color: faded(resolved.color, separatorOpacity) } }
    : resolved;
}

/** A separator without a look is drawn in the colour of the text around it, so much fainter. */
const separatorOpacity = 0.4;

/** What keeps the words of a button off its edges where it is as large as they are, in u. */
const buttonPadding = { x: 16, y: 8 } as const;
/** What is typed into a textbox starts beside its edge however wide that is. */
const textboxPadding = { x: 8, y: 6 } as const;

/**
 * What keeps the words of a widget off its edges where neither it nor its look says a padding, in u.
 * @param isFree Whether the widget is as large as its words on an axis.
 */
export function wordPadding(
  { kind, source }: Pick<Bone, 'kind' | 'source'>,
  isFree: (axis: 'x' | 'y') => boolean,
): { readonly x: number; readonly y: number } | undefined {
  if (kind === 'textbox') return { x: textboxPadding.x, y: isFree('y') ? textboxPadding.y : 0 };
  if (kind !== 'button' || !('text' in source) || source.text === undefined) return undefined;
  return { x: isFree('x') ? buttonPadding.x : 0, y: isFree('y') ? buttonPadding.y : 0 };
}

/** The natural size of widgets that have nothing inside that could give them one: u, or multiples of the font size. */
const naturalSizes: { readonly [Name in Kind]?: { width: number; height: number; inEm: boolean } } = {
  separator: { width: 2, height: 2, inEm: false },
  canvas: { width: 300, height: 150, inEm: false },
  scrollbar: { width: 10, height: 10, inEm: false },
  meter: { width: 160, height: 16, inEm: false },
  slider: { width: 160, height: 24, inEm: false },
  checkbox: { width: 1, height: 1, inEm: true },
  switch: { width: 2, height: 1, inEm: true },
};

/** Whether what is filled from a side goes up and down. */
export function isUpright(from: WidgetSource['fill-from']): boolean {
  return from === 'top' || from === 'bottom';
}

/** How large the inside of a widget without text is; undefined where it follows from its children. */
export function measureOf(
  kind: Kind,
  { 'fill-from': from }: WidgetSource,
  picture: Picture | undefined,
  look: Look,
): Measure | undefined {
  if (kind === 'image' && picture) {
    const { width, height } = picture;
    return {
      widest: width,
      least: width,
      steadyFrom: Infinity,
      heightInto: (exchange) => (exchange[1] = (exchange[0]! * height) / width),
    };
  }
  const natural = naturalSizes[kind];
  if (!natural) return undefined;
  const times = natural.inEm ? look.fontSize : 1;
  const sides = [natural.width * times, natural.height * times] as const;
  const [width, height] = kind === 'slider' && isUpright(from) ? [sides[1], sides[0]] : sides;
  return { widest: width, least: width, steadyFrom: 0, heightInto: (exchange) => (exchange[1] = height) };
}
