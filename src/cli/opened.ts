import { states, type CheckedDocument, type State } from '../document/index.ts';
import type { Screen } from '../screen/index.ts';
import { openView, type Resources, type View } from '../view/index.ts';
import { UsageError } from './io.ts';
import { screenFrom, type ScreenOptions } from './screen-option.ts';

/** The options that say how one view is shown, and on what. */
export interface ShownCall extends ScreenOptions {
  readonly screen?: string;
  readonly case?: string;
  readonly locale?: string;
  readonly state?: readonly string[];
  readonly hudSize?: number;
  readonly textSize?: number;
}

/** The view a command was asked to show, and the screen: the reference where none was named. */
export function opened(
  { document, resources }: { readonly document: CheckedDocument; readonly resources: Resources },
  name: string,
  call: ShownCall,
): { readonly view: View; readonly screen: Screen } {
  const { case: caseName, locale, state = [], hudSize, textSize } = call;
  const view = openView(document, name, {
    resources,
    case: caseName,
    locale,
    hudSize,
    textSize,
    widgetStates: statesFrom(state),
  });
  const { width, height } = view.reference;
  return { view, screen: screenFrom(call.screen ?? `${width}x${height}`, call) };
}

/** States of widgets, each said as `WIDGET=STATE`. @throws UsageError */
function statesFrom(said: readonly string[]): Record<string, State[]> {
  const found: Record<string, State[]> = {};
  for (const one of said) {
    const at = one.lastIndexOf('=');
    const state = states.find((name) => name === one.slice(at + 1));
    if (at <= 0 || !state)
      throw new UsageError(`"${one}" is no WIDGET=STATE; the states are ${states.join(', ')}`);
    (found[one.slice(0, at)] ??= []).push(state);
  }
  return found;
}
