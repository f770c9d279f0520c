/** A part of a text: words with what changes how they are set, or a picture among them. */
export type MarkupPart =
  | { readonly type: 'words'; readonly text: string; readonly how: string | undefined }
  | { readonly type: 'icon'; readonly picture: string; readonly how: string | undefined };

/** `\[`, `![picture](how)`, `[words](how)`; in the words, brackets are written `\[` and `\]`. */
const marks =
  /\\([\\[\]])|!\[([^[\]()\\]+)\](?:\(([^()[\]]*)\))?|\[((?:[^[\]\\]|\\[\\[\]])*)\]\(([^()[\]]*)\)/g;
const anyMark = /[\\[\]]/;
const everyMark = /[\\[\]]/g;
const escaped = /\\([\\[\]])/g;

/** Whether a text may hold marks or escapes at all. */
export function hasMarkup(text: string): boolean {
  return text.includes('[') || text.includes('\\');
}

/** A value as it has to be written so that it stands for itself. */
export function withoutMarkup(value: string): string {
  return anyMark.test(value) ? value.replace(everyMark, '\\$&') : value;
}

/**
 * The parts of a text in which `[words](how)` sets words in another way and `![picture]` puts a picture among them
 * (docs/text.md). What is no such mark stands for itself.
 */
export function parseMarkup(text: string): MarkupPart[] {
  const parts: MarkupPart[] = [];
  const words = (said: string) => {
    if (said === '') return;
    const last = parts.at(-1);
    if (last?.type === 'words' && last.how === undefined)
      parts[parts.length - 1] = { ...last, text: last.text + said };
    else parts.push({ type: 'words', text: said, how: undefined });
  };
  let from = 0;
  for (const match of text.matchAll(marks)) {
    words(text.slice(from, match.index));
    from = match.index + match[0].length;
    const [, escape, picture, pictureHow, spoken, how] = match;
    if (escape !== undefined) words(escape);
    else if (picture !== undefined) parts.push({ type: 'icon', picture: picture.trim(), how: pictureHow });
    else if (spoken !== '') parts.push({ type: 'words', text: spoken!.replace(escaped, '$1'), how });
  }
  words(text.slice(from));
  return parts;
}

/** One thing a mark says of its words. */
export type MarkupWord =
  | { readonly type: 'style'; readonly name: string }
  | { readonly type: 'color'; readonly color: string }
  | { readonly type: 'weight'; readonly weight: number }
  /** A multiple of the size around, or a size in u. */
  | { readonly type: 'size'; readonly times?: number; readonly u?: number };

/** What stands in the round brackets: styles, `$token` or `#colour`, a weight `700`, a size `120%` or `32u`. */
export function markupWords(how: string): MarkupWord[] {
  return how
    .split(/[\s,]+/)
    .filter((word) => word !== '')
    .map((word): MarkupWord => {
      if (word.startsWith('$') || word.startsWith('#')) return { type: 'color', color: word };
      const number = /^(\d{1,4}(?:\.\d+)?)(%|u)?$/.exec(word);
      if (!number) return { type: 'style', name: word };
      const value = Number(number[1]);
      if (number[2] === '%') return { type: 'size', times: value / 100 };
      return number[2] === 'u' ? { type: 'size', u: value } : { type: 'weight', weight: value };
    });
}
