import type { Screen } from '../screen/index.ts';
import type { View } from './view.ts';

/**
 * The same for two screens on which a view has the same places in u: their surface, safe insets and inputs, to a hundredth of a u,
 * which nobody sees.
 */
export function placesKey(view: View, screen: Screen): string {
  const { width, height, safe } = view.frameOn(screen);
  const numbers = [width, height, safe.left, safe.top, safe.right, safe.bottom].map((one) => one.toFixed(2));
  return [...screen.inputs, ...numbers].join(' ');
}
