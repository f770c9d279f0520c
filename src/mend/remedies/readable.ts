import { mixed, parseColor, hexOf } from '../../theme/index.ts';
import { factOf, keysOf, lookKeys, sizeKeys, wholeUp, type Remedy } from '../remedy.ts';

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
    ...(!shrunk && floor >= 0.6 * fontSize ? [keysOf(widget, { 'least-font-size': floor })] : []),
    ...(across ? [keysOf(widget, { wrap: true })] : []),
  ];
};

/** Letters as large as they have to be where they are smallest. */
export const largerText: Remedy = (broken) => {
  const { widget, measured, limit } = broken;
  const { fontSize } = widget.look;
  return measured > 0 ? [lookKeys(widget, { 'font-size': wholeUp((fontSize * limit) / measured) })] : [];
};

/** Lines of fewer letters. */
export const shorterLines: Remedy = (broken) => {
  const { widget, on, measured, limit } = broken;
  const { width } = on.layout.rectInU(widget.index);
  const most = Math.floor(((width / on.layout.factor(widget.index)) * limit * 0.95) / measured);
  return [keysOf(widget, { 'max-width': most })];
};

/** The colour nearer to white or to black, as little as will do. */
export const strongerColor: Remedy = (broken) => {
  const { widget } = broken;
  const { color } = widget.look;
  const ends = ['#ffffff', '#000000'].map((end) => parseColor(end)!);
  return [0.25, 0.5, 0.75, 1].flatMap((share) =>
    ends.map((end) => lookKeys(widget, { color: hexOf({ ...mixed(color, end, share), a: 1 }) })),
  );
};
