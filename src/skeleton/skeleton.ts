import {
  directions,
  pointerTo,
  type CheckedDocument,
  type Direction,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';
import type { Bone, Skeleton, Structure } from './bone.ts';
import { boxOf, boxOfView, type Box } from './box.ts';
import type { OnScreen } from './conditions.ts';
import { withDividers } from './divider.ts';
import { childrenOf, expand, withConditions, type Expanded, type Unexpanded } from './expand.ts';
import { BuildError, Scope } from './scope.ts';

interface Pending {
  readonly written: Unexpanded;
  readonly parent: Bone;
  readonly hidden: boolean;
  /** The one of a widget's tabs that is chosen. */
  readonly selected: boolean;
}

/** The most widgets a view may unfold to. */
const mostWidgets = 200_000;

/**
 * Makes the skeleton of a view in document order, for a screen.
 * @throws BuildError when a component is used in a way that only shows now.
 */
export function makeSkeleton(
  document: CheckedDocument,
  view: string,
  { messages, values, rightToLeft }: Structure,
  on: OnScreen,
): Skeleton {
  const pointer = pointerTo('/views', view);
  const trace = { applied: [] as string[], structural: new Set<string>() };
  const origins = new Map<string, string>();
  const source = withConditions(document.source.views[view]!, pointer, on, trace, origins);
  const scope = new Scope(values, messages);
  const root: Bone = {
    index: 0,
    id: view,
    kind: 'panel',
    parent: -1,
    pointer,
    origins,
    source,
    scope,
    box: boxOfView(source, source.direction === undefined ? rightToLeft : source.direction === 'rtl'),
    selected: false,
    visible: true,
  };
  const bones: Bone[] = [root];
  const counts = new Map<string, number>();
  const stack: Pending[] = [];
  const push = (children: readonly Unexpanded[], parent: Bone, parentSource: WidgetSource | ViewSource) => {
    for (let index = children.length - 1; index >= 0; index--) {
      const written = children[index]!;
      const isShown = !isOtherPage(children, index, parentSource.page);
      const hidden = parentSource.arrange === 'pages' && !isShown;
      stack.push({ written, parent, hidden, selected: parent.kind === 'tabs' && isShown });
    }
  };
  push(
    childrenOf(source.children, pointer, {
      scope,
      prefix: '',
      set: undefined,
      setPointer: '',
      slotted: [],
    }),
    root,
    source,
  );
  for (let next = stack.pop(); next; next = stack.pop()) {
    const [one, ...others] = expand(document, next.written, on, trace);
    if (!one) continue;
    if (others.length > 0) {
      // Several go back on the stack in their order, so that each is followed by its own children.
      const { parent, hidden, selected } = next;
      for (const later of [one, ...others].reverse())
        stack.push({ written: finished(later), parent, hidden, selected });
      continue;
    }
    if (bones.length >= mostWidgets) {
      throw new BuildError(`the view unfolds to more than ${mostWidgets} widgets`, pointer);
    }
    const bone = makeBone(one, next, bones.length, counts);
    bones.push(bone);
    push(one.children, bone, one.source);
  }
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
    order: drawingOrder(bones),
    applied: trace.applied,
    structural: trace.structural,
    shows: shownNames(bones),
  };
}

/** Indexes in drawing order. */
function drawingOrder(widgets: readonly Bone[]): number[] {
  const children = widgets.map((): number[] => []);
  for (const { index, parent } of widgets) if (index > 0) children[parent]!.push(index);
  const zOf = (index: number) => ('z' in widgets[index]!.source ? (widgets[index]!.source.z ?? 0) : 0);
  const order: number[] = [];
  const stack = [0];
  for (let index = stack.pop(); index !== undefined; index = stack.pop()) {
    order.push(index);
    const inside = children[index]!;
    if (inside.some((child) => zOf(child) !== 0)) inside.sort((a, b) => zOf(a) - zOf(b) || a - b);
    for (let at = inside.length - 1; at >= 0; at--) stack.push(inside[at]!);
  }
  return order;
}

/** Which widgets show which values. */
function shownNames(widgets: readonly Bone[]): Map<string, number[]> {
  const shows = new Map<string, number[]>();
  for (const { index, source, scope } of widgets) {
    const names = new Set<string>();
    if ('text' in source && typeof source.text === 'string') scope.follow(source.text, names);
    for (const key of ['value', 'trail'] as const) {
      const said = key in source ? (source as WidgetSource)[key] : undefined;
      if (typeof said === 'string') scope.follow(said, names);
    }
    for (const name of names) {
      const shown = shows.get(name);
      if (shown) shown.push(index);
      else shows.set(name, [index]);
    }
  }
  return shows;
}

/** All pages but the one that is shown are there, so that turning a page moves nothing, and are not seen. */
function isOtherPage(children: readonly Unexpanded[], index: number, page: string | undefined): boolean {
  const shown =
    page === undefined ? 0 : children.findIndex(({ source }) => (source.controls ?? source.id) === page);
  return index !== Math.max(0, shown);
}

/** An expanded widget as one that has nothing left to expand. */
function finished(one: Expanded): Unexpanded {
  const { use: _use, repeat: _repeat, when: _when, set: _set, slot: _slot, ...source } = one.source;
  return { ...one, source, set: undefined, setPointer: '', slotted: [], finished: one };
}

function makeBone(
  { source, pointer, origins, scope, prefix, id: given }: Expanded,
  { parent, hidden, selected }: Pending,
  index: number,
  counts: Map<string, number>,
): Bone {
  const kind = source.kind ?? 'panel';
  const start = `${parent.id}.${kind}`;
  let id = given;
  if (id === undefined) {
    const count = (counts.get(start) ?? 0) + 1;
    counts.set(start, count);
    id = `${start}-${count}`;
  }
  const rightToLeft = source.direction === undefined ? parent.box.rightToLeft : source.direction === 'rtl';
  const named = prefix === '' ? source : withPrefix(source, prefix);
  return {
    index,
    id,
    kind,
    parent: parent.index,
    pointer,
    origins,
    source: named,
    scope,
    box: boxAt(pointer, named, rightToLeft),
    selected,
    visible: parent.visible && !hidden && source.visible !== false,
  };
}

/** The box of a widget; what cannot be read is told with its place. */
function boxAt(pointer: string, source: WidgetSource, rightToLeft: boolean): Box {
  try {
    return boxOf(source, rightToLeft);
  } catch (error) {
    if (error instanceof BuildError && error.pointer === '') throw new BuildError(error.message, pointer);
    throw error;
  }
}

/** Names inside an instance are those of its own widgets. */
function withPrefix(source: WidgetSource, prefix: string): WidgetSource {
  const target = source['anchor-to'];
  const may = source['may-overlap'];
  const order = source['focus-order'];
  const neighbours: Partial<Record<Direction, string>> = {};
  for (const key of directions) if (source[key] !== undefined) neighbours[key] = prefix + source[key];
  return {
    ...source,
    ...(target !== undefined && { 'anchor-to': prefix + target }),
    ...(Array.isArray(may) && { 'may-overlap': (may as readonly string[]).map((name) => prefix + name) }),
    ...(order && { 'focus-order': order.map((name) => prefix + name) }),
    ...neighbours,
  };
}
