import type { Tree, Widget } from '../dress/index.ts';
import type { Layout } from '../layout/index.ts';
import { circumstances, edgeReason, type Edge, type EdgeReason } from './place.ts';
import { keyPointer, shown, type Axis, type Reason, type Solved } from './reason.ts';
import { sizeReason } from './size.ts';

/** Why a widget is as long as it is on one axis: its own reason, then those of what it follows, up to what was written. */
export function whySize(scene: Solved, index: number, axis: Axis): Reason[] {
  const reasons: Reason[] = [];
  const { tree } = scene;
  for (let at = index; at >= 0; at = tree.widgets[at]!.parent) {
    const { text, pointer, follows } = sizeReason(scene, at, axis);
    reasons.push({ text: at === index ? text : `${tree.widgets[at]!.id}: ${text}`, pointer });
    if (follows === 'written') break;
  }
  return reasons;
}

/** Why an edge of a widget is where it is: its place, then the size it follows from. */
export function whyEdge(scene: Solved, index: number, axis: Axis, edge: Edge): Reason[] {
  const place = edgeReason(scene, index, axis, edge);
  const chain = [place];
  if (place.follows.includes('start')) chain.push(edgeReason(scene, index, axis, 'start'));
  const sized = chain.some(({ follows }) => follows.includes('size'));
  return [
    ...chain.map(({ text, pointer }) => ({ text, pointer })),
    ...circumstances(scene, index, axis),
    ...(sized ? whySize(scene, index, axis) : []),
    ...whyAround(scene, index, axis, chain),
  ];
}

/** Where the parents of a child that is put in order start, up to one that is anchored. */
function whyAround(scene: Solved, index: number, axis: Axis, chain: readonly EdgeReason[]): Reason[] {
  const { tree } = scene;
  const reasons: Reason[] = [];
  let follows = chain.some((one) => one.follows.includes('parent'));
  for (let at = tree.widgets[index]!.parent; follows && at > 0; at = tree.widgets[at]!.parent) {
    const { id } = tree.widgets[at]!;
    const one = edgeReason(scene, at, axis, 'start');
    reasons.push({ text: `${id}: ${one.text}`, pointer: one.pointer });
    for (const { text, pointer } of circumstances(scene, at, axis))
      reasons.push({ text: `${id}: ${text}`, pointer });
    follows = one.follows.includes('parent');
  }
  return reasons;
}

/** Everything there is to say of a widget's place on one screen: scale, conditions, then each edge and size. */
export function whyWidget(
  scene: Solved,
  index: number,
): { readonly what: string; readonly reasons: readonly Reason[] }[] {
  const { tree, layout } = scene;
  const edge = (axis: Axis, which: Edge) => {
    const { text, pointer } = edgeReason(scene, index, axis, which);
    return [{ text, pointer }, ...(which === 'start' ? circumstances(scene, index, axis) : [])];
  };
  return [
    { what: 'scale', reasons: [...scales(tree, layout, index), ...conditions(tree, index)] },
    { what: 'left', reasons: edge('x', 'start') },
    { what: 'right', reasons: edge('x', 'end') },
    { what: 'width', reasons: whySize(scene, index, 'x') },
    { what: 'top', reasons: edge('y', 'start') },
    { what: 'bottom', reasons: edge('y', 'end') },
    { what: 'height', reasons: whySize(scene, index, 'y') },
  ];
}

function scales(tree: Tree, layout: Layout, index: number): Reason[] {
  const { frame } = layout;
  const reasons = [
    {
      text: `1 u is ${shown(frame.scale)} px on ${frame.screen.name}, so the surface is ${shown(frame.width)} × ${shown(frame.height)} u`,
      pointer: '/reference',
    },
  ];
  for (let at: Widget | undefined = tree.widgets[index]; at; at = tree.widgets[at.parent]) {
    if (!at.box.reference) continue;
    const own = at.index === index ? 'it keeps' : `${at.id} keeps`;
    reasons.push({
      text: `${own} a scaling of its own: 1 u in it is ${shown(layout.scale(at.index))} px`,
      pointer: keyPointer(at, 'reference'),
    });
    break;
  }
  return reasons;
}

function conditions(tree: Tree, index: number): Reason[] {
  const around = new Set<string>();
  for (let at: Widget | undefined = tree.widgets[index]; at; at = tree.widgets[at.parent])
    around.add(at.pointer);
  return tree.applied
    .filter((pointer) => around.has(pointer.slice(0, pointer.lastIndexOf('/when/'))))
    .map((pointer) => ({ text: 'this condition holds on this screen', pointer }));
}
