import { Subject, capitalsUnder, checkOf, minutesOfArc, readArea, textContrast } from '../checks/index.ts';
import { FormScene } from '../scene/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { referenceScreen } from '../edit/index.ts';

/** What is measured of a text, beside what it is to be at least. */
export interface Reading {
  /** The index of the widget. */
  readonly widget: number;
  readonly value: number;
  readonly least: number;
}

/** How well the texts of a view can be read on a screen, those that fail and those that pass. */
export interface Readings {
  /** The contrast ratio with the worst of what is behind a text. */
  readonly contrast: readonly Reading[];
  /** Minutes of arc under which a capital letter is seen. */
  readonly arc: readonly Reading[];
}

/** Measures what the checks `low-contrast` and `small-text` measure, of every text. */
export function readingsOn(on: ViewLayout): Readings {
  const subject = new Subject(on, new FormScene(on.tree), () => on.view.layoutOn(referenceScreen(on.view)));
  const { limit } = checkOf('low-contrast');
  const contrast = subject.texts.flatMap(({ index }): Reading[] => {
    const area = readArea(subject, index);
    const found = area && textContrast(subject, index, area, limit, () => undefined);
    return found ? [{ widget: index, value: found.ratio, least: found.least }] : [];
  });
  const least = checkOf('small-text').limit;
  const arc = [...capitalsUnder(subject, Infinity)].map(({ index, px }): Reading => {
    return { widget: index, value: minutesOfArc(px, on.screen), least };
  });
  return { contrast, arc };
}
