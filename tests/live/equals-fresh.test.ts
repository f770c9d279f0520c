import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Hits, LiveView, ViewInput, openView, readDocument, formatDiagnostic } from 'pimbot';
import { FocusField, focusGround } from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { apply, catalogs, readFile, source, step, type Step } from './everything.ts';
import { told } from './told.ts';

const { document, diagnostics } = readDocument(source, { readFile });
const resources = { fonts, catalogs };

/** A view opened in what all steps come to. */
function fresh(steps: readonly Step[]): LiveView {
  const values: Record<string, never> = {};
  const widgetStates: Record<string, never> = {};
  let occasion = {};
  let screen = { width: 800, height: 600 };
  let scrolled = 0;
  for (const one of steps) {
    if (one.type === 'set') Object.assign(values, one.values);
    else if (one.type === 'states') widgetStates[one.id] = one.states as never;
    else if (one.type === 'show') occasion = { ...occasion, ...one.changes };
    else if (one.type === 'resize') screen = { width: one.width, height: one.height };
    else if (one.type === 'scroll') scrolled = one.y;
  }
  const live = new LiveView(
    openView(document!, 'test', { resources, ...occasion, values, widgetStates }),
    screen,
  );
  live.scroll('list', 0, scrolled);
  return live;
}

test('whatever is changed, a live view is what one opened anew is', () => {
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 14 }), (steps) => {
      const live = new LiveView(openView(document!, 'test', { resources }), { width: 800, height: 600 });
      for (const one of steps) {
        apply(live, one);
      }
      // Whatever is on its way arrives.
      live.advance(1000);
      expect(live.advance(1)).toBe(false);
      expect(told(live)).toEqual(told(fresh(steps)));
    }),
    { numRuns: rounds(60, 3000), seed: seedOf(20261126) },
  );
});

test('what is refused leaves no trace, whenever it is found to be none', () => {
  const live = new LiveView(openView(document!, 'test', { resources }), { width: 800, height: 600 });
  const before = told(live);
  let refusals = 0;
  for (const values of [
    { a: 'Depth of the wreck', x: 1e300 },
    { count: 4, w: -1 },
    { how: 'sideways', count: 3 },
    { gone: true, many: 0 },
    { m: NaN, count: 4 },
    { list: [{ name: 'wax', left: 1 }, 7], high: -3 },
  ] as never[]) {
    let refused = false;
    try {
      live.set(values);
    } catch (error) {
      refused = true;
      refusals++;
      expect(error).toBeInstanceOf(Error);
    }
    if (refused) expect(told(live)).toEqual(before);
    else live.set({ list: source.cases!.only!.list, high: 12, count: 2, w: 90 });
    live.advance(1000);
  }
  expect(told(live)).toEqual(before);
  expect(refusals).toBeGreaterThanOrEqual(4);
});

test('what lies where and who can take the focus is kept up, too', () => {
  const groundOf = (live: LiveView) => {
    const { on } = live.now;
    return focusGround(on.tree, on.layout, (id) => on.find(id));
  };
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 14 }), (steps) => {
      const live = new LiveView(openView(document!, 'test', { resources }), { width: 800, height: 600 });
      const hits = new Hits(live);
      const input = new ViewInput(live);
      for (const one of steps) {
        apply(live, one);
        const other = new Hits(live);
        for (let y = 5; y < 600; y += 60)
          for (let x = 5; x < 800; x += 60) expect([x, y, hits.at(x, y)]).toEqual([x, y, other.at(x, y)]);
        input.hear({ type: 'key-down', key: 'Tab' });
        const field = new FocusField(groundOf(live));
        const { focused } = input;
        if (focused === undefined) expect(field.usable).toEqual([]);
        else expect([focused, field.isUsable(live.indexOf(focused))]).toEqual([focused, true]);
      }
    }),
    { numRuns: rounds(40, 1500), seed: seedOf(19) },
  );
});
