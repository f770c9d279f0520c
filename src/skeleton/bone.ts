import type { CaseValue, Kind, ViewSource, WidgetSource } from '../document/index.ts';
import type { Messages } from '../text/index.ts';
import type { Box } from './box.ts';
import type { Bound, Expanded, Origins, Refuses, Unexpanded } from './expand.ts';
import type { BuildError, Scope } from './scope.ts';

/** One widget of a view as the document, the screen and structural values make it: what it is and how it is placed. */
export interface Bone {
  /** Its place in document order; 0 is the view itself. */
  readonly index: number;
  /** The id it was given, or one made from its parent's id and its kind. */
  readonly id: string;
  /** The same without that of the instance or entry it is in; undefined where it was given none. */
  readonly name: string | undefined;
  readonly kind: Kind;
  /** The index of its parent; -1 for the view itself. */
  readonly parent: number;
  /** JSON Pointer of where it is written. */
  readonly pointer: string;
  /** Where keys stand that are not at the pointer: in a component, a condition, a change of an instance. */
  readonly origins: Origins;
  /** The values of the case that its keys were put in from. */
  readonly bound: Bound;
  readonly source: WidgetSource | ViewSource;
  /** The names it can use. */
  readonly scope: Scope;
  /** But for the padding of its look. */
  readonly box: Box;
  /** The one of a widget's tabs that is chosen. */
  readonly selected: boolean;
  /** Which of the children its parent is written with it was unfolded from. */
  readonly place: number;
  /** True: a page that is not shown. */
  readonly hidden: boolean;
  /** False: it keeps its place and is not drawn. A widget in an invisible one is invisible. */
  readonly visible: boolean;
}

/** A view's widgets without looks and words; parents stand before their children. */
export interface Skeleton {
  readonly view: string;
  readonly bones: readonly Bone[];
  /** The names of the view: values of the case. */
  readonly scope: Scope;
  /** The values it was made with. */
  readonly values: ReadonlyMap<string, CaseValue>;
  /** Indexes in drawing order: among siblings by z, then as they stand; children after their parent. */
  readonly order: readonly number[];
  /** Pointers of the conditions that hold on the screen it was made for. */
  readonly applied: readonly string[];
  /** Names of the case that decide which widgets there are and how they are placed. */
  readonly structural: ReadonlySet<string>;
  /** Written widgets that follow from values. */
  readonly sites: readonly Site[];
  /** By index, of widgets with children: the children as they are written. */
  readonly written: readonly (readonly Unexpanded[] | undefined)[];
}

/** A written widget that follows from values of the case: whether it is there, how often, and its keys. */
export interface Site {
  readonly written: Unexpanded;
  /** Index of the widget it is in. */
  readonly parent: number;
  /** Which of its parent's children it is. */
  readonly place: number;
  /** What it unfolded to: none, one or several widgets. */
  readonly heads: readonly Head[];
  /** The names of the case that it follows from. */
  readonly names: ReadonlySet<string>;
}

/** One widget that a written one unfolded to. */
export interface Head {
  readonly index: number;
  readonly made: Expanded;
}

/** What a skeleton is made of beside the document and the screen. */
export interface Structure {
  readonly messages: Messages;
  readonly values: ReadonlyMap<string, CaseValue>;
  readonly refuses: Refuses;
  /** Who hears of what a key cannot be; it is thrown if left out. */
  readonly wrong?: (error: BuildError) => void;
  /** Whether views that do not say their direction go from right to left. */
  readonly rightToLeft: boolean;
}
