import type { CheckedDocument } from '../document/index.ts';
import {
  bareKeys,
  boxIn,
  dress,
  dressOne,
  type Caret,
  type Materials,
  type Tree,
  type Widget,
} from '../dress/index.ts';
import {
  compile,
  keepScrolled,
  markBox,
  markMeasure,
  refill,
  refillOffset,
  splice,
  type Frame,
  type LayoutItem,
  type Plan,
  type Reference,
} from '../layout/index.ts';
import { scaledBy } from '../inside/index.ts';
import { makeSkeleton, zOf, type Bone, type Box, type Piece } from '../skeleton/index.ts';
import { handsOnTheSame } from '../theme/index.ts';
import { itemOf, targetsOf } from '../view/index.ts';
import { isSimilarBox, needsAnotherPlan } from './box-change.ts';
import { isLeaving, startAppearing } from './motion.ts';
import { Motions } from './motions.ts';
import { LiveNames, rename } from './names.ts';
import { nodeOf, targetOf, type LiveNode, type Mutable } from './node.ts';
import { heldAt, slideOver } from './slid.ts';
import { Touches } from './touches.ts';
import { holdShown, showsNow } from './shows-now.ts';
import { sharedAnew } from './shared-anew.ts';
import { endLeaving, showThese, showWithin, type Sight } from './sight.ts';
import { renumber, replaceNodes, scrollAgain, scrolledAmong } from './replace-nodes.ts';
import { Replaced } from './replaced.ts';
import { isBar } from './scrollbars.ts';
import { Gaps } from './gaps.ts';
import { LiveOrder } from './live-order.ts';
import { isSeenAlike, isVisible, keptText } from './widget-change.ts';
import { childrenAt, rangeOf, regrow, type HeadChange, type Regrown } from './regrow.ts';

/** What a tree is made of, and stays made of. */
export interface TreeSource {
  readonly document: CheckedDocument;
  readonly view: string;
  readonly reference: Reference;
  readonly materials: Materials;
  readonly frame: Frame;
}

/** The widgets of a live view and their plan, changed in place. */
export class LiveTree {
  readonly nodes: LiveNode[] = [];
  plan: Plan;
  readonly byId = new Map<string, LiveNode>();
  /** Counts up whenever there are other widgets, or they are drawn in another order. */
  structure = 0;
  /** What is written into the stamps of what changes. */
  version = 1;
  /** Whose values say that it is scrolled elsewhere; whoever follows takes them out. */
  readonly scrolled: LiveNode[] = [];
  readonly touches = new Touches();
  /** Those whose look scales them. */
  readonly scaled = new Set<LiveNode>();
  /** Whether anything has changed that places may follow from. */
  isPlaced = false;
  /** Whether other widgets may be there, seen, or in another order, wherever they are. */
  isOther = false;
  readonly #source: TreeSource;
  readonly #applied: Tree['applied'];
  readonly names = new LiveNames();
  readonly motions = new Motions((node, shown) => this.#place(node, shown));
  readonly #order: LiveOrder;
  /** Scrollbars and signs of more. */
  readonly bars = new Set<LiveNode>();
  /** Where widgets stood when their places were last looked at. */
  readonly replaced = new Replaced();
  #widgets: Widget[] = [];
  readonly #sight: Sight = {
    within: (node) => this.nodes.slice(node.index + 1, this.plan.end[node.index]),
    changeable: (node) => {
      this.isOther = true;
      return this.#changeable(node);
    },
    touch: (node) => this.touch(node),
    settle: (node) => this.motions.start(node, { ...targetOf(node), leaves: undefined }, []),
  };
  /** How many snapshots there are: a widget that the last one shows is copied before it is changed. */
  #snapshots = 0;

  constructor(source: TreeSource) {
    this.#source = source;
    const { document, view, materials, frame } = source;
    const skeleton = makeSkeleton(document, view, materials, frame);
    const tree = dress(skeleton, materials);
    this.#applied = tree.applied;
    this.#order = new LiveOrder(tree.order);
    this.#widgets = [...tree.widgets];
    for (const bone of skeleton.bones)
      this.nodes.push(this.#node(bone, tree.widgets[bone.index]!, skeleton.written[bone.index], this.nodes));
    this.names.settle(skeleton, this.nodes);
    this.plan = this.#compiled();
  }

  /** Notes that a widget looks, says or stands otherwise. */
  touch(node: LiveNode): void {
    node.stamp = this.version;
    this.touches.add(node, 4 * this.nodes.length);
  }

  /** Indexes in drawing order. */
  get order(): readonly number[] {
    return this.#order.indexes;
  }

  get widgets(): readonly Widget[] {
    return this.#widgets;
  }

  /** The tree as others know one: kept up until there are other widgets. */
  tree(): Tree {
    return { view: this.#source.view, widgets: this.#widgets, order: this.order, applied: this.#applied };
  }

  /** The same of which nothing will change any more. */
  snapshot(): Tree {
    this.#snapshots++;
    return { ...this.tree(), widgets: [...this.#widgets] };
  }

  /**
   * Follows values that have changed. What cannot be made is told before anything has changed.
   * @returns whether anything looks, says or stands otherwise. @throws BuildError
   */
  follow(names: readonly string[]): boolean {
    const { document, frame, materials } = this.#source;
    const sites = this.names.sitesOf(names);
    const { refuses } = materials;
    const standing = {
      nodes: this.nodes,
      end: this.plan.end,
      document,
      on: frame,
      refuses,
      find: (id: string) => this.byId.get(id),
      fades: (node: LiveNode) => this.motions.fades(node),
    };
    const showing = this.names.showing(names);
    for (const node of showing) holdShown(node);
    const regrown = sites.size === 0 ? [] : regrow(sites, standing);
    let changed = false;
    for (const one of regrown) if (this.#apply(one)) changed = true;
    for (const node of this.names.showing(names)) if (this.#show(node)) changed = true;
    this.#removeOut();
    this.#settleOrder();
    return changed;
  }

  /** Gives a widget the look it has to have now, and all in it that follows from its look. */
  redress(node: LiveNode): void {
    const { materials } = this.#source;
    const waiting = [node];
    for (let at = waiting.pop(); at; at = waiting.pop()) {
      const before = at.widget;
      const made = dressOne(at.bone, at.parent?.widget, materials);
      const widget = keptText(made, before);
      this.motions.put(at, widget);
      const isSame =
        widget.theme === before.theme &&
        widget.visible === before.visible &&
        handsOnTheSame(widget.look, before.look);
      if (!isSame) waiting.push(...this.childrenOf(at));
    }
  }

  childrenOf(node: LiveNode): LiveNode[] {
    return childrenAt(node, { nodes: this.nodes, end: this.plan.end });
  }

  /** Takes over what a bone says of places, sizes and whether it is seen; the look stays. */
  #putBare(node: LiveNode): void {
    const { bone } = node;
    const { source, visible } = bone;
    if (!this.motions.isAtOnce(node)) {
      const from = targetOf(node);
      this.motions.put(node, { ...from, source, visible, box: boxIn(bone, from.look) });
      return;
    }
    const own = this.#changeable(node);
    const { box } = own;
    own.source = source;
    own.visible = visible;
    own.box = boxIn(bone, own.look);
    node.item = this.#item(own);
    this.touch(node);
    this.isOther = true;
    this.#boxChanged(node, box);
  }

  /** Moves everything on that is on its way. Gives whether anything is. */
  advance(ms: number): boolean {
    const moves = this.motions.advance(ms, (node, { look }, hasLeft) => {
      if (hasLeft) endLeaving(node, this.#sight);
      if (!handsOnTheSame(node.widget.look, look))
        this.childrenOf(node).forEach((child) => this.redress(child));
    });
    this.#removeOut();
    this.#settleOrder();
    return moves;
  }

  /** Has a scrollbar go out of sight for a while, or come back. */
  rest(node: LiveNode, rests: boolean): void {
    if (node.rests === rests) return;
    node.rests = rests;
    this.motions.put(node, { ...targetOf(node), visible: node.bone.visible });
  }

  /** Shows a caret in a textbox, or none. */
  putCaret(node: LiveNode, caret: Caret | undefined): void {
    node.caret = caret;
    this.#changeable(node).caret = caret;
    this.touch(node);
  }

  /** Another widget in the place of one: what differs in size is marked. */
  #place(node: LiveNode, next: Widget): void {
    const { plan } = this;
    const { index, widget: before } = node;
    const leaves = node.leaves && !next.visible;
    const widget =
      node.caret === undefined && !leaves ? next : { ...next, caret: node.caret, ...(leaves && { leaves }) };
    node.widget = this.#widgets[index] = widget;
    node.own = this.#snapshots;
    node.item = this.#item(widget);
    this.touch(node);
    // It may be seen or not, or turned.
    if (!isSeenAlike(widget, before) || widget.source !== before.source) this.isOther = true;
    if (widget.look.scale !== before.look.scale) this.#noteScale(node);
    if (widget.measure !== before.measure) {
      plan.measures[index] = widget.measure;
      plan.widthMatters[index] = widget.measure !== undefined || widget.box.aspect > 0 ? 1 : 0;
      markMeasure(plan, index);
      this.isPlaced = true;
    }
    this.#boxChanged(node, before.box);
  }

  #noteScale(node: LiveNode): void {
    if (scaledBy(node.widget) === 1) this.scaled.delete(node);
    else this.scaled.add(node);
  }

  /** Puts a widget elsewhere of which nothing but its offset has changed. */
  #slide({ site, node, offset }: Extract<Regrown, { type: 'slid' }>): void {
    const slide = site.slide!;
    if (!this.motions.isAtOnce(node) || !slideOver(node, offset, slide, this.#snapshots)) {
      const held = heldAt(node, offset, slide, this.#snapshots);
      this.#rebone({ node, bone: held.bone, made: held.made, keys: ['offset'] });
      node.held = held;
      return;
    }
    refillOffset(this.plan, node.index, node.item);
    markBox(this.plan, node.index);
    this.touch(node);
    this.isPlaced = true;
  }

  #boxChanged({ index, item, widget: { box } }: LiveNode, before: Box): void {
    const { plan } = this;
    if (box === before || isSimilarBox(box, before)) return;
    this.isPlaced = true;
    if (needsAnotherPlan(box, before)) {
      this.#recompile();
      return;
    }
    refill(plan, index, item);
    markBox(plan, index);
  }

  /** Has a widget show what it is to show now. Gives whether that is something else. */
  #show(node: LiveNode): boolean {
    const isRenamed = rename(node);
    if (isRenamed) this.touch(node);
    if (node.widget.kind === 'separator') return this.#divide(node.parent!) || isRenamed;
    const shown = showsNow(node, this.motions.isOn, this.#source.materials);
    if (shown.type === 'same') return isRenamed;
    if (shown.type === 'redressed') {
      this.redress(node);
      return true;
    }
    const own = this.#changeable(node);
    if (shown.type === 'filled') {
      own.value = shown.value;
      own.trail = shown.trail;
    } else {
      own.text = own.measure = node.item.measure = this.plan.measures[node.index] = shown.block;
      markMeasure(this.plan, node.index);
      this.isPlaced = true;
    }
    this.touch(node);
    return true;
  }

  /** The widget to be changed; a copy where a snapshot has it. */
  #changeable(node: LiveNode): Mutable<Widget> {
    if (node.own < this.#snapshots) {
      node.widget = this.#widgets[node.index] = { ...node.widget };
      node.own = this.#snapshots;
    }
    return node.widget;
  }

  /** What has become of one site. */
  #apply(one: Regrown): boolean {
    if (one.type === 'slid') {
      this.#slide(one);
      return true;
    }
    for (const { scope, as } of one.placed) scope.takePlace(as);
    for (const change of one.changes) this.#rebone(change);
    if (one.site && one.names.size > one.site.names.size) this.names.extend(one.site, one.names);
    if (one.type === 'other') {
      this.#splice(one);
      for (const node of one.leaving) this.#depart(node, true);
      for (const node of one.back) this.#depart(node, false);
    }
    return one.type === 'other' || one.changes.length > 0;
  }

  /** Has a widget go out of sight, after which it is no more; or has it stay after all. */
  #depart(node: LiveNode, departs: boolean): void {
    node.departs = departs;
    const visible = isVisible(node.bone, node);
    if (visible === node.bone.visible) return;
    node.bone = { ...node.bone, visible };
    this.motions.put(node, { ...targetOf(node), visible });
    showWithin(node, this.#sight, isLeaving(node.motion?.moving ?? []));
  }

  /** Takes out those that were to go once they are out of sight. */
  #removeOut(): void {
    for (const node of this.motions.takeOut()) {
      const { parent } = node;
      if (!parent || this.nodes[node.index] !== node) continue;
      const site = [...(parent.sites ?? [])].find(({ heads }) => heads.includes(node));
      const runs = site?.heads.flatMap((head) =>
        head === node ? [] : [{ type: 'kept' as const, node: head }],
      );
      if (runs) this.#splice({ site, parent, runs });
    }
  }

  /** Another bone in the same place: other places, sizes or looks, the same children. */
  #rebone({ node, bone, made, keys }: HeadChange): void {
    const before = node.bone;
    const next = bone as Mutable<Bone>;
    next.index = node.index;
    next.parent = before.parent;
    // It was worked out before anything changed: what it is in may be visible since, or not any more.
    next.visible = isVisible(bone, node);
    node.bone = bone;
    node.made = made;
    if (keys.includes('scroll-offset')) this.scrolled.push(node);
    if (zOf(bone.source) !== zOf(before.source)) this.#order.move(node);
    if (keys.every((key) => bareKeys.has(key))) {
      this.#putBare(node);
    } else {
      this.names.know(node);
      this.redress(node);
    }
    if (bone.visible !== before.visible) showWithin(node, this.#sight, isLeaving(node.motion?.moving ?? []));
    if (node.parent) this.#divide(node.parent);
  }

  /** Works out in which order all are drawn, where that may be another. */
  #settleOrder(): void {
    if (!this.#order.settle(this.nodes, this.plan.end)) return;
    this.structure++;
    this.isOther = true;
  }

  /** Gives the neighbours of dividers in a widget their shares. */
  #divide(parent: LiveNode): boolean {
    const anew = sharedAnew(parent, () => this.childrenOf(parent));
    for (const { child, bone } of anew) {
      child.bone = bone;
      this.redress(child);
    }
    return anew.length > 0;
  }

  /** Puts what a site has unfolded to in the place of what it had. */
  #splice({
    site,
    parent,
    runs,
  }: Pick<Extract<Regrown, { type: 'other' }>, 'site' | 'parent' | 'runs'>): void {
    const { nodes } = this;
    const [from, to] = rangeOf(site, parent, { nodes, end: this.plan.end });
    const heads: LiveNode[] = [];
    const fresh: { readonly piece: Piece; readonly made: LiveNode[] }[] = [];
    const gaps = new Gaps(nodes, this.plan.end, from);
    for (const run of runs) {
      if (run.type === 'kept') {
        heads.push(run.node);
        gaps.keep(run.node);
        continue;
      }
      const made: LiveNode[] = [parent];
      for (const bone of run.piece.bones.slice(1)) {
        const above = made[bone.parent]!;
        const widget = dressOne(bone, above.widget, this.#source.materials);
        const node = this.#node(bone, widget, run.piece.written[bone.index], made);
        made.push(node);
        gaps.add(node);
      }
      if (run.made) {
        made[1]!.made = run.made;
        heads.push(made[1]!);
      }
      fresh.push({ piece: run.piece, made });
    }
    gaps.end(to);
    const known = this.#replace(parent, gaps);
    if (site) site.heads = heads;
    else this.names.forgetSites(parent);
    for (const { piece, made } of fresh) this.names.settle(piece, made);
    this.touch(parent);
    // What they are in may be visible since they were worked out, or not any more.
    for (const { made } of fresh) showThese(made.slice(1), this.#sight);
    this.#order.change();
    this.isPlaced = true;
    if (!this.motions.isOn) return;
    for (const { made } of fresh) {
      const [, head] = made;
      if (head && !known.has(head.bone.id))
        this.motions.start(head, head.widget, startAppearing(head.widget));
    }
  }

  /** Puts widgets in the place of others. Gives the ids of those that were there and are not any more. */
  #replace(parent: LiveNode, gaps: Gaps): ReadonlySet<string> {
    const { nodes } = this;
    const { all, moved } = gaps;
    let count = nodes.length;
    const most = all.reduce((sum, { added }) => sum + added, count);
    if (most > this.plan.room) this.#recompile(most + (most >> 1));
    const left = replaceNodes(nodes, this.#widgets, gaps);
    const scrolled = scrolledAmong(this.plan, left);
    const gone = new Set(left);
    for (const node of moved) gone.delete(node);
    const ids = new Set<string>();
    for (const node of gone) {
      ids.add(node.bone.id);
      this.#forget(node);
    }
    renumber(nodes, all[0]?.at ?? count, (node) => this.#changeable(node));
    splice(this.plan, parent.index, all, (n) => this.#itemAt(n));
    scrollAgain(this.plan, scrolled, this.byId);
    for (const range of all) {
      this.replaced.note(range, count);
      count += range.added - range.removed;
    }
    return ids;
  }

  #node(bone: Bone, widget: Widget, children: LiveNode['children'], all: readonly LiveNode[]): LiveNode {
    const parent = bone.parent < 0 ? undefined : all[bone.parent]!;
    const item = this.#item(widget);
    const node = nodeOf({ parent, bone, widget, item, stamp: this.version, own: this.#snapshots, children });
    this.byId.set(bone.id, node);
    this.names.know(node);
    this.#order.know(node);
    this.#noteScale(node);
    if (isBar(node)) this.bars.add(node);
    return node;
  }

  #forget(node: LiveNode): void {
    this.motions.arrive(node);
    if (this.byId.get(node.bone.id) === node) this.byId.delete(node.bone.id);
    this.names.forget(node);
    this.scaled.delete(node);
    this.#order.forget(node);
    this.bars.delete(node);
  }

  #item(widget: Widget): LayoutItem {
    return itemOf(widget, this.#source.reference, (id) => this.byId.get(id)?.index);
  }

  #itemAt(index: number): LayoutItem {
    const { item, bone } = this.nodes[index]!;
    if (bone.box.target === undefined) return item;
    return Object.assign(
      item,
      targetsOf(bone.box, (id) => this.byId.get(id)?.index),
    );
  }

  #compiled(room = 0): Plan {
    return compile(
      this.nodes.map(({ index }) => this.#itemAt(index)),
      Math.max(room, this.nodes.length),
    );
  }

  /** Another plan for the same widgets; how far they are scrolled stays. */
  #recompile(room = this.plan.room): void {
    const before = this.plan;
    this.plan = this.#compiled(room);
    keepScrolled(this.plan, before);
  }
}
