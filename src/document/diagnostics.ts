import type { Range, SourceText } from './source.ts';

/** What each code of a diagnostic carries. The words are in messages.ts. */
export interface DiagnosticFacts {
  'syntax': { detail: string };
  'too-large': { bytes: number; most: number };
  'too-deep': { most: number };
  'too-many-values': { most: number };
  'duplicate-key': { key: string };
  'not-a-map': { what: string };
  'unknown-key': { key: string; where: string; meant?: string; hint?: string | undefined };
  'missing-key': { key: string; where: string };
  'unquoted-color': { found: string };
  'wrong-value': { key: string; expected: string; found: string; meant?: string };
  'not-worked-out': { key: string; found: string; meant?: string };
  'not-one-of': { key: string; found: string; choices: readonly string[]; meant?: string };
  'key-not-for-kind': { key: string; kind: string; kinds: readonly string[] };
  'text-and-children': { kind: string };
  'key-needs': { key: string; needs: string };
  /** `by`: what would change it. */
  'key-fixed': { key: string; by: 'condition' | 'instance' };
  'refused-value': { message: string };
  'style-bound': { key: string; meant?: string };
  'view-bound': { key: string; meant?: string };
  'duplicate-id': { id: string; firstLine: number; where: 'view' | 'component'; isView: boolean };
  'unknown-name': { what: string; name: string; meant?: string };
  'parameter-taken': { name: string };
  'name-chain': { what: string; chain: readonly string[] };
  'offset-on-span': { axis: string };
  'inset-without-span': Record<string, never>;
  'anchor-in-flow': { key: string; arrange: string };
  'dialog-in-flow': { arrange: string };
  'case-lacks-value': { case: string; value: string };
  'bad-message': { detail: string };
  'bad-color': { found: string; meant?: string };
  'promise-empty': { kinds: readonly string[] };
  /** `apart`: the columns with the weight as one of its own. */
  'foreign-mark': { mark: string; words: string };
  'weight-alone': { weight: number; columns: number; apart: string };
  'limits-crossed': { key: string; least: number; most: number };
  'file-outside': { path: string };
  'file-missing': { path: string };
  'file-unreadable': { path: string; what: string; detail: string };
}

export type DiagnosticCode = keyof DiagnosticFacts;

/** Something wrong with a document. An `error` makes it unusable, a `warning` does not. */
export type Diagnostic = {
  [Code in DiagnosticCode]: {
    readonly code: Code;
    readonly severity: 'error' | 'warning';
    readonly facts: DiagnosticFacts[Code];
    /** The text it is about; undefined for a document given as an object. */
    readonly source?: SourceText;
    /** Offsets in `source`. */
    readonly range?: Range;
    /** JSON Pointer (RFC 6901) of the value it is about. */
    readonly pointer: string;
  };
}[DiagnosticCode];

/** Collects diagnostics, then gives them in document order. */
export class DiagnosticList {
  readonly #list: Diagnostic[] = [];

  add<Code extends DiagnosticCode>(
    code: Code,
    facts: DiagnosticFacts[Code],
    at: { pointer: string; source?: SourceText; range?: Range; severity?: 'error' | 'warning' },
  ): void {
    const { severity = 'error', ...rest } = at;
    this.#list.push({ code, facts, severity, ...rest } as Diagnostic);
  }

  /** Takes over what another list has of a kind. */
  take(other: DiagnosticList, isWanted: (one: Diagnostic) => boolean): void {
    this.#list.push(...other.#list.filter(isWanted));
  }

  get hasErrors(): boolean {
    return this.some((one) => one.severity === 'error');
  }

  some(is: (one: Diagnostic) => boolean): boolean {
    return this.#list.some(is);
  }

  /** By place in the text, then in the order they were found. */
  inOrder(): Diagnostic[] {
    return this.#list
      .map((one, index) => ({ one, index }))
      .sort((a, b) => (a.one.range?.start ?? 0) - (b.one.range?.start ?? 0) || a.index - b.index)
      .map(({ one }) => one);
  }
}
