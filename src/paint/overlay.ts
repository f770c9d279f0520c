import type { Finding } from '../verdict/index.ts';
import { evenCorners, parseColor, square, type Rgba } from '../theme/index.ts';
import type { FontBook } from '../text/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { drawnRect, turnsOf } from '../inside/index.ts';
import { onPixels } from './areas.ts';
import { plainBox, type DrawList, type DrawOperation } from './draw-list.ts';
import { plainLine } from './text-line.ts';

/** What is drawn over a view to show how it stands. */
export interface Overlay {
  /** The border box of every widget. */
  readonly outlines?: boolean;
  /** The safe area of the screen. */
  readonly safeArea?: boolean;
  /** Findings to mark; those of other views, screens and cases are passed over. */
  readonly findings?: readonly Finding[];
}

const outlineColor = color('#7fe0ff99');
const shadeColor = color('#ff9f1c40');
const safeColor = color('#ffb347');
const failedColor = color('#ff2f4f');
const undecidedColor = color('#ffd23f');
const labelInk = color('#ffffff');
const darkInk = color('#221a00');

function color(text: string): Rgba {
  return parseColor(text)!;
}

/** The drawing with the overlay on top. Marks keep their size on the screen whatever the scale. */
export function withOverlay(list: DrawList, on: ViewLayout, fonts: FontBook, overlay: Overlay): DrawList {
  const operations: DrawOperation[] = [...list.operations];
  const thin = Math.max(1, Math.round(Math.min(list.width, list.height) / 720));
  if (overlay.safeArea) addSafeArea(on, thin, operations);
  if (overlay.outlines) {
    for (const { index } of on.widgets) {
      if (index > 0) addFrame(on, index, { width: thin, color: outlineColor }, operations);
    }
  }
  addFindings(list, on, fonts, thin, overlay.findings ?? [], operations);
  return { ...list, operations };
}

/** A line along the border box of a widget, turned with it. */
function addFrame(
  { layout, widgets }: ViewLayout,
  index: number,
  border: { readonly width: number; readonly color: Rgba },
  operations: DrawOperation[],
): void {
  const turns = turnsOf(index, widgets, layout);
  for (const { turn } of [...turns].reverse()) operations.push({ type: 'turn', matrix: turn });
  const rect = layout.pixelRect(index);
  operations.push({ type: 'box', widget: index, rect, radius: square, fill: undefined, border, opacity: 1 });
  for (const _ of turns) operations.push({ type: 'restore' });
}

function addSafeArea({ screen }: ViewLayout, thin: number, operations: DrawOperation[]): void {
  const { safe, width, height } = screen;
  const inner = {
    x: safe.left,
    y: safe.top,
    width: width - safe.left - safe.right,
    height: height - safe.top - safe.bottom,
  };
  const shades = [
    { x: 0, y: 0, width, height: safe.top },
    { x: 0, y: height - safe.bottom, width, height: safe.bottom },
    { x: 0, y: safe.top, width: safe.left, height: inner.height },
    { x: width - safe.right, y: safe.top, width: safe.right, height: inner.height },
  ];
  for (const rect of shades) {
    if (rect.width > 0 && rect.height > 0) {
      operations.push(plainBox(-1, rect, shadeColor));
    }
  }
  const border = { width: thin * 2, color: safeColor, dash: thin * 10 };
  operations.push({
    type: 'box',
    widget: -1,
    rect: inner,
    radius: square,
    fill: undefined,
    border,
    opacity: 1,
  });
}

function addFindings(
  list: DrawList,
  on: ViewLayout,
  fonts: FontBook,
  thin: number,
  findings: readonly Finding[],
  operations: DrawOperation[],
): void {
  const { view, screen } = on;
  const here = findings.filter(
    (finding) =>
      finding.view === view.name &&
      finding.occurrences.some((one) => one.screen === screen.name && one.case === view.occasion.case),
  );
  const byWidget = new Map<number, Finding[]>();
  for (const finding of here) {
    const index = on.indexOf(finding.widget);
    const marked = finding.other === undefined ? [index] : [index, on.indexOf(finding.other)];
    for (const one of marked) {
      addFrame(on, one, { width: thin * 3, color: inkOf(finding) }, operations);
    }
    byWidget.set(index, [...(byWidget.get(index) ?? []), finding]);
  }
  for (const [index, found] of byWidget) {
    const rect = onPixels(drawnRect(index, on.widgets, on.layout));
    const step = thin * 23;
    const block = step * found.length;
    // Above the widget where there is room, so that the label does not hide what it is about; else below it.
    const below = Math.min(rect.y + rect.height + thin * 2, list.height - block);
    const top = rect.y - block >= 0 ? Math.min(rect.y - block, list.height - block) : below;
    found.forEach((finding, place) => {
      const ink = finding.outcome === 'failed' ? labelInk : darkInk;
      addLabel(list, fonts, thin, finding.check, ink, inkOf(finding), rect.x, top + place * step, operations);
    });
  }
}

function inkOf(finding: Finding): Rgba {
  return finding.outcome === 'failed' ? failedColor : undecidedColor;
}

function addLabel(
  list: DrawList,
  fonts: FontBook,
  thin: number,
  text: string,
  ink: Rgba,
  plate: Rgba,
  from: number,
  top: number,
  operations: DrawOperation[],
): void {
  const line = plainLine(text, fonts, { size: thin * 15, weight: 700 });
  const width = line.width + thin * 10;
  const height = thin * 22;
  const x = Math.max(0, Math.min(from, list.width - width));
  const y = Math.max(0, Math.min(top, list.height - height));
  const rect = { x, y, width, height };
  operations.push(plainBox(-1, rect, plate, evenCorners(thin * 3)));
  operations.push(line.drawn(x + thin * 5, y + height * 0.72, ink));
}
