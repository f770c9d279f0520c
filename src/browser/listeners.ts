/** Listeners that are taken away together. */
export class Listeners {
  readonly #ends: (() => void)[] = [];

  on<Name extends string>(
    target: EventTarget,
    name: Name,
    call: (event: Name extends keyof HTMLElementEventMap ? HTMLElementEventMap[Name] : Event) => void,
    options: AddEventListenerOptions = {},
  ): void {
    const heard = call as (event: Event) => void;
    target.addEventListener(name, heard, options);
    this.#ends.push(() => target.removeEventListener(name, heard, options));
  }

  /** Something else that ends with them. */
  add(end: () => void): void {
    this.#ends.push(end);
  }

  end(): void {
    for (const end of this.#ends.splice(0)) end();
  }
}
