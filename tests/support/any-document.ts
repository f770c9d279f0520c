import type { DocumentSource, ReadResult, WidgetSource } from 'pimbot';
import { random } from '../../bench/trees.ts';

/*
 * Documents by chance, with every kind of widget, arrangement and binding in each other, and what their values may be: what is
 * meant to hold of all documents is asked of these.
 */

/** What each value of a document by chance may be. */
export const valuesOfAny: { readonly [name: string]: readonly unknown[] } = {
  n: [0, 0.25, 0.5, 1, 3, 40, 120],
  w: [10, 40, 90, 200],
  s: ['Depth', 'A rather long line of words', '', 'x'],
  b: [true, false],
  c: ['#ff8800', '#ffffff', '#04202a'],
  l: [[], ['a'], ['a', 'b', 'c'], ['b', 'a']],
  m: [
    [],
    [{ name: 'wax', left: 3 }],
    [
      { name: 'wax', left: 3 },
      { name: 'tar', left: 0 },
      { name: 'wax', left: 1 },
    ],
  ],
  how: ['row', 'column', 'wrap', 'free', 'grid', 'layers'],
  page: ['p1', 'p2', ''],
  f: [0, 0.3, 1],
  k: [0, 1, 2, 4],
};

const kinds = 'panel panel panel panel text text button meter separator checkbox switch slider textbox tabs'
  .split(' ')
  .concat('radiogroup listbox scrollbar dialog canvas'.split(' '));
const holders: readonly string[] = ['panel', 'button', 'tabs', 'radiogroup', 'listbox', 'dialog'];
const anchors = [
  'left top',
  'center',
  'right bottom',
  '25% 0.5',
  'left..right top',
  'left bottom',
  'left..right top..bottom',
];

/** Chooses by chance. */
export class Chance {
  readonly #next: () => number;

  constructor(seed: number) {
    this.#next = random(seed);
  }

  pick<One>(all: readonly One[]): One {
    return all[Math.floor(this.#next() * all.length)]!;
  }

  /** Whether something is so that is so as often as a share of all times. */
  is(share: number): boolean {
    return this.#next() < share;
  }

  whole(from: number, to: number): number {
    return from + Math.floor(this.#next() * (to - from + 1));
  }
}

/** Makes one document. */
class Making {
  readonly #by: Chance;
  #ids = 0;

  constructor(by: Chance) {
    this.#by = by;
  }

  /** @param more What it may say, each as often as the share before it. */
  #some(...more: readonly (readonly [share: number, key: string, values: readonly unknown[]])[]): object {
    const said = more.flatMap(([share, key, values]) =>
      this.#by.is(share) ? [[key, this.#by.pick(values)]] : [],
    );
    return Object.fromEntries(said) as object;
  }

  #look(): object {
    return this.#some(
      [0.6, 'background', ['#125463', '#ffffff80', 'linear-gradient(90deg, #112233, #aabbcc)', '{c}']],
      [0.3, 'border', ['2 #58bfb0']],
      [0.3, 'radius', [4, 20, '4 8 12 16']],
      [0.15, 'opacity', [0.5, '{f}', 1]],
      [0.12, 'scale', [0.5, 1.25, 1]],
      [0.2, 'shadow', ['0 4 8 #000000']],
      [0.25, 'padding', [4, '4 8', '5%']],
      [0.4, 'font-size', [12, 24, 40]],
      [0.2, 'color', ['#eefbf7', '{c}']],
      [0.15, 'transition', ['all 120ms ease-out', 'background 90ms', 'offset 200ms linear']],
    );
  }

  #place(arrange: string, scope: readonly string[]): object {
    const by = this.#by;
    const inRow = arrange === 'row' ? ['baseline'] : [];
    if (arrange !== 'free')
      return this.#some(
        [0.15, 'align-self', ['start', 'center', 'end', 'stretch', ...inRow]],
        [0.2, 'margin', [3, '2 6']],
        [0.1, 'justify-self', ['start', 'center', 'end', 'stretch']],
        ...(arrange === 'grid'
          ? ([
              [0.2, 'column-span', [1, 2, 3]],
              [0.15, 'row-span', [2]],
            ] as const)
          : []),
      );
    const anchor = by.pick(anchors);
    const offset = [0.5, 'offset', [10, '-10 8', ['{w}', 4], ['10% - 4', '{n}'], 0]] as const;
    return {
      anchor,
      ...this.#some(
        [0.3, 'pivot', ['left top', 'center', '0.3 0.7']],
        anchor.includes('..') ? [0.2, 'inset', [4]] : offset,
      ),
      ...(scope.length > 0 && by.is(0.1) && { 'anchor-to': by.pick(scope) }),
    };
  }

  #size(): object {
    const lengths = [10, 40, 90, '50%', '100% - 20', '{w}', 200, 0];
    const sizes = [...lengths, 'content', 'fill', 'fill 2'];
    return this.#some(
      [0.5, 'width', sizes],
      [0.5, 'height', sizes],
      [0.1, 'min-width', lengths],
      [0.1, 'max-width', lengths],
      [0.08, 'max-height', lengths],
      [0.06, 'min-height', lengths],
      [0.05, 'aspect', [1, '16/9', 0.5]],
      [0.08, 'rotate', [10, '{n}', 45]],
      [0.04, 'skew', [12, '8 -4']],
      [0.04, 'area', ['bleed']],
      [0.04, 'direction', ['rtl']],
      [0.04, 'hit-area', ['ellipse']],
      [0.04, 'pointer-events', ['none']],
      [0.06, 'z', [1, 2, -1, '{k}']],
      [0.06, 'visible', ['{b}', false, '{not b}']],
      [0.08, 'gone', ['{b}', '{n > 1}', '{l = 0}']],
      [0.05, 'may-overlap', [true]],
      [
        0.04,
        'reference',
        [{ size: '480x270', scaling: 'whole' }, { scaling: 'none' }, { size: '640x360', scaling: 'contain' }],
      ],
    );
  }

  /** What a widget of a kind has to say, and may. */
  #own(kind: string): object {
    switch (kind) {
      case 'text':
        return {
          text: this.#by.pick([
            '{s}',
            '{n, number} m',
            'Some words that are long enough to break',
            '[Now](700) go',
            '{l, plural, one {# crate} other {# crates}}',
            "{if(b, s, 'no')}",
          ]),
          ...this.#some(
            [0.15, 'max-lines', [1, 2]],
            [0.15, 'ellipsis', ['end', 'middle']],
            [0.1, 'wrap', [false]],
            [0.1, 'least-font-size', [8]],
          ),
        };
      case 'meter':
        return {
          label: 'Hull {n, number}',
          value: '{f}',
          ...this.#some(
            [0.2, 'fill-from', ['clockwise', 'bottom', 'right']],
            [0.15, 'segments', [5]],
            [0.15, 'trail', [0.9]],
          ),
        };
      case 'slider':
        return { label: 'Hum', value: this.#by.pick(['{f}', 0.4]) };
      case 'checkbox':
      case 'switch':
        return { label: '{s} lamp', checked: this.#by.pick(['{b}', true]) };
      case 'textbox':
        return { label: 'Name', text: this.#by.pick(['{s}', 'Ida']), placeholder: 'a name' };
      case 'tabs':
        return { label: 'Pages', ...this.#some([0.5, 'page', ['{page}']]) };
      case 'radiogroup':
      case 'listbox':
        return { label: 'Wares', ...this.#some([0.5, 'selection', ['{page}']]) };
      default:
        return {};
    }
  }

  /** How a widget arranges its children. */
  #arranged(kind: string): { readonly arrange?: string } {
    const by = this.#by;
    const any = ['free', 'row', 'column', 'wrap', 'grid', 'layers', 'pages', '{how}', undefined];
    const arrange = by.pick(kind === 'panel' ? any : [undefined, 'row', 'column']);
    if (arrange === undefined) return {};
    const isLine = arrange === 'row' || arrange === 'column';
    const inRow = arrange === 'row' ? ['baseline'] : [];
    return {
      arrange,
      ...(arrange === 'pages' && { page: '{page}' }),
      ...(arrange === 'grid' && {
        columns: by.pick([2, 'fill fill', '80 content fill 2', 'auto 60', 'auto 60..']),
        ...this.#some([0.3, 'rows', [30, 'content', 'fill']]),
      }),
      ...(arrange !== 'free' &&
        arrange !== '{how}' &&
        this.#some(
          [0.5, 'gap', [4, '4 10', '2%']],
          [0.3, 'align', ['start', 'center', 'end', 'stretch', ...inRow]],
          ...(isLine
            ? ([
                [0.3, 'justify', ['start', 'center', 'space-between', 'end']],
                [0.1, 'reverse', [true]],
              ] as const)
            : []),
        )),
    };
  }

  /** @param scope The ids that a widget there may name; its own is added. */
  widget(depth: number, around: string, scope: string[]): WidgetSource {
    const by = this.#by;
    let kind = by.pick(kinds);
    if (kind === 'scrollbar' && scope.length === 0) kind = 'panel';
    const id = by.is(0.5) ? `w${++this.#ids}` : undefined;
    const repeat = by.is(0.15) ? by.pick([2, '{l}', '{m}', '{k}', 3]) : undefined;
    const look = this.#look();
    const made: Record<string, unknown> = {
      ...(kind !== 'panel' && { kind }),
      ...(id !== undefined && { id }),
      ...(repeat !== undefined && { repeat }),
      ...(id !== undefined && repeat === '{m}' && by.is(0.6) && { key: 'name' }),
      ...(id !== undefined && repeat === '{l}' && by.is(0.6) && { key: 'item' }),
      ...this.#place(around, repeat === undefined ? scope : []),
      ...this.#size(),
      ...this.#own(kind),
      ...(kind === 'scrollbar' && { controls: by.pick(scope) }),
      ...(Object.keys(look).length > 0 && { look }),
      ...(by.is(0.08) && {
        when: [
          {
            screen: by.pick([{ aspect: '..1.2' }, { width: '..700' }, { input: 'touch' }]),
            change: by.pick<object>([{ gone: true }, { look: { background: '#ff0000' } }, { width: 60 }]),
          },
        ],
      }),
    };
    if (id !== undefined) scope.push(id);
    if (kind === 'button' && by.is(0.5)) return { ...made, text: by.pick(['Rise', '{s}']) };
    if (depth === 0 || !holders.includes(kind)) return made;
    if (kind === 'panel' && by.is(0.12))
      return {
        ...made,
        ...by.pick([{ use: 'slot', name: 'Wax' }, { use: 'slot', name: '{s}' }, { use: 'box' }]),
      };
    const arranged = this.#arranged(kind);
    const inside = repeat === undefined ? scope : [...scope];
    const { arrange = kind === 'panel' ? 'free' : 'column' } = arranged;
    return {
      ...made,
      ...(arranged as WidgetSource),
      ...this.#some([0.1, 'overflow', ['clip', 'visible']]),
      ...(['panel', 'listbox', 'dialog'].includes(kind) &&
        this.#some([0.1, 'scroll', ['y', 'x', 'both']], [0.05, 'scroll-offset', [20, '30 10', '{w}']])),
      children: Array.from({ length: by.whole(1, 4) }, () => this.widget(depth - 1, arrange, inside)),
    };
  }
}

/** A document by chance; many of them are right. */
export function anyDocument(seed: number): DocumentSource {
  const by = new Chance(seed);
  const making = new Making(by);
  const valuesNow = () =>
    Object.fromEntries(Object.entries(valuesOfAny).map(([name, all]) => [name, by.pick(all)]));
  const arrange = by.pick(['free', 'free', 'row', 'column']);
  const scope: string[] = [];
  return {
    pimbot: 1,
    reference: {
      size: by.pick(['800x600', '1280x720']),
      scaling: by.pick(['contain', 'none', 'width', 'height', 'cover', 'blend', 'whole']),
      ...(by.is(0.3) && { limits: '0.5..3' }),
    },
    cases: { one: valuesNow(), two: valuesNow() },
    kinds: {
      button: {
        transition: 'background 90ms',
        states: { hover: { background: '#1d7f8c' }, focused: { 'border': '3 #ffffff', 'font-size': 31 } },
      },
      panel: { states: { hover: { padding: 7 }, selected: { opacity: 0.7 } } },
      text: { states: { hover: { color: '#ffc75f', radius: 9 } } },
    },
    styles: {
      whole: { states: { hover: { 'color': '#aabbcc', 'font-size': 20 }, selected: { opacity: 0.6 } } },
    },
    components: {
      slot: {
        params: { name: 'text' },
        arrange: 'row',
        gap: 4,
        children: [
          { id: 'name', kind: 'text', text: '{name}' },
          { id: 'bar', kind: 'meter', label: 'Air', value: '{f}', width: 40 },
        ],
      },
      box: { padding: 4, children: [{ id: 'name', size: 10 }] },
    },
    views: {
      test: {
        backdrop: '#04202a',
        style: 'whole',
        look: { color: '#ffffff' },
        ...(arrange !== 'free' && { arrange }),
        children: Array.from({ length: by.whole(2, 5) }, () => making.widget(3, arrange, scope)),
      },
    },
  } as DocumentSource;
}

/** The same a moment later: somebody has changed, taken away, put in or moved some of its widgets, or a value of its case. */
export function otherVersion(source: DocumentSource, by: Chance, seed: number): DocumentSource {
  type Loose = Record<string, unknown> & { children?: Loose[] };
  const made = structuredClone(source) as unknown as {
    readonly cases: { readonly one: Record<string, unknown> };
    readonly kinds: { readonly text: { readonly states: { hover: object } } };
    readonly reference: Record<string, unknown>;
    readonly views: { readonly test: Loose };
  };
  const parents: Loose[] = [];
  for (const todo = [made.views.test]; todo.length > 0;) {
    const one = todo.pop()!;
    if (one.children) parents.push(one);
    todo.push(...(one.children ?? []));
  }
  for (let left = by.whole(1, 3); left > 0; left--) {
    const list = by.pick(parents).children!;
    const at = by.whole(0, list.length - 1);
    const one = list[at];
    if (!one) continue;
    const changes = [
      () => list.splice(at, 1),
      () => list.push(...list.splice(at, 1)),
      () => list.splice(at, 0, structuredClone(anyDocument(seed + 1).views['test']!.children![0]!) as Loose),
      () => (one['look'] = { ...(one['look'] as object), background: '#778899', padding: by.whole(0, 12) }),
      () => (one['width'] = by.pick([30, 'fill', '{w}'])),
      () => (made.reference['scaling'] = by.pick(['contain', 'none', 'width'])),
      () => (made.kinds.text.states.hover = { 'color': '#123456', 'font-size': by.pick([12, 50]) }),
      () => (made.cases.one['w'] = by.pick([10, 33, 120])),
    ];
    by.pick<() => unknown>(changes)();
  }
  return made as unknown as DocumentSource;
}

/** The seeds from one on of so many documents that are right. @param read Reads one. */
export function* rightDocuments(
  from: number,
  count: number,
  read: (source: DocumentSource) => ReadResult,
): Generator<{ readonly seed: number; readonly document: NonNullable<ReadResult['document']> }> {
  for (let seed = from, left = count; left > 0; seed++) {
    const { document } = read(anyDocument(seed));
    if (!document) continue;
    left--;
    yield { seed, document };
  }
}
