import { isTemplate, own, type CaseValue, type Scalar } from '../document/index.ts';
import type { Messages } from '../text/index.ts';

/** Something was asked of a component that its parameters do not give; wrong documents are refused before. */
export class BuildError extends Error {
  override readonly name = 'BuildError';
  readonly pointer: string;

  constructor(message: string, pointer: string) {
    super(message);
    this.pointer = pointer;
  }
}

/** The names a widget can use: the values of the case, and in a component its parameters. */
export class Scope {
  readonly #values: { readonly [name: string]: CaseValue };
  readonly #outer: Scope | undefined;
  readonly #messages: Messages;

  constructor(values: { readonly [name: string]: CaseValue }, messages: Messages, outer?: Scope) {
    this.#values = values;
    this.#outer = outer;
    this.#messages = messages;
  }

  /** A scope inside this one: parameters of an instance, or what a repeat gives. */
  inner(values: { readonly [name: string]: CaseValue }): Scope {
    return new Scope(values, this.#messages, this);
  }

  /** The value of a name; texts of parameters are filled in with the names around the instance. */
  lookup(name: string): CaseValue | undefined {
    const value = own(this.#values, name);
    if (value === undefined) return this.#outer?.lookup(name);
    if (this.#outer === undefined || typeof value !== 'string') return value;
    return this.#outer.evaluate(value);
  }

  /** A value said in this scope: a lone `{name}` is that value, another text is a message. */
  evaluate(value: string): CaseValue {
    if (isTemplate(value)) return this.lookup(value.slice(1, -1)) ?? value;
    return this.fill(value);
  }

  /** Fills a message in. */
  fill(message: string): string {
    return this.#messages.fill(message, (name) => {
      const value = this.lookup(name);
      return typeof value === 'object' ? undefined : value;
    });
  }

  /** Adds the names of the case that a message or template follows from. */
  follow(message: string, into: Set<string>): void {
    for (const name of this.#messages.names(message)) {
      const value = own(this.#values, name);
      if (this.#outer === undefined) into.add(name);
      else if (value === undefined) this.#outer.follow(`{${name}}`, into);
      else if (typeof value === 'string') this.#outer.follow(value, into);
    }
  }

  /** The entries of a repeat: as many scopes as it is there for. */
  repeat(repeat: number | string, into: Set<string>): Scope[] {
    let list: CaseValue | undefined = repeat;
    if (typeof repeat === 'string') {
      this.follow(repeat, into);
      list = this.evaluate(repeat);
    }
    const entries: (Scalar | { readonly [field: string]: Scalar })[] = Array.isArray(list)
      ? [...(list as readonly Scalar[])]
      : new Array<Scalar>(Math.max(0, Math.min(1000, Math.floor(Number(list)) || 0))).fill('');
    return entries.map((entry, index) =>
      this.inner({ index: index + 1, ...(typeof entry === 'object' ? entry : { item: entry }) }),
    );
  }
}
