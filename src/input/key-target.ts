import { choiceKeyOf, type Arrangement, type Kind } from '../document/index.ts';
import { slidesAlong } from '../inside/index.ts';
import type { LiveNode } from '../live/index.ts';
import { isDivider } from '../skeleton/index.ts';
import type { KeyTarget } from './keys.ts';

/** What keys mean to the control that has the focus. @param view The view itself, where none has it. */
export function keyTargetOf(node: LiveNode | undefined, view: LiveNode): KeyTarget {
  const outer = node?.parent;
  return {
    slides: node && valueAxis(node),
    rightToLeft: (node ?? view).bone.box.rightToLeft,
    choice: outer && choiceAxes(outer.widget.kind, outer.bone.box.arrange),
  };
}

/** The axis along which arrows move the value of a control (ARIA Authoring Practices, slider and window splitter). */
function valueAxis({ widget, parent }: LiveNode): 'x' | 'y' | undefined {
  if (widget.kind === 'slider') return slidesAlong(widget).axis;
  return isDivider(widget) ? (parent?.bone.box.arrange === 'column' ? 'y' : 'x') : undefined;
}

/** Along which axes arrows choose (ARIA Authoring Practices): tabs and options along theirs, radio buttons along both. */
function choiceAxes(kind: Kind, arrange: Arrangement): KeyTarget['choice'] {
  if (choiceKeyOf(kind) === undefined) return undefined;
  if (kind === 'radiogroup') return 'both';
  if (kind === 'listbox' && inLines.has(arrange)) return 'around';
  return arrange === 'column' ? 'y' : 'x';
}

/** Arrangements in which an entry may lie beside another and under a third. */
const inLines: ReadonlySet<Arrangement> = new Set(['grid', 'wrap', 'free']);
