import { describe, expect, test } from '@jest/globals';
import { type WidgetSource } from 'pimbot';
import { widgetKeys } from 'pimbot/tools';
import { documentOf, laidOut, opened } from '../support/views.ts';

/** A value that each key which touches no place can have, other than what it starts from. */
const samples: { readonly [Key in keyof WidgetSource]?: WidgetSource[Key] } = {
  'tint': '#ff0000',
  'z': 3,
  'rotate': 20,
  'skew': 10,
  'overflow': 'clip',
  'visible': false,
  'pointer-events': 'none',
  'fit': 'cover',
  'image-position': 'left top',
  'tile': 'repeat',
  'slice': 4,
  'slice-edges': 'round',
  'slice-center': 'hollow',
  'flip': 'x',
  'image-rendering': 'pixelated',
  'trail': 0.9,
  'segments': 4,
  'ring': 6,
  'controls': 'other',
  'shows-more': 'top',
  'tooltip': 'tip',
  'side': 'left',
  'at': 'pointer',
  'hides-after': 800,
  'scroll-snap': 'start',
  'autofocus': true,
  'focus-scope': 'closed',
  'focus-wrap': true,
  'draggable': true,
  'step': 0.1,
  'label': 'Rise',
  'live': 'polite',
  'hit-area': 'ellipse',
};

const kindOf = (key: string): WidgetSource => {
  if (key === 'scroll-snap') return { scroll: 'y' };
  if (key === 'shows-more') return { controls: 'other' };
  const kind = widgetKeys[key as keyof typeof widgetKeys].kinds?.[0] ?? 'panel';
  return { kind: kind === 'panel' && key === 'controls' ? 'button' : kind };
};

/** Where a widget with a key and all around it stand. */
function standing(more: WidgetSource): string {
  const children: WidgetSource[] = [
    {
      id: 'row',
      arrange: 'row',
      gap: 7,
      anchor: 'center',
      children: [
        { size: 30 },
        { ...more, 'id': 'w', 'min-width': 20, 'min-height': 20 },
        { id: 'other', kind: 'text', text: 'Rise' },
      ],
    },
  ];
  children.push({
    id: 'tip',
    kind: 'tooltip',
    anchor: 'left top',
    offset: ['{x}', '{y}'],
    visible: '{tells}',
  });
  const on = laidOut(children, undefined, { cases: { only: { x: 0, y: 0, tells: true } } });
  return JSON.stringify(on.widgets.map(({ index }) => on.layout.rectInU(index)));
}

describe('the rows of keys', () => {
  test('those that touch paint alone move nothing and size nothing', () => {
    const painted = Object.entries(widgetKeys).filter(([, { touches }]) => touches === 'paint');
    expect(painted.map(([key]) => key).sort()).toEqual(Object.keys(samples).sort());
    for (const [key] of painted) {
      const plain = kindOf(key);
      const changed = { ...plain, [key]: samples[key as keyof WidgetSource] };
      expect([key, standing(changed)]).toEqual([key, standing(plain)]);
    }
  });

  test('a key of few kinds is refused for others, one that no condition may change in a condition', () => {
    for (const [key, { kinds, onScreens }] of Object.entries(widgetKeys)) {
      const value = key === 'children' ? [] : 'x';
      if (kinds && !kinds.includes('separator'))
        expect(() => opened(documentOf([{ kind: 'separator', [key]: value }]))).toThrow(`"${key}"`);
      if (onScreens === false) {
        const when = [{ screen: { aspect: '..1' }, change: { [key]: value } }];
        expect(() => opened(documentOf([{ id: 'w', when }] as WidgetSource[]))).toThrow(`"${key}"`);
      }
    }
  });
});
