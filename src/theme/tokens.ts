import {
  entryOf,
  pointerTo,
  type CheckedTheme,
  type Origin,
  type TokenAnswer,
  type TokenSource,
  type TokenValues,
} from '../document/index.ts';
import { aliasOf, readTokenValue, tokenTypes, type TokenType } from './token-value.ts';

interface Held {
  readonly value: TokenSource;
  /** Its own, or that of the nearest group around it that says one (Design Tokens format, §6.2). */
  readonly type: string | undefined;
}

/** The named values of several themes; an earlier theme wins over a later one, and a theme over its token files. */
export class Tokens implements TokenValues {
  readonly #held = new Map<string, Held>();
  /** What has been worked out, by the type asked for and the name. */
  readonly #values = new Map<string, TokenAnswer>();

  constructor(themes: readonly CheckedTheme[]) {
    for (const theme of themes)
      for (const { name, value, type } of tokensOf(theme))
        if (!this.#held.has(name)) this.#held.set(name, { value, type });
  }

  names(): Iterable<string> {
    return this.#held.keys();
  }

  /** The type a token is said to be of; undefined where nothing says it. */
  typeOf(name: string): string | undefined {
    return this.#held.get(name)?.type;
  }

  /** The value of `color.hull`; `{other.token}` in a value is followed. */
  resolve(name: string): TokenAnswer {
    return this.#resolve(name, undefined, new Set());
  }

  /** @param chain Whose values are being worked out, from the outside in: the same again once this one is. */
  #resolve(name: string, type: string | undefined, chain: Set<string>): TokenAnswer {
    const asked: string[] = [];
    const added: string[] = [];
    const answer = this.#follow(name, type, chain, asked, added);
    if ('value' in answer) for (const key of asked) this.#values.set(key, answer);
    for (const one of added) chain.delete(one);
    return answer;
  }

  /** @param asked Gets what has been asked for on the way. @param added Gets what has come to the chain. */
  #follow(
    name: string,
    type: string | undefined,
    chain: Set<string>,
    asked: string[],
    added: string[],
  ): TokenAnswer {
    let at = name;
    for (;;) {
      const key = `${type ?? ''} ${at}`;
      const known = this.#values.get(key);
      if (known) return known;
      asked.push(key);
      if (chain.has(at)) {
        const all = [...chain];
        return { problem: 'circle', chain: [...all.slice(all.indexOf(at)), at] };
      }
      chain.add(at);
      added.push(at);
      const held = this.#held.get(at);
      if (held === undefined) return { problem: 'unknown', name: at };
      const alias = aliasOf(held.value);
      if (alias === undefined) return this.#read(name, held.value, type ?? held.type, chain);
      type ??= held.type;
      at = alias;
    }
  }

  #read(name: string, value: TokenSource, type: string | undefined, chain: Set<string>): TokenAnswer {
    let inside: TokenAnswer | undefined;
    const part = (inner: TokenSource | undefined, wanted: TokenType): string | number | undefined => {
      const alias = aliasOf(inner);
      if (alias === undefined) return inner === undefined ? undefined : readTokenValue(inner, wanted, part);
      // Lists in lists in lists: each is read within the one before.
      if (chain.size > mostWithin) return undefined;
      const answer = this.#resolve(alias, wanted, chain);
      if ('value' in answer) return answer.value;
      inside ??= answer;
      return undefined;
    };
    const read = readTokenValue(value, type, part);
    if (read !== undefined) return { value: read };
    if (inside) return inside;
    const known = type !== undefined && Object.hasOwn(tokenTypes, type);
    const expected = known ? tokenTypes[type as TokenType] : 'a text or a number';
    return { problem: 'value', name, expected };
  }
}

/** Tokens that stand in each other, at the most. */
const mostWithin = 50;

/** A token and where it stands. */
export interface PlacedToken extends Held {
  readonly name: string;
  readonly pointer: string;
  readonly origin: Origin;
}

/** Every token of a theme, those of its files after its own. */
export function* tokensOf({ theme, origin, tokenFiles }: CheckedTheme): Generator<PlacedToken> {
  if (theme.tokens) yield* tokensIn(theme.tokens, '/tokens', origin);
  for (const file of tokenFiles) yield* tokensIn(file.tokens, '', file.origin);
}

function* tokensIn(
  tokens: { readonly [name: string]: TokenSource },
  top: string,
  origin: Origin,
): Generator<PlacedToken> {
  interface Entry {
    readonly name: string;
    readonly pointer: string;
    readonly token: TokenSource;
    readonly type: string | undefined;
  }
  const stack: Entry[] = [{ name: '', pointer: top, token: tokens, type: undefined }];
  for (let next = stack.pop(); next; next = stack.pop()) {
    const { name, pointer } = next;
    // In a file of tokens a value may be empty: that is a value of no type.
    const token = (next.token as TokenSource | null) ?? '';
    if (typeof token !== 'object' || Array.isArray(token)) {
      yield { name, pointer, origin, value: token, type: next.type };
      continue;
    }
    const group = token as { readonly [key: string]: TokenSource };
    const said = entryOf(group, '$type');
    const type = typeof said === 'string' ? said : next.type;
    const value = entryOf(group, '$value');
    if (value !== undefined) {
      yield { name, pointer, origin, value, type };
      continue;
    }
    const inside: Entry[] = [];
    for (const [key, child] of Object.entries(group)) {
      // Keys with a $ describe the group itself (Design Tokens format, §6), but for its own value.
      if (key === '$root') inside.push({ name, pointer: pointerTo(pointer, key), token: child, type });
      if (key.startsWith('$')) continue;
      const path = name === '' ? key : `${name}.${key}`;
      inside.push({ name: path, pointer: pointerTo(pointer, key), token: child, type });
    }
    stack.push(...inside.reverse());
  }
}
