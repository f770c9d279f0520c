import {
  anchorTargets,
  directions,
  leadsToWidget,
  mayName,
  type Direction,
  type Names,
  type WidgetSource,
} from '../document/index.ts';

/**
 * What ids start with, and the names of other widgets: with the id of the instance or entry they are in, and a dot. A name in an
 * instance or an entry of a repeat is that of a widget in there, else that of one around it.
 */
export interface Naming {
  readonly prefix: string;
  /** Whether a name is that of a widget in there. */
  readonly isOwn: (name: string) => boolean;
  /** Undefined of a view. */
  readonly outer: Naming | undefined;
}

/** What an instance is made of. */
export interface Inside {
  /** How the widgets of its component are named; where the instance says no id, with nothing before theirs yet. */
  readonly naming: Naming;
  /** The keys of the widget that are said outside of its component: names in them are those around it. */
  readonly outside: object;
}

/** Whether it is of what says no id and is given one when it is made: what is in there waits for that. */
function waits({ prefix, outer }: Naming): boolean {
  return prefix === '' && outer !== undefined;
}

/** The same once the id that it starts with is known. */
export function namedBy(naming: Naming, id: string): Naming {
  return waits(naming) ? { ...naming, prefix: `${id}.` } : naming;
}

/** The same of what is in an instance. */
export function namedInside({ naming }: Inside, around: Naming, id: string): Naming {
  return waits(naming) ? { ...naming, prefix: `${id}.`, outer: around } : naming;
}

/** The id of the widget that a name stands for. */
function namedIn({ prefix, isOwn, outer }: Naming, name: string): string {
  return outer === undefined || isOwn(name) ? prefix + name : namedIn(outer, name);
}

/** How widgets are named that are in an instance or an entry. @param own Asked for when a name is first looked up. */
export function namingIn(prefix: string, own: () => Names | undefined, outer: Naming): Naming {
  let found: { readonly names: Names | undefined } | undefined;
  const isOwn = (name: string) => {
    const { names } = (found ??= { names: own() });
    return names !== undefined && mayName(name, names);
  };
  return { prefix, isOwn, outer };
}

/** A widget with the ids of the widgets that it names. @param id Its own, which those in it start with where it is an instance. */
export function withNames(
  source: WidgetSource,
  naming: Naming,
  inside: Inside | undefined,
  id: string,
): WidgetSource {
  const inner = inside && namedInside(inside, naming, id);
  const idsOf = (key: keyof WidgetSource, names: readonly string[]): string[] => {
    const around = inner && !(key in inside.outside) ? inner : naming;
    return names.map((name) => namedIn(around, name));
  };
  const idOf = (key: keyof WidgetSource, name: string) => idsOf(key, [name])[0]!;
  const { 'anchor-to': target, 'may-overlap': may, 'focus-order': order, controls, tooltip } = source;
  const neighbours: Partial<Record<Direction, string>> = {};
  for (const key of directions) if (source[key] !== undefined) neighbours[key] = idOf(key, source[key]);
  return {
    ...source,
    ...(target !== undefined && { 'anchor-to': idsOf('anchor-to', anchorTargets(target)).join('..') }),
    ...(Array.isArray(may) && { 'may-overlap': idsOf('may-overlap', may as readonly string[]) }),
    ...(controls !== undefined && leadsToWidget(source) && { controls: idOf('controls', controls) }),
    ...(tooltip !== undefined && { tooltip: idOf('tooltip', tooltip) }),
    ...(order && { 'focus-order': idsOf('focus-order', order) }),
    ...neighbours,
  };
}
