import type { CheckedDocument } from '../document/index.ts';
import type { Looked, TriedBefore, TriedChange } from '../mend/index.ts';
import { digestOf } from './digest.ts';
import type { AskedOfView, KeptResults } from './kept-results.ts';

/** What came of each change, by the digest of its name. */
type Known = Map<string, Looked<string>>;

/** What came of all of them. */
export interface Suggested {
  /** For each finding of the verdict, in its order. */
  readonly suggestions: readonly (TriedChange | undefined)[];
  /** Findings for which there was no time. */
  readonly untried: number;
}

/**
 * What came of changes of a document, kept from one run to the next: those made in a view by all that its results follow
 * from, so that a change by hand in another view loses none of them.
 */
export class KeptTrials implements TriedBefore {
  readonly #kept: KeptResults;
  readonly #asked: (view: string | undefined) => AskedOfView;
  readonly #askedOfText: AskedOfView;
  readonly #text: string;
  readonly #byView = new Map<string | undefined, Known>();
  readonly #added = new Set<string | undefined>();

  /** @param options In what is checked, as JSON tells it. */
  constructor(
    kept: KeptResults,
    { document, named }: { readonly document: CheckedDocument; readonly named: string },
    options: unknown,
  ) {
    this.#kept = kept;
    this.#asked = (view) => ({ document, view, named, asked: ['changes', options] });
    this.#text = document.origin.source?.text ?? '';
    this.#askedOfText = { document, view: undefined, named, asked: ['suggestions', [options, this.#text]] };
  }

  /** What was suggested for the same text; undefined where nothing of it is kept. */
  readAll(): Suggested | undefined {
    const known = this.#kept.read(this.#askedOfText) as Suggested | undefined;
    if (!known) return undefined;
    // What mends several findings is one change.
    const whole = new Map(
      known.suggestions.map((one) => [one, one && { ...one, text: this.#textAfter(one) }] as const),
    );
    return { ...known, suggestions: known.suggestions.map((one) => whole.get(one)) };
  }

  /** Keeps what was suggested, and what came of changes that were not known. */
  write({ suggestions, untried }: Suggested): void {
    // A long text is not kept once for each change of it.
    const short = new Map(suggestions.map((one) => [one, one && { ...one, text: '' }] as const));
    this.#kept.write(this.#askedOfText, { suggestions: suggestions.map((one) => short.get(one)), untried });
    for (const view of this.#added) this.#kept.write(this.#asked(view), this.#of(view));
    this.#kept.tidy();
    this.#added.clear();
  }

  find(view: string | undefined, change: string): Looked<string> | undefined {
    return this.#of(view).get(digestOf(change).toString('hex'));
  }

  keep(view: string | undefined, change: string, looked: Looked<string>): void {
    this.#of(view).set(digestOf(change).toString('hex'), looked);
    this.#added.add(view);
  }

  #textAfter({ start, end, insert }: TriedChange): string {
    return this.#text.slice(0, start) + insert + this.#text.slice(end);
  }

  #of(view: string | undefined): Known {
    let known = this.#byView.get(view);
    if (!known) {
      known = (this.#kept.read(this.#asked(view)) as Known | undefined) ?? new Map<string, Looked<string>>();
      this.#byView.set(view, known);
    }
    return known;
  }
}
