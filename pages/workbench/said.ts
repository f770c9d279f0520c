import type { Turned } from 'pimbot/tools';
import type { Acted } from './messages.ts';

/** What was done, and what else it has moved, in a sentence or two. */
export function saidOf({ said, alsoMoved }: Acted): string {
  const also = alsoMoved.slice(0, 3).map(({ widget, by }) => `${widget} by ${Math.round(by)} px`);
  const more = alsoMoved.length > 3 ? ` and ${alsoMoved.length - 3} more` : '';
  const moved = also.length === 0 ? '' : ` Also moved: ${also.join(', ')}${more}.`;
  return `Done: ${said}.${moved}`;
}

/** Why something is not undone or done again. */
export function whyNot(
  way: 'undo' | 'redo',
  { refused, said }: Extract<Turned, { readonly refused: string }>,
): string {
  if (refused === 'nothing') return `Nothing to ${way}.`;
  const turned = way === 'undo' ? 'undone' : 'redone';
  return `“${said}” cannot be ${turned}: the same lines were changed in the file since.`;
}
