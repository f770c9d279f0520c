import { buildTree, type Tree, type Widget } from '../build/index.ts';
import { nearestName, own, type CheckedDocument } from '../document/index.ts';
import {
  Layout,
  compile,
  frameOf,
  referenceOf,
  solve,
  type Plan,
  type Rect,
  type Reference,
} from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import { makeScreen, type Screen, type ScreenSize } from '../screen/index.ts';
import { Messages, type FontBook, type Value } from '../text/index.ts';
import { Theme, parseColor, styleList, type Rgba } from '../theme/index.ts';

/** What a document refers to and a host has loaded. */
export interface Resources {
  readonly fonts: FontBook;
  /** By the names of the document's `pictures`; one that is missing is drawn as nothing. */
  readonly pictures?: ReadonlyMap<string, Picture>;
}

export interface ViewOptions {
  readonly resources: Resources;
  /** The case whose values fill the texts; the document's first if left out. */
  readonly case?: string;
  /** Values that replace those of the case. */
  readonly values?: { readonly [name: string]: Value };
  /** The player's HUD size: 1 is as drawn, 1.25 a quarter larger. */
  readonly hudSize?: number;
}

/** What the game draws behind a view: a colour or a picture that covers the screen. */
export type Backdrop =
  | { readonly type: 'color'; readonly name: string; readonly color: Rgba }
  | { readonly type: 'picture'; readonly name: string; readonly picture: Picture };

/** Somebody asked for a view, case or widget that is not there. */
export class NoSuchName extends Error {
  override readonly name = 'NoSuchName';

  constructor(what: string, wanted: string, names: readonly string[]) {
    const near = nearestName(wanted, names);
    const hint = near === undefined ? listed(names) : `; did you mean "${near}"?`;
    super(`there is no ${what} "${wanted}"${hint}`);
  }
}

function listed(names: readonly string[]): string {
  return names.length === 0
    ? ''
    : `; there is ${names.slice(0, 12).join(', ')}${names.length > 12 ? ' …' : ''}`;
}

/**
 * Opens a view of a document with the values of one case.
 * @throws NoSuchName for an unknown view or case. @throws RangeError for a HUD size outside 0.1 to 10.
 */
export function openView(document: CheckedDocument, name: string, options: ViewOptions): View {
  const source = own(document.source.views, name);
  if (!source) throw new NoSuchName('view', name, Object.keys(document.source.views));
  const hudSize = options.hudSize ?? 1;
  if (!(hudSize >= 0.1 && hudSize <= 10))
    throw new RangeError(`a HUD size is a number from 0.1 to 10, not ${hudSize}`);
  const cases = document.source.cases ?? {};
  const caseName = options.case ?? Object.keys(cases)[0];
  const values = caseName === undefined ? {} : own(cases, caseName);
  if (!values) throw new NoSuchName('case', caseName!, Object.keys(cases));
  const theme = new Theme(document);
  const pictures = options.resources.pictures ?? new Map<string, Picture>();
  const tree = buildTree(document, name, {
    theme,
    fonts: options.resources.fonts,
    messages: new Messages('en'),
    pictures,
    values: { ...values, ...options.values },
  });
  const backdrops = styleList(source.backdrop).flatMap((entry): Backdrop[] => {
    const picture = pictures.get(entry);
    if (picture) return [{ type: 'picture', name: entry, picture }];
    const color = parseColor(String(theme.fillIn(entry) ?? ''));
    return color ? [{ type: 'color', name: entry, color }] : [];
  });
  return new View(document, tree, referenceOf(document.source.reference), hudSize, caseName, backdrops);
}

/** A view that can be laid out on any screen. */
export class View {
  readonly document: CheckedDocument;
  readonly tree: Tree;
  readonly reference: Reference;
  readonly hudSize: number;
  /** The case its values are from; undefined for a document without cases. */
  readonly case: string | undefined;
  readonly backdrops: readonly Backdrop[];
  readonly #plan: Plan;
  readonly #indexes: ReadonlyMap<string, number>;

  constructor(
    document: CheckedDocument,
    tree: Tree,
    reference: Reference,
    hudSize: number,
    caseName: string | undefined,
    backdrops: readonly Backdrop[],
  ) {
    this.document = document;
    this.tree = tree;
    this.reference = reference;
    this.hudSize = hudSize;
    this.case = caseName;
    this.backdrops = backdrops;
    this.#indexes = new Map(tree.widgets.map(({ id, index }) => [id, index]));
    this.#plan = compile(
      tree.widgets.map(({ parent, box, measure, kind }) => {
        const target = box.target === undefined ? undefined : this.#indexes.get(box.target);
        return { parent, box, measure, natural: kind === 'image', target };
      }),
    );
  }

  get name(): string {
    return this.tree.view;
  }

  /** All widgets, parents before their children; the first is the view itself. */
  get widgets(): readonly Widget[] {
    return this.tree.widgets;
  }

  /** @throws NoSuchName when no widget has that id. */
  indexOf(id: string): number {
    const index = this.#indexes.get(id);
    if (index === undefined) throw new NoSuchName('widget', id, [...this.#indexes.keys()]);
    return index;
  }

  /** Lays the view out. @throws RangeError for a size that is no screen's. */
  layoutOn(screen: Screen | ScreenSize): ViewLayout {
    const on = makeScreen(screen);
    const frame = frameOf(this.reference, on, this.hudSize);
    solve(this.#plan, frame);
    return new ViewLayout(this, on, new Layout(this.#plan, frame));
  }
}

/** A view laid out on one screen; widgets go by their id. */
export class ViewLayout {
  readonly view: View;
  readonly screen: Screen;
  /** The same by index. */
  readonly layout: Layout;

  constructor(view: View, screen: Screen, layout: Layout) {
    this.view = view;
    this.screen = screen;
    this.layout = layout;
  }

  /** The border box on the screen in device px, not rounded. @throws NoSuchName */
  rect(id: string): Rect {
    return this.layout.rect(this.view.indexOf(id));
  }

  /** The border box as painted, in whole device px. @throws NoSuchName */
  pixelRect(id: string): Rect {
    return this.layout.pixelRect(this.view.indexOf(id));
  }

  /** The border box on the surface, in u. @throws NoSuchName */
  rectInU(id: string): Rect {
    return this.layout.rectInU(this.view.indexOf(id));
  }
}
