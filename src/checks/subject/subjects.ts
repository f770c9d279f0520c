import type { Tree } from '../../dress/index.ts';
import { FormScene } from '../../scene/index.ts';
import type { Screen } from '../../screen/index.ts';
import type { View, ViewLayout } from '../../view/index.ts';
import { Subject } from './subject.ts';

/** What checks look at of one view, on one screen after the other: what is the same on all screens of a form is worked out once. */
export class Subjects {
  readonly view: View;
  readonly #forms = new WeakMap<Tree, FormScene>();
  #onReference: ViewLayout | undefined;

  constructor(view: View) {
    this.view = view;
  }

  /** The view on a screen. */
  on(screen: Screen): Subject {
    return this.of(this.view.layoutOn(screen));
  }

  /** A layout that is there. */
  of(layout: ViewLayout): Subject {
    return new Subject(layout, this.formOf(layout.tree), () => this.#reference());
  }

  /** What is the same on all screens on which the view has a tree. */
  formOf(tree: Tree): FormScene {
    let form = this.#forms.get(tree);
    if (!form) this.#forms.set(tree, (form = new FormScene(tree)));
    return form;
  }

  #reference(): ViewLayout {
    const { width, height } = this.view.reference;
    return (this.#onReference ??= this.view.layoutOn({ width, height }));
  }
}
