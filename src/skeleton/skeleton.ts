import { pointerTo, type CheckedDocument, type WidgetSource, choiceKeyOf } from '../document/index.ts';
import type { Bone, Head, Site, Skeleton, Structure } from './bone.ts';
import { boxOf, boxOfView, type Box } from './box.ts';
import type { OnScreen } from './conditions.ts';
import { withDividers } from './divider.ts';
import { orderOf } from './drawing-order.ts';
import {
  childrenOf,
  childrenNamed,
  expand,
  withConditions,
  type Expanded,
  type Refuses,
  type Trace,
  type Unexpanded,
} from './expand.ts';
import { namedBy, withNames, type Naming } from './naming.ts';
import { BuildError, Scope } from './scope.ts';

interface Pending {
  readonly written: Unexpanded;
  readonly parent: Bone;
  /** Which of its parent's children it is. */
  readonly place: number;
  readonly hidden: boolean;
  /** The one of a widget's tabs that is chosen. */
  readonly selected: boolean;
  /** Where it is one of several that a written widget unfolded to. */
  readonly site: GrowingSite | undefined;
}

/** What a widget unfolds to, and where that follows from values. */
interface Unfolded {
  readonly made: readonly Expanded[];
  readonly site: GrowingSite | undefined;
}

interface GrowingSite extends Site {
  readonly heads: Head[];
}

/** What a skeleton is grown with. */
interface Growth {
  readonly document: CheckedDocument;
  readonly on: OnScreen;
  readonly trace: Trace;
  /** The same with the names of one written widget alone. */
  readonly own: Trace;
  readonly bones: Bone[];
  readonly written: (readonly Unexpanded[] | undefined)[];
  readonly sites: GrowingSite[];
}

function growthOf(
  document: CheckedDocument,
  on: OnScreen,
  trace: Trace,
  root: Bone,
  children: readonly Unexpanded[] | undefined,
): Growth {
  const own = { ...trace, structural: new Set<string>() };
  return { document, on, trace, own, bones: [root], written: [children], sites: [] };
}

/** The most widgets a view may unfold to. */
export const mostWidgets = 200_000;

/**
 * Makes the skeleton of a view in document order, for a screen.
 * @throws BuildError when a component is used in a way that only shows now.
 */
export function makeSkeleton(
  document: CheckedDocument,
  view: string,
  { messages, values, rightToLeft, refuses, wrong }: Structure,
  on: OnScreen,
): Skeleton {
  const pointer = pointerTo('/views', view);
  const trace = { applied: [] as string[], structural: new Set<string>(), refuses, wrong };
  const origins = new Map<string, string>();
  const source = withConditions(document.source.views[view]!, pointer, on, trace, origins);
  const scope = new Scope(values, messages);
  const root: Bone = {
    index: 0,
    id: view,
    name: view,
    kind: 'panel',
    parent: -1,
    pointer,
    origins,
    bound: new Map(),
    source,
    scope,
    box: boxOfView(source, source.direction === undefined ? rightToLeft : source.direction === 'rtl'),
    selected: false,
    place: 0,
    hidden: false,
    visible: true,
  };
  const naming: Naming = { prefix: '', isOwn: () => true, outer: undefined };
  const around = { scope, naming, set: undefined, setPointer: '', slotted: [] };
  const children = childrenOf(source.children, pointer, around);
  const growth = growthOf(document, on, trace, root, children);
  grow(growth, pendingOf(growth, children, root));
  const { bones, sites, written } = growth;
  refuseTwins(bones);
  for (const { kind, source: divider, scope: names } of bones) {
    // Where a divider stands decides the sizes of its neighbours.
    if (kind === 'separator' && 'value' in divider && typeof divider.value === 'string')
      names.follow(divider.value, trace.structural);
  }
  return {
    view,
    bones: withDividers(bones),
    scope,
    values,
    order: orderOf(bones),
    applied: trace.applied,
    structural: trace.structural,
    sites,
    written,
  };
}

/**
 * Ids that are made may come out the same: of entries, of names in them, and those that are given to widgets that say none.
 * @param isTaken Whether a widget that stays has one. @throws BuildError
 */
export function refuseTwins(bones: Iterable<Bone>, isTaken: (id: string) => boolean = () => false): void {
  const ids = new Map<string, Bone>();
  for (const bone of bones) {
    const { id } = bone;
    if (ids.has(id) || isTaken(id)) {
      const saying = [bone, ids.get(id)].find((one) => one?.name !== undefined) ?? bone;
      throw new BuildError(`two widgets get the id "${id}"`, `${saying.pointer}/id`);
    }
    ids.set(id, bone);
  }
}

/** A piece of a skeleton: the first bone is the widget it is in, the rest its new children and all in them. */
export type Piece = Pick<Skeleton, 'bones' | 'sites' | 'written'>;

/** Grows what a site has unfolded to, or all children of a widget, anew. @throws BuildError */
export function growPiece(
  document: CheckedDocument,
  on: OnScreen,
  parent: Bone,
  grown:
    | { readonly children: readonly Unexpanded[] }
    | { readonly site: Pick<Site, 'place'>; readonly made: readonly Expanded[] },
  refuses: Refuses,
): Piece {
  const root = { ...parent, index: 0 };
  const trace = { applied: [], structural: new Set<string>(), refuses };
  const growth = growthOf(document, on, trace, root, undefined);
  if ('children' in grown) {
    growth.written[0] = grown.children;
    grow(growth, pendingOf(growth, grown.children, root));
  } else {
    const { place } = grown.site;
    grow(growth, grown.made.map((one) => waitingFor(one, root, place, undefined)).reverse());
  }
  return { bones: withDividers(growth.bones), sites: growth.sites, written: growth.written };
}

/** The children of a widget as they wait on the stack: the first on top. */
function pendingOf(growth: Growth, children: readonly Unexpanded[], parent: Bone): Pending[] {
  const { source, kind } = parent;
  if (!choosesPage(parent))
    return children
      .map((written, place) => ({ written, parent, place, hidden: false, selected: false, site: undefined }))
      .reverse();
  // Which of them is shown is known when all are: one that is written may be several, or none.
  const family = children.flatMap((written, place) => {
    const { made, site } = unfold(growth, written, parent, place);
    return made.map((one) => waitingFor(one, parent, place, site));
  });
  const named = family.findIndex(({ written }) => isChosenBy(source.page, written.finished!));
  const shown = Math.max(0, named);
  return family
    .map((one, nth) => ({
      ...one,
      hidden: source.arrange === 'pages' && nth !== shown,
      selected: kind === 'tabs' && nth === shown,
    }))
    .reverse();
}

/** Whether one of the children of a widget is shown, or its tab chosen, and the others are not. */
export function choosesPage({ kind, source }: Pick<Bone, 'kind' | 'source'>): boolean {
  return kind === 'tabs' || source.arrange === 'pages';
}

/** What chooses a child of tabs, pages, a radio group or list box: what it controls, or its id. */
export function chosenBy({ source, name }: Pick<Bone, 'source' | 'name'>): string | undefined {
  return ('controls' in source ? source.controls : undefined) ?? name;
}

function isChosenBy(chosen: string | undefined, one: Pick<Bone, 'source' | 'name'>): boolean {
  return chosen !== undefined && chosenBy(one) === chosen;
}

function waitingFor(one: Expanded, parent: Bone, place: number, site: GrowingSite | undefined): Pending {
  return { written: finished(one), parent, place, hidden: false, selected: false, site };
}

/** Widgets that few written ones may unfold to: repeats in repeats and components in components make many of little. */
const mostUnfolded = 20_000;

/** @throws BuildError where most of so many widgets are not written but made again and again. */
function refuseBomb(bones: readonly Bone[]): void {
  const written = new Set(bones.map(({ pointer }) => pointer)).size;
  if (written >= bones.length / 2) return;
  throw new BuildError(
    `the view unfolds to more than ${bones.length} widgets, of ${written} that are written`,
    bones.at(-1)!.pointer,
  );
}

/** Works a written widget out: with conditions, components and entries. */
function unfold(
  { document, on, trace, own, sites }: Growth,
  written: Unexpanded,
  parent: Bone,
  place: number,
): Unfolded {
  const made = expand(document, written, on, own);
  if (own.structural.size === 0) return { made, site: undefined };
  const names = new Set(own.structural);
  own.structural.clear();
  for (const name of names) trace.structural.add(name);
  const site = { written, parent: parent.index, place, heads: [], names };
  sites.push(site);
  return { made, site };
}

/** Unfolds what is on the stack, and all in it, into bones. */
function grow(growth: Growth, stack: Pending[]): void {
  const { bones, written } = growth;
  const counts = new Map<string, number>();
  for (let next = stack.pop(); next; next = stack.pop()) {
    const { parent, place } = next;
    const { made, site = next.site } = unfold(growth, next.written, parent, place);
    const [one, ...others] = made;
    if (!one) continue;
    if (others.length > 0) {
      // Several go back on the stack in their order, so that each is followed by its own children.
      for (const later of [...made].reverse()) stack.push(waitingFor(later, parent, place, site));
      continue;
    }
    if (bones.length >= mostWidgets) {
      throw new BuildError(`the view unfolds to more than ${mostWidgets} widgets`, bones[0]!.pointer);
    }
    if (bones.length > 0 && bones.length % mostUnfolded === 0) refuseBomb(bones);
    const bone = makeBone(one, next, bones.length, counts);
    bones.push(bone);
    site?.heads.push({ index: bone.index, made: one });
    if (one.children.length === 0) continue;
    const children = childrenNamed(one, bone.id);
    written[bone.index] = children;
    for (const child of pendingOf(growth, children, bone)) stack.push(child);
  }
}

/** Adds the names of the case that a widget shows, and that what it is called follows from. */
export function followShown({ source, scope }: Pick<Bone, 'source' | 'scope'>, into: Set<string>): void {
  for (const key of shownKeys) {
    const said = key in source ? (source as WidgetSource)[key] : undefined;
    if (typeof said === 'string') scope.follow(said, into);
  }
}

const shownKeys = ['text', 'value', 'trail', 'placeholder', 'label'] as const;

/** An expanded widget as one that has nothing left to expand. */
function finished(one: Expanded): Unexpanded {
  const { use: _use, repeat: _repeat, when: _when, set: _set, slot: _slot, ...source } = one.source;
  return { ...one, source, set: undefined, setPointer: '', slotted: [], finished: one };
}

function makeBone(made: Expanded, next: Pending, index: number, counts: Map<string, number>): Bone {
  const { parent } = next;
  let { id } = made;
  if (id === undefined) {
    const start = `${parent.id}.${made.source.kind ?? 'panel'}`;
    const count = (counts.get(start) ?? 0) + 1;
    counts.set(start, count);
    id = `${start}-${count}`;
  }
  const { place, hidden } = next;
  const selected = next.selected || isChosen(made, parent);
  return remadeBone({ index, id, place, hidden, selected }, made, parent);
}

/** Whether a widget is the one of its siblings that a radio group or list box says is chosen: by its id, or what it controls. */
function isChosen(made: Expanded, { kind, source: outer }: Bone): boolean {
  return choiceKeyOf(kind) === 'selection' && isChosenBy(outer.selection, made);
}

/** A bone of another source in the same place. @param box Its box, where no key has changed that it follows from. @throws BuildError */
export function remadeBone(
  { index, id, place, hidden, selected }: Pick<Bone, 'index' | 'id' | 'place' | 'hidden' | 'selected'>,
  { name, source, pointer, origins, bound, scope, naming, inside }: Expanded,
  parent: Bone,
  box?: Box,
): Bone {
  const rightToLeft = source.direction === undefined ? parent.box.rightToLeft : source.direction === 'rtl';
  const around = namedBy(naming, id);
  const isInView = around.prefix === '' && !inside;
  const named = isInView ? source : withNames(source, around, inside, id);
  return {
    index,
    id,
    name,
    kind: source.kind ?? 'panel',
    parent: parent.index,
    pointer,
    origins,
    bound,
    source: named,
    scope,
    box: box ?? boxAt(pointer, named, rightToLeft),
    selected,
    place,
    hidden,
    visible: parent.visible && !hidden && source.visible !== false,
  };
}

/** The box of a widget; what cannot be read is told with its place. */
function boxAt(pointer: string, source: WidgetSource, rightToLeft: boolean): Box {
  try {
    return boxOf(source, rightToLeft);
  } catch (error) {
    // What cannot be read knows its key alone.
    if (error instanceof BuildError) throw new BuildError(error.message, `${pointer}${error.pointer}`);
    throw error;
  }
}
