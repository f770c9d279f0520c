import { describe, expect, test } from '@jest/globals';
import {
  LiveView,
  drawLayout,
  openView,
  readDocument,
  type DocumentSource,
  type Picture,
  type State,
} from 'pimbot';
import { openProject } from 'pimbot/node';
import { pimbotHere } from '../support/cli.ts';
import { documentOf, fonts, opened, told } from '../support/views.ts';

const source: DocumentSource = documentOf(
  [
    { id: 'go', kind: 'button', style: 'main', text: 'Go' },
    { id: 'off', kind: 'button', style: 'main', states: ['disabled', 'hover'], text: 'Off', offset: '0 100' },
    {
      id: 'own',
      kind: 'button',
      style: ['main', 'thick'],
      states: 'focused',
      look: { background: '#123456' },
      text: 'Own',
      offset: '0 200',
    },
  ],
  {
    styles: {
      base: {
        background: '#000000',
        color: '#ffffff',
        states: { focused: { border: '2 #00ff00' }, hover: { background: '#111111' } },
      },
      main: {
        extends: 'base',
        states: {
          hover: { background: '#222222' },
          pressed: { background: '#333333' },
          disabled: { background: '#444444', color: '#777777' },
        },
      },
      thick: { states: { focused: { border: '8 #00ff00' } } },
    },
  },
);

const look = (id: string, states?: Record<string, State[]>) => {
  const { document } = readDocument(source);
  const on = openView(document!, 'test', { resources: { fonts }, widgetStates: states }).layoutOn({
    width: 400,
    height: 400,
  });
  const { background, borderWidth } = on.widgets[on.indexOf(id)]!.look;
  const { r } = background?.type === 'color' ? background.color : { r: NaN };
  return [
    Math.round(r * 255)
      .toString(16)
      .padStart(2, '0'),
    borderWidth,
  ];
};

test('a state shows another picture with its own cuts, and what follows from its size follows', () => {
  const picture = (name: string, width: number) => [name, { name, width, height: 40, kind: 'png' }] as const;
  const pictures = new Map([picture('up', 60), picture('down', 90)]) as unknown as Map<string, Picture>;
  const button = {
    ...documentOf(
      [
        { id: 'key', kind: 'button', style: 'key', size: 50 },
        { id: 'icon', kind: 'image', image: 'up', look: { image: 'down' }, anchor: 'right top' },
      ],
      {
        pictures: { up: 'up.png', down: 'down.png' },
        styles: { key: { image: 'up', slice: 8, states: { pressed: { image: 'down', slice: '4 6' } } } },
      },
    ),
  };
  const shown = (pressed: boolean) => {
    const { document } = readDocument(button);
    const widgetStates: Record<string, State[]> = pressed ? { key: ['pressed'] } : {};
    const on = openView(document!, 'test', { resources: { fonts, pictures }, widgetStates }).layoutOn({
      width: 400,
      height: 400,
    });
    expect(on.rect('icon').width).toBe(90);
    const { operations } = drawLayout(on);
    const parts = operations.filter((one) => one.type === 'picture' && one.widget === on.indexOf('key'));
    return parts.map((one) => one.type === 'picture' && `${one.picture.name} ${one.from?.width}`).slice(0, 2);
  };
  expect(shown(false)).toEqual(['up 8', 'up 44']);
  expect(shown(true)).toEqual(['down 6', 'down 78']);
  expect(
    told(readDocument({ ...button, styles: { key: { states: { pressed: { image: 'dwon' } } } } })),
  ).toEqual([expect.stringMatching(/there is no picture "dwon"; did you mean "down"/)]);
});

describe('states', () => {
  test('change what they say, those of a style before those of one it extends', () => {
    expect(look('go')).toEqual(['00', 0]);
    expect(look('go', { go: ['hover'] })).toEqual(['22', 0]);
    expect(look('go', { go: ['focused'] })).toEqual(['00', 2]);
  });

  test('of several, the later in the documented order wins, whatever the order they are said in', () => {
    expect(look('go', { go: ['pressed', 'hover', 'focused'] })).toEqual(['33', 2]);
    expect(look('go', { go: ['disabled', 'pressed'] })).toEqual(['44', 0]);
    expect(look('off')).toEqual(['44', 0]);
  });

  test('go before what the widget changes for itself only where they say something', () => {
    expect(look('own')).toEqual(['12', 8]);
    expect(look('own', { own: ['pressed'] })).toEqual(['33', 8]);
  });

  test('are put on and off while the game runs; a look that is larger moves what is around', () => {
    const view = opened(
      documentOf(
        [
          {
            arrange: 'row',
            children: [
              { id: 'a', kind: 'button', style: 's', text: 'A' },
              { id: 'b', size: 9 },
            ],
          },
        ],
        {
          styles: { s: { padding: 2, states: { selected: { padding: 12 } } } },
        },
      ),
    );
    const live = new LiveView(view, { width: 300, height: 100 });
    const x = () => live.read('b', { x: 0, y: 0, width: 0, height: 0 }).x;
    const before = x();
    live.setStates('a', ['selected']);
    expect(x() - before).toBeCloseTo(20, 9);
    live.setStates('a', []);
    expect(x()).toBe(before);
  });

  test('that do not exist are refused, and so are wrong looks of them', async () => {
    expect(told(readDocument(documentOf([{ kind: 'button', states: 'hoover' as never }])))[0]).toContain(
      '"states" is one of hover, focused, selected, checked, pressed, disabled, not "hoover"; did you mean "hover"?',
    );
    expect(
      told(readDocument(documentOf([], { styles: { s: { states: { hover: { color: 'reddish' } } } } })))[0],
    ).toContain('is not a colour');
    expect(
      (
        await pimbotHere(
          ['draw', 'examples/fathom-post/post.yaml', '--view', 'dock', '--state', 'cast-off=hoover'],
          process.cwd(),
        )
      ).err,
    ).toContain('"cast-off=hoover" is no WIDGET=STATE; the states are hover,');
  });
});

describe('another theme', () => {
  test('is a whole other look for the same places', async () => {
    const path = 'examples/fathom-post/post.yaml';
    const [brine, lantern] = [
      await openProject(path),
      await openProject(path, { theme: 'lantern.theme.yaml' }),
    ];
    expect([...brine.diagnostics, ...lantern.diagnostics]).toEqual([]);
    const lists = [brine, lantern].map(({ document, resources }) => {
      const on = openView(document!, 'dock', { resources }).layoutOn({ width: 1920, height: 1080 });
      return drawLayout(on)
        .operations.filter(({ type }) => type === 'box')
        .map((one) => JSON.stringify(one));
    });
    expect(lists[0]!.filter((one) => lists[1]!.includes(one)).length).toBeLessThan(lists[0]!.length / 3);
  });

  test('of the demo has every style of the other', async () => {
    const styles = async (theme?: string) => {
      const { document } = await openProject('examples/fathom-post/post.yaml', { theme });
      return Object.keys(document!.themes[1]!.theme.styles!).sort();
    };
    expect(await styles('lantern.theme.yaml')).toEqual(await styles());
  });

  test('that is not there is told with its place', async () => {
    const { code, err } = await pimbotHere(
      ['where', 'examples/fathom-post/post.yaml', '--view', 'dock', '--theme', 'dusk.theme.yaml'],
      process.cwd(),
    );
    expect([code, err.includes('there is no file "dusk.theme.yaml"')]).toEqual([2, true]);
  });
});
