import { readLimits, type ScreenConditionSource } from '../document/index.ts';
import type { Screen } from '../screen/index.ts';

/** What conditions are asked about: a screen and the surface a view gets on it. */
export interface OnScreen {
  readonly screen: Screen;
  /** The surface, in u. */
  readonly width: number;
  readonly height: number;
}

/** A range that holds from its least to its most, both included. */
interface Within {
  readonly least: number;
  readonly most: number;
}

/** A condition with its ranges read. */
export interface ReadCondition {
  readonly aspect: Within | undefined;
  readonly width: Within | undefined;
  readonly height: Within | undefined;
  readonly distance: Within | undefined;
  readonly orientation: ScreenConditionSource['orientation'];
  readonly input: ScreenConditionSource['input'];
}

export function readCondition(condition: ScreenConditionSource): ReadCondition {
  const range = (key: 'aspect' | 'width' | 'height' | 'distance') =>
    condition[key] === undefined ? undefined : readLimits(condition[key])!;
  return {
    aspect: range('aspect'),
    width: range('width'),
    height: range('height'),
    distance: range('distance'),
    orientation: condition.orientation,
    input: condition.input,
  };
}

/** Whether every key of a condition holds. Makes nothing. */
export function holds(condition: ReadCondition, { screen, width, height }: OnScreen): boolean {
  return (
    within(condition.aspect, height > 0 ? width / height : 0) &&
    within(condition.width, width) &&
    within(condition.height, height) &&
    within(condition.distance, screen.distance) &&
    (condition.orientation === undefined || (condition.orientation === 'portrait') === height > width) &&
    (condition.input === undefined || screen.inputs.includes(condition.input))
  );
}

function within(range: Within | undefined, value: number): boolean {
  return range === undefined || (value >= range.least && value <= range.most);
}

/** A border of what a condition holds for: on one side of it the condition may hold, on the other it does not. */
export interface ConditionBound {
  readonly of: 'aspect' | 'width' | 'height';
  /** Width divided by height, or u. */
  readonly at: number;
}

/** Every border, in the plane of surfaces, that a condition may change at. */
export function boundsOf(condition: ReadCondition): readonly ConditionBound[] {
  const bounds = (['aspect', 'width', 'height'] as const).flatMap((of) => {
    const range = condition[of];
    return range ? [range.least, range.most].filter(Number.isFinite).map((at) => ({ of, at })) : [];
  });
  return condition.orientation === undefined ? bounds : [...bounds, { of: 'aspect', at: 1 }];
}
