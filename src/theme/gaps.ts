import {
  pointerTo,
  states,
  type CheckedDocument,
  type CheckedTheme,
  type Origin,
} from '../document/index.ts';
import { tokensOf } from './tokens.ts';

/** Something one theme of a document has and another lacks. */
export interface ThemeGap {
  /** The theme that lacks it. */
  readonly theme: string;
  readonly what: 'token' | 'style' | 'kind' | 'state';
  /** A state is called after what it is of: `button, focused`. */
  readonly name: string;
  /** The first theme that has it. */
  readonly has: string;
  /** Where it stands in that theme. */
  readonly origin: Origin;
  readonly pointer: string;
}

interface Part {
  readonly what: ThemeGap['what'];
  readonly name: string;
  readonly origin: Origin;
  readonly pointer: string;
}

/** What themes of a document lack that others have: a view seen in such a one falls back or breaks. */
export function themeGaps({ named, themes }: CheckedDocument): ThemeGap[] {
  // What the document says itself is there in every theme.
  const shared = new Set(partsOf(themes[0]!).map(keyOf));
  const all = [...named].map(([theme, checked]) => {
    const parts = partsOf(checked);
    return { theme, parts, keys: new Set(parts.map(keyOf)) };
  });
  const found = new Map<string, ThemeGap>();
  for (const { theme: has, parts } of all) {
    for (const part of parts) {
      const key = keyOf(part);
      if (shared.has(key)) continue;
      for (const { theme, keys } of all) {
        const told = `${theme}\n${key}`;
        // Of a style that is not there, its states are not told too.
        const whole = part.what === 'state' && !keys.has(keyOf({ ...part, ...ownerOf(part) }));
        if (!keys.has(key) && !whole && !found.has(told)) found.set(told, { theme, has, ...part });
      }
    }
  }
  return [...found.values()];
}

function keyOf({ what, name }: Pick<Part, 'what' | 'name'>): string {
  return `${what} ${name}`;
}

/** The style or kind a state is of. */
function ownerOf({ name, pointer }: Part): Pick<Part, 'what' | 'name'> {
  return {
    what: pointer.startsWith('/kinds') ? 'kind' : 'style',
    name: name.slice(0, name.lastIndexOf(', ')),
  };
}

function partsOf(checked: CheckedTheme): Part[] {
  const { theme, origin } = checked;
  const parts: Part[] = [...tokensOf(checked)].map((token) => ({
    what: 'token',
    name: token.name,
    origin: token.origin,
    pointer: token.pointer,
  }));
  for (const [what, group, held] of [
    ['style', 'styles', theme.styles ?? {}],
    ['kind', 'kinds', theme.kinds ?? {}],
  ] as const) {
    for (const [name, style] of Object.entries(held)) {
      const pointer = pointerTo(`/${group}`, name);
      parts.push({ what, name, origin, pointer });
      for (const state of states)
        if (style.states?.[state])
          parts.push({
            what: 'state',
            name: `${name}, ${state}`,
            origin,
            pointer: `${pointer}/states/${state}`,
          });
    }
  }
  return parts;
}
