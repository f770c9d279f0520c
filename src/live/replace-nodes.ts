import { replaceItems, scrollTo, type Plan } from '../layout/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Bone } from '../skeleton/index.ts';
import type { Gaps } from './gaps.ts';
import type { LiveNode, Mutable, Offset } from './node.ts';

/* Widgets that take the place of others in the lists of a tree. */

/** Puts those that come in the place of those that go. Gives who was there, in its order; some may only stand elsewhere. */
export function replaceNodes(nodes: LiveNode[], widgets: Widget[], { all }: Gaps): LiveNode[] {
  const left: LiveNode[] = [];
  for (const { at, removed, nodes: coming } of all) {
    for (let n = at; n < at + removed; n++) left.push(nodes[n]!);
    replaceItems(nodes, at, removed, coming);
    replaceItems(
      widgets,
      at,
      removed,
      coming.map(({ widget }) => widget),
    );
  }
  return left;
}

/** Gives every widget from an index on the one it stands at. */
export function renumber(
  nodes: readonly LiveNode[],
  from: number,
  changeable: (node: LiveNode) => Mutable<Widget>,
): void {
  for (let at = from; at < nodes.length; at++) {
    const node = nodes[at]!;
    const parent = node.parent?.index ?? -1;
    if (node.index === at && node.bone.parent === parent && node.widget.parent === parent) continue;
    node.index = at;
    const bone = node.bone as Mutable<Bone>;
    bone.index = at;
    bone.parent = parent;
    const widget = changeable(node);
    widget.index = at;
    widget.parent = parent;
    node.item.parent = parent;
  }
}

/** How far a widget is scrolled, in u. */
interface Scrolled {
  readonly at: Offset;
  readonly past: Offset;
}

/** How far those are scrolled that are scrolled elsewhere than the document says, by id. */
export function scrolledAmong({ x, y }: Plan, nodes: readonly LiveNode[]): ReadonlyMap<string, Scrolled> {
  const found = new Map<string, Scrolled>();
  for (const { index, bone } of nodes) {
    const at = { x: x.scrolled[index]!, y: y.scrolled[index]! };
    const past = { x: x.past[index]!, y: y.past[index]! };
    const isElsewhere = at.x !== bone.box.x.scrolled || at.y !== bone.box.y.scrolled;
    if (isElsewhere || past.x !== 0 || past.y !== 0) found.set(bone.id, { at, past });
  }
  return found;
}

/** Has them scrolled so again, wherever they stand, or made anew under the same ids. */
export function scrollAgain(
  plan: Plan,
  scrolled: ReadonlyMap<string, Scrolled>,
  byId: ReadonlyMap<string, LiveNode>,
): void {
  for (const [id, { at, past }] of scrolled) {
    const node = byId.get(id);
    if (node) scrollTo(plan, node.index, at.x, at.y, past);
  }
}
