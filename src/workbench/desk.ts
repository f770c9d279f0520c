import { namesWritten } from '../checks/index.ts';
import { readAnchor, rootOf, type CheckedDocument, type WidgetSource } from '../document/index.ts';
import {
  DocumentDraft,
  TriedView,
  isKeyAct,
  perform,
  performKeys,
  readChanged,
  referenceScreen,
  suggestAnchor,
  type Act,
  type AnchorAdvice,
  type Done,
} from '../edit/index.ts';
import { snap, type Moving, type Snapped } from '../guides/index.ts';
import type { Rect } from '../layout/index.ts';
import { drawLayout, withOverlay, type DrawList } from '../paint/index.ts';
import { screens as catalogue, type Screen } from '../screen/index.ts';
import type { Finding } from '../verdict/index.ts';
import { openView, type Occasion, type Resources, type View, type ViewLayout } from '../view/index.ts';
import { closeUpOf, sizesOn, type CloseUp, type SizeOn } from './close-up.ts';
import { inspect, type InspectorRow } from './inspector.ts';
import { outlineOf, type Outline } from './outline.ts';
import { readingsOn, type Readings } from './readings.ts';

/** What of a document is on the desk. */
export interface OnDesk {
  readonly view: string;
  readonly occasion: Partial<Occasion>;
}

/**
 * A view of a document that somebody works on: laid out and drawn on any screen, looked at closely, changed on trial while something
 * is dragged, and changed for good.
 */
export class Desk {
  readonly #resources: Resources;
  #document: CheckedDocument;
  #shown: OnDesk;
  #view: View;
  /** The view with what is tried at the moment. */
  #tried: View | undefined;

  /** @throws NoSuchName for a view or something of the occasion that is not there. */
  constructor(document: CheckedDocument, resources: Resources, shown: OnDesk) {
    this.#document = document;
    this.#resources = resources;
    this.#shown = shown;
    this.#view = this.#opened();
  }

  #opened(): View {
    const { view, occasion } = this.#shown;
    return openView(this.#document, view, { ...occasion, resources: this.#resources });
  }

  get document(): CheckedDocument {
    return this.#document;
  }

  get resources(): Resources {
    return this.#resources;
  }

  get shown(): OnDesk {
    return this.#shown;
  }

  /** The view as it is, or with what is tried. */
  get view(): View {
    return this.#tried ?? this.#view;
  }

  /** Shows another view or the same on another occasion. @throws NoSuchName; nothing has changed then. */
  show(shown: OnDesk): void {
    const before = this.#shown;
    this.#shown = shown;
    try {
      this.#view = this.#opened();
      this.#tried = undefined;
    } catch (error) {
      this.#shown = before;
      throw error;
    }
  }

  /**
   * Tries a change of keys without writing it: everything is drawn with it until something else is tried. Nothing, where it is left
   * out. @param screen Where it is made. @throws EditError where it cannot be made.
   */
  try(act: Act | undefined, screen: Screen): void {
    this.#tried = undefined;
    if (!act || !isKeyAct(act)) return;
    const draft = new DocumentDraft(this.#document);
    performKeys(draft, this.#document, this.#view, act, this.#view.layoutOn(screen));
    // Keys of widgets change no theme.
    this.#tried = new TriedView(this.#view, draft.document, draft.touched);
  }

  /** Makes a change, and goes on with the document it comes to. @throws EditError; nothing has changed then. */
  perform(act: Act, screen: Screen): Omit<Done, 'view'> {
    this.#tried = undefined;
    const { view, ...done } = perform(this.#document, this.#view, act, this.#view.layoutOn(screen));
    this.#document = view.document;
    this.#view = this.#opened();
    return done;
  }

  /** Goes on with another text of the same document. @throws EditError for one that is no document. */
  take(text: string): void {
    this.#document = readChanged(this.#document, text);
    this.#tried = undefined;
    this.#view = this.#opened();
  }

  /** The values that neither the view nor any component names: other views do. */
  get valuesElsewhere(): readonly string[] {
    const { views, components, cases = {} } = this.#document.source;
    const named = new Set([...namesWritten([views[this.#view.name], components])].map(rootOf));
    const known = new Set(Object.values(cases).flatMap((values) => Object.keys(values)));
    return [...known].filter((name) => !named.has(name));
  }

  /** The anchor that fits where a widget stands, where that is another than it has. @throws EditError for one without an anchor. */
  advice(id: string): AnchorAdvice | undefined {
    const advice = suggestAnchor(this.#view, id);
    const on = this.#view.layoutOn(referenceScreen(this.#view));
    const { source } = on.widgets[on.indexOf(id)]!;
    const said = readAnchor((source as WidgetSource).anchor ?? 'start top');
    return JSON.stringify(said) === JSON.stringify(readAnchor(advice.anchor)) ? undefined : advice;
  }

  layoutOn(screen: Screen): ViewLayout {
    return this.view.layoutOn(screen);
  }

  /** The drawing on a screen, with layers over it. */
  drawing(screen: Screen, findings?: readonly Finding[]): DrawList {
    const on = this.layoutOn(screen);
    const list = drawLayout(on);
    return findings ? withOverlay(list, on, this.#resources.fonts, { findings }) : list;
  }

  readings(screen: Screen): Readings {
    return readingsOn(this.layoutOn(screen));
  }

  outline(screen: Screen): Outline {
    return outlineOf(this.view.document, this.layoutOn(screen));
  }

  /** @throws NoSuchName */
  closeUp(id: string, screen: Screen): CloseUp {
    return closeUpOf(this.#document, this.layoutOn(screen), id);
  }

  sizes(id: string, screens: readonly Screen[] = catalogue): SizeOn[] {
    return sizesOn(this.view, id, screens);
  }

  /** @throws NoSuchName */
  inspect(id: string, screen: Screen): InspectorRow[] {
    return inspect(this.#document, this.layoutOn(screen), id);
  }
}

/** What a moved rectangle lines up with on a screen; all in device px. @param but The widgets that move. */
export function snapOn(
  { rows, safe, frame }: Outline,
  rect: Rect,
  moving: Moving,
  but: readonly number[],
  reach: number,
): Snapped {
  const first = rows[but[0]!]!;
  const siblings = rows.filter(
    (one) => one.parent === first.parent && !but.includes(one.index) && !one.isHidden && !one.turn,
  );
  const ground = { siblings: siblings.map((one) => one.rect), room: first.room, safe, surface: frame };
  return snap(rect, moving, ground, reach);
}
