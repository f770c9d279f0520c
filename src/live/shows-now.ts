import type { WidgetSource } from '../document/index.ts';
import { wordsOf, type Materials } from '../dress/index.ts';
import { cannotBe, isShare, shareOf } from '../skeleton/index.ts';
import { TextBlock } from '../text/index.ts';
import type { LiveNode } from './node.ts';
import { isMeter } from './widget-change.ts';

/** What a widget shows otherwise now that values have changed. */
export type ShowsNow =
  | { readonly type: 'same' }
  /** Its look may be another one as well. */
  | { readonly type: 'redressed' }
  | { readonly type: 'filled'; readonly value: number; readonly trail: number }
  | { readonly type: 'said'; readonly block: TextBlock };

const same: ShowsNow = { type: 'same' };
const redressed: ShowsNow = { type: 'redressed' };

/** @throws BuildError where a widget that shows a number would be given what is none. */
export function holdShown({ widget: { source, scope, origins, pointer } }: LiveNode): void {
  for (const key of ['value', 'trail'] as const) {
    const said = key in source ? (source as WidgetSource)[key] : undefined;
    if (typeof said !== 'string' || isShare(said, scope)) continue;
    const at = origins.get(key) ?? `${pointer}/${key}`;
    throw cannotBe(key, 'a number from 0 to 1', said, scope.evaluate(said), at);
  }
}

/** @param hasMotion Whether changes take the time their transitions say. */
export function showsNow({ widget, motion }: LiveNode, hasMotion: boolean, materials: Materials): ShowsNow {
  const source = widget.source as WidgetSource;
  const isMoved = widget.look.transition.length > 0;
  if (isMeter(widget) && !motion && !isMoved) {
    const value = shareOf(source.value, widget.scope);
    const trail = source.trail === undefined ? value : shareOf(source.trail, widget.scope);
    return value === widget.value && trail === widget.trail ? same : { type: 'filled', value, trail };
  }
  if (motion || (hasMotion && isMoved && isMeter(widget))) return redressed;
  // Whether it is empty decides its colour, and which of two messages it shows.
  if (widget.kind === 'textbox') return redressed;
  const words = wordsOf(source.text, widget.look, widget.scope, widget.theme, materials);
  if (words === undefined) return same;
  const shown = widget.text!;
  if (words.text === shown.text && words.runs.length === 0 && shown.runs.length === 0) return same;
  return { type: 'said', block: new TextBlock(words.text, shown.setting, words.runs) };
}
