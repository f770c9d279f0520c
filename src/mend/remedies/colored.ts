import { pointerOfKey, valueAt } from '../../edit/index.ts';
import { hexOf, mixed, parseColor, styleList, tokensOf, type Rgba } from '../../theme/index.ts';
import { pointerTo, stepsOf, type State, type WidgetSource } from '../../document/index.ts';
import type { Widget } from '../../dress/index.ts';
import { factOf, inStyle, keysOf, lookKeys, type Broken, type Change, type Remedy } from '../remedy.ts';

/* Colours that can be told apart: of words, of parts of controls, and of what they stand on. */

type ColorKey = 'background' | 'border' | 'color' | 'handle-color';

const ends = ['#ffffff', '#000000'].map((end) => parseColor(end)!);
const shares = [0.25, 0.5, 0.75, 1];

/** The key that says the colour of what cannot be told; undefined of a picture. */
function keyOf({ finding }: Broken): ColorKey | undefined {
  const part = factOf(finding, 'part');
  if (part === 'picture') return undefined;
  const keys: { readonly [part: string]: ColorKey } = {
    handle: 'handle-color',
    line: 'background',
    border: 'border',
  };
  return keys[part ?? ''] ?? 'color';
}

/** What a look has of a key. */
function colorNow({ look }: Widget, key: ColorKey): Rgba | undefined {
  if (key === 'background') return look.background?.type === 'color' ? look.background.color : undefined;
  if (key === 'border') return look.borderColor;
  return key === 'handle-color' ? (look.handleColor ?? look.color) : look.color;
}

/** A colour as a key says it. */
function saidAs({ look }: Widget, key: ColorKey, color: Rgba): string {
  return key === 'border' ? `${look.borderWidth} ${hexOf(color)}` : hexOf(color);
}

/**
 * The colour nearer to white or to black, as little as will do: where a condition chooses it, in the style of the document that
 * says it, in the widget's tint, or in its own look.
 */
export const strongerColor: Remedy = (broken) => {
  const { widget } = broken;
  const key = keyOf(broken);
  const now = key && colorNow(widget, key);
  if (!key || !now) return [];
  const { tint } = widget.source as WidgetSource;
  const tokens = tokenChanges(broken, now);
  return shares.flatMap((share) =>
    ends.flatMap((end): readonly Change[] => {
      const value = saidAs(widget, key, { ...mixed(now, end, share), a: 1 });
      const chosen = whereChosen(broken, key, value);
      if (chosen) return [...chosen, ...tokens(value)];
      if (tint !== undefined && key === 'color') return [keysOf(widget, { tint: value }), ...tokens(value)];
      return [...inStyle(broken, key, value), lookKeys(widget, { [key]: value }), ...tokens(value)];
    }),
  );
};

/** Another colour in the place of the one that a condition chooses now; undefined where nothing is chosen. */
function whereChosen(
  { widget, document }: Broken,
  key: ColorKey,
  value: string,
): readonly Change[] | undefined {
  const { tint } = widget.source as WidgetSource;
  const path = key === 'color' && tint !== undefined ? 'tint' : `look/${key}`;
  const said = valueAt(document, pointerOfKey(widget, path));
  if (typeof said !== 'string' || !said.startsWith('{')) return undefined;
  const { theme } = widget;
  const now = hexOf(colorNow(widget, key)!);
  const next = said.replace(/'([^']*)'/g, (all, one: string) => {
    const color = theme.colorOf(String(theme.fillIn(one) ?? ''));
    return color && hexOf(color) === now ? `'${value}'` : all;
  });
  if (next === said) return [];
  return [path === 'tint' ? keysOf(widget, { tint: next }) : lookKeys(widget, { [key]: next })];
}

/** The token of the document that is this colour and is named in one place alone, changed: without that place nothing would name it. */
function tokenChanges({ document }: Broken, now: Rgba): (value: string) => readonly Change[] {
  const [theme] = document.themes;
  const written = JSON.stringify(document.source);
  const found = [...tokensOf(theme!)].find(({ name, value, origin }) => {
    if (origin !== document.origin || typeof value !== 'string') return false;
    const color = parseColor(value);
    return color && hexOf(color) === hexOf(now) && placesNamed(written, name) === 1;
  });
  if (!found) return () => [];
  const { name, pointer } = found;
  const isMap = typeof valueAt(document, pointer) === 'object';
  const steps = stepsOf(pointer);
  const [map, key] = isMap ? [pointer, '$value'] : [steps.slice(0, -1).reduce(pointerTo, ''), steps.at(-1)!];
  return (value) => [{ say: `token ${name}: ${value}`, edit: (text) => text.set(map, key, value) }];
}

function placesNamed(written: string, name: string): number {
  return written
    .split(`$${name}`)
    .slice(1)
    .filter((rest) => !/^[\p{L}\p{N}_-]|^\.[\p{L}_]/u.test(rest)).length;
}

/** Another colour of the words, or of what they stand on, in the state of their control in which they are hard to read. */
export const stateColor: Remedy = (broken) => {
  const state = factOf(broken.finding, 'state');
  return state === undefined ? [] : otherColors(broken, () => [state]);
};

/** The same in the state that a control is in now, such as the one that is chosen. */
export const ownStateColor: Remedy = (broken) =>
  factOf(broken.finding, 'state') === undefined ? otherColors(broken, ({ states }) => states) : [];

/** Other colours that a style says for one of some states of a widget or of one around it, the nearest that does. */
function otherColors(broken: Broken, statesOf: (widget: Widget) => readonly State[]): readonly Change[] {
  const { widget, document, on } = broken;
  const key = keyOf(broken);
  if (!key || key === 'border') return [];
  for (let at: Widget | undefined = widget; at && at.index > 0; at = on.widgets[at.parent]) {
    const { theme, source } = at;
    const styles = styleList((source as WidgetSource).style);
    const lookIn = (one: State) =>
      styles.findLast((name) => theme.find(name)?.style.states?.[one] !== undefined);
    const state = statesOf(at).findLast((one) => lookIn(one) !== undefined);
    const style = state && lookIn(state);
    const found = style === undefined ? undefined : theme.find(style);
    if (!state || found?.origin !== document.origin) continue;
    const said = found.style.states![state]!;
    const usual = (one: ColorKey) => colorNow(at, one);
    const nowOf = (one: ColorKey) =>
      said[one] === undefined ? usual(one) : theme.colorOf(String(theme.fillIn(said[one]) ?? ''));
    const map = `${found.pointer}/states/${state}`;
    return shares.flatMap((share) =>
      ends.flatMap((end) =>
        ([key, 'background'] as const).flatMap((one): Change[] => {
          const now = nowOf(one);
          if (!now) return [];
          const value = hexOf({ ...mixed(now, end, share), a: now.a });
          const say = `style ${style!}: states { ${state}: { ${one}: ${value} } }`;
          return [{ say, edit: (text) => text.set(map, one, value) }];
        }),
      ),
    );
  }
  return [];
}

/** A colour of its own, or a tint, that does not suit every theme, left out: what its style says holds again. */
export const themesColor: Remedy = ({ widget, document, finding }) => {
  const { look, tint } = widget.source as WidgetSource;
  const themes = new Set(finding.occurrences.map(({ theme }) => theme));
  // Where it is wrong in all of them, it is the colour that has to be another one.
  if (document.named.size < 2 || themes.size === document.named.size) return [];
  return [
    ...(tint === undefined ? [] : [keysOf(widget, { tint: undefined })]),
    ...(look?.color === undefined ? [] : [lookKeys(widget, { color: undefined })]),
  ];
};

/** The plate behind a text made opaque: its own, or the nearest around it that lets something through. */
export const opaquePlate: Remedy = ({ widget, on }) => {
  for (let at: typeof widget | undefined = widget; at && at.index > 0; at = on.widgets[at.parent]) {
    const { background } = at.look;
    if (background?.type !== 'color' || background.color.a === 0 || background.color.a === 1) continue;
    const { r, g, b } = background.color;
    return [lookKeys(at, { background: hexOf({ r, g, b, a: 1 }) })];
  }
  return [];
};
