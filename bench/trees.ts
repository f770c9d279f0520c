import type { DocumentSource, WidgetSource } from 'pimbot';

/** A seeded generator (mulberry32): the same trees on every machine. */
export function random(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A tree of panels and the CSS that says the same: ours and the browser's are made from one description. */
export interface BenchTree {
  readonly document: DocumentSource;
  readonly html: string;
  readonly count: number;
}

/**
 * A HUD-like tree of `count` widgets: panels at corners and edges, in them columns of rows of fixed and
 * filling boxes. Every width follows from the screen's, so that another screen moves everything.
 */
export function hudTree(count: number, seed: number): BenchTree {
  const next = random(seed);
  let left = count;
  const html: string[] = [];
  const panels: WidgetSource[] = [];
  const size = () => 8 + Math.floor(next() * 40);
  while (left > 0) {
    left--;
    const width = 8 + Math.floor(next() * 14);
    const rows: WidgetSource[] = [];
    const rowsHtml: string[] = [];
    const rowCount = Math.min(Math.ceil(left / 2), 3 + Math.floor(next() * 5));
    for (let row = 0; row < rowCount && left > 0; row++) {
      left--;
      const cells: WidgetSource[] = [];
      const cellsHtml: string[] = [];
      const cellCount = Math.min(left, 2 + Math.floor(next() * 4));
      for (let cell = 0; cell < cellCount; cell++) {
        left--;
        const height = size();
        if (cell % 2 === 1) {
          cells.push({ width: 'fill', height });
          cellsHtml.push(`<div style="flex:1 1 0;min-width:0;height:${height}px"></div>`);
        } else {
          const wide = size();
          cells.push({ width: wide, height });
          cellsHtml.push(`<div style="flex:none;width:${wide}px;height:${height}px"></div>`);
        }
      }
      rows.push({ arrange: 'row', gap: 4, padding: 3, align: 'center', children: cells });
      rowsHtml.push(
        `<div style="display:flex;flex:none;gap:4px;padding:3px;align-items:center">${cellsHtml.join('')}</div>`,
      );
    }
    const right = next() < 0.5;
    const bottom = next() < 0.5;
    const x = Math.floor(next() * 600);
    const y = Math.floor(next() * 400);
    panels.push({
      anchor: `${right ? 'right' : 'left'} ${bottom ? 'bottom' : 'top'}`,
      offset: [right ? -x : x, bottom ? -y : y],
      width: `${width}%`,
      padding: 8,
      arrange: 'column',
      gap: 4,
      children: rows,
    });
    html.push(
      `<div style="position:absolute;${right ? 'right' : 'left'}:${x}px;${bottom ? 'bottom' : 'top'}:${y}px;width:${width}%;padding:8px;display:flex;flex-direction:column;gap:4px">${rowsHtml.join('')}</div>`,
    );
  }
  return {
    document: { pimbot: 1, reference: { scaling: 'none' }, views: { bench: { children: panels } } },
    html: html.join(''),
    count,
  };
}

/**
 * `count` labels with a number in columns, as a document and as HTML.
 * @param text False for boxes as large as the labels in their place.
 */
export function labelTree(count: number, text = true): BenchTree & { readonly names: readonly string[] } {
  const names = Array.from({ length: count }, (_, index) => (index === 500 ? 'depth' : `v${index}`));
  const values = Object.fromEntries(names.map((name, index) => [name, 100 + index]));
  const columns: WidgetSource[] = [];
  let html = '';
  const each = 25;
  for (let from = 0; from < count; from += each) {
    const part = names.slice(from, from + each);
    const left = ((from / each) % 8) * 12;
    const top = Math.floor(from / each / 8) * 190;
    columns.push({
      anchor: 'left top',
      offset: [`${left}%`, top],
      width: '11%',
      arrange: 'column',
      children: part.map((name) =>
        text ? { kind: 'text', text: `Reading {${name}} m` } : { 'min-width': 150, 'height': 30 },
      ),
    });
    html += `<div style="position:absolute;left:${left}%;top:${top}px;width:11%;display:flex;flex-direction:column">${part
      .map(
        (_, at) =>
          `<div class="label" style="flex:none;font:24px/30px sans-serif">Reading ${100 + from + at} m</div>`,
      )
      .join('')}</div>`;
  }
  const document: DocumentSource = {
    pimbot: 1,
    reference: { scaling: 'none' },
    cases: { typical: values },
    views: { bench: { children: columns } },
  };
  return { document, html, count: count + columns.length, names };
}
