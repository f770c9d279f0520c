/*
 * Editing a line of text: where the caret is, what is selected, what a key does. Pure. Places are UTF-16 units of the text, and only
 * those between what a reader takes for one letter (grapheme clusters of Unicode, UAX 29).
 */

/** A line of text with a caret; what lies between `from` and `at` is selected. */
export interface TextEdit {
  readonly text: string;
  readonly at: number;
  readonly from: number;
}

export type EditAct =
  | { readonly type: 'insert'; readonly text: string }
  | { readonly type: 'delete'; readonly to: TextMove }
  | { readonly type: 'move'; readonly to: TextMove; readonly selects: boolean }
  | { readonly type: 'select-all' };

export type TextMove = 'previous' | 'next' | 'previous-word' | 'next-word' | 'start' | 'end';

/** What a key asks for (ARIA Authoring Practices, textbox); undefined for keys that do nothing to a text. */
export function editOfKey(key: string, shift: boolean, ctrl: boolean): EditAct | 'copy' | 'cut' | undefined {
  const move = (to: TextMove) => ({ type: 'move', to, selects: shift }) as const;
  switch (key) {
    case 'ArrowLeft':
      return move(ctrl ? 'previous-word' : 'previous');
    case 'ArrowRight':
      return move(ctrl ? 'next-word' : 'next');
    case 'Home':
      return move('start');
    case 'End':
      return move('end');
    case 'Backspace':
      return { type: 'delete', to: ctrl ? 'previous-word' : 'previous' };
    case 'Delete':
      return { type: 'delete', to: ctrl ? 'next-word' : 'next' };
  }
  if (!ctrl) return isLetter(key) ? { type: 'insert', text: key } : undefined;
  switch (key.toLowerCase()) {
    case 'a':
      return { type: 'select-all' };
    case 'c':
      return 'copy';
    case 'x':
      return 'cut';
    default:
      return undefined;
  }
}

/** Whether the name of a key is what it types: names of other keys have several letters of ASCII (UI Events, key values). */
function isLetter(key: string): boolean {
  return key.length === 1 || !/^[A-Za-z0-9]+$/.test(key);
}

export function selected({ text, at, from }: TextEdit): string {
  return text.slice(Math.min(at, from), Math.max(at, from));
}

export function edited(before: TextEdit, act: EditAct, rightToLeft: boolean): TextEdit {
  const { text, at, from } = before;
  switch (act.type) {
    case 'insert':
      return replaced(before, oneLine(act.text));
    case 'select-all':
      return { text, at: text.length, from: 0 };
    case 'delete': {
      if (at !== from) return replaced(before, '');
      return replaced({ text, at, from: placeAt(text, at, act.to, false) }, '');
    }
    case 'move': {
      const isPlain = act.to === 'previous' || act.to === 'next';
      // An arrow goes to the end of what is selected on its side.
      if (at !== from && !act.selects && isPlain) {
        const isOnward = (act.to === 'next') !== rightToLeft;
        const end = isOnward ? Math.max(at, from) : Math.min(at, from);
        return { text, at: end, from: end };
      }
      const to = placeAt(text, at, act.to, rightToLeft);
      return { text, at: to, from: act.selects ? from : to };
    }
  }
}

function replaced({ text, at, from }: TextEdit, by: string): TextEdit {
  const [start, end] = [Math.min(at, from), Math.max(at, from)];
  const place = start + by.length;
  return { text: text.slice(0, start) + by + text.slice(end), at: place, from: place };
}

/** A textbox has one line: what ends one is a space. */
function oneLine(text: string): string {
  return text.replace(/\r\n|[\r\n\u2028\u2029]/g, ' ').replace(/\p{Cc}/gu, '');
}

/** Where the caret is after a move. Arrows go to the side they point to. */
function placeAt(text: string, at: number, to: TextMove, rightToLeft: boolean): number {
  switch (to) {
    case 'start':
      return 0;
    case 'end':
      return text.length;
    case 'previous':
    case 'next': {
      const places = placesIn(text);
      const isOnward = (to === 'next') !== rightToLeft;
      return isOnward
        ? (places.find((place) => place > at) ?? text.length)
        : (places.findLast((place) => place < at) ?? 0);
    }
    case 'previous-word':
    case 'next-word': {
      const starts = wordStarts(text);
      const isOnward = (to === 'next-word') !== rightToLeft;
      return isOnward
        ? (starts.find((place) => place > at) ?? text.length)
        : (starts.findLast((place) => place < at) ?? 0);
    }
  }
}

/** Between its letters. */
export function placesIn(text: string): readonly number[] {
  const segments = [...new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)];
  return [...segments.map(({ index }) => index), text.length];
}

function wordStarts(text: string): readonly number[] {
  return [...new Intl.Segmenter('en', { granularity: 'word' }).segment(text)].flatMap(
    ({ index, isWordLike }) => (isWordLike ? [index] : []),
  );
}
