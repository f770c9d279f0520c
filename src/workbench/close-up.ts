import type { CheckedDocument, Origin } from '../document/index.ts';
import { distancesOf, type Distance } from '../guides/index.ts';
import type { Rect } from '../layout/index.ts';
import { sentenceOf } from '../report/index.ts';
import type { Finding } from '../verdict/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import type { Screen } from '../screen/index.ts';
import { gaveWay, whyLook, whyWidget } from '../why/index.ts';

/** A sentence, with the place in a file that it is about. */
export interface ToldAt {
  readonly text: string;
  readonly file: string | undefined;
  readonly line: number | undefined;
  /** In UTF-16 units of the file's text. */
  readonly start: number | undefined;
}

/** Where a value of a look is from. */
export interface LookRow extends ToldAt {
  readonly key: string;
  readonly value: string;
  readonly by: string;
  readonly overrode: number;
}

/** Everything about one widget on one screen. */
export interface CloseUp {
  readonly widget: string;
  readonly screen: string;
  readonly px: Rect;
  readonly u: Rect;
  /** In device px. */
  readonly distances: readonly (Distance & { readonly name: string; readonly u: number })[];
  readonly reasons: readonly { readonly what: string; readonly steps: readonly ToldAt[] }[];
  readonly look: readonly LookRow[];
}

/** How large a widget is on every screen. */
export interface SizeOn {
  readonly screen: string;
  /** Undefined where it is not there. */
  readonly px: Rect | undefined;
  /** Of the shorter side on the glass, in millimetres. */
  readonly millimetres: number | undefined;
}

/** Looks closely at a widget. @throws NoSuchName where it is not on this screen. */
export function closeUpOf(document: CheckedDocument, on: ViewLayout, id: string): CloseUp {
  const index = on.indexOf(id);
  const widget = on.widgets[index]!;
  const { layout, screen } = on;
  const rect = layout.rect(index);
  const siblings = on.widgets.filter(
    (one) => one.parent === widget.parent && one.index !== index && !one.hidden && one.visible,
  );
  const parent = widget.parent < 0 ? layout.rect(0) : layout.rect(widget.parent);
  const around = {
    parent,
    safe: {
      x: screen.safe.left,
      y: screen.safe.top,
      width: screen.width - screen.safe.left - screen.safe.right,
      height: screen.height - screen.safe.top - screen.safe.bottom,
    },
    screen: { x: 0, y: 0, width: screen.width, height: screen.height },
  };
  const parentName = widget.parent < 0 ? 'the screen' : on.widgets[widget.parent]!.id;
  const names = { parent: parentName, safe: 'safe area', screen: 'screen' };
  const distances = distancesOf(
    rect,
    around,
    siblings.map((one) => layout.rect(one.index)),
  ).map((one) => ({
    ...one,
    u: one.length / layout.frame.scale,
    name: one.to === 'neighbour' ? siblings[one.neighbour!]!.id : names[one.to],
  }));
  const yielded = gaveWay(on.tree, layout).filter((one) => one.widget === index);
  const parts = [
    ...whyWidget(on, index),
    ...(yielded.length > 0 ? [{ what: 'gave way', reasons: yielded }] : []),
  ];
  return {
    widget: id,
    screen: screen.name,
    px: rect,
    u: layout.rectInU(index),
    distances,
    reasons: parts.map(({ what, reasons }) => ({
      what,
      steps: reasons.map(({ text, pointer }) => ({ text, ...placeIn(document.origin, pointer) })),
    })),
    look: whyLook(on.tree, document.origin, index).map(({ key, inheritedFrom, from, overrode }) => {
      const by =
        from.style === undefined
          ? 'the widget'
          : from.state === undefined
            ? `style ${from.style}`
            : `style ${from.style}, ${from.state}`;
      return {
        key,
        value: String(from.value),
        by: inheritedFrom === undefined ? by : `${by} of ${inheritedFrom}`,
        overrode: overrode.length,
        text: `${key}: ${from.value}`,
        ...placeIn(from.origin, from.pointer),
      };
    }),
  };
}

/** How large a widget is on each of some screens. */
export function sizesOn(view: View, id: string, screens: readonly Screen[]): SizeOn[] {
  return screens.map((screen) => {
    const on = view.layoutOn(screen);
    const index = on.find(id);
    if (index === undefined) return { screen: screen.name, px: undefined, millimetres: undefined };
    const px = on.layout.rect(index);
    const millimetres = (Math.min(px.width, px.height) / screen.density) * 25.4;
    return { screen: screen.name, px, millimetres };
  });
}

/** The sentence of a finding, with its place in the file. */
export function findingTold(document: CheckedDocument, finding: Finding): ToldAt {
  return { text: sentenceOf(finding), ...placeIn(document.origin, finding.pointer) };
}

/** Why a finding is so, step by step, each with its place in the file. */
export function reasonsTold(document: CheckedDocument, { reasons }: Finding): ToldAt[] {
  return reasons.map(({ text, pointer }) => ({ text, ...placeIn(document.origin, pointer) }));
}

function placeIn(origin: Origin, pointer: string): Omit<ToldAt, 'text'> {
  const { source, range } = origin.at(pointer);
  const start = range?.start;
  const line = source && range ? source.placeOf(range.start).line : undefined;
  return { file: source?.name, line, start };
}
