import { plainLine } from '../../paint/index.ts';
import type { Failure, Polygon } from '../../proof/index.ts';
import type { FontBook } from '../../text/index.ts';
import type { Rgba } from '../../theme/index.ts';
import { sentenceOf } from '../wording.ts';
import { shareText, sizeText } from './told.ts';

/* What the map and the strip of a proof have in common: colours, what has one of its own, words in lines. */

function rgb(r: number, g: number, b: number): Rgba {
  return { r: r / 255, g: g / 255, b: b / 255, a: 1 };
}

export const paper: Rgba = rgb(0x10, 0x16, 0x1d);
export const ink: Rgba = rgb(0xf2, 0xf5, 0xf7);
export const quiet: Rgba = rgb(0xaf, 0xbc, 0xc7);
export const good: Rgba = rgb(0x1d, 0x6b, 0x57);
export const beyond: Rgba = rgb(0x1b, 0x24, 0x2d);
export const grid: Rgba = { ...ink, a: 0.16 };
export const open: Rgba = rgb(0x7b, 0x86, 0x90);

/** Colours that also those tell apart who see few (Okabe and Ito); each has stripes of its own beside. */
export const kinds: readonly { readonly color: Rgba; readonly way: -1 | 0 | 1; readonly pitch: number }[] = [
  { color: rgb(0xd5, 0x5e, 0x00), way: 1, pitch: 12 },
  { color: rgb(0xe6, 0x9f, 0x00), way: -1, pitch: 12 },
  { color: rgb(0xcc, 0x79, 0xa7), way: 0, pitch: 10 },
  { color: rgb(0x56, 0xb4, 0xe9), way: 1, pitch: 7 },
  { color: rgb(0xf0, 0xe4, 0x42), way: -1, pitch: 7 },
  { color: rgb(0x9a, 0x8c, 0xe0), way: 0, pitch: 6 },
];

/** What has a colour of its own on a picture of a proof. */
export interface Group {
  readonly says: string;
  readonly detail: string;
  readonly parts: readonly Polygon[];
}

/** What has a colour of its own; the rest together. */
export function grouped(failures: readonly Failure[]): readonly Group[] {
  const own = failures.length <= kinds.length ? failures : failures.slice(0, kinds.length - 1);
  const rest = failures.slice(own.length);
  const groups = own.map(({ finding, parts, share, worst }) => ({
    says: `${finding.widget} ${sentenceOf(finding)}`,
    detail: `worst on ${sizeText(worst.x, worst.y)}, ${shareText(share)} of the sizes`,
    parts,
  }));
  if (rest.length === 0) return groups;
  const parts = rest.flatMap((one) => one.parts);
  const names = [...new Set(rest.map(({ finding }) => finding.widget))];
  const more = names.length > 3 ? ` and ${names.length - 3} more` : '';
  const detail = `of ${names.slice(0, 3).join(', ')}${more}`;
  return [...groups, { says: `${rest.length} others`, detail, parts }];
}

/** Words in lines no wider than so many px. */
export function wrapped(text: string, most: number, size: number, fonts: FontBook): readonly string[] {
  const found: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && plainLine(longer, fonts, { size, weight: 700 }).width > most) {
      found.push(line);
      line = word;
    } else line = longer;
  }
  return [...found, line];
}
