import { shareOf } from './share.ts';
import type { Bone } from './bone.ts';

/** A divider gives its two neighbours in a row or column the shares it stands for (docs/layout-model.md 4.8). */
export function withDividers(widgets: Bone[]): Bone[] {
  for (const divider of widgets) {
    if (divider.kind !== 'separator' || !('value' in divider.source) || divider.source.value === undefined)
      continue;
    const around = widgets[divider.parent]!.box.arrange;
    if (around !== 'row' && around !== 'column') continue;
    const siblings = widgets.filter(({ parent }) => parent === divider.parent);
    const at = siblings.indexOf(divider);
    const share = shareOf(divider.source.value, divider.scope);
    const give = (widget: Bone | undefined, weight: number) => {
      if (!widget) return;
      const axis = around === 'row' ? 'x' : 'y';
      const box = { ...widget.box, [axis]: { ...widget.box[axis], mode: 'fill', weight } };
      widgets[widget.index] = { ...widget, box };
    };
    give(siblings[at - 1], share);
    give(siblings[at + 1], 1 - share);
  }
  return widgets;
}
