import { states, type CheckedDocument, type State, type WidgetSource } from '../document/index.ts';
import {
  compose,
  contrastRatio,
  type Fill,
  type LookChanges,
  type Rgba,
  type Theme,
} from '../theme/index.ts';

/* The part of a theme's sheet that shows its styles: each on what it is used on, with the contrast of its words. */

/** Words of the sheet itself, in no theme's look. */
export type WordsOf = (text: string, look?: object) => WidgetSource;

/** What is behind the widgets that use a style: the look of what they are in. */
interface Bed {
  readonly style: readonly string[];
  readonly look: WidgetSource['look'];
}

/** Every named style, and each state it changes in. @param ground What the sheet itself lies on. */
export function styleWall(
  document: CheckedDocument,
  theme: Theme,
  inherited: readonly string[],
  ground: Rgba,
  words: WordsOf,
): WidgetSource {
  const beds = bedsOf(document, theme);
  const inheritedColor = changesOf(theme, inherited).color;
  const cells = theme.styleNames().flatMap((name): WidgetSource[] => {
    const base = theme.styleChanges(name);
    const bed = base.background ? undefined : beds.get(name);
    const under = bed ? grounds(bedChanges(theme, bed).background, [ground]) : [ground];
    return [undefined, ...statesOf(theme, name)].map((state) => {
      const changes = state === undefined ? base : { ...base, ...theme.stateChanges(name, state) };
      const ratio = ratioOf(changes.color ?? inheritedColor ?? white, grounds(changes.background, under));
      const sample: WidgetSource = {
        kind: 'text',
        style: name,
        text: 'Aa 12',
        wrap: false,
        ...(state !== undefined && { states: state }),
      };
      const small = { 'opacity': 0.8, 'font-size': 14 };
      return {
        arrange: 'column',
        gap: 6,
        align: 'start',
        children: [
          {
            arrange: 'row',
            gap: 8,
            children: [
              words(state === undefined ? name : `${name}, ${state}`, small),
              words(`${Math.floor(ratio * 10) / 10}:1`, small),
            ],
          },
          bed ? { style: bed.style, look: bed.look, padding: '10 16', children: [sample] } : sample,
        ],
      };
    });
  });
  return { arrange: 'wrap', gap: '20 28', align: 'start', children: cells };
}

const white: Rgba = { r: 1, g: 1, b: 1, a: 1 };

function statesOf(theme: Theme, name: string): State[] {
  return states.filter((state) => Object.keys(theme.stateChanges(name, state)).length > 0);
}

/** The lowest contrast ratio of a colour on any of some grounds, that of WCAG 2.2. */
function ratioOf(color: Rgba, on: readonly Rgba[]): number {
  return Math.min(...on.map((ground) => contrastRatio(compose(color, ground), ground)));
}

/** The colours that a fill gives on what is under it. */
function grounds(fill: Fill | undefined, under: readonly Rgba[]): readonly Rgba[] {
  if (!fill) return under;
  const colors = fill.type === 'color' ? [fill.color] : fill.stops.map(({ color }) => color);
  return under.flatMap((below) => colors.map((color) => compose(color, below)));
}

function changesOf(theme: Theme, styles: readonly string[]): LookChanges {
  return Object.assign({}, ...styles.map((name) => theme.styleChanges(name))) as LookChanges;
}

function bedChanges(theme: Theme, { style, look }: Bed): LookChanges {
  return { ...changesOf(theme, style), ...(look && theme.changesOf(look)) };
}

/** Style → what it lies on where it is used first; none for what lies on the view itself. */
function bedsOf(document: CheckedDocument, theme: Theme): ReadonlyMap<string, Bed> {
  const found = new Map<string, Bed>();
  const { views, components = {} } = document.source;
  const waiting: { readonly widget: WidgetSource; readonly bed: Bed | undefined }[] = [
    ...Object.values(views),
    ...Object.values(components),
  ].map((root) => ({ widget: root, bed: undefined }));
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    const { widget, bed } = next;
    const style = listOf(widget.style);
    if (bed) for (const name of style) if (!found.has(name)) found.set(name, bed);
    const own: Bed = { style, look: widget.look };
    const isGround = bedChanges(theme, own).background !== undefined;
    for (const child of widget.children ?? []) waiting.push({ widget: child, bed: isGround ? own : bed });
  }
  return found;
}

/** The styles a widget names. */
export function listOf(style: WidgetSource['style']): readonly string[] {
  return style === undefined ? [] : typeof style === 'string' ? [style] : style;
}
