import { hexOf, mixed, parseColor, styleList } from '../../theme/index.ts';
import type { Json, State, WidgetSource } from '../../document/index.ts';
import type { Widget } from '../../dress/index.ts';
import { mayGrow, onTheirScreens } from '../on-screens.ts';
import {
  asWritten,
  factOf,
  keysOf,
  keysOfAll,
  lookKeys,
  sizeKeys,
  wholeUp,
  type Broken,
  type Change,
  type Remedy,
} from '../remedy.ts';

/** Room for its text, or a text that makes do with the room. */
export const roomForText: Remedy = (broken) => {
  const { widget, finding, measured, scale, on } = broken;
  const { width, height } = on.layout.rectInU(widget.index);
  const factor = on.layout.factor(widget.index);
  const more = finding.check === 'cut-text' ? measured / scale : 0;
  const across = factOf(finding, 'axis') !== 'y';
  const [side, now] = across ? (['width', width] as const) : (['height', height] as const);
  const axis = across ? 'x' : 'y';
  const fontSize = widget.text?.setting.fontSize ?? 0;
  const needs = wholeUp(now / factor + more);
  const shrunk = finding.check === 'shrunk-text';
  const wanted = shrunk
    ? wholeUp((width / factor) * (fontSize / (widget.text?.setting.leastFontSize ?? fontSize)))
    : needs;
  const floor = Math.floor((fontSize * now) / (now + more * factor));
  return [
    ...(widget.box[axis].mode === 'fixed' ? [keysOf(widget, sizeKeys(widget, { [side]: wanted }))] : []),
    keysOf(widget, { [`min-${side}`]: wanted }),
    ...togetherWith(broken, axis, (one) => sizeKeys(one, { [side]: wanted })),
    ...(!shrunk && floor >= 0.6 * fontSize ? [keysOf(widget, { 'least-font-size': floor })] : []),
    ...(across ? [keysOf(widget, { wrap: true })] : []),
  ];
};

/** The same for those beside a widget that are as large by what they say: one alone would stick out. */
function togetherWith(
  { widget, on }: Broken,
  axis: 'x' | 'y',
  keys: (one: Widget) => { readonly [key: string]: Json },
): readonly Change[] {
  const { mode, size } = widget.box[axis];
  if (mode !== 'fixed' || size.share !== 0) return [];
  const alike = on.widgets.filter(
    ({ parent, box, pointer }) =>
      parent === widget.parent &&
      pointer !== widget.pointer &&
      box[axis].mode === 'fixed' &&
      box[axis].size.share === 0 &&
      box[axis].size.u === size.u,
  );
  const written = asWritten([widget, ...alike]);
  return written.length > 1 ? [keysOfAll(written, keys)] : [];
}

/**
 * Letters as large as they have to be where they are smallest: on screens of that kind, of all in what hands the font size on or of the
 * text alone; or everywhere.
 */
export const largerText: Remedy = (broken) => {
  const { widget } = broken;
  if (!(broken.measured > 0)) return [];
  const sizeFor = ({ measured, limit }: Broken) => wholeUp((widget.look.fontSize * limit) / measured);
  const largeEnough = (worst: Broken) => ({ look: { 'font-size': sizeFor(worst) } });
  const head = sizeHead(broken);
  const alike = alikeIn(broken);
  const own = largeEnough(broken);
  return [
    ...(head === widget ? [] : onTheirScreens({ ...broken, widget: head }, largeEnough)),
    ...onTheirScreens(broken, largeEnough),
    ...(alike.length > 1 ? onTheirScreens(broken, largeEnough, alike) : []),
    ...(mayGrow(broken, own)
      ? [...inStyle(broken, 'font-size', sizeFor(broken)), lookKeys(widget, own.look)]
      : []),
  ];
};

/** A text and those beside it in the same letters: one alone in others would look like a slip. */
function alikeIn({ widget, on }: Broken): readonly Widget[] {
  const beside = on.widgets.filter(
    ({ parent, look, text }) =>
      parent === widget.parent && text !== undefined && look.fontSize === widget.look.fontSize,
  );
  return asWritten([widget, ...beside]);
}

/** The style that a key of a widget's look is from, changed: where the document itself says it, and the widget does not. */
function inStyle(
  { widget, document }: Broken,
  key: 'color' | 'font-size',
  value: number | string,
): readonly Change[] {
  const { style: said, look } = widget.source as WidgetSource;
  if (look?.[key] !== undefined) return [];
  const name = styleList(said).findLast((one) => widget.theme.find(one)?.style[key] !== undefined);
  const found = name === undefined ? undefined : widget.theme.find(name);
  if (found?.origin !== document.origin) return [];
  const { pointer } = found;
  return [{ say: `style ${name!}: ${key}: ${value}`, edit: (text) => text.set(pointer, key, value) }];
}

/** What a text may have its font size from: the outermost around it of the same one. */
function sizeHead({ widget, on }: Broken): Widget {
  let head = widget;
  for (let at = on.widgets[widget.parent]; at; at = on.widgets[at.parent]) {
    if (at.look.fontSize !== widget.look.fontSize) break;
    head = at;
  }
  return head;
}

/** Lines of fewer letters. */
export const shorterLines: Remedy = (broken) => {
  const { widget, on, measured, limit } = broken;
  const { width } = on.layout.rectInU(widget.index);
  const most = Math.floor(((width / on.layout.factor(widget.index)) * limit * 0.95) / measured);
  return [keysOf(widget, { 'max-width': most })];
};

/**
 * The colour nearer to white or to black, as little as will do: in the style of the document that says it, in the widget's
 * tint, or in its own look.
 */
export const strongerColor: Remedy = (broken) => {
  const { widget } = broken;
  const { color } = widget.look;
  const source = widget.source as WidgetSource;
  const ends = ['#ffffff', '#000000'].map((end) => parseColor(end)!);
  return [0.25, 0.5, 0.75, 1].flatMap((share) =>
    ends.flatMap((end): Change[] => {
      const value = hexOf({ ...mixed(color, end, share), a: 1 });
      if (source.tint !== undefined) return [keysOf(widget, { tint: value })];
      return [...inStyle(broken, 'color', value), lookKeys(widget, { color: value })];
    }),
  );
};

/** Another colour of the words, or of what they stand on, in the state of their control in which they are hard to read. */
export const stateColor: Remedy = (broken) => {
  const state = factOf(broken.finding, 'state');
  return state === undefined ? [] : otherColors(broken, () => [state]);
};

/** The same in the state that a control is in now, such as the one that is chosen. */
export const ownStateColor: Remedy = (broken) =>
  factOf(broken.finding, 'state') === undefined ? otherColors(broken, ({ states }) => states) : [];

/** Other colours that a style says for one of some states of a widget or of one around it, the nearest that does. */
function otherColors(
  { widget, document, on }: Broken,
  statesOf: (widget: Widget) => readonly State[],
): readonly Change[] {
  for (let at: Widget | undefined = widget; at && at.index > 0; at = on.widgets[at.parent]) {
    const { theme, look, source } = at;
    const styles = styleList((source as WidgetSource).style);
    const lookIn = (one: State) =>
      styles.findLast((name) => theme.find(name)?.style.states?.[one] !== undefined);
    const state = statesOf(at).findLast((one) => lookIn(one) !== undefined);
    const style = state && lookIn(state);
    const found = style === undefined ? undefined : theme.find(style);
    if (!state || found?.origin !== document.origin) continue;
    const said = found.style.states![state]!;
    const back = look.background?.type === 'color' ? look.background.color : undefined;
    const usual = { color: look.color, background: back };
    const colorNow = (key: 'color' | 'background') =>
      said[key] === undefined ? usual[key] : theme.colorOf(String(theme.fillIn(said[key]) ?? ''));
    const map = `${found.pointer}/states/${state}`;
    return [0.25, 0.5, 0.75, 1].flatMap((share) =>
      ['#ffffff', '#000000'].flatMap((end) =>
        (['color', 'background'] as const).flatMap((key): Change[] => {
          const now = colorNow(key);
          if (!now) return [];
          const value = hexOf({ ...mixed(now, parseColor(end)!, share), a: now.a });
          const say = `style ${style!}: states { ${state}: { ${key}: ${value} } }`;
          return [{ say, edit: (text) => text.set(map, key, value) }];
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
