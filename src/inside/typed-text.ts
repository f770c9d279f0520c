import type { Widget } from '../dress/index.ts';
import type { TextBlock } from '../text/index.ts';

/*
 * What is typed into a textbox stands on one line, and may be longer than that has room for: then it starts where lines start, is seen
 * in that room alone, and goes along with the caret (as in the text fields of HTML).
 */

/** Sums of rounded lengths may differ by so much, in u. */
const slack = 1e-6;

/** How wide a caret is, as a share of the font size. */
export const caretShare = 0.06;

/** How long a text is up to a place in it, in its own u: spaces at its end count. */
export function lengthTo({ setting, text }: TextBlock, at: number): number {
  const { advance, glyphs } = setting.chain.piece(text.slice(0, at));
  return advance * setting.fontSize + setting.letterSpacing * glyphs;
}

/** How long what is typed into a textbox is, in its own u; undefined of any other text, and of a placeholder. */
export function typedLength({ kind, text, isPlaceholder }: Widget): number | undefined {
  return kind === 'textbox' && text && !isPlaceholder ? lengthTo(text, text.text.length) : undefined;
}

/**
 * How far a text that is too long for its textbox is moved along, so that the caret is seen, in its own u: 0 where its start is shown.
 * Undefined where it is not too long, or in no textbox.
 * @param room How long the line may be, in u of the text.
 */
export function movedAlong(widget: Widget, room: number): number | undefined {
  const { kind, text, states, caret } = widget;
  if (kind !== 'textbox' || !text) return undefined;
  const typed = typedLength(widget);
  if (!((typed ?? text.widest) > room + slack)) return undefined;
  if (typed === undefined || !states.includes('focused')) return 0;
  const at = lengthTo(text, caret?.at ?? text.text.length) + caretShare * text.setting.fontSize;
  return Math.max(0, at - room);
}
