import type { Tree, Widget } from '../dress/index.ts';
import { refuseCircle } from './refuse-circle.ts';
import { compile, referenceOfPart, type LayoutItem, type Plan, type Reference } from '../layout/index.ts';

/** The indexes of widgets by their ids. */
export interface Indexes {
  get(id: string): number | undefined;
  keys(): Iterable<string>;
}

/** A view dressed and compiled for the screens on which the same conditions hold. */
export interface Form {
  readonly tree: Tree;
  readonly plan: Plan;
  readonly indexes: Indexes;
  /** One that is the same but for colours, made before it; itself where there is none. */
  readonly alike: Form | undefined;
}

/** @param reference The document's, whose size a part has that says none. @throws BuildError for anchors that lead back to themselves. */
export function formOf(tree: Tree, reference: Reference): Form {
  const indexes = new Map(tree.widgets.map(({ id, index }) => [id, index]));
  refuseCircle(tree.widgets, indexes);
  const plan = compile(tree.widgets.map((widget) => itemOf(widget, reference, (id) => indexes.get(id))));
  return { tree, plan, indexes, alike: undefined };
}

/** The widgets that one is anchored to; none where one of them is not there. */
export function targetsOf(
  { target, targetEnd }: Pick<Widget['box'], 'target' | 'targetEnd'>,
  indexOf: (id: string) => number | undefined,
): Pick<LayoutItem, 'target' | 'targetEnd'> {
  const start = target === undefined ? undefined : indexOf(target);
  if (start === undefined || targetEnd === undefined) return { target: start, targetEnd: undefined };
  const end = indexOf(targetEnd);
  return end === undefined ? { target: undefined, targetEnd: undefined } : { target: start, targetEnd: end };
}

/** What the layout needs of a widget. @param indexOf The index of an id. */
export function itemOf(
  { parent, box, measure, kind }: Widget,
  reference: Reference,
  indexOf: (id: string) => number | undefined,
): LayoutItem {
  return {
    parent,
    box,
    measure,
    natural: kind === 'image',
    ...targetsOf(box, indexOf),
    reference: box.reference && referenceOfPart(box.reference, reference),
  };
}
