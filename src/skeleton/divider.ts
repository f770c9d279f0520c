import type { Arrangement } from '../document/index.ts';
import { shareOf } from './share.ts';
import type { Bone } from './bone.ts';
import type { Box } from './box.ts';

/** Gives the neighbours of dividers the shares these stand for (docs/layout-model.md 4.8). */
export function withDividers(widgets: Bone[]): Bone[] {
  const parents = new Set(widgets.filter(isDivider).map(({ parent }) => parent));
  for (const parent of parents) {
    const siblings = widgets.filter((one) => one.index > 0 && one.parent === parent);
    dividedBoxes(siblings, widgets[parent]!.box.arrange).forEach((box, at) => {
      const bone = siblings[at]!;
      if (box !== bone.box) widgets[bone.index] = { ...bone, box };
    });
  }
  return widgets;
}

/** Whether a widget divides a row or column it is in. */
export function isDivider({ kind, source }: Pick<Bone, 'kind' | 'source'>): boolean {
  return kind === 'separator' && 'value' in source && source.value !== undefined;
}

/** The boxes of siblings: of the two beside a divider in a row or column, with the shares it stands for. */
export function dividedBoxes(siblings: readonly Bone[], around: Arrangement): Box[] {
  const boxes = siblings.map(({ box }) => box);
  if (around !== 'row' && around !== 'column') return boxes;
  const axis = around === 'row' ? 'x' : 'y';
  siblings.forEach((divider, at) => {
    if (!isDivider(divider) || !('value' in divider.source)) return;
    const share = shareOf(divider.source.value, divider.scope);
    const give = (place: number, weight: number) => {
      const box = boxes[place];
      if (box) boxes[place] = { ...box, [axis]: { ...box[axis], mode: 'fill', weight } };
    };
    give(at - 1, share);
    give(at + 1, 1 - share);
  });
  return boxes;
}
