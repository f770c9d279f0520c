import {
  entryOf,
  type Json,
  type Kind,
  type State,
  type StyleSource,
  type WidgetSource,
} from '../../document/index.ts';
import type { Editing } from '../../edit/index.ts';
import { hexOf, styleList, type Look } from '../../theme/index.ts';
import { factOf, type Broken, type Change, type Remedy } from '../remedy.ts';

/** What says how a state looks: a style, or what a kind starts from; of the document itself, as theme files are not changed. */
interface Sayer {
  readonly name: string;
  readonly style: StyleSource | undefined;
  readonly pointer: string;
  /** Puts its first states in, whether or not it is there itself. */
  addStates(document: Editing, states: Json): void;
}

/** Stands off from white and from black by 4.5 : 1, so from most of what is light and what is dark by 3 : 1. */
const betweenBoth = '#757575';

/** The least of a border that is put round what has the focus, in u. */
const leastRing = 3;

/** A state that looks like none gets a look: a ring with the focus or where it is selected, fainter where it is disabled. */
export const showState: Remedy = (broken) => {
  const state = factOf(broken.finding, 'state');
  const sayer = state && sayerOf(broken);
  if (!state || !sayer) return [];
  return looksFor(state, broken.widget.look).map(([key, value]): Change => ({
    say: `${sayer.name}: states { ${state}: { ${key}: ${value} } }`,
    edit: (document) => {
      const { style, pointer } = sayer;
      if (!style?.states) sayer.addStates(document, { [state]: { [key]: value } });
      else if (!style.states[state]) document.set(`${pointer}/states`, state, { [key]: value });
      else document.set(`${pointer}/states/${state}`, key, value);
    },
  }));
};

/** What a widget may look like in a state, each in turn: the colour of its words is one that goes with it. */
function looksFor(
  state: State,
  { color, borderWidth, shadow }: Look,
): readonly (readonly [string, string | number])[] {
  if (state === 'disabled') return [['opacity', 0.5]];
  const width = Math.max(leastRing, Math.ceil(borderWidth) + 1);
  const rings = [hexOf(color), '#ffffff', '#000000', betweenBoth];
  // What another state says of the border comes after: a ring outside of it is seen all the same.
  const cast = shadow
    .map((one) => `, ${one.x} ${one.y} ${one.blur} ${one.spread} ${hexOf(one.color)}`)
    .join('');
  return [
    ...rings.map((ring) => ['border', `${width} ${ring}`] as const),
    ...rings.map((ring) => ['shadow', `0 0 0 ${width} ${ring}${cast}`] as const),
  ];
}

/** The last style of a widget where the document has it, its kind where it has no style; undefined where a theme file says it. */
function sayerOf({ widget, document }: Broken): Sayer | undefined {
  const { source, kind, theme } = widget;
  const name = styleList((source as WidgetSource).style).at(-1);
  if (name === undefined) return kindSayer(kind, document.source.kinds);
  const found = theme.find(name);
  if (found?.origin !== document.origin) return undefined;
  const { style, pointer } = found;
  return {
    name: `style ${name}`,
    style,
    pointer,
    addStates: (text, states) => text.set(pointer, 'states', states),
  };
}

function kindSayer(kind: Kind, kinds: { readonly [Name in Kind]?: StyleSource } | undefined): Sayer {
  const style = entryOf(kinds as { readonly [name: string]: StyleSource } | undefined, kind);
  const pointer = `/kinds/${kind}`;
  return {
    name: `kinds ${kind}`,
    style,
    pointer,
    addStates: (text, states) => {
      if (style) text.set(pointer, 'states', states);
      else if (kinds) text.set('/kinds', kind, { states });
      else text.set('', 'kinds', { [kind]: { states } });
    },
  };
}
