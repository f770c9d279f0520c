import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Browser } from 'playwright-core';
import { readDocument } from 'pimbot';
import { startBrowser } from '../../bench/browser.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { Hand } from './hand.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

const views = (children: string) => `# Mine.
pimbot: 1
styles:
  plate: { background: "#12303a", border: "2 #5fc9b8", radius: 8, padding: 16 }
  body: { color: "#f2fbf9", font-size: 42 }
views:
  dive:
    backdrop: "#04202a"
    children:
${children}`;

/** Does something with the page on a document of its own; nobody touches the YAML. */
async function by(text: string, hands: (hand: Hand) => Promise<void>): Promise<void> {
  const hand = await Hand.open(browser, { text });
  try {
    await hands(hand);
    expect(hand.problems).toEqual([]);
    const now = await hand.text();
    expect(readDocument(now).document).toBeDefined();
    expect(now).toContain('# Mine.');
  } finally {
    await hand.close();
  }
}

const found = (hand: Hand) =>
  hand.page.evaluate(() =>
    window.bench.judged.findings.value.map(({ check, widget }) => `${widget} ${check}`),
  );

describe('what people do by eye, done in the page', () => {
  test('a widget at the right edge that was placed in plain px from the left is anchored where it belongs', () =>
    by(
      views(
        '      - { id: parcels, kind: text, style: [plate, body], offset: 1600 24, text: 7 parcels, wrap: false }\n',
      ),
      async (hand) => {
        expect((await found(hand)).some((one) => one.startsWith('parcels'))).toBe(true);
        await hand.select('parcels');
        // The stake at the corner is pulled to the other side of the room; the widget stays.
        const before = await hand.row('parcels');
        const stake = (await hand.page.locator('[data-hold="anchor 0 0"]').boundingBox())!;
        await hand.pull(
          { x: stake.x + stake.width / 2, y: stake.y + stake.height / 2 },
          await hand.at(1920, 0),
        );
        const { rect } = await hand.row('parcels');
        expect(Math.abs(rect.x - before.rect.x)).toBeLessThan(0.5);
        expect(rect.y).toBe(before.rect.y);
        expect(await hand.text()).toContain('anchor: end top');
        expect(await found(hand)).toEqual([]);
      },
    ));

  test('a reskin with a background of another size: pulled to its size, and everything in it stays tied', () =>
    by(
      views(
        '      - id: board\n        offset: 200 200\n        size: 600 300\n        style: plate\n        children:\n          - { id: title, kind: text, style: body, text: Rack, anchor: center top }\n          - { id: foot, kind: text, style: body, text: Full, anchor: right bottom }\n',
      ),
      async (hand) => {
        await hand.select('board');
        const corner = (await hand.page.locator('[data-hold="edge 1 1"]').boundingBox())!;
        const from = { x: corner.x + corner.width / 2, y: corner.y + corner.height / 2 };
        const to = await hand.at(200 + 800, 200 + 400);
        await hand.pull(from, to, 'Control');
        const { rect } = await hand.row('board');
        expect(Math.abs(rect.width - 800)).toBeLessThan(3);
        const foot = (await hand.row('foot')).rect;
        expect(Math.round(rect.x + rect.width - foot.x - foot.width)).toBe(16);
      },
    ));

  test('a column that covers a decoration is moved off it, and the finding goes', () =>
    by(
      views(
        '      - { id: gauge, kind: text, style: [plate, body], anchor: left bottom, offset: 40 -40, text: Hull }\n      - id: list\n        style: plate\n        anchor: left bottom\n        offset: 60 -60\n        arrange: column\n        children:\n          - { kind: text, style: body, text: Kelp }\n          - { kind: text, style: body, text: Reef }\n',
      ),
      async (hand) => {
        expect((await found(hand)).some((one) => one.includes('overlap') || one.includes('covered'))).toBe(
          true,
        );
        await hand.select('list');
        await hand.move('list', 0, -140);
        expect(await found(hand)).toEqual([]);
      },
    ));

  test('the lines of a chat window are put into a column, and get a gap', () =>
    by(
      views(
        '      - id: chat\n        anchor: left bottom\n        offset: 40 -40\n        size: 640 360\n        style: plate\n        children:\n          - { id: a, kind: text, style: body, text: Mo says hi, offset: 0 0 }\n          - { id: b, kind: text, style: body, text: Ida waves, offset: 0 70 }\n          - { id: c, kind: text, style: body, text: Reef calls, offset: 0 140 }\n',
      ),
      async (hand) => {
        await hand.select('a');
        for (const id of ['b', 'c'])
          await hand.page.locator(`[role=treeitem][data-widget=${id}]`).click({ modifiers: ['Control'] });
        await hand.settled();
        await hand.page.locator('.actions select').first().selectOption('column');
        await hand.settled();
        expect(await hand.selected()).toEqual(['column']);
        await hand.enter('gap', '24');
        const text = await hand.text();
        expect(text).toMatch(/id: column[^]*gap: 24/);
        const [a, b] = [(await hand.row('a')).rect, (await hand.row('b')).rect];
        expect(b.y - a.y - a.height).toBeCloseTo(24, 0);
      },
    ));

  test('a close button goes to the corner of its window, half over it', () =>
    by(
      views(
        '      - { id: window, anchor: center, size: 800 500, style: plate, overflow: visible, children: [ { id: close, kind: button, text: X, style: body, size: 96, offset: 300 200 } ] }\n',
      ),
      async (hand) => {
        await hand.select('close');
        const box = await hand.row('window');
        const close = await hand.row('close');
        await hand.enter('anchor', 'right top');
        const to = { x: box.rect.x + box.rect.width - 48, y: box.rect.y - 48 };
        await hand.select('close');
        await hand.move('close', to.x - close.rect.x, to.y - close.rect.y, 'Control');
        const { rect } = await hand.row('close');
        expect(Math.abs(rect.x - to.x)).toBeLessThan(4);
        expect(Math.abs(rect.y - to.y)).toBeLessThan(4);
        expect(await hand.text()).toContain('anchor: right top');
      },
    ));
});

describe('on documents made at random', () => {
  /** A document of panels in panels, rows and columns, with comments. */
  function made(seed: number): string {
    let state = seed;
    const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
    const anchors = ['left top', 'right top', 'center', 'left bottom', 'right bottom', 'center bottom'];
    const lines: string[] = [];
    for (let nth = 0; nth < 6; nth++) {
      const place = `anchor: ${anchors[next(6)]}, offset: ${next(200) - 100} ${next(200) - 100}`;
      if (next(2) === 0)
        lines.push(
          `      - { id: p${nth}, ${place}, size: ${120 + next(200)} ${80 + next(160)}, style: plate } # ${nth}`,
        );
      else
        lines.push(
          `      # List ${nth}.`,
          `      - id: p${nth}`,
          `        anchor: ${anchors[next(6)]}`,
          `        arrange: ${next(2) === 0 ? 'row' : 'column'}`,
          '        children:',
          `          - { id: p${nth}a, size: ${40 + next(80)}, style: plate }`,
          `          - { id: p${nth}b, size: ${40 + next(80)}, style: plate }`,
        );
    }
    return views(`${lines.join('\n')}\n`);
  }

  test('whatever is pulled, each act leaves a document with all comments, and undoing them brings back its bytes', async () => {
    for (let seed = seedOf(3); seed < seedOf(3) + rounds(1, 10); seed++) {
      const source = made(seed);
      await by(source, async (hand) => {
        let state = seed;
        const next = (below: number) => (state = (state * 1103515245 + 12345) % 2147483648) % below;
        for (let act = 0; act < rounds(10, 50); act++) {
          const rows = (await hand.rows()).slice(1);
          const { id } = rows[next(rows.length)]!;
          await hand.select(id);
          const held = next(2) === 0 ? ['Control'] : [];
          const before = await hand.text();
          if (next(3) === 0) {
            const grip = await hand.page.locator('[data-hold="edge 1 1"]').boundingBox();
            if (grip)
              await hand.pull(
                { x: grip.x + 4, y: grip.y + 4 },
                { x: grip.x + 4 + next(40), y: grip.y + 4 + next(30) },
                ...held,
              );
          } else if (next(4) === 0) {
            await hand.page.locator('.viewport').focus();
            await hand.press(next(2) === 0 ? 'ArrowRight' : 'Control+d');
          } else await hand.move(id, next(160) - 80, next(120) - 60, ...held);
          const now = await hand.text();
          expect((now.match(/#(?![0-9a-f]{3})/g) ?? []).length).toBeGreaterThanOrEqual(
            (before.match(/#(?![0-9a-f]{3})/g) ?? []).length,
          );
          expect(readDocument(now).document).toBeDefined();
        }
        await hand.page.locator('.viewport').focus();
        for (let steps = 0; steps < 80 && (await hand.text()) !== source; steps++)
          await hand.press('Control+z');
        expect(await hand.text()).toBe(source);
      });
    }
  });
});
