import { isControl, lookOf } from '../../dress/index.ts';
import { choiceKeyOf, type State } from '../../document/index.ts';
import { compose, contrastRatio, type Fill, type Look, type Rgba, type Shadow } from '../../theme/index.ts';
import type { Subject } from './subject.ts';

/** A state of a control that its own box and words show too faintly, or not at all. */
export interface FaintState {
  readonly index: number;
  /** The contrast of what changes most in it. */
  readonly within: number;
  /** Shadows that come with the state: rings round it above all. */
  readonly ring: readonly Shadow[];
  readonly state: State;
  /** The contrast it would need. */
  readonly wanted: number;
  /** States it is in too, which cover this one. */
  readonly over: readonly State[];
}

/** The contrast between a control with the focus and the same without (2.4.13). */
export const leastFocus = 3;

/** What is disabled, selected or may get the focus, and does not show it by itself. */
export function shownFaintly(subject: Subject): readonly FaintState[] {
  return subject.form.once('shown-faintly', () =>
    subject.widgets.flatMap((widget) => {
      if (!isControl(widget)) return [];
      const { index, parent, kind, theme, source, states } = widget;
      const { look: around, kind: outside } = subject.widgets[parent]!;
      // What is disabled takes no focus; whether it is so has to be seen, and so does which tab is selected.
      const now: State = states.includes('disabled')
        ? 'disabled'
        : states.includes('selected') && choiceKeyOf(outside) !== undefined
          ? 'selected'
          : 'focused';
      return (now === 'selected' ? ([now, 'focused'] as const) : [now]).flatMap((state) => {
        // Pointed at or pressed, it may look the same with the focus: what counts is what it looks like at rest.
        const others = states.filter((one) => one !== state && one !== 'hover' && one !== 'pressed');
        const seen = (inStates: readonly State[]) => lookOf(source, kind, theme, around, inStates);
        const [before, after] = [seen(others), seen([...others, state])];
        const within = largestChange(before, after);
        const wanted = state === 'focused' ? leastFocus : anyDifference;
        if (within >= wanted) return [];
        const isCovered = others.length > 0 && largestChange(seen([]), seen([state])) >= wanted;
        const ring = after.shadow.filter((one) => !before.shadow.includes(one));
        return [{ index, within, ring, state, wanted, over: isCovered ? others : [] }];
      });
    }),
  );
}

/** How far a shadow reaches past the edge of what throws it, in u. */
export function reachOfRing({ x, y, blur, spread }: Pick<Shadow, 'x' | 'y' | 'blur' | 'spread'>): number {
  return spread + blur / 2 + Math.max(Math.abs(x), Math.abs(y));
}

/** In px: what is thinner past the edge of a widget is no ring. */
export const leastRing = 1;

/** Contrast enough for a state that is no place to be found: it differs. */
const anyDifference = 1.2;

/** The contrast of what changes most between two looks; 1 where nothing does. */
function largestChange(before: Look, after: Look): number {
  if (Math.abs(before.opacity - after.opacity) >= leastFading) return Infinity;
  if (Math.abs(Math.log(after.scale / before.scale)) >= leastGrowth) return Infinity;
  const ground = meanOf(before.background) ?? neutral;
  const changes = [contrastOf(meanOf(before.background), meanOf(after.background), neutral)];
  const [thin, thick] = [before.borderWidth, after.borderWidth];
  if (after.borderColor) {
    const old = before.borderColor && thin > 0 ? before.borderColor : undefined;
    if (thick > 0) changes.push(contrastOf(old ?? ground, after.borderColor, ground));
    // A ring that grows is drawn over what was the ground before.
    if (thick > thin) changes.push(contrastOf(ground, after.borderColor, ground));
  }
  changes.push(contrastOf(before.color, after.color, ground));
  changes.push(contrastOf(before.handleColor ?? before.color, after.handleColor ?? after.color, ground));
  return Math.max(1, ...changes);
}

/** An opacity that changes by this much is seen. */
const leastFading = 0.15;

/** Something that is drawn larger or smaller by this share (about one in twenty) is seen to be. */
const leastGrowth = Math.log(1.05) - 1e-9;

/** Where nothing is known of what is behind. */
export const neutral: Rgba = { r: 0.21, g: 0.21, b: 0.21, a: 1 };

export function contrastOf(one: Rgba | undefined, other: Rgba | undefined, ground: Rgba): number {
  if (one === other) return 1;
  const [a, b] = [one, other].map((color) => (color ? compose(color, ground) : ground)) as [Rgba, Rgba];
  return contrastRatio(a, b);
}

function meanOf(fill: Fill | undefined): Rgba | undefined {
  if (!fill || fill.type === 'color') return fill?.color;
  const { stops } = fill;
  const mean = (part: 'r' | 'g' | 'b' | 'a') =>
    stops.reduce((sum, { color }) => sum + color[part], 0) / stops.length;
  return { r: mean('r'), g: mean('g'), b: mean('b'), a: mean('a') };
}
