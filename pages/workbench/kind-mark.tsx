/*
 * The sign of a kind in the list of widgets: drawn, as few fonts have signs for them. Lines on 16 × 16, of which `fill` are filled.
 */

interface Sign {
  readonly lines?: string;
  readonly fill?: string;
}

const panel = 'M2.5 3.5h11v9h-11z';
const signs: { readonly [kind: string]: Sign } = {
  panel: { lines: panel },
  text: { lines: 'M3.5 5V3.5h9V5M8 3.5v9M6.5 12.5h3' },
  image: { lines: `${panel}M2.5 11l3.5-3.5 3 3 2-1.5 2.5 2.5`, fill: 'M10.2 5.2h1.8v1.8h-1.8z' },
  button: {
    lines: 'M4.5 5h7a2 2 0 0 1 2 2v2a2 2 0 0 1-2 2h-7a2 2 0 0 1-2-2V7a2 2 0 0 1 2-2z',
    fill: 'M5.5 7.4h5v1.2h-5z',
  },
  checkbox: { lines: 'M3.5 3.5h9v9h-9zM5.5 8l2 2 3.5-4' },
  switch: { lines: 'M5.5 5h5a3 3 0 0 1 0 6h-5a3 3 0 0 1 0-6z', fill: 'M10.5 6.5a1.5 1.5 0 1 1-.01 0z' },
  slider: { lines: 'M2.5 8h11', fill: 'M9.2 5.5h2v5h-2z' },
  textbox: { lines: 'M2.5 4.5h11v7h-11zM5 6.5v3' },
  meter: { lines: 'M2.5 6h11v4h-11z', fill: 'M3 6.5h6v3H3z' },
  separator: { lines: 'M2.5 8h11' },
  tabs: { lines: 'M2.5 12.5v-9h5v3h6v6zM7.5 6.5v-3h4v3' },
  dialog: { lines: `${panel}M2.5 6h11`, fill: 'M8.5 9.2h3.4v1.6H8.5z' },
  tooltip: { lines: 'M2.5 3.5h11v6.5H9.5L8 12.5 6.5 10h-4z' },
  canvas: { lines: `${panel}M8 5.5v5M5.5 8h5` },
  scrollbar: { lines: 'M6 2.5h4v11H6z', fill: 'M7 4.5h2v4H7z' },
  radiogroup: { lines: 'M8 3a5 5 0 1 1-.01 0z', fill: 'M8 5.8a2.2 2.2 0 1 1-.01 0z' },
  listbox: { lines: `${panel}M5 6.2h6M5 8h6M5 9.8h4` },
};

export function KindMark({ kind }: { readonly kind: string }) {
  const { lines, fill } = signs[kind] ?? {};
  return (
    <svg class="mark" viewBox="0 0 16 16" aria-hidden="true">
      {lines !== undefined && <path d={lines} fill="none" stroke="currentColor" />}
      {fill !== undefined && <path d={fill} fill="currentColor" />}
    </svg>
  );
}
