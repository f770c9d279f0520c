import type { DocumentSource, WidgetSource } from 'pimbot';

/** Every scaling there is, with and without limits, steps and bars. */
export const references: readonly NonNullable<DocumentSource['reference']>[] = [
  { scaling: 'contain', size: '800x450' },
  { scaling: 'none' },
  { scaling: 'cover', size: '640x480' },
  { scaling: 'width', size: '700x400' },
  { scaling: 'height', size: '700x400', spare: 'bars' },
  { scaling: 'contain', size: '800x450', limits: '0.8..1.2' },
  { scaling: 'contain', size: '400x300', step: 0.25 },
  { scaling: 'whole', size: '320x200' },
  { scaling: 'physical' },
  { scaling: 'contain', size: '640x360', spare: 'bars' },
  { scaling: 'blend', size: '800x450' },
  { scaling: 'blend', size: '640x480', blend: 0.3, limits: '0.7..' },
];

const words = ['Depth', 'A letter with a red seal', 'Coffee is on when you dock, and the lamps are lit.'];

/** The same with something to be seen in each, and words in those that hold nothing else. */
export function seen(widget: WidgetSource, nth: number): WidgetSource {
  const look = { background: '#112233' };
  if (widget.children) return { ...widget, look, children: widget.children.map(seen) };
  if (nth % 3 > 0) return { ...widget, look };
  const text: WidgetSource = {
    ...widget,
    kind: 'text',
    wrap: nth % 2 === 0,
    text: words[nth % words.length],
  };
  // Some are shortened where they have too little room, on one line or on the last of two.
  if (nth % 12 === 0) return { ...text, 'max-lines': 2, 'ellipsis': 'end' };
  if (nth % 12 === 3) return { ...text, ellipsis: nth % 24 === 3 ? 'middle' : 'end' };
  // Others shrink to a third.
  return nth % 12 === 6 || nth % 24 === 9 ? { ...text, 'least-font-size': 8 } : text;
}
