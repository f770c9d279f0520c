import { cssPixels, reachOfRing } from '../../checks/index.ts';
import type { Json } from '../../document/index.ts';
import { isWithin, lookOf, type Widget } from '../../dress/index.ts';
import { contentRoom, controlBoxes, slidesAlong } from '../../inside/index.ts';
import { factOf, keysOf, sizeKeys, wholeUp, type Broken, type Change, type Remedy } from '../remedy.ts';
import type { ViewLayout } from '../../view/index.ts';
import { isConditional, mayGrow, onTheirScreens } from '../on-screens.ts';

/** The sides that are too short, as long as they have to be where the widget is smallest: as sizes, and as the least of them. */
function longEnough(broken: Broken): readonly { readonly [key: string]: Json }[] {
  const { widget, on, measured, limit } = broken;
  const rect = on.layout.rectInU(widget.index);
  const factor = on.layout.factor(widget.index);
  if (!(measured > 0)) return [];
  const smaller = Math.min(rect.width, rect.height);
  // The handle of a switch goes from one end to the other: as long as it is high it has nowhere to go.
  const least = (side: 'width' | 'height') => {
    const share = widget.kind === 'switch' ? rect[side] / smaller : 1;
    return wholeUp(((smaller / factor) * limit * share) / measured);
  };
  const short = (['width', 'height'] as const).filter((side) => rect[side] / factor < least(side));
  if (short.length === 0) return [];
  const sizes = Object.fromEntries(short.map((side) => [side, least(side)]));
  const minima = Object.fromEntries(short.map((side) => [`min-${side}`, least(side)]));
  const long = (side: 'width' | 'height') => (short.includes(side) ? least(side) : rect[side] / factor);
  const look = sameShape(broken, long('width'), long('height'));
  return [sizeKeys(widget, sizes), minima].map((keys) => ({ ...keys, ...(look && { look }) }));
}

/** What of its look goes with another size: as thick a track of a slider, as round a button. */
function sameShape(
  broken: Broken,
  width: number,
  height: number,
): { readonly [key: string]: Json } | undefined {
  const { widget, on } = broken;
  const rect = on.layout.rectInU(widget.index);
  const factor = on.layout.factor(widget.index);
  if (widget.kind === 'slider') {
    const { axis } = slidesAlong(widget);
    const grows = axis === 'x' ? height > rect.height / factor : width > rect.width / factor;
    return grows ? sameTrack(broken, axis, axis === 'x' ? height : width) : undefined;
  }
  const half = Math.min(rect.width, rect.height) / factor / 2;
  const isRound = Object.values(widget.look.radius).every((one: number) => one > 0 && one >= half - 0.5);
  return isRound ? { radius: wholeUp(Math.min(width, height) / 2) } : undefined;
}

/** A slider is pressed anywhere in its box: its track stays as thick as it was in a thicker one. */
function sameTrack(
  { widget, on }: Broken,
  axis: 'x' | 'y',
  thick: number,
): { readonly [key: string]: Json } | undefined {
  const { layout } = on;
  const side = axis === 'x' ? 'height' : 'width';
  const track =
    controlBoxes(widget, layout, layout.rect(widget.index)).track[side] / layout.scale(widget.index);
  const { left, right, top, bottom } = widget.look.padding ?? noPadding;
  const [start, end] = axis === 'x' ? [left, right] : [top, bottom];
  // A share is of the width, and can be said of all sides alone.
  if (start.share !== 0 || end.share !== 0) return undefined;
  const beside = Math.max(0, Math.floor((thick - track) / 2));
  if (axis === 'y')
    return { padding: start.u === end.u ? [start.u, beside] : [start.u, beside, end.u, beside] };
  return { padding: start.u === end.u ? [beside, start.u] : [beside, end.u, beside, start.u] };
}

const none = { u: 0, share: 0 };
const noPadding = { left: none, right: none, top: none, bottom: none };

/** As large as it has to be where it is smallest: in the condition that says its size, on screens of that kind, or everywhere. */
export const enlarge: Remedy = (broken) => {
  const ways = longEnough(broken);
  const said = ways.filter((keys) => isConditional(broken, keys));
  const others = ways.filter((keys) => !said.includes(keys) && mayGrow(broken, keys));
  return [
    ...said.map((keys) => keysOf(broken.widget, keys)),
    ...ways.flatMap((_, nth) => onTheirScreens(broken, (worst) => longEnough(worst)[nth])),
    ...others.map((keys) => keysOf(broken.widget, keys)),
  ];
};

/** The size of its neighbour. */
export const sameSize: Remedy = (broken) => {
  const { widget, other, finding } = broken;
  const axis = factOf(finding, 'side') === 'height' ? 'y' : 'x';
  const side = axis === 'x' ? 'width' : 'height';
  if (!other) return [];
  return [
    keysOf(widget, sizeKeys(widget, { [side]: other.box[axis].size.u })),
    keysOf(other, sizeKeys(other, { [side]: widget.box[axis].size.u })),
  ];
};

/** Room for the corners of its nine slices. */
export const roomForSlices: Remedy = (broken) => {
  const { widget, on, measured } = broken;
  const { width, height } = on.layout.rectInU(widget.index);
  const factor = on.layout.factor(widget.index);
  return [
    keysOf(widget, sizeKeys(widget, { height: wholeUp((height / factor / measured) * 100) })),
    keysOf(widget, sizeKeys(widget, { width: wholeUp((width / factor / measured) * 100) })),
  ];
};

/** As wide as it is high, or in its own shape. */
export const ownShape: Remedy = (broken) => [
  keysOf(broken.widget, { fit: 'contain' }),
  keysOf(broken.widget, { fit: 'cover' }),
];

/** No larger than its pixels allow: of a picture by itself, not of something that shows one. */
export const shrinkPicture: Remedy = (broken) => {
  const { widget, on, measured, limit } = broken;
  if (widget.kind !== 'image') return [];
  const { width, height } = on.layout.rectInU(widget.index);
  const share = limit / measured / on.layout.factor(widget.index);
  const size = { width: Math.floor(width * share), height: Math.floor(height * share) };
  return size.width > 0 && size.height > 0 ? [keysOf(widget, sizeKeys(widget, size))] : [];
};

/** No larger than the room it is in: however it is placed, it would stick out; or what it is in and sticks out with. */
export const noLarger: Remedy = (broken) => {
  const { on } = broken;
  for (let at: Widget | undefined = broken.widget; at && at.index > 0; at = on.widgets[at.parent]) {
    const changes = noLargerThanRoom(at, on);
    if (changes.length > 0) return changes;
  }
  return [];
};

function noLargerThanRoom(widget: Widget, on: ViewLayout): readonly Change[] {
  const parent = on.widgets[widget.parent];
  if (!parent) return [];
  const rect = on.layout.rectInU(widget.index);
  const room = contentRoom(on.layout, parent);
  const isSaid = (axis: 'x' | 'y') => {
    const { mode, size, max } = widget.box[axis];
    return mode === 'fixed' && size.share === 0 && !max;
  };
  const most = (['width', 'height'] as const).filter(
    (side) => isSaid(side === 'width' ? 'x' : 'y') && rect[side] > room[side],
  );
  const { size, min } = widget.box.y;
  // What is narrower may need more height.
  const grows = isSaid('y') && { height: 'content', ...(!min && { 'min-height': size.u }) };
  return most.flatMap((side) => {
    const keys = { [`max-${side}`]: '100%' };
    return [
      keysOf(widget, keys),
      ...(grows && side === 'width' ? [keysOf(widget, { ...keys, ...grows })] : []),
    ];
  });
}

/** Whatever cuts it off made as large as what is in it needs. */
export const roomAround: Remedy = ({ other, finding, on, widget }) => {
  if (!other || other.index === 0) return [];
  const [inner, outer] = [on.layout.rectInU(widget.index), on.layout.rectInU(other.index)];
  const factor = on.layout.factor(other.index);
  return (['height', 'width'] as const).flatMap((side) => {
    const axis = side === 'width' ? 'x' : 'y';
    const past = Math.max(outer[axis] - inner[axis], inner[axis] + inner[side] - outer[axis] - outer[side]);
    if (other.box[axis].mode !== 'fixed' || !(past > 0)) return [];
    const isArranged = other.box.arrange !== 'free' && finding.check !== 'cut-off';
    return [
      ...(isArranged
        ? [keysOf(other, { [side]: 'content', [`min-${side}`]: wholeUp(outer[side] / factor) })]
        : []),
      keysOf(other, sizeKeys(other, { [side]: wholeUp((outer[side] + past) / factor) })),
    ];
  });
};

/** More room between what is pressed. */
export const widerGap: Remedy = (broken) => {
  const { widget, other, on, limit, scale } = broken;
  const parent = on.widgets[widget.parent];
  if (!other || other.parent !== widget.parent || !parent || parent.index === 0) return [];
  if (parent.box.arrange === 'free') return [];
  return [keysOf(parent, { gap: wholeUp(limit / cssPixels(1, on.screen) / scale) })];
};

/** Padding in what cuts off the ring of a focus, as wide as that reaches; the same on all sides that have less. */
export const roomForRing: Remedy = ({ widget, other, on }) => {
  if (!other || !isWithin(on.widgets, widget.index, other.index)) return [];
  const { source, kind, theme, states } = widget;
  const around = on.widgets[widget.parent]!.look;
  const focused = lookOf(source, kind, theme, around, [...states, 'focused']);
  const reach = wholeUp(Math.max(0, ...focused.shadow.map(reachOfRing)));
  const { x, y } = other.box;
  const now = [y.paddingStart, x.paddingEnd, y.paddingEnd, x.paddingStart];
  if (now.some(({ share }) => share !== 0)) return [];
  const next = now.map((one) => Math.max(one.u, reach));
  return [keysOf(other, { padding: next.every((one) => one === next[0]) ? next[0]! : next })];
};
