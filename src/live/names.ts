import type { WidgetSource } from '../document/index.ts';
import { labelOf } from '../dress/index.ts';
import { followShown, plainlyBound, slideOf, type Piece } from '../skeleton/index.ts';
import type { LiveNode, LiveSite } from './node.ts';

/** Who follows from which value of the case. */
export class LiveNames {
  readonly #shows = new Map<string, Set<LiveNode>>();
  readonly #sites = new Map<string, Set<LiveSite>>();

  /** The first widget that follows from a value; undefined where none does. */
  firstOf(name: string): LiveNode | undefined {
    for (const node of this.showing([name])) return node;
    for (const { parent } of this.#sites.get(name) ?? []) return parent;
    return undefined;
  }

  isAsked(name: string): boolean {
    return this.#shows.has(name) || this.#sites.has(name);
  }

  /** The widgets that show any of these values. */
  showing(names: readonly string[]): ReadonlySet<LiveNode> {
    const [only] = names;
    if (names.length === 1) return this.#shows.get(only!) ?? nobody;
    const found = new Set<LiveNode>();
    for (const name of names) for (const node of this.#shows.get(name) ?? nobody) found.add(node);
    return found;
  }

  /** The sites that follow from any of these values. */
  sitesOf(names: readonly string[]): ReadonlySet<LiveSite> {
    const found = new Set<LiveSite>();
    for (const name of names) for (const site of this.#sites.get(name) ?? []) found.add(site);
    return found;
  }

  /** Notes what a widget shows. */
  know(node: LiveNode): void {
    this.#forgetShown(node);
    const names = new Set<string>();
    followShown(node.bone, names);
    // Most show nothing, and keep nothing of it.
    node.names = names.size > 0 ? names : undefined;
    const { label } = node.bone.source as WidgetSource;
    node.label = label?.includes('{') ? labelOf(node.bone) : undefined;
    for (const name of names) add(this.#shows, name, node);
  }

  forget(node: LiveNode): void {
    this.#forgetShown(node);
    this.forgetSites(node);
  }

  #forgetShown(node: LiveNode): void {
    if (node.names) for (const name of node.names) this.#shows.get(name)?.delete(node);
  }

  forgetSites(parent: LiveNode): void {
    if (!parent.sites) return;
    for (const site of parent.sites) for (const name of site.names) this.#sites.get(name)?.delete(site);
    parent.sites = undefined;
  }

  /** Notes the sites of what was grown; `made` holds its nodes by the indexes of its bones. */
  settle({ sites }: Pick<Piece, 'sites'>, made: readonly LiveNode[]): void {
    for (const { written, place, names, parent: above, heads: all } of sites) {
      const heads = all.map(({ index }) => made[index]!);
      const parent = made[above]!;
      const bound = plainlyBound(written);
      const slide = heads[0] && slideOf(bound, heads[0].bone);
      const saysPlaces = undefined;
      const site = { written, place, names, bound, slide, saysPlaces, parent, heads };
      for (const name of names) add(this.#sites, name, site);
      (parent.sites ??= new Set()).add(site);
      for (const head of all) made[head.index]!.made = head.made;
    }
  }

  /** A site that follows from more values than before. */
  extend(site: LiveSite, names: ReadonlySet<string>): void {
    site.names = names;
    for (const name of names) add(this.#sites, name, site);
  }
}

/** Has a widget be called what it is to be called now. Gives whether that is something else. */
export function rename(node: LiveNode): boolean {
  const before = node.label;
  if (before === undefined) return false;
  node.label = labelOf(node.bone);
  return node.label !== before;
}

const nobody: ReadonlySet<LiveNode> = new Set();

function add<Value>(map: Map<string, Set<Value>>, name: string, value: Value): void {
  const known = map.get(name);
  if (known) known.add(value);
  else map.set(name, new Set([value]));
}
