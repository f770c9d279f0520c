import { describe, expect, test } from '@jest/globals';
import { findScreen, openView, readDocument, screens, type DocumentSource } from 'pimbot';
import { checkDocument, onlyOn, planOf } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

const resources = { fonts: bundledFonts() };
const two = [findScreen('desktop')!, findScreen('square')!];

/** A view whose button outgrows its plate in one way for each thing that varies. */
function documentOf(more: Partial<DocumentSource> = {}, button = {}) {
  const read = readDocument({
    pimbot: 1,
    cases: { short: { name: 'Kelp' }, long: { name: 'Kelp and brine of the lower trench' } },
    styles: {
      key: {
        background: '#12343f',
        states: { hover: { 'font-size': 60 }, focused: { border: '4 #ffffff' } },
      },
    },
    views: {
      dock: {
        backdrop: '#001018',
        look: { 'font-size': 26, 'color': '#ffffff' },
        children: [
          {
            id: 'go',
            kind: 'button',
            style: 'key',
            anchor: 'left top',
            offset: [40, 40],
            size: [700, 200],
            text: '{name}',
            wrap: false,
            ...button,
          },
        ],
      },
    },
    ...more,
  });
  expect(read.diagnostics).toEqual([]);
  return read.document!;
}

describe('what varies', () => {
  test('an occasion is no list of them: who takes one refuses the other', () => {
    const document = documentOf();
    // @ts-expect-error -- one HUD size where sizes are asked for would check the plain one.
    planOf(document, { resources, screens: two, hudSize: 2.5 });
    // @ts-expect-error -- sizes where one is asked for.
    openView(document, Object.keys(document.source.views)[0]!, { resources, hudSizes: [2.5] });
    const view = openView(document, Object.keys(document.source.views)[0]!, { resources, hudSize: 2.5 });
    expect(planOf(document, { resources, screens: two, ...onlyOn(view.occasion) }).batches).toEqual(
      Object.keys(document.source.views).map((name) => ({
        view: name,
        occasion: view.occasion,
        screens: two,
      })),
    );
  });

  test('HUD sizes, text sizes and states are factors: each finding says in which it is', () => {
    const { findings, hudSizes, textSizes, states, layouts, coverage } = checkDocument(documentOf(), {
      resources,
      screens: two,
      hudSizes: [1, 4],
      textSizes: [1, 2.4],
      states: ['hover'],
    });
    expect([hudSizes, textSizes, states, coverage]).toEqual([[1, 4], [1, 2.4], [undefined, 'hover'], 'all']);
    expect(layouts).toBe(2 * 2 * 2 * 2 * 2);
    const off = findings.find(({ check }) => check === 'off-screen')!;
    expect(new Set(off.occurrences.map(({ hudSize }) => hudSize))).toEqual(new Set([4]));
    const cut = findings.find(({ check }) => check === 'cut-text')!;
    expect(new Set(cut.occurrences.map(({ case: name }) => name))).toEqual(new Set(['long']));
    expect(cut.occurrences.some(({ state, textSize }) => state === 'hover' && textSize === 1)).toBe(true);
    expect(cut.occurrences.some(({ state, textSize }) => state === undefined && textSize === 1)).toBe(false);
  });

  test('the document says them with vary, a call replaces them', () => {
    const vary = {
      'hud-sizes': [1, 1.25],
      'text-sizes': [1, 1.5],
      'states': ['focused' as const],
      'locales': ['en', 'en-XA'],
    };
    const document = documentOf({ vary });
    const plan = planOf(document, { resources, screens: two });
    expect(plan.factors).toMatchObject({
      hudSizes: [1, 1.25],
      textSizes: [1, 1.5],
      states: [undefined, 'focused'],
      locales: ['en', 'en-XA'],
    });
    expect(planOf(document, { resources, screens: two, hudSizes: [2] }).factors.hudSizes).toEqual([2]);
  });

  test('a state no player can reach is not tried: what is disabled is not focused', () => {
    const { findings } = checkDocument(documentOf({}, { states: 'disabled', text: 'x', label: '{name}' }), {
      resources,
      screens: two,
      states: ['hover'],
    });
    expect(findings.filter(({ facts }) => !JSON.stringify(facts).includes('disabled'))).toEqual([]);
  });

  test('much is covered by pairs: fewer layouts, every pair among them, all told', () => {
    const document = documentOf();
    const options = {
      resources,
      screens,
      hudSizes: [0.9, 1, 1.1, 1.2],
      textSizes: [1, 1.1, 1.2],
      states: ['hover', 'focused', 'pressed'] as const,
      locales: ['en', 'en-XA', 'x-digits'],
    };
    const plan = planOf(document, options);
    expect(plan.coverage).toBe('pairs');
    expect(plan.combinations).toBe(46 * 2 * 3 * 4 * 3 * 4);
    expect(plan.layouts).toBeLessThan(46 * 4 * 1.1);
    const seen = new Set(
      plan.batches.flatMap(({ occasion, screens: on }) =>
        on.map(({ name }) => `${name} ${occasion.state} ${occasion.hudSize}`),
      ),
    );
    for (const { name } of screens)
      for (const state of [undefined, ...options.states])
        expect([...seen].some((one) => one.startsWith(`${name} ${state} `))).toBe(true);
    expect(planOf(document, { ...options, coverage: 'all' }).layouts).toBe(plan.combinations);
    const { looked, layouts } = checkDocument(document, { ...options, screens: two, coverage: 'pairs' });
    expect(looked.reduce((sum, { screens: on }) => sum + on.length, 0)).toBe(layouts);
  });

  test('an acceptance is called idle only where every combination was looked at', () => {
    const document = documentOf({}, { accept: { overlap: 'the needle lies on the dial' } });
    const checksIn = (more: object) =>
      checkDocument(document, { resources, screens, ...more }).findings.map(({ check }) => check);
    expect(checksIn({})).toContain('idle-acceptance');
    expect(checksIn({ coverage: 'pairs' })).not.toContain('idle-acceptance');
    expect(checksIn({ hudSizes: [1] })).not.toContain('idle-acceptance');
  });

  test('sizes that are none, and locales that are not there, are refused with their place', () => {
    expect(() => planOf(documentOf(), { resources, screens: two, hudSizes: [0] })).toThrow(
      'a HUD size is a number from 0.1 to 10, not 0',
    );
    const { diagnostics } = readDocument('pimbot: 1\nvary: { locales: [en, fr] }\nviews: { dock: {} }\n', {
      name: 'hud.yaml',
    });
    expect(diagnostics).toMatchObject([{ code: 'unknown-name', facts: { what: 'catalog for', name: 'fr' } }]);
  });
});
