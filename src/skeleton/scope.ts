import {
  endsOf,
  evaluateExpression,
  isComputed,
  isTemplate,
  partOf,
  readExpression,
  rootOf,
  templateNames,
  type CaseEntry,
  type CaseMap,
  type CaseValue,
  type Scalar,
} from '../document/index.ts';
import { withoutMarkup, type Messages } from '../text/index.ts';

/** Something was asked of a component that its parameters do not give; wrong documents are refused before. */
export class BuildError extends Error {
  override readonly name = 'BuildError';
  readonly pointer: string;
  /** `file:line:column` of the pointer, where the document was read from a text. */
  readonly place: string | undefined;
  /** What a key says and what that gives, where it cannot be that. */
  readonly refused: Refused | undefined;

  constructor(message: string, pointer: string, place?: string, refused?: Refused) {
    super(message);
    this.pointer = pointer;
    this.place = place;
    this.refused = refused;
  }
}

interface Refused {
  readonly expected: string;
  readonly said: unknown;
  readonly gives: unknown;
}

/** What a key cannot be. @param said What it says: a name, or a list or map with names in it. @param gives What that gives. */
export function cannotBe(
  key: string,
  expected: string,
  said: unknown,
  gives: unknown,
  pointer: string,
): BuildError {
  const shown = String(JSON.stringify(gives));
  const message = `"${key}" is ${expected}, and ${JSON.stringify(said)} gives ${shown.length > 90 ? `${shown.slice(0, 89)}…` : shown}`;
  return new BuildError(message, pointer, undefined, { expected, said, gives });
}

/** A value of the case: a name, and in a list of entries which one, as it stands when it is asked, and which of its fields. */
export interface ValueOfCase {
  /** Of a part of a map with dots: `pick.price`. A field may be one too. */
  readonly name: string;
  readonly index?: number;
  readonly field?: string;
}

/** Whether two values of a case are the same: scalars, or lists of scalars and of maps of them. */
export function isSameValue(one: CaseValue | undefined, other: CaseValue | undefined): boolean {
  if (one === other) return true;
  return (
    typeof one === 'object' && typeof other === 'object' && JSON.stringify(one) === JSON.stringify(other)
  );
}

/** The entries of a repeat that is a number, at the most. */
export const mostEntries = 1000;

function isCount(value: unknown): value is number {
  return Number.isInteger(value) && (value as number) >= 0 && (value as number) <= mostEntries;
}

/** How the values of the case stand in a text. */
interface Filling {
  readonly shown: (value: string) => string;
  /** Told of what is no number where a message needs one. */
  readonly misfit?: (name: string, given: Scalar) => void;
}

const plainly: Filling = { shown: (value) => value };
const inMarkup: Filling = { shown: withoutMarkup };
/** What arithmetic and comparisons have, and few names. */
const mayBeComputed = /[-+*/(<>=]|\b(?:not|and|or)\s/;

/** Which entry of which list; another one where entries before it come or go. */
interface Entry {
  /** What it is repeated over, as it is written. */
  readonly said: number | string;
  /** Undefined where it is no list of the case by itself. */
  readonly list: string | undefined;
  index: number;
  /** Whether its fields are values by themselves, as well as parts of `item`. */
  readonly isMap: boolean;
}

/** What a scope has for the name of a part of a map. */
interface Part {
  readonly value: CaseValue | undefined;
  /** In a parameter: what to ask for around the instance. */
  readonly around?: string;
}

/** How many entries a list has, or parts a map. */
function countOf(value: CaseMap | readonly CaseEntry[]): number {
  return Array.isArray(value) ? value.length : Object.keys(value).length;
}

/** The names a widget can use: the values of the case, and in a component its parameters, in a repeat its entry. */
export class Scope {
  #values: ReadonlyMap<string, CaseValue>;
  readonly #outer: Scope | undefined;
  readonly #messages: Messages;
  /** Whether its texts are messages for the names around: parameters are, what a case holds is shown as it is. */
  readonly #written: boolean;
  /** Of an entry of a repeat: which of which list it is. */
  readonly #entry: Entry | undefined;

  constructor(
    values: ReadonlyMap<string, CaseValue>,
    messages: Messages,
    outer: Scope | undefined = undefined,
    written = false,
    entry: Entry | undefined = undefined,
  ) {
    this.#values = values;
    this.#messages = messages;
    this.#outer = outer;
    this.#written = written;
    this.#entry = entry;
  }

  /** The same names over other values of the case; `made` keeps one scope for each. */
  over(root: Scope, made: Map<Scope, Scope>): Scope {
    if (!this.#outer) return root;
    let scope = made.get(this);
    if (!scope) {
      scope = new Scope(
        this.#values,
        this.#messages,
        this.#outer.over(root, made),
        this.#written,
        this.#entry,
      );
      made.set(this, scope);
    }
    return scope;
  }

  /** A scope inside this one, for the parameters of an instance. */
  inner(parameters: { readonly [name: string]: CaseValue }): Scope {
    return new Scope(new Map(Object.entries(parameters)), this.#messages, this, true);
  }

  /**
   * Whether every name has the same value in another scope of the same view.
   * @param anywhere Whether the two may be of entries at different places of a list.
   */
  equals(other: Scope, anywhere = false): boolean {
    if (this === other) return true;
    if (!this.#outer || !other.#outer || this.#values.size !== other.#values.size) return false;
    for (const [name, value] of this.#values)
      if (!(anywhere && name === 'index') && !isSameValue(value, other.#values.get(name))) return false;
    return this.#outer.equals(other.#outer, anywhere);
  }

  /** Takes the place that another one has in its list, which is equal but for that; so does what is around it. */
  takePlace(other: Scope): void {
    if (this === other) return;
    this.#values = other.#values;
    if (this.#entry && other.#entry) this.#entry.index = other.#entry.index;
    if (other.#outer) this.#outer?.takePlace(other.#outer);
  }

  /** The value of a name; texts of parameters are filled in with the names around the instance. */
  lookup(name: string): CaseValue | undefined {
    return this.#lookup(name, plainly);
  }

  /** What stands for a name in every language: as the case or the instance writes it. */
  written(name: string): CaseValue | undefined {
    const value = this.#values.get(name);
    if (value === undefined) {
      const part = this.#partFor(name);
      if (part?.around !== undefined) return this.#outer!.written(part.around);
      return part ? part.value : this.#outer?.written(name);
    }
    if (!this.#written || !isTemplate(value)) return value;
    const inner = value.slice(1, -1);
    return isComputed(value) ? this.lookup(name) : this.#outer!.written(inner);
  }

  #lookup(name: string, filling: Filling): CaseValue | undefined {
    const value = this.#values.get(name);
    if (value === undefined) {
      if (mayBeComputed.test(name) && isComputed(`{${name}}`)) return this.#computed(name, filling);
      const part = this.#partFor(name);
      if (part?.around !== undefined) return this.#outer!.#lookup(part.around, filling);
      if (part) return typeof part.value === 'string' ? this.#said(part.value, filling) : part.value;
      return this.#outer ? this.#outer.#lookup(name, filling) : undefined;
    }
    if (typeof value !== 'string') return value;
    if (!this.#written) return this.#said(value, filling);
    const outer = this.#outer!;
    if (isTemplate(value)) return outer.#lookup(value.slice(1, -1), filling) ?? value;
    return outer.#fill(value, filling);
  }

  /** A text of a case, as it is shown. */
  #said(text: string, filling: Filling): string {
    return filling.shown(this.#messages.translate(text));
  }

  /**
   * What this scope has for the name of a part of a map: `pick.price`, `item.name` in a repeat. Of a map that is given to a
   * parameter: the name the part has around the instance. Undefined where what it is a part of is none of this scope's.
   */
  #partFor(name: string): Part | undefined {
    const root = rootOf(name);
    const path = name.slice(root.length + 1);
    const value = this.#values.get(root);
    if (value === undefined) {
      // The fields of an entry are values by themselves.
      if (root !== 'item' || !this.#entry?.isMap) return undefined;
      if (path === '') return { value: Object.fromEntries(this.#values) };
      const field = rootOf(path);
      const found = this.#values.get(field);
      return { value: field === path ? found : partOf(found, path.slice(field.length + 1)) };
    }
    if (path === '') return undefined;
    if (this.#written && isTemplate(value)) {
      const around = `${value.slice(1, -1)}.${path}`;
      if (!isComputed(value)) return { value: undefined, around };
    }
    return { value: partOf(value, path) };
  }

  /** What an expression over the names of this scope comes to: it compares what is written, and gives what is read. */
  #computed(expression: string, filling: Filling): CaseValue | undefined {
    const found = evaluateExpression(readExpression(expression)!, (name) => {
      const value = this.written(name);
      return typeof value === 'object' ? countOf(value) : value;
    });
    if (!found || typeof found.value !== 'string') return found?.value;
    return found.name === undefined
      ? this.#messages.translate(found.value)
      : this.#lookup(found.name, filling);
  }

  /** The names a message or template asks for. */
  #namesIn(message: string): readonly string[] {
    return isTemplate(message) ? templateNames(message) : this.#messages.names(message);
  }

  /** A value said in this scope: a lone `{name}` is that value, another text is a message. */
  evaluate(value: string): CaseValue {
    if (isTemplate(value)) return this.lookup(value.slice(1, -1)) ?? value;
    return this.fill(value);
  }

  /** Fills a message in. */
  fill(message: string): string {
    return this.#fill(message, plainly);
  }

  /** The same for a text with markup: what a case holds stands for itself, whatever characters are in it. */
  fillMarkup(message: string): string {
    return this.#fill(message, inMarkup);
  }

  /** What is no number where a message, or one that a parameter brings into it, needs one: names and what they stand for. */
  misfits(message: string): ReadonlyMap<string, Scalar> {
    const found = new Map<string, Scalar>();
    this.#fill(message, { shown: plainly.shown, misfit: (name, given) => found.set(name, given) });
    return found;
  }

  #fill(message: string, filling: Filling): string {
    if (isComputed(message)) {
      const value = this.#computed(message.slice(1, -1), filling) as Scalar | undefined;
      return typeof value === 'number' ? String(Number(value.toFixed(6))) : String(value ?? message);
    }
    const valueOf = (name: string) => {
      const value = this.#lookup(name, filling);
      // A list is said by how many entries it has, as where it is counted with.
      if (Array.isArray(value)) return value.length;
      return typeof value === 'object' ? undefined : value;
    };
    return this.#messages.fill(message, valueOf, filling.misfit);
  }

  /** A message and those that the parameters it asks for bring, as they are written. */
  messagesIn(message: string): string[] {
    if (isComputed(message))
      return endsOf(readExpression(message.slice(1, -1))!).flatMap((end) =>
        end.type === 'name'
          ? this.messagesIn(`{${end.name}}`)
          : end.type === 'literal' && typeof end.value === 'string'
            ? [end.value]
            : [],
      );
    const inner = this.#messages.names(message).flatMap((name) => {
      const value = this.#values.get(name);
      if (value === undefined) {
        const part = this.#partFor(name);
        if (part && part.around === undefined) return [];
        return this.#outer?.messagesIn(`{${part?.around ?? name}}`) ?? [];
      }
      return this.#written && typeof value === 'string' ? this.#outer!.messagesIn(value) : [];
    });
    return [message, ...inner];
  }

  /**
   * The first name that a template asks for and nothing stands for: what a parameter is given goes by the name it has around the
   * instance. Undefined where something stands for each.
   */
  missing(template: string): string | undefined {
    for (const name of this.#namesIn(template)) {
      const value = this.#values.get(name);
      const part = value === undefined ? this.#partFor(name) : undefined;
      const isGiven = this.#written && isTemplate(value);
      let found: string | undefined;
      if (part?.around !== undefined) found = this.#outer!.missing(`{${part.around}}`);
      else if (part) found = part.value === undefined ? name : undefined;
      else if (isGiven) found = this.#outer!.missing(value);
      else if (value === undefined) found = this.#outer ? this.#outer.missing(`{${name}}`) : name;
      if (found !== undefined) return found;
    }
    return undefined;
  }

  /** Which entries of repeats it is of, the innermost first; empty where it is of none. */
  get entries(): string {
    const around = this.#outer?.entries ?? '';
    if (!this.#entry) return around;
    const { said, index } = this.#entry;
    return `, in entry ${index + 1} of ${said}${around}`;
  }

  /** Adds the names of the case that a message or template follows from. */
  follow(message: string, into: Set<string>): void {
    for (const name of this.#namesIn(message)) {
      const value = this.#values.get(name);
      if (this.#outer === undefined) into.add(rootOf(name));
      else if (value === undefined) {
        const part = this.#partFor(name);
        if (!part || part.around !== undefined) this.#outer.follow(`{${part?.around ?? name}}`, into);
      } else if (this.#written && typeof value === 'string') this.#outer.follow(value, into);
    }
  }

  /** The value of the case that a lone `{name}` stands for; undefined for arithmetic, messages and what is no value of the case. */
  valueOf(template: unknown): ValueOfCase | undefined {
    if (typeof template !== 'string') return undefined;
    const name = template.slice(1, -1);
    if (!isTemplate(template) || isComputed(template)) return undefined;
    const value = this.#values.get(name);
    const part = value === undefined ? this.#partFor(name) : undefined;
    if (!this.#outer) return (value ?? part?.value) === undefined ? undefined : { name };
    if (part?.around !== undefined) return this.#outer.valueOf(`{${part.around}}`);
    if (value === undefined && !part) return this.#outer.valueOf(template);
    if (this.#written) return typeof value === 'string' ? this.#outer.valueOf(value) : undefined;
    const entry = this.#entry;
    if (entry?.list === undefined || name === 'index') return undefined;
    const field = name.startsWith('item.') ? name.slice('item.'.length) : name;
    return {
      name: entry.list,
      get index() {
        return entry.index;
      },
      ...(field !== 'item' && { field }),
    };
  }

  /** The entries of a repeat: as many scopes as it is there for; undefined where that is neither a number of them nor a list. */
  repeat(repeat: number | string, into: Set<string>): Scope[] | undefined {
    let list: CaseValue | undefined = repeat;
    if (typeof repeat === 'string') {
      this.follow(repeat, into);
      list = this.evaluate(repeat);
    }
    if (!Array.isArray(list) && !isCount(list)) return undefined;
    const entries: readonly CaseEntry[] = Array.isArray(list)
      ? (list as readonly CaseEntry[])
      : new Array<Scalar>(list).fill('');
    const source = Array.isArray(list) ? this.valueOf(repeat) : undefined;
    const known = source && source.index === undefined ? source.name : undefined;
    return entries.map((entry, index) => {
      const isMap = typeof entry === 'object';
      const values: CaseMap = { index: index + 1, ...(isMap ? entry : { item: entry }) };
      const at = { said: repeat, list: known, index, isMap };
      return new Scope(new Map(Object.entries(values)), this.#messages, this, false, at);
    });
  }
}
