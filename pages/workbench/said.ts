import type { Acted } from './messages.ts';

/** What was done, and what else it has moved, in a sentence or two. */
export function saidOf({ said, alsoMoved }: Acted): string {
  const also = alsoMoved.slice(0, 3).map(({ widget, by }) => `${widget} by ${Math.round(by)} px`);
  const more = alsoMoved.length > 3 ? ` and ${alsoMoved.length - 3} more` : '';
  const moved = also.length === 0 ? '' : ` Also moved: ${also.join(', ')}${more}.`;
  return `Done: ${said}.${moved}`;
}
