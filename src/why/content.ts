import type { Widget } from '../dress/index.ts';
import { gapIn, innerWidth, paddingEnd, paddingStart } from '../inside/index.ts';
import { isStretched, outer, tracksIn } from './cell.ts';
import { heightOfLine, linesOf } from './line.ts';
import {
  added,
  childrenIn,
  extent,
  kept,
  mostTerms,
  shown,
  words,
  type Axis,
  type Solved,
} from './reason.ts';

/** What a content size is made of; nothing where what is laid out does not say it. */
export function contentNote(scene: Solved, widget: Widget, axis: Axis): string {
  return kept(scene, `why-content ${widget.index} ${axis}`, () => noteOf(scene, widget, axis));
}

function noteOf(scene: Solved, widget: Widget, axis: Axis): string {
  const { layout } = scene;
  const factor = layout.factor(widget.index);
  const both = (paddingStart(layout, widget, axis) + paddingEnd(layout, widget, axis)) / factor;
  const padding = added(both, 'padding');
  if (widget.text) {
    if (axis === 'x') return ` (its text${padding})`;
    const lines = widget.text.linesAt(innerWidth(layout, widget)).length;
    const each = `${shown(widget.text.lineHeight)}`;
    return lines === 1 ? ` (one line of ${each}${padding})` : ` (${lines} lines of ${each}${padding})`;
  }
  if (widget.picture) return ` (its picture${padding})`;
  const children = childrenIn(scene, widget.index);
  const length = extent(scene, widget.index, axis).length / factor;
  if (children.length === 0) {
    // What a slider, a checkbox or a meter is as large as by itself.
    const own = length - both < 0.005 ? '' : ` + ${shown(length - both)} of a ${widget.kind}`;
    return own + padding === '' ? '' : ` (${(own + padding).slice(3)})`;
  }
  const sum = sumOf(scene, widget, axis, children);
  // What children need may be less than they got, or more: then no sum of what is seen is what it is as long as.
  return sum && Math.abs(sum.length + both - length) < 0.005 ? ` (${sum.words}${padding})` : '';
}

/** What children come to, in u of what they are in. */
interface Sum {
  readonly words: string;
  readonly length: number;
}

function sumOf(scene: Solved, widget: Widget, axis: Axis, children: readonly Widget[]): Sum | undefined {
  const { arrange } = widget.box;
  const factor = scene.layout.factor(widget.index);
  if (arrange === words[axis].along) return inLine(scene, widget, axis, children);
  if (arrange === 'wrap') {
    const lines = linesOf(scene, widget);
    if (axis === 'y')
      return oneAfterOther(
        scene,
        widget,
        axis,
        'lines',
        lines.map((line) => heightOfLine(scene, widget, line) / factor),
      );
    const [widest, ...others] = lines
      .map((line) => inLine(scene, widget, axis, line))
      .sort((one, other) => other.length - one.length);
    if (others.length === 0) return widest;
    return widest && { words: `its widest line has ${shown(widest.length)}`, length: widest.length };
  }
  if (arrange === 'grid') {
    const tracks = tracksIn(scene, widget, axis).map((one) => one / factor);
    return oneAfterOther(scene, widget, axis, axis === 'x' ? 'columns' : 'rows', tracks);
  }
  return arrange === 'free'
    ? anchored(scene, widget, axis, children)
    : longest(scene, widget, axis, children);
}

/** Children side by side, with their margins and the gaps between. */
function inLine(scene: Solved, widget: Widget, axis: Axis, line: readonly Widget[]): Sum {
  const factor = scene.layout.factor(widget.index);
  const lengthOf = (child: Widget) => extent(scene, child.index, axis).length / factor;
  const margins = line.reduce((sum, { box }) => sum + box[axis].marginStart + box[axis].marginEnd, 0);
  const lengths = line.reduce((sum, child) => sum + lengthOf(child), 0);
  const gaps = (gapIn(scene.layout, widget, axis) / factor) * (line.length - 1);
  const terms =
    line.length <= mostTerms
      ? line.map((child) => `${shown(lengthOf(child))} ${child.id}`).join(' + ')
      : `${shown(lengths)} of ${line.length} children`;
  return {
    words: `${terms}${added(gaps, line.length > 2 ? 'gaps' : 'gap')}${added(margins, 'margins')}`,
    length: lengths + gaps + margins,
  };
}

/** Lines, columns or rows, one after the other. */
function oneAfterOther(
  scene: Solved,
  widget: Widget,
  axis: Axis,
  what: string,
  lengths: readonly number[],
): Sum {
  const sum = lengths.reduce((all, one) => all + one, 0);
  const gaps = (gapIn(scene.layout, widget, axis) / scene.layout.factor(widget.index)) * (lengths.length - 1);
  const each =
    lengths.length <= mostTerms
      ? `${what} of ${lengths.map(shown).join(' + ')}`
      : `${shown(sum)} of ${lengths.length} ${what}`;
  const terms = lengths.length === 1 ? `its ${what.slice(0, -1)} has ${shown(sum)}` : each;
  return { words: `${terms}${added(gaps, lengths.length > 2 ? 'gaps' : 'gap')}`, length: sum + gaps };
}

/** The longest child of what stands across, or one on the other. */
function longest(scene: Solved, widget: Widget, axis: Axis, children: readonly Widget[]): Sum {
  const factor = scene.layout.factor(widget.index);
  const takes = (child: Widget) => outer(scene, widget, child, axis) / factor;
  const most = Math.max(...children.map(takes));
  // Those that are as long as there is room say nothing of why there is so much.
  const own = children.find((child) => takes(child) >= most - 1e-6 && isOwn(scene, widget, child, axis));
  const adjective = axis === 'x' ? 'widest' : 'highest';
  if (!own) return { words: `its ${adjective} child needs ${shown(most)}`, length: most };
  const margins = own.box[axis].marginStart + own.box[axis].marginEnd;
  const words = `its ${adjective} child ${own.id} has ${shown(most - margins)}${added(margins, 'margins')}`;
  return { words, length: most };
}

/** Whether a child is as long as it asks to be, whatever there is. */
function isOwn(scene: Solved, parent: Widget, child: Widget, axis: Axis): boolean {
  const { mode, size } = child.box[axis];
  const cells = parent.box.arrange === 'layers' || parent.box.arrange === 'pages';
  const isWhole = mode === 'fill' || (mode === 'auto' && isStretched(child, parent, axis, cells));
  if (!isWhole) return mode !== 'fixed' || size.share === 0;
  // A text that is stretched needs as much as it has where its letters do.
  const { layout } = scene;
  const inside =
    extent(scene, child.index, axis).length -
    paddingStart(layout, child, axis) -
    paddingEnd(layout, child, axis);
  if (!child.text) return false;
  const needs =
    axis === 'x'
      ? child.text.widest
      : child.text.linesAt(innerWidth(layout, child)).length * child.text.lineHeight;
  return needs * layout.factor(child.index) >= inside - 1e-6;
}

/** The child of a free container that needs the most of it where it is anchored (docs/layout-model.md 3.5). */
function anchored(scene: Solved, widget: Widget, axis: Axis, children: readonly Widget[]): Sum {
  const factor = scene.layout.factor(widget.index);
  const needs = children.map((child) => {
    const { anchorStart: at, pivot, offset } = child.box[axis];
    const takes = outer(scene, widget, child, axis) / factor;
    const before = at > 0 ? (pivot * takes - offset.u) / at : 0;
    const after = at < 1 ? (offset.u + (1 - pivot) * takes) / (1 - at) : 0;
    return { child, takes, needs: Math.max(before, after) };
  });
  const most = needs.reduce((one, other) => (other.needs > one.needs ? other : one));
  const adjective = axis === 'x' ? 'widest' : 'highest';
  const isAll = Math.abs(most.needs - most.takes) < 1e-6;
  return {
    words: isAll
      ? `its ${adjective} child ${most.child.id} has ${shown(most.takes)}`
      : `its child ${most.child.id} needs ${shown(most.needs)} where it is anchored`,
    length: most.needs,
  };
}
