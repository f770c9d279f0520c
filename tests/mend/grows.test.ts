import { describe, expect, test } from '@jest/globals';
import { openView, readDocument, screens, type Screen } from 'pimbot';
import { checkDocument, suggestFor } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

/* What is too small, and where it grows. */

const fonts = bundledFonts();

describe('what is too small for a thumb grows where thumbs are, and nowhere else', () => {
  const bottom = 'anchor: center bottom, offset: 0 -40, height: 60, width: 300';
  const hud = (more = '') => `pimbot: 1
reference: { size: 1280x720, spare: extend }
views:
  v:
    backdrop: "#04202a"
    children:
      - { id: go, kind: button, text: Go, look: { background: "#125463" }, ${bottom}${more} }
`;
  const suggested = (text: string) => {
    const { document } = readDocument(text);
    const options = { resources: { fonts }, screens };
    const verdict = checkDocument(document!, options);
    const finding = verdict.findings.find(({ check }) => check === 'thumb-target')!;
    return suggestFor(document!, finding, verdict, options)!;
  };
  const heightsOf = (text: string) => {
    const view = openView(readDocument(text).document!, 'v', { resources: { fonts } });
    return screens.map((screen) => {
      const on = view.layoutOn(screen);
      return on.layout.rectInU(on.tree.widgets.find(({ id }) => id === 'go')!.index).height;
    });
  };

  test('by a condition, of which the desktop knows nothing', () => {
    const { say, text, disturbs } = suggested(hud());
    expect(say).toBe('go: on touch screens height: 89, on upright ones height: 157');
    expect(disturbs).toBe('moves nothing on the reference');
    const heights = heightsOf(text);
    screens.forEach(({ inputs }, nth) => {
      if (inputs.includes('touch')) expect(heights[nth]).toBeGreaterThan(60);
      else expect(heights[nth]).toBe(60);
    });
  });

  test('in the condition that says its size, or after those that say something else', () => {
    const size = suggested(hud(', when: [{ screen: { input: touch }, change: { height: 62, z: 1 } }]'));
    expect(size.text).toMatch(
      /when: \[\{ screen: \{ input: touch \}, change: \{ height: 157, z: 1 \} \}\] \}/,
    );
    const { text } = suggested(hud(', when: [{ screen: { input: touch }, change: { z: 1 } }]'));
    expect(text).toMatch(
      /when: \[\{ screen: \{ input: touch \}, change: \{ z: 1 \} \}, \{ screen: \{ input: touch \}, change: \{ height: 89 \} \}, \{ screen: \{ input: touch, orientation: portrait \}, change: \{ height: 157 \} \}\] \}/,
    );
  });
});

describe('letters that are too small on some screens', () => {
  const text = (size: number, more = '') => `pimbot: 1
reference: { size: 1920x1080, scaling: contain }
views: { v: { backdrop: "#04202a", children: [ { id: t, kind: text, text: Depth, anchor: center, look: { font-size: ${size} }${more} } ] } }
`;
  const suggested = (document: string, on: readonly Screen[]) => {
    const read = readDocument(document).document!;
    const options = { resources: { fonts }, screens: on };
    const verdict = checkDocument(read, options);
    const finding = verdict.findings.find(({ check }) => check === 'small-text')!;
    return suggestFor(read, finding, verdict, options);
  };
  const wide = screens.filter(({ width, height }) => width > height);

  test('grow on screens of that kind, and are left alone on others', () => {
    const { say, text: after } = suggested(text(28), screens)!;
    expect(say).toMatch(/^t: at aspects up to 1\.2 look \{ font-size: \d+ \}$/);
    const view = openView(readDocument(after).document!, 'v', { resources: { fonts } });
    for (const screen of screens) {
      const { width, height } = view.frameOn(screen);
      const { fontSize } = view.layoutOn(screen).tree.widgets[1]!.look;
      if (width / height <= 1.2) expect(fontSize).toBeGreaterThan(28);
      else expect(fontSize).toBe(28);
    }
  });

  test('grow by little wherever they are, and by much only where that is needed on many screens', () => {
    const larger = wide.filter(({ name }) => name !== 'handheld-square');
    expect(suggested(text(21), larger)!.say).toBe('t: look { font-size: 23 }');
    expect(suggested(text(12), wide)!.say).toBe('t: look { font-size: 36 }');
    expect(suggested(text(20), wide)).toBeUndefined();
  });

  test('grow where a condition says how large they are, in that condition', () => {
    const when = ', when: [{ screen: { orientation: portrait }, change: { look: { font-size: 24 } } }]';
    const { text: after } = suggested(
      text(60, when),
      screens.filter(({ width, height }) => height > width || width > 1500),
    )!;
    expect(after).toMatch(
      /look: \{ font-size: 60 \}, when: \[\{ screen: \{ orientation: portrait \}, change: \{ look: \{ font-size: \d+ \} \} \}\]/,
    );
  });
});

test('letters that have their size from what they are in grow there, all of them by one change', () => {
  const text = `pimbot: 1
reference: { size: 1920x1080, scaling: contain }
views:
  v:
    backdrop: "#04202a"
    children:
      - id: page
        anchor: center
        look: { font-size: 28 }
        arrange: column
        children:
          - { id: a, kind: text, text: Depth }
          - { id: b, kind: text, text: Hull }
          - { id: own, kind: text, text: Air, look: { font-size: 80 } }
`;
  const read = readDocument(text).document!;
  const options = { resources: { fonts }, screens };
  const verdict = checkDocument(read, options);
  const small = verdict.findings.filter(({ check }) => check === 'small-text');
  expect(small.map(({ widget }) => widget)).toEqual(['a', 'b']);
  const found = suggestFor(read, small[0]!, verdict, options)!;
  expect(found).toMatchObject({ say: 'page: at aspects up to 1.2 look { font-size: 41 }', mendsToo: 1 });
  expect(found.text).toContain('look: { font-size: 28 }');
  expect(found.text).toContain('look: { font-size: 80 }');
});

test('a switch grows in its shape: its handle needs a way to go', () => {
  const text = `pimbot: 1
reference: { size: 1280x720 }
kinds: { switch: { background: "#446", color: "#fff", states: { focused: { border: 3 #fff } } } }
views: { v: { backdrop: "#04202a", children: [ { id: s, kind: switch, label: Sound, anchor: center, size: 40 20 } ] } }
`.replace('3 #fff', '"3 #fff"');
  const read = readDocument(text).document!;
  const options = { resources: { fonts }, screens };
  const verdict = checkDocument(read, options);
  const finding = verdict.findings.find(({ check }) => check === 'thumb-target')!;
  const { say } = suggestFor(read, finding, verdict, options)!;
  const sizes = [...say.matchAll(/size: (\d+) (\d+)/g)].map(([, ...size]) => size.map(Number));
  expect(sizes.length).toBeGreaterThan(0);
  for (const [width, height] of sizes) expect(Math.abs(width! - 2 * height!)).toBeLessThanOrEqual(2);
});

describe('of several that belong together all grow', () => {
  const suggested = (children: string, check: string, more = '', on: readonly Screen[] = screens) => {
    const read = readDocument(`pimbot: 1
reference: { size: 1920x1080, scaling: contain }
${more}
views:
  v:
    backdrop: "#04202a"
    children:
${children}
`).document!;
    const options = { resources: { fonts }, screens: on };
    const verdict = checkDocument(read, options);
    const finding = verdict.findings.find((one) => one.check === check)!;
    return suggestFor(read, finding, verdict, options);
  };

  test('two buttons in a row, of one of which the words are cut', () => {
    const button = 'kind: button, width: 220, height: 100, look: { font-size: 44 }';
    const found = suggested(
      `      - id: row
        anchor: center
        arrange: row
        gap: 40
        children:
          - { id: sell, text: Sell, ${button} }
          - { id: drop, text: Throw it overboard, ${button} }`,
      'cut-text',
    )!;
    expect(found.say).toMatch(/^drop, sell: height: \d+$/);
    expect(found.text.split(`${found.say.split(': ').slice(1).join(': ')},`)).toHaveLength(3);
  });

  test('texts of one style, by the style where it is by little', () => {
    const large = screens.filter(({ width, height }) => width > height && width > 1200);
    const texts = ['a', 'b'].map(
      (id, nth) =>
        `      - { id: ${id}, kind: text, style: small, text: Depth, anchor: top, offset: 0 ${80 + 200 * nth} }`,
    );
    const found = suggested(texts.join('\n'), 'small-text', 'styles: { small: { font-size: 21 } }', large)!;
    expect(found.say).toMatch(/^style small: font-size: 2\d$/);
    expect(found.mendsToo).toBe(1);
  });

  test('those of narrower screens that have a size of their own keep it', () => {
    const found = suggested(
      `      - { id: a, kind: text, text: Depth, anchor: center, look: { font-size: 26 }, when: [{ screen: { aspect: ..1.2 }, change: { look: { font-size: 41 } } }] }`,
      'coarse-text',
    )!;
    expect(found.say).toBe('a: at aspects from 1.3 to 1.4 look { font-size: 30 }');
  });
});

describe('the focus on what is selected too', () => {
  const found = (ground: string) => {
    const read = readDocument(`pimbot: 1
reference: { size: 1920x1080, scaling: contain }
styles:
  tab:
    background: "#0d4452"
    font-size: 44
    states: { focused: { border: "4 #ffffff" }, selected: { border: "4 #ffc75f" } }
views:
  v:
    backdrop: "${ground}"
    children:
      - { id: bar, kind: tabs, page: a, anchor: center, gap: 40, children: [{ id: a, kind: button, style: tab, size: 260, text: Load }] }
`).document!;
    const options = { resources: { fonts }, screens };
    const verdict = checkDocument(read, options);
    const finding = verdict.findings.find(({ check }) => check === 'states-alike')!;
    return { finding, suggestion: suggestFor(read, finding, verdict, options)! };
  };

  test('is seen by a ring outside of it: its border is that of what is selected', () => {
    const { finding, suggestion } = found('#04202a');
    expect(finding.reasons[0]!.text).toBe(
      'nothing of its look changes when it is focused: it is selected too, and what that says comes after',
    );
    expect(suggestion.say).toBe('style tab: states { focused: { shadow: 0 0 0 5 #ffffff } }');
  });

  test('by one that stands off from what is around it', () => {
    expect(found('#f4f4f4').suggestion.say).toBe(
      'style tab: states { focused: { shadow: 0 0 0 5 #000000 } }',
    );
  });
});

test('a slider is pressed in a higher box, and looks as it did', () => {
  const text = `pimbot: 1
reference: { size: 1280x720 }
kinds: { slider: { background: "#446", color: "#fff", states: { focused: { border: "3 #fff" } } } }
views: { v: { backdrop: "#04202a", children: [ { id: s, kind: slider, value: 0.5, label: Sound, anchor: center, size: 300 48, look: { padding: 16 8 } } ] } }
`;
  const read = readDocument(text).document!;
  const options = { resources: { fonts }, screens };
  const verdict = checkDocument(read, options);
  const finding = verdict.findings.find(({ check }) => check === 'thumb-target')!;
  const found = suggestFor(read, finding, verdict, options)!;
  expect(found.say).toMatch(/^s: on touch screens size: 300 \d+, look \{ padding: \d+ 8 \}/);
  const view = openView(readDocument(found.text).document!, 'v', { resources: { fonts } });
  for (const screen of screens) {
    const on = view.layoutOn(screen);
    const { look } = on.tree.widgets[1]!;
    const { top, bottom } = look.padding!;
    const { height } = on.layout.rectInU(1);
    const isTouched = screen.inputs.includes('touch');
    expect(isTouched ? height > 80 : height === 48).toBe(true);
    expect(Math.abs(height - top.u - bottom.u - 16)).toBeLessThanOrEqual(1);
  }
});

test('what is round stays round', () => {
  const text = `pimbot: 1
reference: { size: 1280x720 }
styles: { port: { background: "#446", radius: 22, states: { focused: { border: "3 #fff" } } } }
views: { v: { backdrop: "#04202a", children: [ { id: p, kind: button, style: port, text: "1", anchor: center, size: 44 } ] } }
`;
  const read = readDocument(text).document!;
  const options = { resources: { fonts }, screens };
  const verdict = checkDocument(read, options);
  const finding = verdict.findings.find(({ check }) => check === 'thumb-target')!;
  const { say } = suggestFor(read, finding, verdict, options)!;
  const sizes = [...say.matchAll(/size: (\d+) \1, look \{ radius: (\d+) \}/g)];
  expect(sizes.length).toBeGreaterThan(0);
  for (const [, size, radius] of sizes) expect(Number(radius)).toBe(Math.ceil(Number(size) / 2));
});
