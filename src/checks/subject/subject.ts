import type { Notations } from '../../document/index.ts';
import type { Picture } from '../../picture/index.ts';
import { Scene, type FormScene } from '../../scene/index.ts';
import type { Messages } from '../../text/index.ts';
import type { Backdrop, ViewLayout } from '../../view/index.ts';

/** A scene as checks look at it: with what stands behind it, its messages and pictures, and the same view on its reference. */
export class Subject extends Scene {
  readonly backdrops: readonly Backdrop[];
  /** The messages its texts are from. */
  readonly messages: Messages;
  /** The language they are in. */
  readonly locale: string;
  readonly notations: Notations;
  readonly pictures: ReadonlyMap<string, Picture>;
  readonly #reference: () => ViewLayout;
  readonly #kept = new Map<string, unknown>();

  /** @param reference The view laid out on its reference; worked out when a check asks for it. */
  constructor(on: ViewLayout, form: FormScene, reference: () => ViewLayout) {
    super(on, form);
    this.#reference = reference;
    this.backdrops = on.view.backdrops;
    this.messages = on.view.variant.messages;
    this.locale = on.view.variant.locale;
    this.notations = on.view.document.notations;
    this.pictures = on.view.variant.pictures;
  }

  /** Something several checks ask of this layout, worked out when the first of them does. */
  once<Kept>(what: string, make: () => Kept): Kept {
    let kept = this.#kept.get(what) as Kept | undefined;
    if (kept === undefined) this.#kept.set(what, (kept = make()));
    return kept;
  }

  /** The view laid out on its reference. */
  onReference(): ViewLayout {
    return this.#reference();
  }
}
