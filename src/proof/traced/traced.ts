import type { CheckId } from '../../checks/index.ts';
import type { CellScenes } from '../cell-scenes.ts';
import type { Measure } from '../deepest.ts';
import type { Affine } from '../polygon.ts';

/** Sizes of a cell on which a check fails: where every number is above 0, in px. */
export interface Failing {
  readonly widget: number;
  /** The other widget, where two are concerned. */
  readonly other?: number;
  /** JSON Pointer of what it is about, where that is not the widget. */
  readonly at?: string;
  /** What tells it apart from others of the same widgets and pointer, as the check itself does. */
  readonly apart?: string;
  /** The branches of two widgets, where the check tells one pair of them for all. */
  readonly branches?: readonly [number, number];
  /** Undefined where that is nowhere in the cell. */
  readonly where: readonly Affine[] | undefined;
  /** What the check measures, more where it is worse; the least of `where` if left out. */
  readonly by?: Measure;
  /** Whether the check may fail there or not, and nobody can say. */
  readonly isUnsure?: boolean;
}

/** A check whose failing sizes are known as polygons. One file each; {@link traced} lists them. */
export interface Traced {
  readonly check: CheckId;
  /** Calls with the sizes of a cell on which the check fails, as parts that may overlap. */
  trace(cell: CellScenes, fails: (failing: Failing) => void): void;
}
