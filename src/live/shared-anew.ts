import { dividedBoxes, isDivider, type Bone } from '../skeleton/index.ts';
import { isSimilarBox } from './box-change.ts';
import type { LiveNode } from './node.ts';

/** The children of a row or column whose shares follow from a divider among them, as far as they are others now. */
export function sharedAnew(
  { bone: { box } }: LiveNode,
  childrenOf: () => readonly LiveNode[],
): readonly { readonly child: LiveNode; readonly bone: Bone }[] {
  const { arrange } = box;
  if (arrange !== 'row' && arrange !== 'column') return [];
  const children = childrenOf();
  const bones = children.map(({ bone }) => bone);
  if (!bones.some(isDivider)) return [];
  const boxes = dividedBoxes(bones, arrange);
  return children.flatMap((child, at) =>
    isSimilarBox(boxes[at]!, child.bone.box) ? [] : [{ child, bone: { ...child.bone, box: boxes[at]! } }],
  );
}
