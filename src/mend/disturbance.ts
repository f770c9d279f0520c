import { controls, type Widget } from '../dress/index.ts';
import { checks, cssPixels, lyingOverAt, pxOfMillimetres } from '../checks/index.ts';
import { heldShare, placeText } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { isBareText } from '../scene/index.ts';
import type { Screen } from '../screen/index.ts';
import { farthest } from '../edit/index.ts';
import type { TryBudget } from './budget.ts';
import { lookAt, type ChangedFrom, type Finding, type SharedChecks } from '../verdict/index.ts';
import type { View, ViewLayout } from '../view/index.ts';

/** How much a change moves. */
export interface Disturbance {
  /** Widgets that stand in another place in what they are in, or have another size, on the reference. */
  readonly widgets: number;
  /** By how much at the most, in u. */
  readonly u: number;
  /** Screens on which something stands in another place. */
  readonly screens: number;
}

/** In u: a smaller move is rounding. */
const leastMove = 0.5;
/** A widget that gets smaller than this share of itself is another one. */
const leastShare = 0.5;
/** What is pressed may lose so little of itself for its focus to be seen. */
const leastPressed = 0.95;
/** Screens that are looked at for how much moves: the first of each group would do, and these are more. */
const mostScreens = 12;

/** Where everything of a view stands before it is changed, for all changes that come to mind. */
export class Unmoved {
  readonly view: View;
  readonly all: readonly Screen[];
  readonly onReference: ViewLayout;
  #some: readonly { readonly screen: Screen; readonly on: ViewLayout }[] | undefined;

  constructor(view: View, screens: readonly Screen[]) {
    this.view = view;
    this.all = screens;
    this.onReference = onReference(view);
  }

  /** Some of the screens, all kinds of them among them. */
  get onSome(): readonly { readonly screen: Screen; readonly on: ViewLayout }[] {
    const every = Math.ceil(this.all.length / mostScreens);
    this.#some ??= this.all
      .filter((_, nth) => nth % every === 0)
      .map((screen) => ({ screen, on: this.view.layoutOn(screen) }));
    return this.#some;
  }
}

/**
 * What a change moves on the reference and elsewhere; undefined where it takes away what the author meant: something that
 * stood in a line, was of one size or evenly spaced with its neighbours is not any more, moves further than the finding
 * needs, or becomes smaller though it is pressed or read.
 * @param most How far in u something may move on the reference: `mostMoveOf`.
 */
export function disturbanceOf(
  before: Unmoved,
  after: View,
  from: ChangedFrom,
  finding: Finding,
  most: number,
  budget: TryBudget,
): Disturbance | undefined {
  const moved = from.isSameOn?.(after, after.reference)
    ? { widgets: 0, u: 0 }
    : movedOnReference(before, after, finding, most, budget);
  if (!moved) return undefined;
  const moves = before.onSome.filter(
    ({ screen, on }) => !from.isSameOn?.(after, screen) && isMoved(on, after.layoutOn(screen), budget),
  ).length;
  return { ...moved, screens: Math.round((moves * before.all.length) / Math.max(1, before.onSome.length)) };
}

/** What it moves on the reference; undefined where it takes away what the author meant. */
function movedOnReference(
  before: Unmoved,
  after: View,
  finding: Finding,
  most: number,
  budget: TryBudget,
): Pick<Disturbance, 'widgets' | 'u'> | undefined {
  const [old, now] = [before.onReference, onReference(after)];
  budget.spend(now.widgets.length);
  const pairs = pairsOf(old, now);
  let widgets = 0;
  let u = 0;
  const moved = new Set<number>();
  for (const { was, is } of pairs) {
    const [a, b] = [old.layout.rectInU(was.index), now.layout.rectInU(is.index)];
    const shift = farthest(a, b);
    // What lies over others may go to the other side of what it belongs to.
    const isFar =
      shift > most + leastMove && lyingOverAt(old, was.index) < 0 && !startsThere(old, now, was, is);
    if (isFar || becomesLess(was, is, a, b, finding)) return undefined;
    if (shift > leastMove) moved.add(was.index);
    const by = farthest(within(old, was, a), within(now, is, b));
    if (by <= leastMove) continue;
    widgets++;
    u = Math.max(u, by);
  }
  if (moved.size > 0 && losesRelation(old, now, pairs, moved, finding)) return undefined;
  return { widgets, u };
}

/** Less is better: what moves least on the reference, then on fewest screens. */
export function lessDisturbing(a: Disturbance, b: Disturbance): number {
  return Math.round(a.u) - Math.round(b.u) || a.widgets - b.widgets || a.screens - b.screens;
}

/** In words: what it moves on the reference. */
export function disturbanceText({ widgets, u, screens }: Disturbance): string {
  if (widgets > 0)
    return `moves ${widgets} ${widgets === 1 ? 'widget' : 'widgets'} by ${Math.round(u * 10) / 10} u on the reference`;
  return screens > 0 ? 'moves nothing on the reference' : 'moves nothing';
}

interface Pair {
  readonly was: Widget;
  readonly is: Widget;
}

function onReference(view: View): ViewLayout {
  const { width, height } = view.reference;
  return view.layoutOn({ width, height });
}

function pairsOf(old: ViewLayout, now: ViewLayout): readonly Pair[] {
  return old.widgets.flatMap((was) => {
    const index = now.find(was.id);
    return index === undefined ? [] : [{ was, is: now.widgets[index]! }];
  });
}

/** Whether bare words start where they did, in however many lines, and whatever room there is beside them. */
function startsThere(old: ViewLayout, now: ViewLayout, was: Widget, is: Widget): boolean {
  return isBareText(was) && isBareText(is) && farthest(startOf(old, was), startOf(now, is)) <= leastMove;
}

/** Where its first line is held: at its start, its middle or its end. */
function startOf({ layout }: ViewLayout, widget: Widget): Rect {
  const { lines, unit } = placeText(widget, layout);
  const [first] = lines;
  const x = first ? first.x + heldShare(widget) * first.line.width * unit : layout.rectInU(widget.index).x;
  return { x, y: first?.baseline ?? 0, width: 0, height: 0 };
}

/** A rectangle counted from the start of what it is in. */
function within(on: ViewLayout, { parent }: Widget, rect: Rect): Rect {
  if (parent < 0) return rect;
  const around = on.layout.rectInU(parent);
  return { ...rect, x: rect.x - around.x, y: rect.y - around.y };
}

function becomesLess(was: Widget, is: Widget, a: Rect, b: Rect, { check }: Finding): boolean {
  if (is.look.fontSize < was.look.fontSize - 1e-6 && was.text) return true;
  const [width, height] = [a.width - b.width, a.height - b.height];
  if (width <= leastMove && height <= leastMove) return false;
  // A text in fewer letters a line is higher instead.
  if (was.text && !controls.has(was.kind)) return false;
  // A ring round what fills a list takes its room from that.
  const kept = check === 'cut-ring' ? leastPressed : 1;
  if (controls.has(was.kind)) return width > (1 - kept) * a.width || height > (1 - kept) * a.height;
  return b.width < leastShare * a.width || b.height < leastShare * a.height;
}

/** Whether a finding is of where something stands. */
function isPlace({ check }: Finding): boolean {
  return check === 'overlap' || check === 'off-screen' || check === 'outside-safe-area';
}

/**
 * How far in u something may move on the reference for a finding to be mended.
 * @param shared What checks of the view's document share: the reference is checked once for all of its findings.
 */
export function mostMoveOf(
  view: View,
  finding: Finding,
  screens: readonly Screen[],
  shared: SharedChecks,
  budget: TryBudget,
): number {
  return isPlace(finding) && !isOn(view, finding, shared, budget) ? 0 : needOf(finding, screens);
}

/** Whether a finding is there on the reference too: what is right there has to stay as it is. */
function isOn(
  view: View,
  { check, widget, other }: Finding,
  shared: SharedChecks,
  budget: TryBudget,
): boolean {
  const { width, height } = view.reference;
  const { screen } = view.layoutOn({ width, height });
  const { findings } = lookAt(view, [screen], checks, shared, (looks) => budget.spend(looks));
  return findings.some((one) => one.check === check && one.widget === widget && one.other === other);
}

/** How far in u a widget may have to move for a finding to be mended. */
function needOf({ check, unit, worst, occurrences }: Finding, screens: readonly Screen[]): number {
  if (worst.measured === null) return 0;
  // Kept in its place, or drawn at another time: nothing has to move.
  if (check === 'drifted' || check === 'covered' || check === 'torn-apart') return 0;
  const most = (of: (one: Finding['worst']) => number) =>
    occurrences.reduce((largest, one) => Math.max(largest, of(one)), 0);
  // Two that lie within each other part by more than they share.
  const times = check === 'overlap' ? 2 : 1;
  if (unit === 'px' && check !== 'coarse-text')
    return times * most(({ measured, scale }) => Math.abs(measured ?? 0) / scale) + 1;
  if (unit === 'u') return most(({ measured }) => Math.abs(measured ?? 0)) + 1;
  if (unit === 'CSS px' || unit === 'mm')
    return (
      most((one) => {
        const screen = screens.find(({ name }) => name === one.screen);
        const px = !screen ? 1 : unit === 'mm' ? pxOfMillimetres(1, screen) : 1 / cssPixels(1, screen);
        return (Math.abs(one.limit - (one.measured ?? 0)) * px) / one.scale + 1;
      }) * 2
    );
  return Infinity;
}

/** What two siblings have in common that an eye sees; of bare words across the lines what they are held at alone. */
const relations: readonly { readonly of: (rect: Rect) => number; readonly held?: number | 'none' }[] = [
  { of: ({ x }) => x, held: 0 },
  { of: ({ x, width }) => x + width, held: 1 },
  { of: ({ x, width }) => x + width / 2, held: 0.5 },
  { of: ({ y }) => y },
  { of: ({ y, height }) => y + height },
  { of: ({ y, height }) => y + height / 2 },
  { of: ({ width }) => width, held: 'none' },
  { of: ({ height }) => height },
];

function isSeen(widget: Widget, held: number | 'none' | undefined): boolean {
  return held === undefined || !isBareText(widget) || heldShare(widget) === held;
}

/** Whether something that moved is not in line, of one size or evenly spaced any more with a sibling it was so with. */
function losesRelation(
  old: ViewLayout,
  now: ViewLayout,
  pairs: readonly Pair[],
  moved: ReadonlySet<number>,
  { check, widget, other: partner }: Finding,
): boolean {
  const families = new Map<number, Pair[]>();
  for (const pair of pairs) {
    const { was, is } = pair;
    if (was.parent < 0 || !was.visible || was.kind === 'dialog' || was.kind === 'tooltip') continue;
    const [a, b] = [old.layout.rectInU(was.index), now.layout.rectInU(is.index)];
    if (!(a.width > 0 && a.height > 0 && b.width > 0 && b.height > 0)) continue;
    const family = families.get(was.parent);
    if (family) family.push(pair);
    else families.set(was.parent, [pair]);
  }
  const parted = new Set(
    pairs.flatMap(({ was }) => (was.id === widget || was.id === partner ? [was.pointer] : [])),
  );
  for (const family of families.values()) {
    if (!family.some(({ was }) => moved.has(was.index))) continue;
    const rects = family.map(
      ({ was, is }) => [old.layout.rectInU(was.index), now.layout.rectInU(is.index)] as const,
    );
    for (const [one, { was }] of family.entries()) {
      if (!moved.has(was.index)) continue;
      for (const [other, { was: neighbour }] of family.entries()) {
        if (other === one) continue;
        // Two that lie on each other have to part, and so do those written in their place in other entries.
        if (check === 'overlap' && parted.has(was.pointer) && parted.has(neighbour.pointer)) continue;
        for (const { of, held } of relations) {
          if (!isSeen(was, held) || !isSeen(neighbour, held)) continue;
          const [a, b] = [rects[one]!, rects[other]!];
          if (Math.abs(of(a[0]) - of(b[0])) < leastMove && Math.abs(of(a[1]) - of(b[1])) >= leastMove)
            return true;
        }
      }
    }
    if (losesRhythm(rects)) return true;
  }
  return false;
}

/** Whether three or more that stood in a row or column with even gaps do not any more. */
function losesRhythm(rects: readonly (readonly [Rect, Rect])[]): boolean {
  for (const [axis, side, across] of [
    ['x', 'width', 'y'],
    ['y', 'height', 'x'],
  ] as const) {
    const line = [...rects].sort((a, b) => a[0][axis] - b[0][axis]);
    for (let at = 2; at < line.length; at++) {
      const [a, b, c] = [line[at - 2]!, line[at - 1]!, line[at]!];
      if (
        Math.abs(a[0][across] - b[0][across]) >= leastMove ||
        Math.abs(b[0][across] - c[0][across]) >= leastMove
      )
        continue;
      const gaps = (nth: 0 | 1) => [
        b[nth][axis] - a[nth][axis] - a[nth][side],
        c[nth][axis] - b[nth][axis] - b[nth][side],
      ];
      const [first, second] = gaps(0) as [number, number];
      const [third, fourth] = gaps(1) as [number, number];
      if (first > 0 && Math.abs(first - second) < leastMove && Math.abs(third - fourth) >= leastMove)
        return true;
    }
  }
  return false;
}

/** Whether something stands in another place on a screen. */
function isMoved(old: ViewLayout, now: ViewLayout, budget: TryBudget): boolean {
  budget.spend(now.widgets.length);
  return pairsOf(old, now).some(
    ({ was, is }) => farthest(old.layout.rectInU(was.index), now.layout.rectInU(is.index)) > leastMove,
  );
}
