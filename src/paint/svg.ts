import { gradientLine, hexOf, type Fill, type Rgba } from '../theme/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import { paint, type DrawList, type Painter } from './draw-list.ts';

/** A drawing as an SVG 1.1 file; texts are outlines, pictures are inside it. */
export function toSvg(list: DrawList): string {
  const body: string[] = [];
  const definitions: string[] = [];
  let names = 0;
  const files = new Map<Picture, string>();
  const define = (make: (id: string) => string): string => {
    const id = `d${++names}`;
    definitions.push(make(id));
    return id;
  };
  const painter: Painter = {
    box({ rect, radius, fill, border, opacity }) {
      const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
      if (fill) body.push(`<rect ${place(rect, radius)} ${paintOf(fill, rect, 'fill', define)}${fade}/>`);
      if (border) {
        const half = border.width / 2;
        const inner = {
          x: rect.x + half,
          y: rect.y + half,
          width: rect.width - border.width,
          height: rect.height - border.width,
        };
        const dash = border.dash === undefined ? '' : ` stroke-dasharray="${short(border.dash)}"`;
        if (inner.width > 0 && inner.height > 0) {
          body.push(
            `<rect ${place(inner, Math.max(0, radius - half))} fill="none" ${colorOf('stroke', border.color)} stroke-width="${short(border.width)}"${dash}${fade}/>`,
          );
        }
      }
    },
    picture({ rect, from, picture, opacity, pixelated }) {
      const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
      const { width, height } = picture;
      let id = files.get(picture);
      if (id === undefined) {
        // Each file stands in the drawing once, however often it is drawn.
        const data = `data:${picture.mime};base64,${toBase64(picture.bytes)}`;
        const size = `width="${short(width)}" height="${short(height)}"`;
        id = define((name) => `<image id="${name}" ${size} preserveAspectRatio="none" href="${data}"/>`);
        files.set(picture, id);
      }
      const { x, y, width: wide, height: high } = from ?? { x: 0, y: 0, width, height };
      const view = `viewBox="${[x, y, wide, high].map(exact).join(' ')}" preserveAspectRatio="none"`;
      const sharp = pixelated ? ' image-rendering="pixelated"' : '';
      body.push(`<svg ${place(rect, 0)} ${view}${fade}${sharp}><use href="#${id}"/></svg>`);
    },
    path({ steps, color, opacity }) {
      const fade = opacity < 1 ? ` opacity="${short(opacity)}"` : '';
      const d = steps.map(({ type, values }) => type + values.map(short).join(' ')).join('');
      body.push(`<path d="${d}" ${colorOf('fill', color)}${fade}/>`);
    },
    clip({ rect, radius }) {
      const id = define((name) => `<clipPath id="${name}"><rect ${place(rect, radius)}/></clipPath>`);
      body.push(`<g clip-path="url(#${id})">`);
    },
    turn({ matrix }) {
      body.push(`<g transform="matrix(${matrix.map(exact).join(' ')})">`);
    },
    restore() {
      body.push('</g>');
    },
  };
  paint(list, painter);
  const { width, height } = list;
  const head = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`;
  const defs = definitions.length === 0 ? '' : `<defs>${definitions.join('')}</defs>\n`;
  return `${head}\n<title>${escapeXml(list.title)}</title>\n${defs}${body.join('\n')}\n</svg>\n`;
}

/** Characters that mean something in XML, made harmless; control characters XML forbids are left out. */
function escapeXml(text: string): string {
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"']/g, (letter) => `&#${letter.charCodeAt(0)};`);
}

function short(value: number): string {
  return String(Math.round(value * 1000) / 1000 + 0);
}

function exact(value: number): string {
  return String(Math.round(value * 1e6) / 1e6 + 0);
}

function place(rect: Rect, radius: number): string {
  const round = radius > 0 ? ` rx="${short(radius)}"` : '';
  return `x="${short(rect.x)}" y="${short(rect.y)}" width="${short(rect.width)}" height="${short(rect.height)}"${round}`;
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
  const line = gradientLine(fill.angle, rect.width, rect.height);
  const stops = fill.stops
    .map(({ at, color }) => {
      const opacity = color.a < 1 ? ` stop-opacity="${short(color.a)}"` : '';
      return `<stop offset="${short(at)}" stop-color="${hexOf({ ...color, a: 1 })}"${opacity}/>`;
    })
    .join('');
  const id = define(
    (name) =>
      `<linearGradient id="${name}" gradientUnits="userSpaceOnUse" x1="${short(rect.x + line.x0)}" y1="${short(rect.y + line.y0)}" x2="${short(rect.x + line.x1)}" y2="${short(rect.y + line.y1)}">${stops}</linearGradient>`,
  );
  return `${attribute}="url(#${id})"`;
}

const digits = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** Base64 of RFC 4648 §4. */
function toBase64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 3) {
    const three = (bytes[at]! << 16) | ((bytes[at + 1] ?? 0) << 8) | (bytes[at + 2] ?? 0);
    parts.push(
      digits[three >> 18]! +
        digits[(three >> 12) & 63]! +
        (at + 1 < bytes.length ? digits[(three >> 6) & 63]! : '=') +
        (at + 2 < bytes.length ? digits[three & 63]! : '='),
    );
  }
  return parts.join('');
}
