import { choiceKeyOf, keyRow, type CheckedDocument } from '../document/index.ts';
import {
  BuildError,
  boxKeys,
  choosesPage,
  expand,
  growPiece,
  isDivider,
  mostWidgets,
  rebound,
  refuseTwins,
  remadeBone,
  slidTo,
  type Bone,
  type Expanded,
  type OnScreen,
  type Piece,
  type Refuses,
  type Scope,
} from '../skeleton/index.ts';
import type { LiveNode, LiveSite } from './node.ts';

/** A widget that says something else in its place. */
export interface HeadChange {
  readonly node: LiveNode;
  readonly bone: Bone;
  readonly made: Expanded;
  /** The keys that are others. */
  readonly keys: readonly string[];
}

/** An entry that has another place in its list, and is the same but for that. */
export interface PlacedEntry {
  readonly scope: Scope;
  /** Who says the place. */
  readonly as: Scope;
}

/** What a site has become. */
export type Regrown =
  /** The same widgets in the same order; some have other keys. */
  | {
      readonly type: 'changed';
      readonly site: LiveSite;
      /** The names of the case it follows from now. */
      readonly names: ReadonlySet<string>;
      readonly changes: readonly HeadChange[];
      readonly placed: readonly PlacedEntry[];
    }
  /** The same widget, elsewhere: in u. */
  | {
      readonly type: 'slid';
      readonly site: LiveSite;
      readonly node: LiveNode;
      readonly offset: readonly [number, number];
    }
  /** Other widgets in the place of those that are there. */
  | {
      readonly type: 'other';
      /** Undefined where all children of the parent are grown anew. */
      readonly site: LiveSite | undefined;
      readonly names: ReadonlySet<string>;
      readonly parent: LiveNode;
      readonly changes: readonly HeadChange[];
      readonly placed: readonly PlacedEntry[];
      readonly runs: readonly GrownRun[];
      /** Those among them that stay until they are out of sight; and those that did, and are to be seen again. */
      readonly leaving: readonly LiveNode[];
      readonly back: readonly LiveNode[];
    };

/** A widget that stays with all in it, or what is new. */
export type GrownRun =
  | { readonly type: 'kept'; readonly node: LiveNode }
  | { readonly type: 'new'; readonly piece: Piece; readonly made: Expanded | undefined };

/** What is there now. */
export interface Standing {
  readonly nodes: readonly LiveNode[];
  /** By index: the index after the last widget in it. */
  readonly end: ArrayLike<number>;
  readonly document: CheckedDocument;
  readonly on: OnScreen;
  readonly refuses: Refuses;
  readonly find: (id: string) => LiveNode | undefined;
  /** Whether a widget takes time to go out of sight. */
  readonly fades: (node: LiveNode) => boolean;
}

/**
 * Works out what sites become with the values there are now. Changes nothing.
 * @throws BuildError where a key would get what it cannot be.
 */
export function regrow(sites: ReadonlySet<LiveSite>, standing: Standing): Regrown[] {
  // Those around others first: what they grow anew holds the others.
  const ordered = [...sites].sort((a, b) => a.parent.index - b.parent.index || a.place - b.place);
  let found: Regrown[] = [];
  /** Widgets that will be no more, and those all children of which will be others. */
  const replaced = new Set<LiveNode>();
  for (const site of ordered) {
    if (replaced.size > 0 && isIn(site.parent, replaced)) continue;
    const became = become(site, standing, replaced);
    if (became.type === 'other' && became.site === undefined) {
      replaced.add(site.parent);
      found = found.filter((one) => one.site?.parent !== site.parent);
    }
    found.push(became);
  }
  refuseNewTwins(found, standing);
  return found;
}

/** @throws BuildError where a new widget would get the id of one that stays, or of another new one. */
function refuseNewTwins(found: readonly Regrown[], standing: Standing): void {
  const others = found.filter((one) => one.type === 'other');
  const bones: Bone[] = [];
  for (const { runs } of others)
    for (const run of runs)
      if (run.type === 'new') for (const bone of run.piece.bones.slice(1)) bones.push(bone);
  refuseTwins(bones, (id) => {
    const node = standing.find(id);
    return node !== undefined && !departs(node) && !others.some((one) => takesAway(one, node, standing));
  });
}

/** Whether a widget is only there until it is out of sight. */
function departs(node: LiveNode): boolean {
  for (let at: LiveNode | undefined = node; at; at = at.parent) if (at.departs) return true;
  return false;
}

/** Whether a widget is no more then, or only until it is out of sight. */
function takesAway(
  { site, parent, runs, leaving }: Extract<Regrown, { type: 'other' }>,
  { index }: LiveNode,
  standing: Standing,
): boolean {
  const [from, to] = rangeOf(site, parent, standing);
  if (index < from || index >= to) return false;
  const kept = runs.find(
    (run) => run.type === 'kept' && index >= run.node.index && index < standing.end[run.node.index]!,
  );
  return kept?.type !== 'kept' || leaving.includes(kept.node);
}

function isIn(node: LiveNode, replaced: ReadonlySet<LiveNode>): boolean {
  for (let at: LiveNode | undefined = node; at; at = at.parent) if (replaced.has(at)) return true;
  return false;
}

const none: readonly never[] = [];

/** What became of a widget that is nothing but itself and has only changed its place, look or size; undefined for others. */
function rebind(site: LiveSite, refuses: Refuses): Regrown | undefined {
  const [head] = site.heads;
  if (!site.bound || !head?.made) return undefined;
  const offset = site.slide && slidTo(site.slide, site.written);
  if (offset) {
    const known = head.made.source.offset as readonly unknown[];
    const stays = known[0] === offset[0] && known[1] === offset[1];
    return stays
      ? { type: 'changed', site, names: site.names, changes: none, placed: none }
      : { type: 'slid', site, node: head, offset };
  }
  const { made, keys } = rebound(head.made, site.bound, site.written, refuses);
  if (keys.some((key) => isStructural(key, site.parent))) return undefined;
  const changes =
    keys.length === 0
      ? []
      : [
          {
            node: head,
            bone: remadeBone(head.bone, made, site.parent.bone, keptBox(head, keys)),
            made,
            keys,
          },
        ];
  return { type: 'changed', site, names: site.names, changes, placed: none };
}

/** Whether a change of a key may be one of which widgets there are; what one is chosen by, of whether it is chosen. */
function isStructural(key: string, { bone }: LiveNode): boolean {
  if (key === 'controls') return choosesPage(bone) || choiceKeyOf(bone.kind) !== undefined;
  return (keyRow(key)?.touches ?? 'structure') === 'structure';
}

/** The box of a widget some keys of which have changed, where it does not follow from them. */
function keptBox({ bone }: LiveNode, keys: readonly string[]): Bone['box'] | undefined {
  return keys.some((key) => boxKeys.has(key)) ? undefined : bone.box;
}

function become(site: LiveSite, standing: Standing, replaced: Set<LiveNode>): Regrown {
  const { document, on, refuses } = standing;
  const { parent, heads } = site;
  const there = heads.filter(({ departs }) => !departs);
  const same = there.length === heads.length ? rebind(site, refuses) : undefined;
  if (same) return same;
  const names = new Set<string>();
  const made = expand(document, site.written, on, { applied: [], structural: names, refuses });
  const left = new Set(heads);
  const byId = new Map(heads.map((head) => [head.bone.id, head]));
  const changes: HeadChange[] = [];
  const placed: PlacedEntry[] = [];
  const runs: (LiveNode | Expanded)[] = made.map((one, nth) => {
    const head = one.id === undefined ? there[nth] : byId.get(one.id);
    if (!head?.made || !left.has(head)) return one;
    const { scope } = head.made;
    const isThere = one.scope.equals(scope);
    if (!isThere && (saysPlaces(document, site) || !one.scope.equals(scope, true))) return one;
    const keys = differingKeys(head.made.source, one.source);
    if (keys.some((key) => isStructural(key, parent))) return one;
    left.delete(head);
    if (!isThere) placed.push({ scope, as: one.scope });
    if (keys.length > 0) {
      // All in it goes by the names it has; they are equal.
      const said = { ...one, scope };
      const bone = remadeBone(head.bone, said, parent.bone, keptBox(head, keys));
      changes.push({ node: head, bone, made: said, keys });
    }
    return head;
  });
  const stays = runs.length === there.length && runs.every((run, nth) => run === there[nth]);
  if (stays) return { type: 'changed', site, names, changes, placed };
  const added = runs.filter((run) => !('bone' in run));
  const gone = [...left].filter(({ departs }) => !departs);
  const isNumbered =
    heads.some((head) => head.made?.id === undefined) || made.some(({ id }) => id === undefined);
  const divides = gone.some(({ bone }) => isDivider(bone)) || added.some(makesDivider);
  if (isNumbered || divides || choosesPage(parent.bone)) {
    // Ids that are counted, neighbours of dividers and which page is shown follow from all that is there beside them.
    const piece = growPiece(document, on, parent.bone, { children: parent.children ?? [] }, refuses);
    return limited(standing, {
      type: 'other',
      site: undefined,
      parent,
      changes: none,
      placed: none,
      names,
      runs: [{ type: 'new', piece, made: undefined }],
      leaving: none,
      back: none,
    });
  }
  // Another one of the same id takes the place at once.
  const taken = new Set(added.map((one) => (one as Expanded).id));
  const leaving = gone.filter((head) => standing.fades(head) && !taken.has(head.bone.id));
  const back = heads.filter((head) => head.departs && !left.has(head));
  for (const head of left)
    if ((head.departs && !taken.has(head.bone.id)) || leaving.includes(head)) {
      runs.splice(placeAfter(heads, head, runs), 0, head);
      left.delete(head);
    }
  for (const head of left) replaced.add(head);
  return limited(standing, {
    type: 'other',
    site,
    parent,
    changes,
    placed,
    names,
    runs: runs.map((run) =>
      'bone' in run
        ? { type: 'kept', node: run }
        : {
            type: 'new',
            piece: growPiece(document, on, parent.bone, { site, made: [run] }, refuses),
            made: run,
          },
    ),
    leaving,
    back,
  });
}

/** Where one that is still to be seen stands among others: behind the next of those before it that is there as well. */
function placeAfter(
  heads: readonly LiveNode[],
  head: LiveNode,
  runs: readonly (LiveNode | Expanded)[],
): number {
  for (let at = heads.indexOf(head) - 1; at >= 0; at--) {
    const found = runs.indexOf(heads[at]!);
    if (found >= 0) return found + 1;
  }
  return 0;
}

/** Whether anything in a site may say at which place of its list it stands. */
function saysPlaces({ source: { components } }: CheckedDocument, site: LiveSite): boolean {
  site.saysPlaces ??= isPlaceSaid(site.written.source) || isPlaceSaid(components);
  return site.saysPlaces;
}

function isPlaceSaid(written: unknown): boolean {
  return /\bindex\b/.test(JSON.stringify(written) ?? '');
}

function makesDivider(one: LiveNode | Expanded): boolean {
  return 'source' in one && isDivider({ kind: one.source.kind ?? 'panel', source: one.source });
}

/** From which index up to which one a site's widgets stand, or would stand; all children of the parent without a site. */
export function rangeOf(
  site: LiveSite | undefined,
  parent: LiveNode,
  standing: Pick<Standing, 'nodes' | 'end'>,
): [number, number] {
  const { end } = standing;
  if (!site) return [parent.index + 1, end[parent.index]!];
  const last = site.heads.at(-1);
  if (last) return [site.heads[0]!.index, end[last.index]!];
  const at =
    childrenAt(parent, standing).find(({ bone }) => bone.place > site.place)?.index ?? end[parent.index]!;
  return [at, at];
}

/** @throws BuildError where a view would have too many widgets. */
function limited(standing: Standing, one: Extract<Regrown, { type: 'other' }>): Regrown {
  const [from, to] = rangeOf(one.site, one.parent, standing);
  let count = standing.nodes.length - (to - from);
  for (const run of one.runs)
    count += run.type === 'new' ? run.piece.bones.length - 1 : standing.end[run.node.index]! - run.node.index;
  if (count > mostWidgets)
    throw new BuildError(`the view unfolds to more than ${mostWidgets} widgets`, one.parent.bone.pointer);
  return one;
}

export function childrenAt(parent: LiveNode, { nodes, end }: Pick<Standing, 'nodes' | 'end'>): LiveNode[] {
  const found: LiveNode[] = [];
  for (let at = parent.index + 1; at < end[parent.index]!; at = end[at]!) found.push(nodes[at]!);
  return found;
}

/** Keys that two widgets do not say alike. */
function differingKeys(one: Expanded['source'], other: Expanded['source']): string[] {
  const [a, b] = [one as Readonly<Record<string, unknown>>, other as Readonly<Record<string, unknown>>];
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].filter((key) => a[key] !== b[key] && JSON.stringify(a[key]) !== JSON.stringify(b[key]));
}
