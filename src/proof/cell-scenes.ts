import { Subject } from '../checks/index.ts';
import { Layout, type Rect } from '../layout/index.ts';
import { FormScene } from '../scene/index.ts';
import type { Screen } from '../screen/index.ts';
import { ViewLayout, type Form, type View } from '../view/index.ts';
import { bendPx, type Cell } from './cells.ts';
import { at, through, widestThree, type Affine, type Point, type Polygon } from './polygon.ts';

/** The edges of a rectangle, each a number that follows from the size of the screen. */
export interface Box {
  readonly left: Affine;
  readonly top: Affine;
  readonly right: Affine;
  readonly bottom: Affine;
}

/** In px of the screen. */
export interface Reach {
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** How far it is over an edge of the screen at the most; below 0 where it is over none. */
  over: number;
}

interface KeptBox {
  readonly box: Box;
  readonly isCurved: boolean;
}

/** How far the three screens a number is read on are drawn from the corners of a cell to its inside, as a share. */
const inwards = 0.02;
/** A number that is further from a line through three others, in px, is not on it. */
const slack = 0.01;

/**
 * A cell with the view laid out on three screens of it, from which any number of it that follows from places and sizes alone is
 * known on all of them, and on a fourth, which has to agree.
 */
export class CellScenes {
  readonly polygon: Polygon;
  readonly form: FormScene;
  /** The screen well inside. */
  readonly middle: Subject;
  readonly #points: readonly [Point, Point, Point];
  readonly #inside: Point;
  readonly #slack: number;
  readonly #three: readonly [Subject, Subject, Subject];
  readonly #own = new Map<number, KeptBox>();
  readonly #borders = new Map<number, KeptBox>();
  readonly #reaches = new Map<number, Reach>();
  #curved = new Set<number>();

  /**
   * @param view Its plan is the cell's. @param middle The view laid out well inside, by the ordinary solver.
   * @param onReference The view laid out on its reference.
   */
  constructor(cell: Cell, view: View, form: FormScene, middle: Subject, onReference: () => ViewLayout) {
    this.polygon = cell.polygon;
    this.form = form;
    const { inside } = cell;
    const corners = widestThree(cell.polygon);
    const drawn = (point: Point): Point => ({
      x: point.x + (inside.x - point.x) * inwards,
      y: point.y + (inside.y - point.y) * inwards,
    });
    this.#points = [drawn(corners[0]), drawn(corners[1]), drawn(corners[2])];
    this.#inside = inside;
    const scene = (point: Point) => {
      const layout = new Layout(cell.form.plan, cell.play(point));
      return new Subject(new ViewLayout(view, cell.form, layout), form, onReference);
    };
    this.#three = [scene(this.#points[0]), scene(this.#points[1]), scene(this.#points[2])];
    this.middle = middle;
    this.#slack = slack + (cell.isBent ? 2 * bendPx : 0);
  }

  /** Takes out the widgets of which a number was not what three others make it since this was last asked. */
  takeCurved(): readonly number[] {
    const found = [...this.#curved];
    this.#curved = new Set();
    return found;
  }

  /** A number in px as it follows from the size. @param widget Whose number it is. */
  number(widget: number, read: (subject: Subject) => number): Affine {
    const [a, b, c] = this.#three;
    const line = through(this.#points, [read(a), read(b), read(c)]);
    if (!(Math.abs(at(line, this.#inside) - read(this.middle)) <= this.#slack)) this.#curved.add(widget);
    return line;
  }

  box(widget: number, read: (subject: Subject) => Rect): Box {
    const [a, b, c, d] = [...this.#three.map(read), read(this.middle)] as [Rect, Rect, Rect, Rect];
    const edge = (of: (rect: Rect) => number): Affine => {
      const line = through(this.#points, [of(a), of(b), of(c)]);
      if (!(Math.abs(at(line, this.#inside) - of(d)) <= this.#slack)) this.#curved.add(widget);
      return line;
    };
    return {
      left: edge(({ x }) => x),
      top: edge(({ y }) => y),
      right: edge(({ x, width }) => x + width),
      bottom: edge(({ y, height }) => y + height),
    };
  }

  /** The border box. */
  border(widget: number): Box {
    return this.#kept(this.#borders, widget, (subject) => subject.rect(widget));
  }

  /** What is drawn of a widget, before anything cuts it off. */
  own(widget: number): Box {
    return this.#kept(this.#own, widget, (subject) => subject.ownRect(widget));
  }

  /** The rectangle around all that is drawn of a widget on any screen of the cell, before anything cuts it off. */
  reach(widget: number): Reach {
    let reach = this.#reaches.get(widget);
    if (!reach) {
      const { left, top, right, bottom } = this.own(widget);
      reach = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity, over: -Infinity };
      for (const point of this.polygon) {
        const [l, t, r, b] = [at(left, point), at(top, point), at(right, point), at(bottom, point)];
        if (l < reach.left) reach.left = l;
        if (t < reach.top) reach.top = t;
        if (r > reach.right) reach.right = r;
        if (b > reach.bottom) reach.bottom = b;
        reach.over = Math.max(reach.over, -l, -t, r - point.x, b - point.y);
      }
      this.#reaches.set(widget, reach);
    }
    return reach;
  }

  #kept(known: Map<number, KeptBox>, widget: number, read: (subject: Subject) => Rect): Box {
    let kept = known.get(widget);
    if (!kept) {
      const before = this.#curved;
      this.#curved = new Set();
      const box = this.box(widget, read);
      known.set(widget, (kept = { box, isCurved: this.#curved.size > 0 }));
      this.#curved = before;
    }
    // Whoever reads it again learns it too.
    if (kept.isCurved) this.#curved.add(widget);
    return kept.box;
  }

  /** What is seen of a widget is what all of these have in common. */
  seen(widget: number): readonly Box[] {
    const own = this.own(widget);
    return this.form.anyClips ? [own, ...this.#clipsOf(widget)] : [own];
  }

  #clipsOf(widget: number): readonly Box[] {
    return this.middle.clippers(widget).map((index) => this.border(index));
  }

  /** What cuts it off for good, each by itself. */
  cutters(widget: number): readonly Box[] {
    if (!this.form.anyClips) return [];
    return this.middle
      .cutterRects(widget)
      .map((_, nth) => this.box(widget, (subject) => subject.cutterRects(widget)[nth]!));
  }

  /** The least and the most of a number in the cell. */
  range(number: Affine): readonly [least: number, most: number] {
    let [least, most] = [Infinity, -Infinity];
    for (const point of this.polygon) {
      const value = at(number, point);
      if (value < least) least = value;
      if (value > most) most = value;
    }
    return [least, most];
  }
}

/**
 * Makes the scenes of cells; what is the same on all screens of a form is worked out once.
 * @param recorded The view that is explored. @param plain The same, laid out by the ordinary solver.
 */
export function scenesOfCells(
  recorded: View,
  plain: View,
  screenAt: (point: Point) => Screen,
): (cell: Cell) => CellScenes {
  const forms = new Map<Form, FormScene>();
  let standing: ViewLayout | undefined;
  const { width, height } = plain.reference;
  const onReference = () => (standing ??= plain.layoutOn({ width, height }));
  return (cell) => {
    let form = forms.get(cell.form);
    if (!form) forms.set(cell.form, (form = new FormScene(cell.form.tree)));
    const middle = new Subject(plain.layoutOn(screenAt(cell.inside)), form, onReference);
    return new CellScenes(cell, recorded, form, middle, onReference);
  };
}
