import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';

const source = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe-core finds on a page as it is now, a line for each rule that is broken. */
export async function violationsOf(page: Page): Promise<string[]> {
  await page.evaluate(source);
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
    };
    // Paths to what passes are not asked for: working them out is most of the time.
    const { violations } = await axe.run({ resultTypes: ['violations'] });
    return violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 100)).join(' | ')}`,
    );
  });
}
