import type { Subject, Subjects } from '../checks/index.ts';
import { Layout, type Rect } from '../layout/index.ts';
import {
  across,
  depthsAskew,
  enlarged,
  outlineIn,
  rectIn,
  type Cutter,
  type FormScene,
} from '../scene/index.ts';
import type { Screen } from '../screen/index.ts';
import { ViewLayout, type View } from '../view/index.ts';
import { bendPx, type Cell } from './cells.ts';
import { Planes, at, plus, times, widestThree, type Affine, type Point, type Polygon } from './polygon.ts';

/** The edges of a rectangle, each a number that follows from the size of the screen. */
export interface Box {
  readonly left: Affine;
  readonly top: Affine;
  readonly right: Affine;
  readonly bottom: Affine;
}

/** A box of a frame that is drawn so many times as large. */
export function enlargedBox(box: Box, by: number): Box {
  if (by === 1) return box;
  const { left, top, right, bottom } = box;
  return { left: times(left, by), top: times(top, by), right: times(right, by), bottom: times(bottom, by) };
}

/** In px of the screen. */
export interface Reach {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** How far it is over an edge of the screen at the most; below 0 where it is over none. */
  readonly over: number;
}

/** What is known of a widget, and whether a number in it was no function of the size. */
interface Kept<Known> {
  readonly known: Known;
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
  readonly #planes: Planes;
  readonly #inside: Point;
  readonly #slack: number;
  readonly #three: readonly [Subject, Subject, Subject];
  readonly #own = new Map<number, Kept<Box>>();
  readonly #borders = new Map<number, Kept<Box>>();
  readonly #seen = new Map<number, Kept<readonly Box[]>>();
  readonly #reaches = new Map<number, Kept<Reach>>();
  #isCurved = false;

  /** @param recorded The view whose plan the cell has. @param subjects The same view, laid out by the ordinary solver. */
  constructor(cell: Cell, recorded: View, subjects: Subjects, screenAt: (point: Point) => Screen) {
    this.polygon = cell.polygon;
    this.form = subjects.formOf(cell.form.tree);
    const { inside } = cell;
    const corners = widestThree(cell.polygon);
    const drawn = (point: Point): Point => ({
      x: point.x + (inside.x - point.x) * inwards,
      y: point.y + (inside.y - point.y) * inwards,
    });
    const points = [drawn(corners[0]), drawn(corners[1]), drawn(corners[2])] as const;
    this.#planes = new Planes(points);
    this.#inside = inside;
    const scene = (point: Point) => {
      const layout = new Layout(cell.form.plan, cell.play(point));
      return subjects.of(new ViewLayout(recorded, cell.form, layout));
    };
    this.#three = [scene(points[0]), scene(points[1]), scene(points[2])];
    this.middle = subjects.on(screenAt(inside));
    this.#slack = slack + (cell.isBent ? 2 * bendPx : 0);
  }

  /** Whether any number was not what three others make it since this was last asked. */
  takeCurved(): boolean {
    const isCurved = this.#isCurved;
    this.#isCurved = false;
    return isCurved;
  }

  /** A number in px as it follows from the size. */
  number(read: (subject: Subject) => number): Affine {
    const [a, b, c] = this.#three;
    const line = this.#planes.through(read(a), read(b), read(c));
    if (!(Math.abs(at(line, this.#inside) - read(this.middle)) <= this.#slack)) this.#isCurved = true;
    return line;
  }

  box(read: (subject: Subject) => Rect): Box {
    const [one, two, three] = this.#three;
    const a = read(one);
    const b = read(two);
    const c = read(three);
    const d = read(this.middle);
    const line = (inA: number, inB: number, inC: number, inD: number): Affine => {
      const found = this.#planes.through(inA, inB, inC);
      if (!(Math.abs(at(found, this.#inside) - inD) <= this.#slack)) this.#isCurved = true;
      return found;
    };
    return {
      left: line(a.x, b.x, c.x, d.x),
      top: line(a.y, b.y, c.y, d.y),
      right: line(a.x + a.width, b.x + b.width, c.x + c.width, d.x + d.width),
      bottom: line(a.y + a.height, b.y + b.height, c.y + c.height, d.y + d.height),
    };
  }

  /** The border box. */
  border(widget: number): Box {
    return this.#kept(this.#borders, widget, () => this.box((subject) => subject.rect(widget)));
  }

  /** The same in the frame of another one. */
  borderIn(widget: number, other: number): Box {
    const { turner } = this.form;
    if (turner[widget] === turner[other]) return this.border(widget);
    return this.box((subject) => subject.borderIn(widget, other));
  }

  /** The upright rectangle around its outline there, as large as that is drawn. */
  outlineIn(widget: number, other: number): Box {
    const { turner, scale } = this.form;
    if (turner[widget] === turner[other]) return enlargedBox(this.border(widget), scale[other]!);
    return this.box((subject) => outlineIn(subject, widget, other));
  }

  /** The same beside another one: before both are turned where the same turns them. */
  borderBeside(widget: number, other: number): Box {
    if (this.form.turner[widget] === 0) return this.border(widget);
    return this.box((subject) => subject.borderBeside(widget, other));
  }

  /** What is drawn of a widget, before anything cuts it off. */
  own(widget: number): Box {
    return this.#kept(this.#own, widget, () => this.box((subject) => subject.ownRect(widget)));
  }

  /** The rectangle around all that is drawn of a widget on any screen of the cell, before anything cuts it off. */
  reach(widget: number): Reach {
    return this.#kept(this.#reaches, widget, () => reachOf(this.own(widget), this.polygon));
  }

  /** What is seen of a widget is what all of these have in common. */
  seen(widget: number): readonly Box[] {
    return this.#kept(this.#seen, widget, () => {
      const clips = this.form.anyClips ? this.middle.clippers(widget) : [];
      return [this.own(widget), ...clips.map((index) => this.borderIn(index, 0))];
    });
  }

  /** The same beside another one: as large as it is drawn, before both are turned where the same turns them. */
  seenBeside(widget: number, other: number): readonly Box[] {
    if (!this.middle.isTurnedWith(widget, other)) return this.seen(widget);
    const clips = this.form.anyClips ? this.middle.clippers(widget) : [];
    const by = this.form.scale[widget]!;
    const own = this.box((subject) => enlarged(subject.uprightRect(widget), by));
    return [own, ...clips.map((index) => enlargedBox(this.borderIn(index, widget), by))];
  }

  /**
   * Where two widgets that are turned otherwise reach into each other by more than a limit, in px, all of these are above 0.
   *
   * @param rectOf What counts of a widget, in its own frame: what is drawn of it if left out.
   */
  askew(
    widget: number,
    other: number,
    limit: number,
    rectOf?: (subject: Subject, index: number) => Rect,
  ): readonly Affine[] {
    const known = new Map<Subject, readonly number[]>();
    const depthsIn = (subject: Subject) => {
      let depths = known.get(subject);
      if (!depths) {
        const of = rectOf && ((index: number) => rectOf(subject, index));
        known.set(subject, (depths = depthsAskew(subject, widget, other, of)));
      }
      return depths;
    };
    return depthsIn(this.middle).map((_, nth) =>
      plus(
        this.number((subject) => depthsIn(subject)[nth]!),
        -limit,
      ),
    );
  }

  #kept<Known>(all: Map<number, Kept<Known>>, widget: number, make: () => Known): Known {
    let kept = all.get(widget);
    if (!kept) {
      const before = this.#isCurved;
      this.#isCurved = false;
      const known = make();
      all.set(widget, (kept = { known, isCurved: this.#isCurved }));
      this.#isCurved = before;
    }
    // Whoever reads it again learns it too.
    if (kept.isCurved) this.#isCurved = true;
    return kept.known;
  }

  /** What cuts it off for good, each by itself, in its own frame: of one that is turned otherwise the upright rectangle around. */
  cutters(widget: number): readonly Box[] {
    return this.#cutters(widget, (subject, { index, rect }) => rectIn(rect, across(subject, index, widget)));
  }

  /** The same, each in the frame of what cuts, as large as that is drawn, with a rectangle of the widget there. */
  cutFrom(
    widget: number,
    rectOf: (subject: Subject) => Rect,
  ): readonly { readonly cutter: Box; readonly own: Box }[] {
    const { scale } = this.form;
    const cutters = this.#cutters(widget, (_, { rect, index }) => enlarged(rect, scale[index]!));
    const owns = this.#cutters(widget, (subject, { index }) =>
      enlarged(rectIn(rectOf(subject), across(subject, widget, index)), scale[index]!),
    );
    return cutters.map((cutter, nth) => ({ cutter, own: owns[nth]! }));
  }

  #cutters(widget: number, read: (subject: Subject, cutter: Cutter) => Rect): readonly Box[] {
    if (!this.form.anyClips) return [];
    return this.middle
      .cutters(widget)
      .map((_, nth) => this.box((subject) => read(subject, subject.cutters(widget)[nth]!)));
  }
}

function reachOf({ left, top, right, bottom }: Box, polygon: Polygon): Reach {
  let [l, t, r, b, over] = [Infinity, Infinity, -Infinity, -Infinity, -Infinity];
  for (const point of polygon) {
    const x = at(left, point);
    const y = at(top, point);
    const farX = at(right, point);
    const farY = at(bottom, point);
    l = Math.min(l, x);
    t = Math.min(t, y);
    r = Math.max(r, farX);
    b = Math.max(b, farY);
    over = Math.max(over, -x, -y, farX - point.x, farY - point.y);
  }
  return { left: l, top: t, right: r, bottom: b, over };
}
