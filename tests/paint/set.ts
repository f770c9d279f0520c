import { createCanvas, loadImage } from '@napi-rs/canvas';
import { drawLayout, readPicture, withPaths, type DrawList, type DrawOperation, type Picture } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';

/* The set that painters are held against: small drawings, each of one thing a painter has to do (docs/painting.md). */

/** One drawing of the set. */
export interface Sample {
  readonly name: string;
  /** What it is about. */
  readonly says: string;
  readonly list: DrawList;
}

type Rgba = Extract<DrawOperation, { type: 'path' }>['color'];
type Corners = Extract<DrawOperation, { type: 'clip' }>['radius'];
type Box = Extract<DrawOperation, { type: 'box' }>;

const [width, height] = [120, 80];
const color = (hex: string, a = 1): Rgba => {
  const at = (from: number) => parseInt(hex.slice(from, from + 2), 16) / 255;
  return { r: at(0), g: at(2), b: at(4), a };
};
const [sea, brass, kelp, coral] = [color('103040'), color('ffd583'), color('80c0a0'), color('c05838')];
const round = (
  topLeft: number,
  topRight = topLeft,
  bottomRight = topLeft,
  bottomLeft = topRight,
): Corners => ({
  topLeft,
  topRight,
  bottomRight,
  bottomLeft,
});
const rect = (x: number, y: number, wide: number, high: number) => ({ x, y, width: wide, height: high });
const box = (place: Box['rect'], fill: Rgba | Box['fill'], more: Partial<Box> = {}): Box => ({
  type: 'box',
  widget: 0,
  rect: place,
  radius: round(0),
  fill: fill && 'r' in fill ? { type: 'color', color: fill } : fill,
  border: undefined,
  opacity: 1,
  ...more,
});
const gradient = (angle: number, ...colors: Rgba[]): Box['fill'] => ({
  type: 'linear',
  angle,
  stops: colors.map((one, nth) => ({ at: nth / (colors.length - 1), color: one })),
});
const radial = (form: Partial<Extract<Box['fill'], { type: 'radial' }>>, ...colors: Rgba[]): Box['fill'] => ({
  type: 'radial',
  shape: 'ellipse',
  size: 'farthest-corner',
  at: { x: 0.5, y: 0.5 },
  stops: colors.map((one, nth) => ({ at: nth / (colors.length - 1), color: one })),
  ...form,
});
const ground = box(rect(0, 0, width, height), color('456070'));
const restore = { type: 'restore' } as const;
const turned = (degrees: number, x: number, y: number): DrawOperation => {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return { type: 'turn', matrix: [cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y] };
};
const steps = (...said: readonly [type: 'M' | 'L' | 'Q' | 'C' | 'Z', ...values: number[]][]) =>
  said.map(([type, ...values]) => ({ type, values }));
/** A square, and in it another one: wound the other way round it is a hole. */
const squares = (x: number, hole: boolean) => [
  ...steps(['M', x, 15], ['L', x + 50, 15], ['L', x + 50, 65], ['L', x, 65], ['Z']),
  ...(hole
    ? steps(['M', x + 15, 30], ['L', x + 15, 50], ['L', x + 35, 50], ['L', x + 35, 30], ['Z'])
    : steps(['M', x + 15, 30], ['L', x + 35, 30], ['L', x + 35, 50], ['L', x + 15, 50], ['Z'])),
];

async function tile(): Promise<Picture> {
  const context = createCanvas(8, 8).getContext('2d');
  for (let at = 0; at < 16; at++) {
    context.fillStyle = `rgb(${at * 16} ${255 - at * 12} ${(at * 53) % 256} / ${at % 5 === 0 ? 0.5 : 1})`;
    context.fillRect((at % 4) * 2, Math.floor(at / 4) * 2, 2, 2);
  }
  const bytes = context.canvas.toBuffer('image/png');
  return { ...readPicture('tile', bytes), drawable: await loadImage(bytes) };
}

/** A text as the paths of its letters. */
function letters(): readonly DrawOperation[] {
  const look = { 'font-size': 34, 'color': '#e8fff4', 'text-outline': '2 #102030' };
  const view = opened(documentOf([{ kind: 'text', text: 'Øx8', anchor: 'center', look }]));
  return withPaths(drawLayout(view.layoutOn({ width, height }))).operations;
}

/** Every drawing of the set. */
export async function paintingSet(): Promise<readonly Sample[]> {
  const picture = await tile();
  const drawn = { type: 'picture', widget: 0, picture, opacity: 1 } as const;
  const sample = (name: string, says: string, ...operations: readonly DrawOperation[]): Sample => ({
    name,
    says,
    list: { width, height, title: name, operations: [ground, ...operations] },
  });
  return [
    sample(
      'box',
      'boxes: plain, with four corners of their own, shining through by colour and by opacity',
      box(rect(5, 5, 50, 30), brass),
      box(rect(65, 5, 50, 30), kelp, { radius: round(2, 8, 15, 5) }),
      box(rect(5, 45, 50, 30), color('c05838', 0.5)),
      box(rect(40, 30, 60, 40), sea, { opacity: 0.6, radius: round(20) }),
    ),
    sample(
      'border',
      'a border lies inside its box; a dash is as long as its gap',
      box(rect(5, 5, 50, 30), sea, { border: { width: 4, color: brass }, radius: round(8) }),
      box(rect(65, 5, 50, 30), undefined, { border: { width: 2, color: color('ffffff', 0.5) } }),
      box(rect(5, 45, 110, 30), kelp, { border: { width: 3, color: sea, dash: 9 } }),
    ),
    sample(
      'gradient',
      'linear gradients by the angle of CSS Images 3, between colours that are not premultiplied',
      box(rect(5, 5, 35, 34), gradient(0, sea, brass)),
      box(rect(5, 41, 35, 34), gradient(200, sea, brass)),
      box(rect(45, 5, 30, 34), gradient(90, color('c05838', 0), coral)),
      box(rect(45, 41, 30, 34), gradient(-45, color('c05838', 0), coral)),
      box(rect(80, 5, 35, 70), gradient(120, kelp, brass, sea), { radius: round(10) }),
    ),
    sample(
      'radial-gradient',
      'gradients from a point outwards, round and pressed, by the shapes and sizes of CSS Images 3',
      box(rect(5, 5, 35, 70), radial({}, brass, sea)),
      box(
        rect(45, 5, 30, 70),
        radial({ shape: 'circle', size: 'closest-side', at: { x: 0.3, y: 0.4 } }, coral, kelp),
      ),
      box(
        rect(80, 5, 35, 70),
        radial({ size: { x: 0.8, y: 0.3 }, at: { x: 1, y: 0.5 } }, sea, color('48a090', 0)),
        {
          radius: round(10),
        },
      ),
    ),
    sample(
      'picture',
      'pictures: the whole, a part, and faded',
      { ...drawn, rect: rect(5, 10, 40, 60) },
      { ...drawn, rect: rect(50, 10, 30, 60), from: rect(2, 2, 4, 4) },
      { ...drawn, rect: rect(85, 10, 30, 60), opacity: 0.4 },
    ),
    sample(
      'pixels',
      'pixels that stay sharp; colours multiplied by a tint',
      { ...drawn, rect: rect(5, 10, 48, 48), pixelated: true },
      { ...drawn, rect: rect(65, 10, 48, 48), pixelated: true, tint: color('ff8060', 0.8) },
    ),
    sample(
      'path',
      'the nonzero rule: what is wound the other way round is a hole, what is wound alike is not; an outline is drawn under it',
      { type: 'path', widget: 0, steps: squares(5, true), color: brass, opacity: 1 },
      {
        type: 'path',
        widget: 0,
        steps: squares(65, false),
        color: kelp,
        opacity: 1,
        outline: { width: 3, color: sea },
      },
    ),
    sample('letters', 'letters as paths, with curves and an outline', ...letters()),
    sample(
      'shadow',
      'shadows: blurred by half of what is said, not drawn inside the box that throws them',
      {
        type: 'shadow',
        widget: 0,
        shape: { type: 'box', rect: rect(12, 14, 40, 40), radius: round(6) },
        blur: 10,
        color: color('000000', 0.8),
        opacity: 1,
        without: { rect: rect(8, 10, 40, 40), radius: round(6) },
      },
      {
        type: 'shadow',
        widget: 0,
        shape: { type: 'path', steps: squares(65, true) },
        blur: 0,
        color: color('000000', 0.5),
        opacity: 1,
      },
    ),
    sample(
      'clip',
      'a clip in a clip: both hold up to their own restore',
      { type: 'clip', rect: rect(10, 10, 60, 60), radius: round(20) },
      box(rect(0, 0, 120, 40), brass),
      { type: 'clip', rect: rect(30, 30, 60, 30), radius: round(0) },
      box(rect(0, 0, 120, 80), coral),
      restore,
      box(rect(0, 62, 120, 20), sea),
      restore,
      box(rect(80, 10, 30, 12), kelp),
    ),
    sample(
      'turn',
      'a matrix, one in another, and a clip that turns with it',
      turned(20, 60, 40),
      box(rect(20, 20, 80, 40), brass),
      { type: 'clip', rect: rect(30, 25, 30, 30), radius: round(8) },
      turned(-50, 60, 40),
      box(rect(20, 30, 80, 20), sea),
      restore,
      restore,
      restore,
      box(rect(100, 60, 15, 15), kelp),
    ),
    sample(
      'group',
      'what is in a group does not shine through itself; a group in a group',
      { type: 'group', widget: 0, opacity: 0.5 },
      box(rect(10, 10, 50, 40), brass),
      box(rect(30, 25, 50, 40), sea),
      { type: 'group', widget: 0, opacity: 0.5 },
      box(rect(60, 15, 40, 30), coral),
      box(rect(70, 25, 40, 30), kelp),
      restore,
      restore,
    ),
  ];
}

/** The set as it is written down: pictures as base64. */
export function written(set: readonly Sample[]): string {
  const plain = (operation: DrawOperation): object => {
    if (operation.type !== 'picture') return operation;
    const { mime, width: wide, height: high, bytes } = operation.picture;
    const file = { mime, width: wide, height: high, base64: Buffer.from(bytes).toString('base64') };
    return { ...operation, picture: file };
  };
  const drawings = set.map(({ name, says, list }) => ({
    name,
    says,
    picture: `${name}.png`,
    width: list.width,
    height: list.height,
    operations: list.operations.map(plain),
  }));
  return `${JSON.stringify({ 'pimbot-painting': 1, drawings }, null, 1)}\n`;
}
