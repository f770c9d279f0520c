import type { Screen } from 'pimbot';
import { besideText, type Beside } from 'pimbot/tools';
import type { Wanted } from './messages.ts';

/** The most px of a drawing on the stage along a side. */
const mostSide = 4096;
/** Sheets beside the one that is worked on, at the most. */
export const mostBeside = 5;

/**
 * What is drawn on the stage: the screen that is worked on, and what is beside it.
 * @param scale Px of a drawing for one of its screen.
 * @param saved The text of the document as it was last saved.
 */
export function wantedSheets(
  screen: Screen,
  beside: readonly Beside[],
  screenOf: (name: string) => Screen,
  scale: number,
  saved: string,
): Wanted[] {
  const sized = (of: Screen) => ({
    screen: of,
    scale: Math.min(1, scale, mostSide / Math.max(of.width, of.height)),
  });
  const others = beside.map((one): Wanted => {
    const { locale, theme, isSaved } = one;
    const varied = locale !== undefined || theme !== undefined;
    return {
      ...sized(screenOf(one.screen)),
      name: besideText(one),
      ...(varied && { occasion: { ...(locale && { locale }), ...(theme && { theme }) } }),
      ...(isSaved && { text: saved }),
    };
  });
  return [sized(screen), ...others];
}

/** The list with one more, or without it where it has it; undefined where that would be too many. */
export function turned(beside: readonly Beside[], one: Beside): readonly Beside[] | undefined {
  const key = besideText(one);
  const left = beside.filter((other) => besideText(other) !== key);
  if (left.length < beside.length) return left;
  return left.length < mostBeside ? [...beside, one] : undefined;
}
