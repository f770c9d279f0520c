import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'playwright-core';
import { startWorkbench, type Workbench } from 'pimbot/node';

/** What of the page's own knowledge tests read. */
interface Known {
  readonly outline: {
    readonly value:
      { readonly width: number; readonly screen: string; readonly rows: readonly Row[] } | undefined;
  };
  readonly place: {
    readonly value: { readonly selected: readonly string[]; readonly screen: string; readonly view: string };
  };
  readonly history: { readonly value: { readonly text: string } };
  readonly judged: {
    readonly findings: {
      readonly value: readonly {
        readonly widget: string;
        readonly check: string;
        readonly screens: readonly string[];
      }[];
    };
    readonly checking: { readonly value: boolean };
  };
  readonly ready: { readonly value: boolean };
  readonly busy: { readonly value: number };
  readonly played: { readonly values: { readonly value: { readonly [name: string]: unknown } } };
  readonly dragTimes: { readonly stage: number[]; readonly others: number[] };
}
export interface Row {
  readonly id: string;
  readonly index: number;
  readonly parent: number;
  readonly rect: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly unit: number;
}
declare global {
  interface Window {
    bench: Known;
    idleFrames: number;
  }
}

/** Somebody who works with the page by mouse and keyboard, on a copy of a project. */
export class Hand {
  readonly page: Page;
  readonly folder: string;
  readonly problems: string[] = [];
  readonly #workbench: Workbench;

  private constructor(page: Page, folder: string, workbench: Workbench) {
    this.page = page;
    this.folder = folder;
    this.#workbench = workbench;
    page.on('pageerror', (error) => this.problems.push(error.message));
    page.on('console', (message) => {
      // That a file was changed on disk is an answer the page asks for.
      if (message.type() === 'error' && !message.text().includes('412')) this.problems.push(message.text());
    });
  }

  /** @param project The demo, or the text of a document. @param others Documents beside it, which are open too. */
  static async open(
    browser: Browser,
    project: 'demo' | { readonly text: string },
    options: object = {},
    others: { readonly [name: string]: string } = {},
  ): Promise<Hand> {
    const folder = mkdtempSync(join(tmpdir(), 'pimbot-'));
    writeFileSync(join(folder, 'package.json'), '{}');
    const file = project === 'demo' ? 'post/post.yaml' : 'hud.yaml';
    if (project === 'demo') cpSync('examples/fathom-post', join(folder, 'post'), { recursive: true });
    else writeFileSync(join(folder, file), project.text);
    mkdirSync(join(folder, 'other'));
    for (const [name, text] of Object.entries(others)) writeFileSync(join(folder, name), text);
    const files = [file, ...Object.keys(others)].map((name) => join(folder, name));
    const workbench = await startWorkbench({ files, page: 'dist/page' });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, ...options });
    const hand = new Hand(page, join(folder, file), workbench);
    await page.goto(workbench.url);
    await hand.settled();
    return hand;
  }

  async close(): Promise<void> {
    await this.page.close({ runBeforeUnload: false });
    await this.#workbench.close();
    rmSync(join(this.folder, '..'), { recursive: true, force: true });
  }

  /** Waits until the page has nothing left to do. */
  async settled(): Promise<void> {
    await this.page.evaluate(() => (window.idleFrames = 0));
    // Asked once a frame: what follows from one answer is asked before the next frame.
    await this.page.waitForFunction(() => {
      const { bench } = window;
      const isIdle =
        bench?.ready.value &&
        bench.busy.value === 0 &&
        !bench.judged.checking.value &&
        bench.outline.value !== undefined;
      window.idleFrames = isIdle ? window.idleFrames + 1 : 0;
      return window.idleFrames >= 3;
    });
  }

  /** The text that the page holds. */
  text(): Promise<string> {
    return this.page.evaluate(() => window.bench.history.value.text);
  }

  disk(): string {
    return readFileSync(this.folder, 'utf8');
  }

  selected(): Promise<readonly string[]> {
    return this.page.evaluate(() => window.bench.place.value.selected);
  }

  row(id: string): Promise<Row> {
    return this.page.evaluate((wanted) => {
      const { rect, unit, index, parent } = window.bench.outline.value!.rows.find(
        (one) => one.id === wanted,
      )!;
      return { id: wanted, rect, unit, index, parent };
    }, id);
  }

  rows(): Promise<readonly Row[]> {
    return this.page.evaluate(() =>
      window.bench.outline.value!.rows.map(({ id, rect, unit, index, parent }) => ({
        id,
        rect,
        unit,
        index,
        parent,
      })),
    );
  }

  /** CSS px of the page for a place of the screen on the stage. */
  async at(x: number, y: number): Promise<{ x: number; y: number; scale: number }> {
    const box = (await this.page.locator('.sheet').first().boundingBox())!;
    const width = await this.page.evaluate(() => window.bench.outline.value!.width);
    const perPx = box.width / width;
    return { x: box.x + x * perPx, y: box.y + y * perPx, scale: perPx };
  }

  async middle(id: string): Promise<{ x: number; y: number; scale: number }> {
    const { rect } = await this.row(id);
    return this.at(rect.x + rect.width / 2, rect.y + rect.height / 2);
  }

  /** Selects a widget in the list. */
  async select(id: string): Promise<void> {
    await this.page.locator(`[role=treeitem][data-widget="${id}"]`).click();
    await this.settled();
  }

  /** Pulls from one place of the page to another, with keys held. */
  async pull(
    from: { x: number; y: number },
    to: { x: number; y: number },
    ...held: readonly string[]
  ): Promise<void> {
    const { mouse, keyboard } = this.page;
    await mouse.move(from.x, from.y);
    for (const key of held) await keyboard.down(key);
    await mouse.down();
    for (let step = 1; step <= 4; step++)
      await mouse.move(from.x + ((to.x - from.x) * step) / 4, from.y + ((to.y - from.y) * step) / 4);
    await mouse.up();
    for (const key of held) await keyboard.up(key);
    await this.settled();
  }

  /** Takes hold of a widget and puts it so many px of the screen further; with Control nothing catches it. */
  async move(id: string, x: number, y: number, ...held: readonly string[]): Promise<void> {
    const from = await this.middle(id);
    await this.pull(from, { x: from.x + x * from.scale, y: from.y + y * from.scale }, ...held);
  }

  async press(keys: string): Promise<void> {
    await this.page.keyboard.press(keys);
    await this.settled();
  }

  /** Types into a field of the keys, as somebody does: the field left with Enter. */
  async enter(key: string, value: string): Promise<void> {
    await this.page.click('#tab-inspect');
    const field = this.page.locator(`#key-${key}`);
    await field.fill(value);
    await field.press('Tab');
    await this.settled();
  }

  notice(): Promise<string | null> {
    return this.page.locator('.notice').textContent();
  }
}
