import type { Widget } from '../../dress/index.ts';
import type { ViewLayout } from '../../view/index.ts';
import { demandsOf } from '../../why/index.ts';
import { isConditional, narrowViews, upToTen } from '../on-screens.ts';
import { keysOf, keysWhere, sizeKeys, wholeUp, type Broken, type Remedy } from '../remedy.ts';

/** A row in several lines, or one below the other, on surfaces that are too narrow for it. */
export const stack: Remedy = (broken) => {
  const row = rowAround(broken);
  if (!row || isConditional({ ...broken, widget: row }, { arrange: 'row' })) return [];
  const { screens, finding, view } = broken;
  const names = new Set(finding.occurrences.map(({ screen }) => screen));
  const widths = screens.map((screen) => ({
    width: view.frameOn(screen).width,
    isFailing: names.has(screen.name),
  }));
  const failing = widths.filter(({ isFailing }) => isFailing);
  const most = upToTen(failing.map(({ width }) => width));
  const others = widths.filter(({ width, isFailing }) => !isFailing && width <= most).length;
  // Where it is too long for wide ones too, or as wide ones hold it, its width is not what is wrong.
  if (failing.length > few * screens.length || others > failing.length) return [];
  return (['wrap', 'column'] as const).map((arrange) =>
    keysWhere([row], [{ ...narrowViews(most), keys: { arrange } }]),
  );
};

/** A share of the screens. */
const few = 0.5;

/** The nearest row that has both widgets in it, or is one of them. */
function rowAround({ widget, other, on }: Broken): Widget | undefined {
  const around = (from: Widget | undefined) => {
    const all: Widget[] = [];
    for (let at = from; at; at = on.widgets[at.parent]) all.push(at);
    return all;
  };
  const others = other && around(other);
  const common = around(widget).find((one) => !others || others.includes(one));
  return common?.box.arrange === 'row' ? common : undefined;
}

/** Whatever keeps a row or column too short for what is in it, as long as that needs where it needs more. */
export const roomForChildren: Remedy = ({ widget, on }) => {
  const { arrange } = widget.box;
  if (arrange !== 'row' && arrange !== 'column') return [];
  const [axis, side] = arrange === 'row' ? (['x', 'width'] as const) : (['y', 'height'] as const);
  let keeper: Widget | undefined = widget;
  while (keeper && keeper.index > 0 && keeper.box[axis].mode !== 'fixed') keeper = on.widgets[keeper.parent];
  if (!keeper || keeper.index === 0 || keeper.box[axis].size.share !== 0) return [];
  const { min, size } = keeper.box[axis];
  const lacking = lackOf(widget, on) / on.layout.factor(keeper.index);
  return [
    keysOf(keeper, { [side]: 'content', ...(!min && { [`min-${side}`]: size.u }) }),
    // Entries of a list stay of one size.
    ...(lacking > 0 ? [keysOf(keeper, sizeKeys(keeper, { [side]: wholeUp(size.u + lacking) }))] : []),
  ];
};

/** By how much what is in a row or column needs more room than there is, in u of the view. */
function lackOf(widget: Widget, { tree, layout }: ViewLayout): number {
  const wanted = demandsOf(tree).find(({ widget: own, demand }) => own === widget.index && demand === 'room');
  return wanted ? wanted.over[0]!(layout) * layout.factor(wanted.unit) : 0;
}
