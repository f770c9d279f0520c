import {
  entryOf,
  pointerTo,
  states,
  type CheckedDocument,
  type CheckedTheme,
  type Kind,
  type LookSource,
  type Notations,
  type Origin,
  type State,
  type StyleSource,
  type TokenValues,
} from '../document/index.ts';
import {
  inherited,
  lookKeys,
  readLookValue,
  type Look,
  type LookChanges,
  type MutableLookChanges,
} from './look.ts';

/** The themes of a document by their names. */
export function namedThemes(document: CheckedDocument): ReadonlyMap<string, Theme> {
  return new Map([...document.named.keys()].map((name) => [name, new Theme(document, name)]));
}

/**
 * Every theme a document may be seen in, the one it has without a name as ''. Themes remember what they have worked out:
 * whoever opens many views hands them the same ones.
 */
export function everyTheme(document: CheckedDocument): ReadonlyMap<string, Theme> {
  const named = namedThemes(document);
  return document.themeName === undefined ? new Map([...named, ['', new Theme(document)]]) : named;
}

/** What kinds start from where no theme says anything of them (docs/document.md, "What kinds start from"). */
const kindDefaults: { readonly [Name in Kind]?: LookSource } = {
  button: { 'text-align': 'center', 'align-content': 'center' },
};

/** The name of the style that every widget of a kind starts from; none that a document can give one. */
export function kindStyle(kind: Kind): string {
  return `kind ${kind}`;
}

function kindOf(name: string): Kind | undefined {
  return name.startsWith('kind ') ? (name.slice(5) as Kind) : undefined;
}

/** A token in a value of a look. */
export const tokenPattern = /\$([\p{L}_][\p{L}\p{N}_.-]*)/gu;

/** The styles and tokens of a document, ready to resolve looks. */
export class Theme {
  /** What the document calls it; undefined where it has no name. */
  readonly name: string | undefined;
  readonly tokens: TokenValues;
  /** Reads a colour of CSS. */
  readonly colorOf: Notations['color'];
  readonly #themes: readonly CheckedTheme[];
  readonly #styles = new Map<string, LookChanges>();
  #styleNames: readonly string[] | undefined;
  readonly #states = new Map<string, LookChanges>();
  readonly #changes = new WeakMap<LookSource, LookChanges>();

  /** @param name One of the document's themes; the one it is seen in if left out. */
  constructor(document: CheckedDocument, name?: string) {
    const named = name === undefined ? undefined : document.named.get(name);
    this.name = named ? name : document.themeName;
    this.#themes = named ? [document.themes[0]!, named] : document.themes;
    const { color, tokens } = document.notations;
    this.tokens = tokens(named ? name! : '', this.#themes);
    this.colorOf = color;
  }

  /** The files its styles and tokens are from, the document's own first. */
  get files(): readonly CheckedTheme[] {
    return this.#themes;
  }

  styleNames(): readonly string[] {
    return (this.#styleNames ??= [
      ...new Set(this.#themes.flatMap(({ theme }) => Object.keys(theme.styles ?? {}))),
    ]);
  }

  /** The style of that name and the file it is in. */
  find(name: string): { style: StyleSource; origin: Origin; pointer: string } | undefined {
    const kind = kindOf(name);
    for (const { theme, origin } of this.#themes) {
      const style = kind === undefined ? entryOf(theme.styles, name) : theme.kinds?.[kind];
      if (style)
        return { style, origin, pointer: kind === undefined ? pointerTo('/styles', name) : `/kinds/${kind}` };
    }
    return undefined;
  }

  /** What a style sets, with all it extends; nothing for a style that does not exist. */
  styleChanges(name: string): LookChanges {
    const known = this.#styles.get(name);
    if (known) return known;
    const kind = kindOf(name);
    const changes: MutableLookChanges = { ...(kind && this.changesOf(kindDefaults[kind] ?? {})) };
    for (const { style } of this.chain(name)) Object.assign(changes, this.changesOf(style));
    this.#styles.set(name, changes);
    return changes;
  }

  /** What a style, or one it extends, changes in a state. */
  stateChanges(name: string, state: State): LookChanges {
    const key = `${state} ${name}`;
    let changes = this.#states.get(key);
    if (!changes) {
      const found: MutableLookChanges = {};
      for (const { style } of this.chain(name))
        if (style.states?.[state]) Object.assign(found, this.changesOf(style.states[state]));
      changes = found;
      this.#states.set(key, changes);
    }
    return changes;
  }

  /** A style and those it extends, the one that all others start from first; nothing for one that does not exist. */
  chain(name: string): {
    readonly name: string;
    readonly style: StyleSource;
    readonly origin: Origin;
    readonly pointer: string;
  }[] {
    const chain = [];
    const seen = new Set<string>();
    for (let at: string | undefined = name; at !== undefined && !seen.has(at);) {
      seen.add(at);
      const found = this.find(at);
      if (!found) break;
      chain.push({ name: at, ...found });
      at = found.style.extends;
    }
    return chain.reverse();
  }

  /** What the keys of a look set; values that cannot be read are left out (checkLooks reports them). */
  changesOf(look: LookSource): LookChanges {
    const known = this.#changes.get(look);
    if (known) return known;
    const changes: MutableLookChanges = {};
    this.#changes.set(look, changes);
    for (const key of lookKeys) {
      const value = entryOf(look as Record<string, unknown>, key);
      if (value === undefined) continue;
      if (typeof value === 'object') {
        readLookValue(key, value as never, changes, this.colorOf);
        continue;
      }
      const filled = this.fillIn(value as string | number);
      if (filled !== undefined) readLookValue(key, filled, changes, this.colorOf);
    }
    return changes;
  }

  /** The value with its `$tokens` put in; undefined where one is not known. */
  fillIn(value: string | number): string | number | undefined {
    if (typeof value === 'number' || !value.includes('$')) return value;
    let missing = false;
    const filled = value.replace(tokenPattern, (_, name: string) => {
      const answer = this.tokens.resolve(name);
      if ('problem' in answer) missing = true;
      return 'value' in answer ? String(answer.value) : '';
    });
    return missing ? undefined : filled;
  }

  /**
   * The look of a widget: inherited text values, then what its kind starts from, then its styles in order, then its own changes, then what its styles
   * change in its states, in the order of {@link states}.
   */
  resolve(
    parent: Look,
    styles: readonly string[],
    own: LookSource | undefined,
    inStates: readonly State[] = [],
  ): Look {
    const look = { ...inherited(parent) };
    for (const name of styles) Object.assign(look, this.styleChanges(name));
    if (own) Object.assign(look, this.changesOf(own));
    if (inStates.length === 0) return look;
    for (const state of states)
      if (inStates.includes(state))
        for (const name of styles) Object.assign(look, this.stateChanges(name, state));
    return look;
  }

  /** What a value of a look is to be, where it is none; undefined where it is one. */
  expected(key: keyof LookSource, value: unknown): string | undefined {
    const filled = typeof value === 'string' ? this.fillIn(value) : value;
    return readLookValue(key, filled as string, {}, this.colorOf);
  }
}
