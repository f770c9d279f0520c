import { readLimits, type ScreenConditionSource } from '../document/index.ts';
import type { Screen } from '../screen/index.ts';

/** What conditions are asked about: a screen and the surface a view gets on it. */
export interface Situation {
  readonly screen: Screen;
  /** The surface, in u. */
  readonly width: number;
  readonly height: number;
}

/** Whether every key of a condition holds. A range holds from its least to its most, both included. */
export function holds(condition: ScreenConditionSource, { screen, width, height }: Situation): boolean {
  const within = (range: string | undefined, value: number): boolean => {
    if (range === undefined) return true;
    const limits = readLimits(range);
    return limits !== undefined && value >= limits.least && value <= limits.most;
  };
  const portrait = height > width;
  return (
    within(condition.aspect, height > 0 ? width / height : 0) &&
    within(condition.width, width) &&
    within(condition.height, height) &&
    within(condition.distance, screen.distance) &&
    (condition.orientation === undefined || (condition.orientation === 'portrait') === portrait) &&
    (condition.input === undefined || screen.inputs.includes(condition.input))
  );
}
