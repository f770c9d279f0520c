import { BuildError, makeSkeleton, holds, readCondition, type ReadCondition } from '../skeleton/index.ts';
import { dress, type Materials, type Tree, type Widget } from '../dress/index.ts';
import {
  entryOf,
  rootsOf,
  widgetsOf,
  type CaseValue,
  type CheckedDocument,
  type State,
} from '../document/index.ts';
import {
  Layout,
  frameOf,
  referenceOf,
  solve,
  type Frame,
  type MutableFrame,
  type Rect,
  type Reference,
} from '../layout/index.ts';
import { formOf, type Form, type Indexes } from './form.ts';
import { languageOf } from './language.ts';
import type { SharedViews } from './shared-views.ts';
import type { Picture } from '../picture/index.ts';
import { checkStates, checkValues, checkWidget } from './given.ts';
import { NoSuchName } from './no-such-name.ts';
import { refusing } from './refusing.ts';
import { checkSize, dearestFirst, usualOf, type Lists, type No, type Occasion } from './occasion.ts';
import type { Resources } from './resources.ts';
import { makeScreen, type Screen, type ScreenSize } from '../screen/index.ts';
import { Theme, everyTheme, styleList, type Rgba } from '../theme/index.ts';

/** What a view is opened with: of what varies, the document's first or plainest where it is left out. */
export interface ViewOptions extends Partial<Occasion>, No<keyof Lists> {
  readonly resources: Resources;
  /** Values that replace those of the case. */
  readonly values?: { readonly [name: string]: CaseValue };
  /** What views of this document share where many are opened; everything is made anew if left out. */
  readonly shared?: SharedViews;
  /** States that widgets are in beside those the document says, by id. */
  readonly widgetStates?: { readonly [id: string]: readonly State[] };
}

/** What the game draws behind a view: a colour or a picture that covers the screen. */
export type Backdrop =
  | { readonly type: 'color'; readonly name: string; readonly color: Rgba }
  | { readonly type: 'picture'; readonly name: string; readonly picture: Picture };

/**
 * Opens a view of a document with the values of one case.
 * @throws NoSuchName for an unknown view or case, or a value that no case has. @throws ValueError for a value that is none.
 * @throws RangeError for a HUD or text size outside 0.1 to 10.
 */
export function openView<Id extends string = string>(
  document: CheckedDocument,
  name: string,
  options: ViewOptions,
): View<Id> {
  if (options.values) checkValues(options.values, noValues, document, nobody);
  return opened<Id>(document, name, options);
}

const noValues: ReadonlyMap<string, CaseValue> = new Map();
/** Of a view that is still to be opened, no widget is known. */
const nobody = { isAsked: () => false, firstOf: () => undefined };

/** The same with values that have been looked at. */
function opened<Id extends string>(document: CheckedDocument, name: string, options: ViewOptions): View<Id> {
  const source = entryOf(document.source.views, name);
  if (!source) throw new NoSuchName('view', name, Object.keys(document.source.views));
  const occasion = Object.fromEntries(
    dearestFirst.map((key) => [key, options[key] ?? usualOf(document, key)]),
  ) as unknown as Occasion;
  checkSize('HUD', occasion.hudSize);
  checkSize('text', occasion.textSize);
  if (occasion.state !== undefined) checkStates([occasion.state]);
  for (const [id, states] of Object.entries(options.widgetStates ?? {})) {
    checkWidget(id, document, name, []);
    checkStates(states);
  }
  const cases = document.source.cases ?? {};
  const values = occasion.case === undefined ? {} : entryOf(cases, occasion.case);
  if (!values) throw new NoSuchName('case', occasion.case!, Object.keys(cases));
  if (options.theme !== undefined && !document.named.has(options.theme))
    throw new NoSuchName('theme', options.theme, [...document.named.keys()]);
  const themes = options.shared?.themes ?? everyTheme(document);
  const theme = themes.get(occasion.theme ?? '') ?? new Theme(document);
  const pictures = options.resources.pictures ?? new Map<string, Picture>();
  const variant: Materials = {
    theme,
    themes,
    fonts: options.resources.fonts,
    ...(options.shared?.languageOf(occasion.locale) ??
      languageOf(document, occasion.locale, options.resources)),
    pictures,
    refuses: refusing(document, themes),
    values:
      options.shared && !options.values
        ? options.shared.valuesOf(occasion.case, values)
        : new Map(Object.entries({ ...values, ...options.values })),
    textSize: occasion.textSize,
    states: new Map(Object.entries(options.widgetStates ?? {})),
    everyControl: occasion.state,
    kept: options.shared?.kept,
  };
  const backdrops = styleList(source.backdrop).flatMap((entry): Backdrop[] => {
    const picture = pictures.get(entry);
    if (picture) return [{ type: 'picture', name: entry, picture }];
    const color = theme.colorOf(String(theme.fillIn(entry) ?? ''));
    return color ? [{ type: 'color', name: entry, color }] : [];
  });
  return new View(document, name, occasion, variant, backdrops, options.resources, options.shared);
}

/** A view that can be laid out on any screen. `Id` is the union of its widgets' ids, where they are known. */
export class View<Id extends string = string> {
  readonly document: CheckedDocument;
  readonly name: string;
  readonly reference: Reference;
  /** What it is shown in. */
  readonly occasion: Occasion;
  readonly variant: Materials;
  readonly backdrops: readonly Backdrop[];
  readonly resources: Resources;
  readonly #shared: SharedViews | undefined;
  /** The view whose trees it takes, with plans of its own. */
  #dressed: View<Id> | undefined;
  /** Every condition that something of it is tied to, each once. */
  readonly conditions: readonly ReadCondition[];
  readonly #forms = new Map<string, Form>();
  /** Which conditions held when a form was last asked for, and that form. */
  readonly #held: Uint8Array;
  #last: Form | undefined;

  constructor(
    document: CheckedDocument,
    name: string,
    occasion: Occasion,
    variant: Materials,
    backdrops: readonly Backdrop[],
    resources: Resources,
    shared?: SharedViews,
  ) {
    this.resources = resources;
    this.#shared = shared;
    this.document = document;
    this.name = name;
    this.reference = referenceOf(document.source.reference);
    this.occasion = occasion;
    this.variant = variant;
    this.backdrops = backdrops;
    // Of other views nothing shows here; of components, those it does not use are rare enough.
    const roots = [...rootsOf(document.source)].filter((one) => one.component || one.name === name);
    const said = roots.flatMap(({ root, pointer }) =>
      [root, ...[...widgetsOf(root, pointer)].map(({ widget }) => widget)].flatMap(({ when }) =>
        (when ?? []).map(({ screen }) => screen),
      ),
    );
    // The same condition in several places holds in all of them.
    this.conditions = [...new Map(said.map((one) => [JSON.stringify(one), one])).values()].map(readCondition);
    this.#held = new Uint8Array(this.conditions.length);
  }

  /** The same view made of something else, and of another document where one is given; it shares nothing. */
  with(changes: Partial<Materials>, document = this.document): View<Id> {
    const variant = { ...this.variant, kept: undefined, ...changes };
    return new View<Id>(document, this.name, this.occasion, variant, this.backdrops, this.resources);
  }

  /** The same view for another solver: the same trees, with plans that nobody else lays out. */
  withOwnPlans(): View<Id> {
    const own = new View<Id>(
      this.document,
      this.name,
      this.occasion,
      this.variant,
      this.backdrops,
      this.resources,
    );
    own.#dressed = this;
    return own;
  }

  /**
   * The same view shown in something else: another theme, language, HUD or text size; with the values it has.
   * @throws NoSuchName @throws RangeError as {@link openView} does.
   */
  shownIn(changes: Partial<Occasion>): View<Id> {
    const { document, name, occasion, variant } = this;
    return opened<Id>(document, name, {
      ...occasion,
      ...changes,
      resources: this.resources,
      values: Object.fromEntries(variant.values),
      widgetStates: Object.fromEntries(variant.states ?? []),
    });
  }

  /** How the view is put on a screen. @throws RangeError for a size that is no screen's. */
  frameOn(screen: Screen | ScreenSize): Frame {
    return frameOf(this.reference, makeScreen(screen), this.occasion.hudSize);
  }

  /** The same into a frame that is there; nothing is made for a screen that is whole. */
  frameInto(screen: Screen | ScreenSize, frame: MutableFrame): void {
    frame.place(this.reference, makeScreen(screen), this.occasion.hudSize);
  }

  /** Whether other conditions hold on a frame than when it was last asked, by this or by {@link formOn}. */
  holdsOthers(frame: Frame): boolean {
    let other = false;
    for (let at = 0; at < this.#held.length; at++) {
      const held = holds(this.conditions[at]!, frame) ? 1 : 0;
      if (held !== this.#held[at]) other = true;
      this.#held[at] = held;
    }
    return other;
  }

  /** The form the view has on a frame; kept, so that screens on which the same holds share one. */
  formOn(frame: Frame): Form {
    if (!this.holdsOthers(frame) && this.#last) return this.#last;
    // Should building fail, the next call may not take what held for what was built.
    this.#last = undefined;
    const key = this.#held.join('');
    let form = this.#forms.get(key);
    if (!form) {
      form = this.#make(key, frame);
      this.#forms.set(key, form);
    }
    this.#last = form;
    return form;
  }

  #make(held: string, frame: Frame): Form {
    const { variant, document, name, occasion, reference } = this;
    if (this.#dressed) return formOf(this.#dressed.formOn(frame).tree, reference);
    const make = () => makeSkeleton(document, name, variant, frame);
    try {
      if (!this.#shared) return formOf(dress(make(), variant), reference);
      const key = [name, occasion.locale, held].join('\n');
      const skeleton = this.#shared.kept.skeleton(key, variant.values, make);
      return this.#shared.formOf(skeleton, dress(skeleton, variant), reference);
    } catch (error) {
      throw error instanceof BuildError ? placed(error, document, occasion.case) : error;
    }
  }

  /** Lays the view out. @throws RangeError for a size that is no screen's. @throws BuildError */
  layoutOn(screen: Screen | ScreenSize): ViewLayout<Id> {
    const frame = this.frameOn(screen);
    const form = this.formOn(frame);
    solve(form.plan, frame);
    return new ViewLayout<Id>(this, form, new Layout(form.plan, frame));
  }
}

/** The same error with its place in the file, and the case whose values it was met with. */
export function placed(
  { message, pointer, refused }: BuildError,
  { origin }: CheckedDocument,
  name: string | undefined,
) {
  const met = name === undefined ? '' : `, in the case "${name}"`;
  return new BuildError(`${message}${met}`, pointer, origin.place(pointer), refused);
}

/** A view laid out on one screen; widgets go by their id. */
export class ViewLayout<Id extends string = string> {
  readonly view: View;
  readonly tree: Tree;
  /** The same by index. */
  readonly layout: Layout;
  readonly #indexes: Indexes;

  constructor(view: View, form: Pick<Form, 'tree' | 'indexes'>, layout: Layout) {
    this.view = view;
    this.tree = form.tree;
    this.layout = layout;
    this.#indexes = form.indexes;
  }

  /** That of a live view is another one once it is resized. */
  get screen(): Screen {
    return this.layout.frame.screen;
  }

  /** All widgets, parents before their children; the first is the view itself. */
  get widgets(): readonly Widget[] {
    return this.tree.widgets;
  }

  /** The index of the widget of an id; undefined where it is not there on this screen. */
  find(id: string): number | undefined {
    return this.#indexes.get(id);
  }

  /** @throws NoSuchName when no widget has that id on this screen. */
  indexOf(id: Id): number {
    const index = this.#indexes.get(id);
    if (index === undefined) throw new NoSuchName('widget', id, [...this.#indexes.keys()]);
    return index;
  }

  /** The border box on the screen in device px, not rounded. @throws NoSuchName */
  rect(id: Id): Rect {
    return this.layout.rect(this.indexOf(id));
  }

  /** The border box as painted, in whole device px. @throws NoSuchName */
  pixelRect(id: Id): Rect {
    return this.layout.pixelRect(this.indexOf(id));
  }

  /** The border box on the surface, in u. @throws NoSuchName */
  rectInU(id: Id): Rect {
    return this.layout.rectInU(this.indexOf(id));
  }
}
