import { valueName, type MessagePart, type Rgba } from '../document/index.ts';

/* What a game reads of the notations of other standards without their parsers. */

/** A colour as `#rgb`, `#rgba`, `#rrggbb` or `#rrggbbaa` (CSS Color 4 §5.2); undefined for anything else. */
export function hexColor(text: string): Rgba | undefined {
  const digits = /^#([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.exec(text.trim())?.[1];
  if (digits === undefined) return undefined;
  const each = digits.length < 6 ? 1 : 2;
  const part = (at: number) => {
    const one = digits.slice(at * each, (at + 1) * each);
    return one === '' ? 1 : Number.parseInt(each === 1 ? one + one : one, 16) / 255;
  };
  return { r: part(0), g: part(1), b: part(2), a: part(3) };
}

const filledPlace = new RegExp(
  String.raw`\{\s*(${valueName}|[^\p{White_Space}\p{Pattern_Syntax}]+)\s*\}`,
  'gu',
);

/** A message of words and `{names}` alone; undefined for one that chooses, formats or quotes. */
export function plainMessage(text: string): MessagePart[] | undefined {
  const parts: MessagePart[] = [];
  let end = 0;
  for (const match of text.matchAll(filledPlace)) {
    if (match.index > end) parts.push({ type: 0, value: text.slice(end, match.index) });
    parts.push({ type: 1, value: match[1]! });
    end = match.index + match[0].length;
  }
  if (end < text.length) parts.push({ type: 0, value: text.slice(end) });
  return parts.some(({ type, value }) => type === 0 && /[{}']/.test(value!)) ? undefined : parts;
}
