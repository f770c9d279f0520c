import type { Widget } from '../dress/index.ts';
import type { Bone } from '../skeleton/index.ts';
import type { TextBlock } from '../text/index.ts';
import type { LiveNode } from './node.ts';

/** Whether a widget is seen as a bone says it, where it stands. */
export function isVisible({ hidden, source }: Bone, { parent, departs }: LiveNode): boolean {
  const said = 'visible' in source ? source.visible : undefined;
  return (parent?.bone.visible ?? true) && !hidden && said !== false && !departs;
}

export function isMeter({ kind }: Widget): boolean {
  return kind === 'meter' || kind === 'slider';
}

/** A widget with the text of another where the two are the same: what is set once need not be set again. */
export function keptText(made: Widget, before: Widget): Widget {
  const { text } = made;
  const known = before.text;
  if (!text || !known || text.text !== known.text || text.runs.length > 0 || known.runs.length > 0)
    return made;
  for (const key of Object.keys(text.setting) as (keyof TextBlock['setting'])[])
    if (text.setting[key] !== known.setting[key]) return made;
  return { ...made, text: known, measure: made.measure === text ? known : made.measure };
}

/** Whether widgets are both seen or both not. */
export function isSeenAlike(one: Widget, other: Widget): boolean {
  return one.visible === other.visible && one.look.opacity > 0 === other.look.opacity > 0;
}
