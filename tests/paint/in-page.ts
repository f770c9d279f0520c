import { build } from 'esbuild';
import type { DrawList, GlyphRun } from 'pimbot';
import type { Browser } from 'playwright-core';
import { pixels } from '../support/pixels.ts';

/** Code for a page as one script: what it exports is `pimbot` there, and `pimbot.revived` takes a list that was sent. */
export async function pageScript(contents: string): Promise<string> {
  const { outputFiles } = await build({
    stdin: {
      contents: `${contents}\nexport { revived } from './tests/paint/revived.ts';`,
      resolveDir: '.',
    },
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'pimbot',
    logLevel: 'warning',
  });
  return outputFiles[0]!.text;
}

/** Glyphs with the outlines they need in place of their font. */
function sendableRun(run: GlyphRun): unknown {
  const outlines = Object.fromEntries(run.glyphs.map(({ id }) => [id, run.face.outline(id)]));
  return { ...run, face: { outlines, unitsPerEm: run.face.unitsPerEm } };
}

/** A list as JSON can hold it: with outlines in place of fonts, and pictures as URLs. */
export function sendable(list: DrawList): DrawList {
  const operations = list.operations.map((one) => {
    if (one.type === 'glyphs') return { ...one, runs: one.runs.map(sendableRun) };
    if (one.type === 'shadow' && one.shape.type === 'glyphs')
      return { ...one, shape: { ...one.shape, runs: one.shape.runs.map(sendableRun) } };
    if (one.type !== 'picture') return one;
    const data = `data:${one.picture.mime};base64,${Buffer.from(one.picture.bytes).toString('base64')}`;
    const { width, height, mime } = one.picture;
    return { ...one, picture: { width, height, mime, data } };
  });
  return { ...list, operations } as unknown as DrawList;
}

/** The pixels of a page, once a function has drawn a list there. */
export async function shotOf(
  browser: Browser,
  list: DrawList,
  html: string,
  inPage?: { readonly script: string; readonly draw: (drawing: DrawList) => Promise<void> },
): Promise<Uint8ClampedArray> {
  const page = await browser.newPage({ viewport: { width: list.width, height: list.height } });
  await page.setContent(html);
  if (inPage) {
    await page.addScriptTag({ content: inPage.script });
    await page.evaluate(inPage.draw, sendable(list));
  }
  const found = await pixels(await page.screenshot());
  await page.close();
  return found;
}
