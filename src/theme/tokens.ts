import { own, pointerTo, type CheckedTheme, type TokenSource } from '../document/index.ts';

/** A token's value with its aliases followed, or why there is none. */
export type TokenAnswer =
  | { readonly value: string | number }
  | { readonly problem: 'unknown'; readonly name: string }
  | { readonly problem: 'circle'; readonly chain: readonly string[] };

/** The named values of several themes; an earlier theme wins over a later one. */
export class Tokens {
  readonly #values = new Map<string, string | number>();

  constructor(themes: readonly CheckedTheme[]) {
    for (const { theme } of themes) {
      if (theme.tokens) this.#collect('', theme.tokens);
    }
  }

  #collect(start: string, group: { readonly [name: string]: TokenSource }): void {
    const stack: { path: string; token: TokenSource }[] = [{ path: start, token: group }];
    for (let next = stack.pop(); next; next = stack.pop()) {
      const { path, token } = next;
      if (typeof token !== 'object') {
        if (!this.#values.has(path)) this.#values.set(path, token);
        continue;
      }
      const value = own(token, '$value');
      if (value !== undefined && typeof value !== 'object') {
        if (!this.#values.has(path)) this.#values.set(path, value);
        continue;
      }
      for (const [name, child] of Object.entries(token)) {
        // Keys with a $ describe the group itself (Design Tokens format, §6).
        if (!name.startsWith('$')) stack.push({ path: path === '' ? name : `${path}.${name}`, token: child });
      }
    }
  }

  names(): Iterable<string> {
    return this.#values.keys();
  }

  /** The value of `color.hull`; `{other.token}` in a value is followed. */
  resolve(name: string): TokenAnswer {
    const chain: string[] = [];
    let at = name;
    for (;;) {
      if (chain.includes(at)) return { problem: 'circle', chain: [...chain, at] };
      chain.push(at);
      const value = this.#values.get(at);
      if (value === undefined) return { problem: 'unknown', name: at };
      const alias = typeof value === 'string' ? /^\{([^{}]+)\}$/.exec(value.trim()) : null;
      if (!alias) return { value };
      at = alias[1]!;
    }
  }
}

/** Every token of a theme that is an alias, with its pointer, for checking. */
export function* tokensOf(theme: CheckedTheme): Generator<{ name: string; pointer: string }> {
  const stack = [{ name: '', pointer: '/tokens', token: theme.theme.tokens as TokenSource | undefined }];
  for (let next = stack.pop(); next; next = stack.pop()) {
    const { token } = next;
    if (token === undefined) continue;
    if (typeof token !== 'object' || own(token, '$value') !== undefined) {
      yield { name: next.name, pointer: next.pointer };
      continue;
    }
    for (const [name, child] of Object.entries(token)) {
      if (name.startsWith('$')) continue;
      stack.push({
        name: next.name === '' ? name : `${next.name}.${name}`,
        pointer: pointerTo(next.pointer, name),
        token: child,
      });
    }
  }
}
