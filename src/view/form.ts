import type { Tree } from '../dress/index.ts';
import { compile, referenceOfPart, type Plan, type Reference } from '../layout/index.ts';

/** A view dressed and compiled for the screens on which the same conditions hold. */
export interface Form {
  readonly tree: Tree;
  readonly plan: Plan;
  readonly indexes: ReadonlyMap<string, number>;
  /** One that is the same but for colours, made before it; itself where there is none. */
  readonly alike: Form | undefined;
}

/** @param reference The document's, whose size a part has that says none. */
export function formOf(tree: Tree, reference: Reference): Form {
  const indexes = new Map(tree.widgets.map(({ id, index }) => [id, index]));
  const plan = compile(
    tree.widgets.map(({ parent, box, measure, kind }) => ({
      parent,
      box,
      measure,
      natural: kind === 'image',
      target: box.target === undefined ? undefined : indexes.get(box.target),
      reference: box.reference && referenceOfPart(box.reference, reference),
    })),
  );
  return { tree, plan, indexes, alike: undefined };
}
