import type { Widget } from '../dress/index.ts';
import { placeText } from '../inside/index.ts';
import type { Shadow, Rgba } from '../theme/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { pictureOperation } from './draw-picture.ts';
import type { DrawOperation, GlyphRun, Words } from './draw-list.ts';
import { drawsAny } from './glyphs.ts';

/** Glyphs of one colour. */
interface Inked {
  readonly color: Rgba;
  readonly runs: GlyphRun[];
  readonly words: Words[];
}

/** The text of a widget: its shadows, its letters with their outline, the pictures among them. */
export function addText({ layout, view }: ViewLayout, widget: Widget, operations: DrawOperation[]): void {
  const { scale, originX, originY } = layout.frame;
  const { index, look } = widget;
  const { lines, unit } = placeText(widget, layout);
  const size = unit * scale;
  const inks: Inked[] = [];
  const pictures: DrawOperation[] = [];
  for (const { line, x, baseline } of lines) {
    const [left, base] = [originX + x * scale, originY + baseline * scale];
    for (const run of line.runs) {
      const color = run.color ?? look.color;
      let ink = inks.find((one) => one.color === color);
      if (!ink) inks.push((ink = { color, runs: [], words: [] }));
      const { face, unit: perUnit, glyphs } = run;
      ink.runs.push({ face, size: perUnit * size, x: left, baseline: base, scale: size, glyphs });
      addWords(ink.words, {
        text: run.text,
        x: left + run.x * size,
        baseline: base,
        width: run.width * size,
        size: run.fontSize * size,
        font: run.face.family,
        weight: run.face.weight,
        italic: run.face.italic,
        rightToLeft: run.rightToLeft,
      });
    }
    for (const icon of line.icons) {
      const picture = view.variant.pictures.get(icon.name);
      if (!picture) continue;
      const [width, height] = [icon.width * size, icon.height * size];
      const to = { x: left + icon.x * size, y: base - icon.y * size - height, width, height };
      const from = { x: 0, y: 0, width: picture.width, height: picture.height };
      const how = { pixelated: false, tint: icon.color };
      pictures.push(pictureOperation(index, picture, from, to, how));
    }
  }
  const factor = layout.scale(index);
  for (let at = look.textShadow.length - 1; at >= 0; at--)
    for (const { runs } of inks) operations.push(shadowOf(index, runs, look.textShadow[at]!, factor));
  const { textOutline } = look;
  const outline = textOutline &&
    textOutline.width > 0 && { ...textOutline, width: textOutline.width * factor };
  for (const { color, runs, words } of inks) {
    if (!drawsAny(runs)) continue;
    operations.push({
      type: 'glyphs',
      widget: index,
      runs,
      color,
      opacity: 1,
      words,
      ...(outline && { outline }),
    });
  }
  operations.push(...pictures);
}

/** Words that follow others of the same font are one with them. */
function addWords(all: Words[], next: Words): void {
  const last = all.at(-1);
  const follows =
    last !== undefined &&
    !last.rightToLeft &&
    !next.rightToLeft &&
    last.font === next.font &&
    last.weight === next.weight &&
    last.italic === next.italic &&
    last.size === next.size &&
    last.baseline === next.baseline &&
    Math.abs(last.x + last.width - next.x) < 0.01;
  if (follows) all[all.length - 1] = { ...last, text: last.text + next.text, width: last.width + next.width };
  else all.push(next);
}

function shadowOf(
  widget: number,
  runs: readonly GlyphRun[],
  { x, y, blur, color }: Shadow,
  scale: number,
): DrawOperation {
  const shape = { type: 'glyphs', runs, right: x * scale, down: y * scale } as const;
  return { type: 'shadow', widget, shape, blur: blur * scale, color, opacity: 1 };
}
