import { toBase64 } from './base64.ts';
import { gradientLine, hexOf, radialIn, type Corners, type Fill, type Rgba } from '../theme/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import { outlinesOf, shapeAsPath } from './glyphs.ts';
import { escapeXml } from './xml.ts';
import {
  paint,
  type DrawList,
  type GlyphRun,
  type GlyphSource,
  type Painter,
  type PathStep,
  type Words,
  type OperationOf,
  borderLine,
} from './draw-list.ts';

export interface SvgOptions {
  /** `outlines`, if left out: the same everywhere. `words`: can be searched, read out and edited, and needs the fonts. */
  readonly text?: 'outlines' | 'words';
  /** What the ids in the file start with: several drawings in one page need ids of their own. */
  readonly ids?: string;
}

/** A drawing as an SVG 1.1 file; pictures are inside it. */
export function toSvg(list: DrawList, options: SvgOptions = {}): string {
  const painter = new SvgPainter(options.text ?? 'outlines', options.ids ?? '');
  paint(list, painter);
  const { width, height } = list;
  const head = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`;
  return `${head}\n<title>${escapeXml(list.title)}</title>\n${painter.drawn}\n</svg>\n`;
}

type PlainShape = ReturnType<typeof shapeAsPath>;

/** One small function for each operation; what several elements use is defined once. */
class SvgPainter implements Painter {
  readonly #text: NonNullable<SvgOptions['text']>;
  readonly #body: string[] = [];
  readonly #definitions: string[] = [];
  /** Ids of what is defined: of pictures, and of tints by their values. */
  readonly #files = new Map<Picture, string>();
  readonly #tints = new Map<string, string>();
  /** Of letters, by their font, and by glyph and size. */
  readonly #letterIds = new Map<GlyphSource, Map<string, string>>();

  readonly #ids: string;

  constructor(text: NonNullable<SvgOptions['text']>, ids: string) {
    this.#text = text;
    this.#ids = ids;
  }

  /** All that was drawn, what it uses first. */
  get drawn(): string {
    const defs = this.#definitions.length === 0 ? '' : `<defs>${this.#definitions.join('')}</defs>\n`;
    return `${defs}${this.#body.join('\n')}`;
  }

  #define(make: (id: string) => string): string {
    const id = `${this.#ids}d${this.#definitions.length + 1}`;
    this.#definitions.push(make(id));
    return id;
  }

  #tintFilter({ r, g, b, a }: Rgba): string {
    const values = `${exact(r)} 0 0 0 0 0 ${exact(g)} 0 0 0 0 0 ${exact(b)} 0 0 0 0 0 ${exact(a)} 0`;
    let id = this.#tints.get(values);
    if (id === undefined) {
      id = this.#define(
        (name) =>
          `<filter id="${name}" x="0" y="0" width="1" height="1" color-interpolation-filters="sRGB"><feColorMatrix values="${values}"/></filter>`,
      );
      this.#tints.set(values, id);
    }
    return id;
  }

  #blurFilter(shape: PlainShape, blur: number): string {
    const { x, y, width, height } = boundsOf(shape);
    // Nothing is seen of a blur further out than three times its deviation.
    const room = Math.ceil(blur * 1.5) + 1;
    const area = { x: x - room, y: y - room, width: width + 2 * room, height: height + 2 * room };
    return this.#define(
      (name) =>
        `<filter id="${name}" filterUnits="userSpaceOnUse" ${place(area)} color-interpolation-filters="sRGB"><feGaussianBlur stdDeviation="${short(blur / 2)}"/></filter>`,
    );
  }

  box({ rect, radius, fill, border, opacity }: OperationOf<'box'>): void {
    const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
    if (fill)
      this.#body.push(
        `<${shapeOf(rect, radius)} ${paintOf(fill, rect, 'fill', (make) => this.#define(make))}${fade}/>`,
      );
    if (border) {
      const line = borderLine(rect, radius, border.width);
      const dash = border.dash === undefined ? '' : ` stroke-dasharray="${short(border.dash)}"`;
      if (line) {
        this.#body.push(
          `<${shapeOf(
            line.rect,
            line.radius,
          )} fill="none" ${colorOf('stroke', border.color)} stroke-width="${short(border.width)}"${dash}${fade}/>`,
        );
      }
    }
  }

  picture({ rect, from, picture, opacity, pixelated, tint }: OperationOf<'picture'>): void {
    const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
    const { width, height } = picture;
    let id = this.#files.get(picture);
    if (id === undefined) {
      // Each file stands in the drawing once, however often it is drawn.
      const data = `data:${picture.mime};base64,${toBase64(picture.bytes)}`;
      const size = `width="${short(width)}" height="${short(height)}"`;
      id = this.#define((name) => `<image id="${name}" ${size} preserveAspectRatio="none" href="${data}"/>`);
      this.#files.set(picture, id);
    }
    const { x, y, width: wide, height: high } = from ?? { x: 0, y: 0, width, height };
    const view = `viewBox="${[x, y, wide, high].map(exact).join(' ')}" preserveAspectRatio="none"`;
    const sharp = pixelated ? ' image-rendering="pixelated"' : '';
    const colored = tint ? ` filter="url(#${this.#tintFilter(tint)})"` : '';
    this.#body.push(`<svg ${place(rect)} ${view}${fade}${sharp}><use href="#${id}"${colored}/></svg>`);
  }

  path({ steps, ...ink }: OperationOf<'path'>): void {
    this.#body.push(`<path d="${pathOf(steps)}" ${this.#inked(ink)}/>`);
  }

  glyphs({ runs, words, ...ink }: OperationOf<'glyphs'>): void {
    const inked = this.#inked(ink);
    if (this.#text === 'words' && words.length > 0)
      this.#body.push(...words.map((line) => textOf(line, inked)));
    else if (ink.outline || ink.color.a < 1)
      this.#body.push(`<path d="${pathOf(outlinesOf(runs))}" ${inked}/>`);
    // Where letters lie over each other nothing shows of it: each may be drawn by itself.
    else this.#body.push(`<g ${inked}>${runs.map((run) => this.#letters(run)).join('')}</g>`);
  }

  /** Letters that were drawn before, at their places. */
  #letters({ face, size, x, baseline, scale, glyphs }: GlyphRun): string {
    let known = this.#letterIds.get(face);
    if (!known) this.#letterIds.set(face, (known = new Map<string, string>()));
    const drawn: string[] = [];
    for (const { id, x: right, y: up } of glyphs) {
      if (face.outline(id).length === 0) continue;
      const key = `${id} ${exact(size)}`;
      let letter = known.get(key);
      if (letter === undefined) {
        const run = { face, size, x: 0, baseline: 0, scale: 1, glyphs: [{ id, x: 0, y: 0 }] };
        letter = this.#define((name) => `<path id="${name}" d="${pathOf(outlinesOf([run]))}"/>`);
        known.set(key, letter);
      }
      drawn.push(
        `<use href="#${letter}" x="${short(x + right * scale)}" y="${short(baseline - up * scale)}"/>`,
      );
    }
    return drawn.join('');
  }

  #inked({ color, opacity, outline }: Pick<OperationOf<'path'>, 'color' | 'opacity' | 'outline'>): string {
    const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
    const edge = outline
      ? ` ${colorOf('stroke', outline.color)} stroke-width="${short(2 * outline.width)}" stroke-linejoin="round" paint-order="stroke"`
      : '';
    return `${colorOf('fill', color)}${edge}${fade}`;
  }

  shadow({ shape: said, blur, color, opacity, without }: OperationOf<'shadow'>): void {
    const shape = shapeAsPath(said);
    const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
    const soft = blur > 0 ? ` filter="url(#${this.#blurFilter(shape, blur)})"` : '';
    const drawn =
      shape.type === 'box'
        ? `<${shapeOf(shape.rect, shape.radius)} ${colorOf('fill', color)}${soft}/>`
        : `<path d="${pathOf(shape.steps)}" ${colorOf('fill', color)}${soft}/>`;
    if (!without) {
      this.#body.push(fade === '' ? drawn : `<g${fade}>${drawn}</g>`);
      return;
    }
    const all = `M${-far} ${-far}H${far}V${far}H${-far}Z`;
    const hole = boxPath(without.rect, without.radius);
    const id = this.#define(
      (name) => `<clipPath id="${name}"><path d="${all}${hole}" clip-rule="evenodd"/></clipPath>`,
    );
    this.#body.push(`<g clip-path="url(#${id})"${fade}>${drawn}</g>`);
  }

  /** A file has no game. */
  game(): void {
    // Nothing is drawn.
  }

  clip({ rect, radius }: OperationOf<'clip'>): void {
    const id = this.#define((name) => `<clipPath id="${name}"><${shapeOf(rect, radius)}/></clipPath>`);
    this.#body.push(`<g clip-path="url(#${id})">`);
  }

  turn({ matrix }: OperationOf<'turn'>): void {
    this.#body.push(`<g transform="matrix(${matrix.map(exact).join(' ')})">`);
  }

  group({ opacity }: OperationOf<'group'>): void {
    this.#body.push(`<g opacity="${short(opacity)}">`);
  }

  restore(): void {
    this.#body.push('</g>');
  }
}

function short(value: number): string {
  return String(Math.round(value * 1000) / 1000 + 0);
}

function exact(value: number): string {
  return String(Math.round(value * 1e6) / 1e6 + 0);
}

/** Further than any drawing is wide or high, in device px. */
const far = 100_000;

function place(rect: Rect): string {
  return `x="${short(rect.x)}" y="${short(rect.y)}" width="${short(rect.width)}" height="${short(rect.height)}"`;
}

/** The element of a box without its brackets: a rect where all corners are alike. */
function shapeOf(rect: Rect, radius: Corners): string {
  const { topLeft, topRight, bottomRight, bottomLeft } = radius;
  if (topLeft !== topRight || topLeft !== bottomRight || topLeft !== bottomLeft)
    return `path d="${boxPath(rect, radius)}"`;
  return `rect ${place(rect)}${topLeft > 0 ? ` rx="${short(topLeft)}"` : ''}`;
}

function boxPath({ x, y, width, height }: Rect, radius: Corners): string {
  const { topLeft, topRight, bottomRight, bottomLeft } = radius;
  const [right, bottom] = [x + width, y + height];
  const arc = (size: number, toX: number, toY: number) =>
    size > 0 ? `A${short(size)} ${short(size)} 0 0 1 ${short(toX)} ${short(toY)}` : '';
  return [
    `M${short(x + topLeft)} ${short(y)}H${short(right - topRight)}`,
    arc(topRight, right, y + topRight),
    `V${short(bottom - bottomRight)}`,
    arc(bottomRight, right - bottomRight, bottom),
    `H${short(x + bottomLeft)}`,
    arc(bottomLeft, x, bottom - bottomLeft),
    `V${short(y + topLeft)}`,
    arc(topLeft, x + topLeft, y),
    'Z',
  ].join('');
}

function pathOf(steps: readonly PathStep[]): string {
  return steps.map(({ type, values }) => type + values.map(short).join(' ')).join('');
}

function boundsOf(shape: PlainShape): Rect {
  if (shape.type === 'box') return shape.rect;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { values } of shape.steps) {
    for (let at = 0; at + 1 < values.length; at += 2) {
      left = Math.min(left, values[at]!);
      right = Math.max(right, values[at]!);
      top = Math.min(top, values[at + 1]!);
      bottom = Math.max(bottom, values[at + 1]!);
    }
  }
  return left <= right
    ? { x: left, y: top, width: right - left, height: bottom - top }
    : { x: 0, y: 0, width: 0, height: 0 };
}

/** One line of a text as text, as wide as it was measured. */
function textOf(line: Words, inked: string): string {
  const { text, x, baseline, width, size, font, weight, italic, rightToLeft } = line;
  const slant = italic ? ' font-style="italic"' : '';
  // From right to left, a text starts at its right end (SVG 2 §11.7).
  const start = rightToLeft ? x + width : x;
  const along = rightToLeft ? ' direction="rtl"' : '';
  return `<text x="${short(start)}" y="${short(baseline)}" textLength="${short(width)}" lengthAdjust="spacingAndGlyphs" font-family="${escapeXml(font)}" font-size="${short(size)}" font-weight="${weight}"${slant}${along} xml:space="preserve" ${inked}>${escapeXml(text)}</text>`;
}

function colorOf(attribute: string, color: Rgba): string {
  const solid = hexOf({ ...color, a: 1 });
  return color.a < 1
    ? `${attribute}="${solid}" ${attribute}-opacity="${short(color.a)}"`
    : `${attribute}="${solid}"`;
}

function paintOf(
  fill: Fill,
  rect: Rect,
  attribute: string,
  define: (make: (id: string) => string) => string,
): string {
  if (fill.type === 'color') return colorOf(attribute, fill.color);
  const stops = fill.stops
    .map(({ at, color }) => {
      const opacity = color.a < 1 ? ` stop-opacity="${short(color.a)}"` : '';
      return `<stop offset="${short(at)}" stop-color="${hexOf({ ...color, a: 1 })}"${opacity}/>`;
    })
    .join('');
  const id = define((name) => {
    const start = `id="${name}" gradientUnits="userSpaceOnUse"`;
    if (fill.type === 'radial') {
      const { x, y, rx, ry } = radialIn(fill, rect.width, rect.height);
      return `<radialGradient ${start} cx="0" cy="0" r="1" gradientTransform="matrix(${short(rx)} 0 0 ${short(ry)} ${short(rect.x + x)} ${short(rect.y + y)})">${stops}</radialGradient>`;
    }
    const line = gradientLine(fill.angle, rect.width, rect.height);
    return `<linearGradient ${start} x1="${short(rect.x + line.x0)}" y1="${short(rect.y + line.y0)}" x2="${short(rect.x + line.x1)}" y2="${short(rect.y + line.y1)}">${stops}</linearGradient>`;
  });
  return `${attribute}="url(#${id})"`;
}
