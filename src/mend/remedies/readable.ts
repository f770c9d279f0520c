import type { Json } from '../../document/index.ts';
import type { Widget } from '../../dress/index.ts';
import { mayGrow, onTheirScreens } from '../on-screens.ts';
import {
  asWritten,
  factOf,
  inStyle,
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
