import type { LiveNode, LiveView } from '../live/index.ts';
import type { InputEffect } from './events.ts';

/** Hears an effect; `'stop'` keeps it from widgets further out. */
export type Listener = (effect: InputEffect) => unknown;

/** Who hears what players do: effects go from the widget they are of to those around it. */
export class Listening {
  readonly #live: LiveView;
  readonly #listeners = new Map<string, Set<Listener>>();

  constructor(live: LiveView) {
    this.#live = live;
  }

  /** @param widget Whose effects, and of what is in it; `''` for all. @returns what ends it. */
  listen(widget: string, call: Listener): () => void {
    const known = this.#listeners.get(widget) ?? new Set();
    known.add(call);
    this.#listeners.set(widget, known);
    return () => known.delete(call);
  }

  tell(effects: readonly InputEffect[]): void {
    if (this.#listeners.size > 0) for (const one of effects) this.#tell(one);
  }

  #tell(effect: InputEffect): void {
    const id = ownerOf(effect);
    const path = id === undefined ? [] : pathOf(this.#live.nodeOf(id), id);
    for (const widget of [...path, ''])
      for (const call of this.#listeners.get(widget) ?? []) if (call(effect) === 'stop') return;
  }
}

/** Whose effect it is. */
function ownerOf(effect: InputEffect): string | undefined {
  if ('control' in effect) return effect.control;
  if ('widget' in effect) return effect.widget;
  return 'scope' in effect ? effect.scope : undefined;
}

/** A widget and all it is in, from the inside out. */
export function pathOf(node: LiveNode | undefined, id: string): string[] {
  if (!node) return [id];
  const path: string[] = [];
  for (let at: LiveNode | undefined = node; at; at = at.parent) path.push(at.bone.id);
  return path;
}
