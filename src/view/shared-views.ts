import type { CaseValue, CheckedDocument, DocumentSource } from '../document/index.ts';
import { Kept, type Tree, type Widget } from '../dress/index.ts';
import type { Reference } from '../layout/index.ts';
import type { Skeleton } from '../skeleton/index.ts';
import { everyTheme, type Theme } from '../theme/index.ts';
import { formOf, type Form } from './form.ts';
import { languageOf, type Language } from './language.ts';
import type { Resources } from './resources.ts';

/**
 * What the views of one document share while many of them are opened to be checked: themes, languages, values, skeletons,
 * looks, set texts, and forms that come out the same. Views opened with it may not be changed.
 */
export class SharedViews {
  readonly themes: ReadonlyMap<string, Theme>;
  readonly kept: Kept;
  readonly #document: CheckedDocument;
  readonly #resources: Resources;
  readonly #languages: Map<string, Language>;
  readonly #values = new Map<string | undefined, ReadonlyMap<string, CaseValue>>();
  readonly #forms = new WeakMap<Skeleton, Form[]>();

  /** @param like That of the document this one was made from by a change: what the change does not concern is taken over. */
  constructor(document: CheckedDocument, resources: Resources, like?: SharedViews) {
    this.#document = document;
    this.#resources = resources;
    const before = like === undefined ? undefined : like.#document;
    const same = (...keys: (keyof DocumentSource)[]) =>
      before !== undefined && keys.every((key) => before.source[key] === document.source[key]);
    this.kept = new Kept(like?.kept);
    this.themes =
      like && same('tokens', 'token-files', 'styles', 'kinds', 'fonts') ? like.themes : everyTheme(document);
    this.#languages = like && same('language', 'catalogs') ? like.#languages : new Map<string, Language>();
  }

  /** @throws NoSuchName */
  languageOf(locale: string): Language {
    let language = this.#languages.get(locale);
    if (!language) {
      language = languageOf(this.#document, locale, this.#resources);
      this.#languages.set(locale, language);
    }
    return language;
  }

  /** The values of a case, the same map every time. */
  valuesOf(
    name: string | undefined,
    values: { readonly [value: string]: CaseValue },
  ): ReadonlyMap<string, CaseValue> {
    let map = this.#values.get(name);
    if (!map) this.#values.set(name, (map = new Map(Object.entries(values))));
    return map;
  }

  /** The form of a tree: one that is there if it is the same in all that is laid out, checked and drawn. */
  formOf(skeleton: Skeleton, tree: Tree, reference: Reference): Form {
    let forms = this.#forms.get(skeleton);
    if (!forms) this.#forms.set(skeleton, (forms = []));
    const same = forms.find((form) => form.tree.widgets.every((one, at) => isSame(one, tree.widgets[at]!)));
    if (same) return same;
    const alike = forms.find(
      (form) =>
        form.alike === undefined &&
        form.tree.widgets.every((one, at) => this.#isAlike(one, tree.widgets[at]!)),
    );
    const form: Form = alike
      ? { tree, plan: alike.plan, indexes: alike.indexes, alike }
      : formOf(tree, reference);
    forms.push(form);
    return form;
  }

  /** Whether two dresses of one bone differ in colours alone. */
  #isAlike(one: Widget, other: Widget): boolean {
    if (!isSaying(one, other)) return false;
    if (one.text !== other.text) {
      if (!one.text || !other.text) return false;
      if (this.kept.shapeOfBlock(one.text) !== this.kept.shapeOfBlock(other.text)) return false;
    }
    return one.look === other.look || this.kept.shapeOfLook(one.look) === this.kept.shapeOfLook(other.look);
  }
}

/** Whether two dresses of one bone look and say the same. */
function isSame(one: Widget, other: Widget): boolean {
  return (
    isSaying(one, other) && one.text === other.text && one.look === other.look && one.theme === other.theme
  );
}

/** Whether they show the same beside texts. */
function isSaying(one: Widget, other: Widget): boolean {
  return (
    one.value === other.value &&
    one.trail === other.trail &&
    one.picture === other.picture &&
    one.isPlaceholder === other.isPlaceholder &&
    one.states.length === other.states.length &&
    one.states.every((state, at) => state === other.states[at])
  );
}
