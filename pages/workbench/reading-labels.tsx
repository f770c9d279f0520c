import type { Reading } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import type { Box } from './stage-drag.ts';

const high = 15;
const perLetter = 5.8;

/** How well each text can be read: its contrast, and the angle its capitals are seen under. */
export function ReadingLabels({
  bench,
  px,
  contrast,
  arc,
}: {
  readonly bench: Bench;
  readonly px: (css: number) => number;
  readonly contrast: boolean;
  readonly arc: boolean;
}) {
  const { rows, screen, width, height } = bench.outline.value!;
  const readings = bench.readings.value;
  if (!readings || readings.screen !== screen) return null;
  const said = new Map<number, { readonly text: string; readonly fails: boolean }>();
  const say = ({ widget, value, least }: Reading, unit: string) => {
    const known = said.get(widget);
    // Rounded down: what fails by little is not shown as the least.
    const text = `${Math.floor(value * 10) / 10}${unit}`;
    said.set(widget, {
      text: known ? `${known.text} ${text}` : text,
      fails: value < least || (known?.fails ?? false),
    });
  };
  if (contrast) for (const one of readings.contrast) say(one, ':1');
  if (arc) for (const one of readings.arc) say(one, '′');
  const texts = [...said.keys()].flatMap((index) => rows[index]?.rect ?? []);
  const taken: Box[] = [];
  return (
    <>
      {[...said].map(([widget, { text, fails }]) => {
        const row = rows[widget];
        if (!row) return null;
        const words = fails ? `✗ ${text}` : text;
        const size = { width: px(words.length * perLetter + 8), height: px(high) };
        const box = placeFor(row.rect, size, { texts, taken, width, height }, px(2));
        taken.push(box);
        return (
          <g key={widget} class={fails ? 'reading fails' : 'reading'}>
            <rect class="plate" {...box} rx={px(3)} />
            <text class="label" x={box.x + px(4)} y={box.y + px(11)} font-size={px(10)}>
              {words}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** Beside, over or under a text, where neither a text nor another label is; else where no label is. */
function placeFor(
  { x, y, width, height }: Box,
  size: { readonly width: number; readonly height: number },
  around: {
    readonly texts: readonly Box[];
    readonly taken: readonly Box[];
    readonly width: number;
    readonly height: number;
  },
  gap: number,
): Box {
  const middle = y + (height - size.height) / 2;
  const places = [
    { x: x + width + gap, y: middle },
    { x: x - size.width - gap, y: middle },
    { x, y: y - size.height - gap },
    { x, y: y + height + gap },
    { x: x + width - size.width, y: y - size.height - gap },
    { x: x + width - size.width, y: y + height + gap },
    { x: x + width - size.width, y },
  ].map((place) => ({ ...place, ...size }));
  const inside = places.filter(
    (one) =>
      one.x >= 0 && one.y >= 0 && one.x + one.width <= around.width && one.y + one.height <= around.height,
  );
  const isFree = (one: Box, all: readonly Box[]) => !all.some((other) => meet(one, other));
  return (
    inside.find((one) => isFree(one, around.texts) && isFree(one, around.taken)) ??
    inside.find((one) => isFree(one, around.taken)) ??
    inside[0] ??
    places[0]!
  );
}

function meet(one: Box, other: Box): boolean {
  return (
    one.x < other.x + other.width &&
    other.x < one.x + one.width &&
    one.y < other.y + other.height &&
    other.y < one.y + one.height
  );
}
