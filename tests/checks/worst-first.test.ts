import { expect, test } from '@jest/globals';
import { makeScreen, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { fact } from '../support/findings.ts';
import { documentOf, fonts } from '../support/views.ts';

/* Where several things are wrong with one widget, what is told is the worst of them, or each. */

function found(check: string, children: readonly WidgetSource[]) {
  const { document } = readDocument(documentOf(children, {}, { backdrop: '#04202a' }));
  const screens = [makeScreen({ width: 1000, height: 800, inputs: ['mouse', 'keys'] })];
  return checkDocument(document!, { resources: { fonts }, screens }).findings.filter(
    (one) => one.check === check,
  );
}

const box = (id: string, size: readonly [number, number], background: string, offset = 0): WidgetSource => ({
  id,
  anchor: 'center',
  offset: [offset, 0],
  size,
  look: { background },
});

test('what hides most of a text is named, whichever lies lower', () => {
  const words: WidgetSource = { id: 'words', kind: 'text', text: 'Depth is 412 m', anchor: 'center' };
  const some = box('some', [60, 60], '#234', -60);
  const all = box('all', [600, 90], '#456');
  for (const above of [
    [some, all],
    [all, some],
  ]) {
    const covered = found('covered', [words, ...above]);
    expect(covered.map(({ widget, other, worst }) => [widget, other, worst.measured])).toEqual([
      ['words', 'all', 100],
    ]);
  }
});

test('what takes most of the input of a control is named, whichever lies lower', () => {
  const button: WidgetSource = { id: 'go', kind: 'button', text: 'Dive', anchor: 'center', size: [200, 80] };
  const bare = (id: string, width: number): WidgetSource => ({ id, anchor: 'center', size: [width, 200] });
  for (const above of [
    [bare('some', 100), bare('all', 400)],
    [bare('all', 400), bare('some', 100)],
  ]) {
    const swallowed = found('swallowed-input', [button, ...above]);
    expect(swallowed.map(({ widget, other, worst }) => [widget, other, worst.measured])).toEqual([
      ['go', 'all', 100],
    ]);
  }
});

test('a width and a height that are both nearly the same are both told', () => {
  const near = found('nearly-same-size', [
    { ...box('a', [100, 60], '#234'), anchor: 'left top' },
    { ...box('b', [102, 62], '#234'), anchor: 'right top' },
  ]);
  expect(near.map((one) => [one.widget, one.other, fact(one, 'side')])).toEqual([
    ['b', 'a', 'width'],
    ['b', 'a', 'height'],
  ]);
});

test('a panel that scrolls both ways in too little room is told of both', () => {
  const small = found('small-viewport', [
    {
      id: 'list',
      anchor: 'center',
      size: 12,
      scroll: 'both',
      look: { background: '#234' },
      children: [{ id: 'long', size: 400, look: { background: '#345' } }],
    },
  ]);
  expect(small.map((one) => fact(one, 'side'))).toEqual(['width', 'height']);
});
