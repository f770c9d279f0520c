import { readLengthPair, readSides } from '../lengths.ts';
import type { Kind } from '../model.ts';
import type { Schema } from '../shape.ts';

/** One key of a widget: all that has to be known of it, once. */
export interface KeyRow {
  /** Type, title, description with unit and default. */
  readonly schema: Schema;
  /** Reads a notation that the schema cannot say all of; undefined for one that cannot be read. */
  readonly read?: (value: unknown) => unknown;
  /** What such a notation is, to follow «"width" is …». */
  readonly expected?: string;
  /** The kinds that have it; all if left out. */
  readonly kinds?: readonly Kind[];
  /**
   * What `"{name}"` in its place is: `put in` (if left out) when the widget is made, `shown` a message that is filled in
   * when it is shown, `fixed` nothing that may stand there.
   */
  readonly binds?: 'put in' | 'shown' | 'fixed';
  /** True where it names widgets: in a name, as in an id, `{name}`s may stand for more of it. */
  readonly refers?: true;
  /** False where a condition may not change it. */
  readonly onScreens?: false;
  /**
   * The most that a change of it can touch: which widgets there are and how they are related, the sizes of it and what
   * is around it, places alone, or nothing but what is painted.
   */
  readonly touches: 'structure' | 'size' | 'place' | 'paint';
}

export const textKinds: readonly Kind[] = ['text', 'button', 'textbox', 'tooltip'];
export const pictureKinds: readonly Kind[] = ['image', 'panel', 'button', 'textbox', 'dialog', 'tooltip'];
export const containerKinds: readonly Kind[] = ['panel', 'button', 'tabs', 'radiogroup', 'listbox', 'dialog'];
export const scrollingKinds: readonly Kind[] = ['panel', 'listbox', 'dialog'];

/** What {@link readPlainSides} reads. */
export const plainSides = 'one to four numbers of u in the order of CSS: top right bottom left';

/** One to four numbers of u: no shares. */
export function readPlainSides(value: unknown): unknown {
  const sides = readSides(value);
  return sides && Object.values(sides).every(({ share }) => share === 0) ? sides : undefined;
}

/** One or two plain numbers. */
export function readPlainPair(value: unknown): unknown {
  const pair = readLengthPair(value);
  return pair && pair.x.share === 0 && pair.y.share === 0 ? pair : undefined;
}
