import { describe, expect, test } from '@jest/globals';
import { makeScreen, readDocument } from 'pimbot';
import { checkDocument, checks, documentChecks } from 'pimbot/tools';
import type { DocumentSource, ScreenSize, WidgetSource } from 'pimbot';
import type { CheckId, Finding } from 'pimbot/tools';
import { fact } from '../support/findings.ts';
import { readdirSync } from 'node:fs';
import { random } from '../../bench/trees.ts';
import { documentOf, fonts } from '../support/views.ts';

const plate = { background: '#204050' };
const desk: ScreenSize = { width: 1000, height: 800, density: 96, distance: 600 };

/** The findings of a view of these children on a screen. */
function findingsOf(
  children: readonly WidgetSource[],
  screen: ScreenSize = desk,
  more: Partial<DocumentSource> = {},
  backdrop: string | string[] = '#000',
): readonly Finding[] {
  const { document, diagnostics } = readDocument(documentOf(children, more, { backdrop }));
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  return checkDocument(document, { resources: { fonts }, screens: [makeScreen(screen)] }).findings;
}

/** Check, widget and measured value, rounded, of each finding. */
function short(findings: readonly Finding[]): [CheckId, string, number | null][] {
  return findings.map(({ check, widget, worst }) => [
    check,
    widget,
    worst.measured && Math.round(worst.measured * 100) / 100,
  ]);
}

describe('off-screen', () => {
  test('measures how far what is drawn reaches over the screen, once for a widget and all it carries', () => {
    const found = findingsOf([
      {
        id: 'plate',
        look: plate,
        anchor: 'right top',
        offset: 30,
        size: 200,
        children: [{ id: 'inner', look: plate, anchor: 'right top', size: 20 }],
      },
    ]);
    expect(short(found)).toEqual([['off-screen', 'plate', 30]]);
    expect(found[0]!.facts).toEqual({ edges: ['right'] });
    expect(found[0]!.reasons[0]!.text).toBe("right edge 1030 u = 100 % of test's 1000 + 30 offset");
  });

  test('passes at the edge, over it by less than a pixel, and for what draws nothing', () => {
    expect(
      findingsOf([{ look: plate, anchor: 'right top', offset: '0.4 0', size: 50 }, { size: 5000 }]),
    ).toEqual([]);
    expect(findingsOf([{ look: plate, size: 3000, visible: false }])).toEqual([]);
  });

  test('looks at the letters of a bare text, not at its box', () => {
    expect(findingsOf([{ kind: 'text', text: 'Hi', width: 4000 }])).toEqual([]);
  });
});

describe('outside-safe-area', () => {
  const notched: ScreenSize = { ...desk, safe: [0, 60, 0, 60] };

  test('a panel may bleed into it where asked, a button may not', () => {
    const found = findingsOf(
      [
        { id: 'back', area: 'full', look: plate, anchor: 'left..right top..bottom' },
        {
          'id': 'button',
          'area': 'full',
          'kind': 'button',
          'text': 'OK',
          'look': plate,
          'size': 100,
          'may-overlap': true,
        },
        {
          'id': 'badge',
          'look': plate,
          'anchor': 'right bottom',
          'offset': '25 0',
          'size': 50,
          'may-overlap': true,
        },
      ],
      notched,
    );
    expect(short(found.filter(({ check }) => check === 'outside-safe-area'))).toEqual([
      ['outside-safe-area', 'button', 60],
      ['outside-safe-area', 'badge', 25],
    ]);
  });
});

describe('overlap', () => {
  const a: WidgetSource = { id: 'a', look: plate, size: 100 };
  const b: WidgetSource = { id: 'b', look: plate, size: 100, offset: '60 90' };

  test.each(['start', 'center', 'end'] as const)(
    'of a bare text is where its letters are: aligned at the %s',
    (align) => {
      const places = { start: 0, center: 240, end: 480 };
      const text: WidgetSource = {
        id: 't',
        kind: 'text',
        text: 'Rise',
        size: '600 60',
        look: { 'text-align': align },
      };
      const met = Object.entries(places).filter(([, x]) =>
        findingsOf([text, { id: 'p', look: plate, size: '120 60', offset: [x, 0] }]).some(
          ({ check }) => check === 'overlap',
        ),
      );
      expect(met.map(([place]) => place)).toEqual([align]);
    },
  );

  test('begins above half a px', () => {
    const by = (px: number) =>
      short(findingsOf([a, { ...b, offset: [100 - px, 0] }])).filter(([check]) => check === 'overlap');
    expect(by(0.4)).toEqual([]);
    expect(by(1)).toEqual([['overlap', 'a', 1]]);
  });

  test('measures the shorter side of what two widgets share', () => {
    const found = findingsOf([a, b]);
    expect(short(found)).toEqual([['overlap', 'a', 10]]);
    expect(found[0]!.other).toBe('b');
  });

  test.each<[string, WidgetSource, WidgetSource]>([
    ['one allows any', { ...a, 'may-overlap': true }, b],
    ['the other names it', a, { ...b, 'may-overlap': ['a'] }],
    ['they only touch', a, { ...b, offset: '100 0' }],
    ['one is in the other', a, { id: 'b', size: 1, children: [] }],
    ['one cannot be seen', a, { ...b, visible: false }],
    [
      'one is a text whose letters are elsewhere',
      a,
      { id: 'b', kind: 'text', text: 'x', width: 500, offset: '0 50', look: { 'text-align': 'end' } },
    ],
  ])('passes where %s', (_, one, other) => {
    expect(findingsOf([one, other]).filter(({ check }) => check === 'overlap')).toEqual([]);
  });

  test('tells of two branches once, by their outermost widgets', () => {
    const nested = (widget: WidgetSource): WidgetSource => ({
      ...widget,
      children: [{ look: plate, anchor: 'left..right top..bottom' }],
    });
    expect(short(findingsOf([nested(a), nested(b)]))).toEqual([['overlap', 'a', 10]]);
  });

  test('agrees with trying every pair', () => {
    const next = random(5);
    const boxes = Array.from({ length: 40 }, (_, index) => {
      const [x, y] = [Math.floor(next() * 900), Math.floor(next() * 700)];
      const size = [20 + Math.floor(next() * 80), 20 + Math.floor(next() * 80)];
      return { id: `w${index}`, look: plate, offset: [x, y], size, x, y };
    });
    const expected = new Set<string>();
    boxes.forEach((one, i) =>
      boxes.slice(i + 1).forEach((other) => {
        const width = Math.min(one.x + one.size[0]!, other.x + other.size[0]!) - Math.max(one.x, other.x);
        const height = Math.min(one.y + one.size[1]!, other.y + other.size[1]!) - Math.max(one.y, other.y);
        if (Math.min(width, height) > 0.5) expected.add(`${one.id} ${other.id}`);
      }),
    );
    const found = findingsOf(boxes.map(({ id, look, offset, size }) => ({ id, look, offset, size })));
    expect(
      new Set(
        found.filter(({ check }) => check === 'overlap').map(({ widget, other }) => `${widget} ${other}`),
      ),
    ).toEqual(expected);
    expect(expected.size).toBeGreaterThan(10);
  });
});

describe('bursts-parent', () => {
  test('a minimum deep inside bursts the frame around it', () => {
    const found = findingsOf([
      {
        id: 'frame',
        look: plate,
        size: 200,
        arrange: 'column',
        padding: 10,
        children: [{ 'id': 'wide', 'min-width': 230, 'height': 10 }],
      },
    ]);
    expect(short(found)).toEqual([['bursts-parent', 'wide', 40]]);
    expect(found[0]!.reasons.map(({ text }) => text)).toEqual([
      'width 230 u is held up by min-width 230',
      'frame: width is set to 200 u',
    ]);
  });

  test('of what draws nothing and is as large as the view, sticking out of the view is told alone', () => {
    const within = (more: object) =>
      findingsOf([
        {
          id: 'all',
          anchor: 'left..right top..bottom',
          ...more,
          children: [{ id: 'far', look: plate, anchor: 'right top', offset: [20, 100], size: 50 }],
        },
      ]).map(({ check }) => check);
    expect(within({})).toEqual(['off-screen']);
    expect(within({ look: plate })).toEqual(['off-screen', 'bursts-parent']);
    expect(within({ inset: 10 })).toEqual(['off-screen', 'bursts-parent']);
  });

  test.each(['visible', 'clip'] as const)('passes where the parent says overflow %s', (overflow) => {
    expect(
      findingsOf([
        {
          look: plate,
          size: 100,
          overflow,
          children: [{ look: plate, anchor: 'right top', offset: 20, size: 50 }],
        },
      ]),
    ).toEqual([]);
  });
});

describe('cut-text', () => {
  const long = 'Barnacle Station';

  test('too wide, too high, and cut off by what clips', () => {
    const found = findingsOf([
      { id: 'wide', kind: 'text', text: long, wrap: false, width: 100 },
      { id: 'high', kind: 'text', text: `${long} ${long}`, size: '210 40', offset: '0 200' },
      {
        size: '60 40',
        offset: '0 400',
        overflow: 'clip',
        children: [{ id: 'clipped', kind: 'text', text: 'up', offset: '0 25' }],
      },
    ]);
    expect(found.map(({ check, widget, facts }) => [check, widget, facts])).toEqual([
      ['cut-text', 'wide', { axis: 'x', by: 'its box' }],
      ['cut-text', 'high', { axis: 'y', by: 'its box' }],
      ['cut-text', 'clipped', { axis: 'y', by: 'a clip' }],
    ]);
    expect(found[2]!.reasons[0]!.text).toMatch(/^test\.panel-1 cuts off [\d.]+ px of it at its bottom edge$/);
    expect(found[0]!.worst.measured! + 100).toBeCloseTo(185.59, 2);
  });

  test('a strip that moves behind its window is meant to be cut', () => {
    const window = (child: WidgetSource): WidgetSource => ({
      size: '90 40',
      overflow: 'clip',
      children: [child],
    });
    expect(findingsOf([window({ kind: 'text', text: long, wrap: false })])).toEqual([]);
    expect(findingsOf([window({ kind: 'text', text: '1\n2\n3\n4', offset: '0 -30' })])).toEqual([]);
    // Words that would have fitted are not such a strip.
    expect(findingsOf([window({ kind: 'text', text: 'up', wrap: false, offset: '80 0' })])).not.toEqual([]);
  });

  test('passes where the text fits, also with a low line height', () => {
    expect(findingsOf([{ kind: 'text', text: long, look: { 'line-height': 0.9 } }])).toEqual([]);
  });

  test('a case that is longer is found in that case alone', () => {
    const found = findingsOf(
      [{ id: 'depth', kind: 'text', text: '{depth} m', wrap: false, width: 90 }],
      desk,
      {
        cases: { typical: { depth: 412 }, worst: { depth: 10994 } },
      },
    );
    expect(found.map(({ check, occurrences }) => [check, occurrences.map((one) => one.case)])).toEqual([
      ['cut-text', ['worst']],
    ]);
  });
});

describe('text size', () => {
  const text: WidgetSource = { id: 'text', kind: 'text', text: 'Depth', look: { 'font-size': 20 } };

  test('small-text measures the angle of a capital, coarse-text its pixels', () => {
    const far = findingsOf([text], { ...desk, distance: 3000 });
    expect(short(far)).toEqual([['small-text', 'text', 4.41]]);
    const coarse = findingsOf([{ ...text, look: { 'font-size': 12 } }], { ...desk, density: 40 });
    expect(short(coarse)).toEqual([['coarse-text', 'text', 8.73]]);
  });

  test('a minute of arc is what it is: 1 mm at 3438 mm', () => {
    // Capitals of Inter are 0.727 of the font size; 1 px = 1 mm at 25.4 px an inch.
    const found = findingsOf([{ ...text, look: { 'font-size': 20 } }], {
      ...desk,
      density: 25.4,
      distance: 6000,
    });
    expect(found[0]!.worst.measured).toBeCloseTo(((2 * Math.atan(14.545 / 12000) * 180) / Math.PI) * 60, 2);
  });
});

describe('low-contrast', () => {
  const text = (color: string, more: WidgetSource = {}): WidgetSource => ({
    id: 'text',
    kind: 'text',
    text: 'Depth',
    look: { color, 'font-size': 20 },
    ...more,
  });

  test.each<[string, number]>([
    ['#ffffff', 21],
    ['#777777', 4.69],
    ['#666666', 3.66],
    ['#0000ff', 2.44],
  ])('%s on black is %d:1', (color, ratio) => {
    const found = findingsOf([text(color)]);
    if (ratio >= 4.5) expect(found).toEqual([]);
    else expect(short(found)).toEqual([['low-contrast', 'text', ratio]]);
  });

  test('large text may have less', () => {
    expect(findingsOf([{ ...text('#666666'), look: { 'color': '#666666', 'font-size': 30 } }])).toEqual([]);
  });

  test('what is really behind counts: a plate that is half there, over the worst backdrop', () => {
    const plates = (opacity: number): WidgetSource => ({
      look: { background: '#000', opacity },
      padding: 20,
      children: [{ ...text('#fff') }],
    });
    expect(findingsOf([plates(1)], desk, {}, ['#fff', '#000'])).toEqual([]);
    expect(findingsOf([plates(0.8)], desk, {}, ['#fff', '#000'])).toEqual([]);
    const thin = findingsOf([plates(0.3)], desk, {}, ['#fff', '#000']);
    expect(thin.map(({ check }) => check)).toEqual(['low-contrast']);
    expect(thin[0]!.reasons[0]!.text).toContain('over the backdrop #fff');
  });

  test('a stripe behind one letter is not missed', () => {
    const found = findingsOf([
      {
        'id': 'stripe',
        'look': { background: '#ddd' },
        'offset': '40 0',
        'size': '3 60',
        'may-overlap': true,
      },
      text('#fff'),
    ]);
    expect(found.map(({ check }) => check)).toEqual(['low-contrast']);
  });

  test('what is above does not count, and a widget its own box', () => {
    expect(
      findingsOf([text('#fff'), { 'look': { background: '#ffffff01' }, 'size': 300, 'may-overlap': true }]),
    ).toEqual([]);
    expect(
      findingsOf([text('#000', { look: { 'color': '#000', 'background': '#fff', 'font-size': 20 } })]),
    ).toEqual([]);
  });

  test('without a backdrop it is undecided, and that is said', () => {
    const found = findingsOf([text('#fff')], desk, {}, []);
    expect(found.map(({ outcome, missing }) => [outcome, missing])).toEqual([
      ['undecided', 'no backdrop was given, so what the game draws behind is not known'],
    ]);
    expect(
      findingsOf([{ look: { background: '#123' }, padding: 20, children: [text('#fff')] }], desk, {}, []),
    ).toEqual([]);
  });
});

describe('the registry and the runner', () => {
  test('every check has its file, and every file its check', () => {
    const others = ['acceptances', 'check', 'index', 'promise-kinds', 'registry', 'remedies', 'subject'];
    const files = readdirSync('src/checks').map((name) => name.replace('.ts', ''));
    expect(files.filter((name) => !others.includes(name)).sort()).toEqual(
      [...checks, ...documentChecks].map(({ id }) => id).sort(),
    );
  });

  test('merges screens and cases into one finding with the worst in front', () => {
    const { document } = readDocument(
      documentOf([{ id: 'a', look: plate, offset: '950 0', size: 100 }], { cases: { one: {}, two: {} } }),
    );
    const screens = [
      makeScreen({ width: 1000, height: 100 }),
      makeScreen({ width: 960, height: 100 }),
      makeScreen({ width: 1100, height: 100 }),
    ];
    const { findings, layouts } = checkDocument(document!, { resources: { fonts }, screens });
    expect(layouts).toBe(6);
    expect(findings).toHaveLength(1);
    expect(findings[0]!.worst).toMatchObject({ screen: '960x100', measured: 90 });
    expect(findings[0]!.occurrences.map(({ screen, case: name }) => `${screen} ${name}`)).toEqual([
      '1000x100 one',
      '960x100 one',
      '1000x100 two',
      '960x100 two',
    ]);
  });
});

describe('faint-part', () => {
  const found = (more: WidgetSource, backdrop: string) =>
    findingsOf([{ id: 'w', anchor: 'center', size: [300, 60], ...more }], desk, {}, backdrop)
      .filter(({ check }) => check === 'faint-part')
      .map((finding) => fact(finding, 'part'));
  const textbox = (look: object): WidgetSource => ({ kind: 'textbox', text: 'Ida', look });

  test('the edge of a box counts with what is around it, or its inside does', () => {
    expect(found(textbox({ background: '#021118', border: '2 #021118' }), '#c0d0d0')).toEqual([]);
    expect(found(textbox({ background: '#021118', border: '2 #8ff3ff' }), '#04202a')).toEqual([]);
    expect(found(textbox({ background: '#021118', border: '2 #0d3440' }), '#04202a')).toEqual(['border']);
  });

  test('a slider’s handle stands on its track and on what is beside the track', () => {
    const slider = (handle: string): WidgetSource => ({
      kind: 'slider',
      value: 0.5,
      look: { 'background': '#000000', 'color': '#ffffff', 'padding': '25 0', 'handle-color': handle },
    });
    expect(found(slider('#ffffff'), '#123a44')).toEqual([]);
    expect(found(slider('#f0f0f0'), '#e0e0e0')).toEqual(['handle']);
  });
});

test('a text that is too high is too high by as many px as the screen makes of it', () => {
  const tall: WidgetSource = {
    id: 't',
    kind: 'text',
    text: 'Rise',
    size: '200 20',
    look: { 'font-size': 40 },
  };
  const found = (scale: number) =>
    short(
      findingsOf(
        [tall],
        { width: 1000 * scale, height: 800 * scale, density: 96, distance: 600 },
        {
          reference: { size: '1000x800' },
        },
      ),
    ).filter(([check]) => check === 'cut-text');
  expect(found(1)).toEqual([['cut-text', 't', 30]]);
  expect(found(2)).toEqual([['cut-text', 't', 60]]);
});

test('what is seen through does not cover', () => {
  const covered = (opacity: number) =>
    findingsOf([
      { id: 't', kind: 'text', text: 'Rise', size: '200 60' },
      { 'id': 'p', 'may-overlap': true, 'size': '200 60', 'look': { ...plate, opacity } },
    ]).some(({ check }) => check === 'covered');
  expect([covered(1), covered(0.5)]).toEqual([true, false]);
});

test('what is measured of the largest value there is is a number', () => {
  const meter: WidgetSource = { id: 'm', kind: 'meter', value: '{hull}', size: [100, 40] };
  const found = findingsOf([meter], desk, { cases: { only: { hull: -1e308 } } });
  const { measured } = found.find(({ check }) => check === 'value-range')!.worst;
  expect(measured).toBe(Number.MAX_VALUE);
});

describe('shows-nothing', () => {
  test('what is nothing without a picture, words, a value or entries is told to lack it', () => {
    const found = findingsOf([
      { id: 'bare', kind: 'image', offset: 30 },
      { id: 'sized', kind: 'image', offset: [30, 100], size: 100 },
      { id: 'gone', kind: 'image', gone: true },
      { id: 'plated', kind: 'image', offset: [200, 100], size: 100, look: plate },
      { id: 'words', kind: 'text', offset: [30, 300] },
      { id: 'empty', kind: 'text', offset: [30, 320], text: '' },
      { id: 'hull', kind: 'meter', label: 'Hull', offset: [30, 400] },
      { id: 'air', kind: 'meter', label: 'Air', value: 0, offset: [30, 440] },
      { id: 'list', kind: 'listbox', label: 'Letters', offset: [30, 500] },
      { id: 'ask', kind: 'dialog', label: 'Ask', anchor: 'center' },
    ]);
    const none = found.filter(({ check }) => check === 'shows-nothing');
    expect(none.map(({ widget, worst }) => [widget, fact(worst, 'kind')])).toEqual([
      ['bare', 'image'],
      ['sized', 'image'],
      ['words', 'text'],
      ['empty', 'text'],
      ['hull', 'meter'],
      ['list', 'listbox'],
      ['ask', 'dialog'],
    ]);
  });
});
