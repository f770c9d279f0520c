import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Layout } from '../layout/index.ts';

/** So near an end, in u, nothing more is to be seen there. */
const leastMore = 0.5;

/** Whether a widget is a sign of more (`shows-more`), and there is no more. */
export function isIdleSign(
  { source }: Widget,
  layout: Layout,
  find: (id: string) => number | undefined,
): boolean {
  const { 'shows-more': side, controls } = source as WidgetSource;
  if (side === undefined) return false;
  const target = controls === undefined ? undefined : find(controls);
  const scroll = target === undefined ? undefined : layout.scroll(target);
  if (!scroll) return true;
  const { at, range } = side === 'left' || side === 'right' ? scroll.x : scroll.y;
  return (side === 'left' || side === 'top' ? at : range - at) <= leastMore;
}
