import type { WidgetSource } from 'pimbot';
import { random } from '../../bench/trees.ts';

/*
 * Random trees, each written twice: as a document and as HTML with CSS. Nothing of the engine is used here. What
 * CSS says differently on purpose (docs/layout-model.md, 4.9) is left out.
 */

/** A tree in both notations. */
export interface Case {
  readonly width: number;
  readonly height: number;
  readonly direction: 'ltr' | 'rtl';
  readonly children: readonly WidgetSource[];
  readonly html: string;
  /** Depth of each widget, by its id. */
  readonly depths: ReadonlyMap<string, number>;
}

interface Made {
  readonly widget: WidgetSource;
  readonly css: Record<string, string>;
  readonly inner: string;
  readonly id: string;
}

type Parent = 'row' | 'column' | 'wrap' | 'grid' | 'layers' | 'free';

/** What is known of the box a child is put into. */
interface Place {
  readonly parent: Parent;
  /** Whether shares of the parent mean the same in CSS: its size is said. */
  readonly definiteWidth: boolean;
  readonly definiteHeight: boolean;
  readonly depth: number;
  /** Of a free parent: its padding, which CSS does not take from what absolute boxes refer to. */
  readonly padding: readonly [number, number, number, number];
  readonly align: string;
  readonly justify: string;
}

const cssAlign: Record<string, string> = {
  start: 'flex-start',
  center: 'center',
  end: 'flex-end',
  stretch: 'stretch',
  baseline: 'baseline',
};
const cssJustify: Record<string, string> = {
  ...cssAlign,
  'space-between': 'space-between',
  'space-around': 'space-around',
  'space-evenly': 'space-evenly',
};
const cellAlign: Record<string, string> = {
  start: 'start',
  center: 'center',
  end: 'end',
  stretch: 'stretch',
};

/** A case of a seed. */
export function makeCase(seed: number): Case {
  const next = random(seed);
  const whole = (least: number, most: number) => least + Math.floor(next() * (most - least + 1));
  const chance = (share: number) => next() < share;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const depths = new Map<string, number>();
  let ids = 0;

  const sizeOn = (
    axis: 'x' | 'y',
    place: Place,
    widget: Record<string, unknown>,
    css: Record<string, string>,
    container: boolean,
  ): boolean => {
    const key = axis === 'x' ? 'width' : 'height';
    const along =
      place.parent === 'row' || place.parent === 'wrap'
        ? axis === 'x'
        : place.parent === 'column'
          ? axis === 'y'
          : false;
    const flows = place.parent === 'row' || place.parent === 'column' || place.parent === 'wrap';
    const definite = axis === 'x' ? place.definiteWidth : place.definiteHeight;
    const way = next();
    let said = false;
    if (way < 0.4 || place.parent === 'free') {
      const u = container ? whole(60, 400) : whole(0, 160);
      widget[key] = u;
      css[key] = `${u}px`;
      said = true;
    } else if (way < 0.55 && definite && place.parent !== 'wrap') {
      const share = whole(5, 90);
      const u = whole(-20, 40);
      widget[key] = u === 0 ? `${share}%` : `${share}% ${u < 0 ? '-' : '+'} ${Math.abs(u)}`;
      css[key] = `calc(${share}% + ${u}px)`;
    } else if (way < 0.8 && along && definite && !container) {
      const weight = whole(1, 4);
      widget[key] = `fill ${weight}`;
      css.flex = `${weight} 1 0px`;
      css[`min-${key}`] = '0px';
    } else if (way < 0.85 && flows && !along && !container) {
      widget[key] = 'fill';
      css['align-self'] = 'stretch';
      return false;
    } else if (way < 0.9) {
      widget[key] = 'content';
      // Ours gives way down to its least width, as fit-content does.
      css[key] = axis === 'y' ? 'max-content' : along ? 'auto' : 'fit-content';
    }
    if (along && css.flex === undefined) {
      const shrinks = widget[key] === undefined || widget[key] === 'content';
      css.flex = shrinks ? '0 1 auto' : 'none';
      if (shrinks) css[`min-${key}`] = 'auto';
    }
    if (chance(0.15)) {
      const least = container ? whole(60, 200) : whole(0, 140);
      widget[`min-${key}`] = least;
      css[`min-${key}`] = `${least}px`;
    }
    // From which size an item gives way is not the same where a maximum holds it.
    if (chance(0.15) && css.flex !== '0 1 auto') {
      const most = container ? whole(120, 300) : whole(20, 300);
      widget[`max-${key}`] = most;
      css[`max-${key}`] = `${most}px`;
    }
    return said;
  };

  const sides = (most: number): [number, number, number, number] => [
    whole(0, most),
    whole(0, most),
    whole(0, most),
    whole(0, most),
  ];

  const anchorFree = (place: Place, widget: Record<string, unknown>, css: Record<string, string>) => {
    css.position = 'absolute';
    const [top, right, bottom, left] = place.padding;
    const names: string[] = [];
    const offsets: number[] = [];
    const insets: Record<string, number> = {};
    const pivots: number[] = [];
    const shift: string[] = [];
    for (const axis of ['x', 'y'] as const) {
      const [start, end, pads, before, after, key] =
        axis === 'x'
          ? (['left', 'right', left + right, left, right, 'width'] as const)
          : (['top', 'bottom', top + bottom, top, bottom, 'height'] as const);
      const room = `(100% - ${pads}px)`;
      if (chance(0.3)) {
        const from = pick([0, 0, 0.1, 0.25]);
        const to = pick([1, 1, 0.9, 0.6]);
        // Insets that cross leave nothing at the pivot with us, at the start in CSS.
        insets[start] = place.depth === 0 ? whole(0, 8) : 0;
        insets[end] = place.depth === 0 ? whole(0, 8) : 0;
        delete widget[key];
        for (const limit of ['min', 'max']) {
          delete widget[`${limit}-${key}`];
          delete css[`${limit}-${key}`];
        }
        css[key] = 'auto';
        css[start] = `calc(${before}px + ${room} * ${from} + ${insets[start]}px)`;
        css[end] = `calc(${after}px + ${room} * ${1 - to} + ${insets[end]}px)`;
        names.push(`${from * 100}%..${to * 100}%`);
        offsets.push(0);
        pivots.push(0.5);
        shift.push('0');
      } else {
        const at = pick([0, 0, 0.5, 1, 1, 0.3]);
        const pivot = chance(0.6) ? at : pick([0, 0.5, 1]);
        const offset = whole(-40, 40);
        css[start] = `calc(${before}px + ${room} * ${at} + ${offset}px)`;
        names.push(`${at * 100}%`);
        offsets.push(offset);
        pivots.push(pivot);
        shift.push(`${-pivot * 100}%`);
        const said = widget[key] as string | number | undefined;
        if (typeof said === 'string' && said.includes('%')) {
          const [, share, sign, u] = /^(\d+)%(?: ([+-]) (\d+))?$/.exec(said)!;
          css[key] = `calc(${room} * ${Number(share) / 100} + ${sign === '-' ? '-' : ''}${u ?? 0}px)`;
        }
      }
    }
    widget.anchor = names.join(' ');
    widget.offset = offsets;
    widget.pivot = pivots;
    if (Object.keys(insets).length > 0) widget.inset = insets;
    css.transform = `translate(${shift.join(',')})`;
  };

  const make = (place: Place): Made => {
    const id = `w${ids++}`;
    depths.set(id, place.depth);
    const widget: Record<string, unknown> = { id };
    const css: Record<string, string> = {};
    const container = place.depth < 4 && chance(place.depth === 0 ? 1 : 0.55);
    if (
      !container &&
      chance(0.12) &&
      place.parent !== 'grid' &&
      place.parent !== 'layers' &&
      place.parent !== 'wrap'
    ) {
      aspectLeaf(place, widget, css);
    } else {
      const saidWidth = sizeOn('x', place, widget, css, container);
      const saidHeight = sizeOn('y', place, widget, css, container);
      if (place.parent === 'free') anchorFree(place, widget, css);
      else {
        if (chance(0.2)) {
          const margin = sides(12);
          widget.margin = margin;
          css.margin = margin.map((side) => `${side}px`).join(' ');
        }
        selfAlign(place, widget, css);
      }
      if (container) {
        const inside = fillHolder(
          place,
          widget,
          css,
          saidWidth && widget['min-width'] === undefined,
          saidHeight && widget['min-height'] === undefined,
        );
        return { widget: widget, css, inner: inside, id };
      }
    }
    return { widget: widget, css, inner: '', id };
  };

  const aspectLeaf = (place: Place, widget: Record<string, unknown>, css: Record<string, string>) => {
    const ratio = pick(['1/1', '16/9', '3/4', '2/1']);
    const key = pick(['width', 'height'] as const);
    const size = whole(10, 150);
    widget.aspect = ratio;
    widget[key] = size;
    css['aspect-ratio'] = ratio;
    css[key] = `${size}px`;
    css.flex = 'none';
    if (place.parent === 'free') {
      widget.anchor = 'left top';
      css.position = 'absolute';
      css.left = `${place.padding[3]}px`;
      css.top = `${place.padding[0]}px`;
    } else {
      widget['align-self'] = 'start';
      css['align-self'] = 'flex-start';
    }
  };

  const selfAlign = (place: Place, widget: Record<string, unknown>, css: Record<string, string>) => {
    if (place.parent === 'grid' || place.parent === 'layers') {
      if (chance(0.3))
        css['align-self'] = cellAlign[(widget['align-self'] = pick(['start', 'center', 'end', 'stretch']))]!;
      if (chance(0.3))
        css['justify-self'] =
          cellAlign[(widget['justify-self'] = pick(['start', 'center', 'end', 'stretch']))]!;
    } else if (chance(0.2) && css['align-self'] === undefined) {
      css['align-self'] = cssAlign[(widget['align-self'] = pick(['start', 'center', 'end', 'stretch']))]!;
    }
  };

  const fillHolder = (
    place: Place,
    widget: Record<string, unknown>,
    css: Record<string, string>,
    definiteWidth: boolean,
    definiteHeight: boolean,
  ): string => {
    const free = place.parent === 'free' || place.depth === 0 || (definiteWidth && definiteHeight);
    const arrange = pick<Parent>(
      free && definiteWidth && definiteHeight
        ? ['row', 'column', 'wrap', 'grid', 'layers', 'free', 'free']
        : ['row', 'column', 'row', 'column', 'wrap', 'grid', 'layers'],
    );
    if ((arrange === 'grid' || arrange === 'layers') && place.parent !== 'free' && !definiteWidth) {
      // How narrow CSS lets a grid become has no word of ours: its width is said.
      const u = whole(60, 400);
      widget.width = u;
      css.width = `${u}px`;
      if (place.parent !== 'column') css.flex = 'none';
    }
    widget.arrange = arrange;
    // A padding that is wider than a span is held at the pivot by us, at the start by CSS.
    const spans = typeof widget.anchor === 'string' && widget.anchor.includes('..');
    const padding = !spans && chance(0.5) ? sides(16) : ([0, 0, 0, 0] as [number, number, number, number]);
    widget.padding = padding;
    css.padding = padding.map((side) => `${side}px`).join(' ');
    const inFlow = place.parent !== 'free' && place.depth > 0 && arrange !== 'free';
    if (inFlow && place.definiteWidth && padding[1] % 4 === 3) {
      // A padding at the sides may be a share of what is around; above and below CSS takes one of its width.
      const [top, right, bottom, left] = padding;
      widget.padding = [top, `${right}%`, bottom, left];
      css.padding = `${top}px ${right}% ${bottom}px ${left}px`;
    }
    const rowGap = chance(0.5) ? whole(0, 14) : 0;
    const columnGap = chance(0.5) ? whole(0, 14) : rowGap;
    if (arrange !== 'free') {
      // A gap between columns may be a share of the room they stand in, as in CSS.
      const isShare = definiteWidth && columnGap % 3 === 2;
      widget.gap = [rowGap, isShare ? `${columnGap}%` : columnGap];
      css.gap = `${rowGap}px ${columnGap}${isShare ? '%' : 'px'}`;
    }
    let align = pick(['start', 'center', 'end', 'stretch']);
    let justify = '';
    if (arrange === 'row' || arrange === 'column' || arrange === 'wrap') {
      css.display = 'flex';
      const reverse = chance(0.2);
      if (reverse) widget.reverse = true;
      css['flex-direction'] = `${arrange === 'column' ? 'column' : 'row'}${reverse ? '-reverse' : ''}`;
      if (arrange === 'wrap') {
        css['flex-wrap'] = 'wrap';
        css['align-content'] = 'flex-start';
      }
      // What too little room makes of space-around is the other end in a reversed row of CSS.
      justify = pick([
        'start',
        'center',
        'end',
        'space-between',
        ...(reverse ? [] : ['space-around', 'space-evenly']),
      ]);
      if (arrange === 'row' && chance(0.15)) align = 'baseline';
      css['align-items'] = cssAlign[align]!;
      css['justify-content'] = cssJustify[justify]!;
    } else if (arrange === 'grid' || arrange === 'layers') {
      css.display = 'grid';
      css['justify-content'] = 'start';
      css['align-content'] = 'start';
      justify = pick(['start', 'center', 'end', 'stretch']);
      css['align-items'] = cellAlign[align]!;
      css['justify-items'] = cellAlign[justify]!;
    }
    if (arrange !== 'free') {
      widget.align = align;
      widget.justify = justify;
    }
    const count = whole(0, 5);
    let columns = 0;
    let spansColumns = false;
    let spansRows = false;
    if (arrange === 'layers') {
      css['grid-template-columns'] = 'minmax(0,1fr)';
      css['grid-template-rows'] = 'minmax(0,1fr)';
    }
    if (arrange === 'grid') {
      const way = next();
      if (way < 0.3 && definiteWidth) {
        const cell = whole(20, 90);
        const grows = chance(0.5);
        widget.columns = `auto ${cell}${grows ? '..' : ''}`;
        css['grid-template-columns'] = `repeat(auto-fit, ${grows ? `minmax(${cell}px,1fr)` : `${cell}px`})`;
      } else {
        columns = whole(1, 4);
        const tracks = Array.from({ length: columns }, () =>
          pick([whole(20, 100), 'content', 'fill', 'fill 2']),
        );
        spansColumns = !tracks.includes('content') && definiteWidth;
        widget.columns = tracks;
        css['grid-template-columns'] = tracks
          .map((track) =>
            typeof track === 'number'
              ? `${track}px`
              : track === 'content'
                ? 'max-content'
                : `minmax(0,${track === 'fill' ? 1 : 2}fr)`,
          )
          .join(' ');
      }
      const row = pick<number | string>(
        definiteHeight ? [whole(10, 60), 'content', 'fill'] : [whole(10, 60), 'content'],
      );
      spansRows = typeof row === 'number';
      widget.rows = row;
      css['grid-auto-rows'] =
        typeof row === 'number' ? `${row}px` : row === 'content' ? 'max-content' : 'minmax(0,1fr)';
    }
    const inner: Place = {
      parent: arrange,
      definiteWidth: definiteWidth && arrange !== 'grid',
      definiteHeight: definiteHeight && arrange !== 'grid',
      depth: place.depth + 1,
      padding,
      align,
      justify,
    };
    const children: WidgetSource[] = [];
    let html = '';
    for (let index = 0; index < count; index++) {
      const made = make(align === 'baseline' ? { ...inner, depth: 9 } : inner);
      if (align === 'baseline') depths.set(made.id, place.depth + 1);
      const extra: Record<string, unknown> = {};
      if (arrange === 'layers') made.css['grid-area'] = '1/1';
      if (spansColumns && chance(0.25)) {
        extra['column-span'] = whole(1, columns);
        made.css['grid-column'] = `span ${extra['column-span'] as number}`;
      }
      if (spansRows && chance(0.25)) {
        extra['row-span'] = whole(1, 3);
        made.css['grid-row'] = `span ${extra['row-span'] as number}`;
      }
      children.push({ ...made.widget, ...extra });
      html += element(made);
    }
    widget.children = children;
    return html;
  };

  const width = whole(200, 1200);
  const height = whole(150, 900);
  const direction = chance(0.25) ? 'rtl' : 'ltr';
  const root: Place = {
    parent: 'free',
    definiteWidth: true,
    definiteHeight: true,
    depth: 0,
    padding: [0, 0, 0, 0],
    align: '',
    justify: '',
  };
  const made = Array.from({ length: whole(1, 3) }, () => make(root));
  return {
    width,
    height,
    direction,
    children: made.map(({ widget }) => widget),
    html: made.map(element).join(''),
    depths,
  };
}

function element({ css, inner, id }: Made): string {
  const style = Object.entries(css)
    .map(([key, value]) => `${key}:${value}`)
    .join(';');
  return `<div id="${id}" style="${style}">${inner}</div>`;
}
