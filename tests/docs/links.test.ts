import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, test } from '@jest/globals';

const pages = [
  'README.md',
  ...readdirSync('docs', { recursive: true, encoding: 'utf8' }).map((name) => join('docs', name)),
].filter((name) => name.endsWith('.md'));

/** What a link may lead to in a page: its headings, as the sites that show Markdown name them. */
function anchorsOf(file: string): readonly string[] {
  return [...readFileSync(file, 'utf8').matchAll(/^#+ (.+)$/gm)].map(([, heading]) =>
    heading!
      .replaceAll(/\[([^\]]*)\]\([^)]*\)/g, '$1')
      .toLowerCase()
      .replaceAll(/[^\p{L}\p{N} _-]/gu, '')
      .replaceAll(' ', '-'),
  );
}

test('every link in the documentation leads somewhere', () => {
  let count = 0;
  const dead = pages.flatMap((page) =>
    [
      ...readFileSync(page, 'utf8')
        .replaceAll(/^```[\s\S]*?^```|`[^`\n]*`/gm, '')
        .matchAll(/\]\(([^)\s]+)\)/g),
    ].flatMap(([, link]) => {
      if (/^[a-z]+:/.test(link!)) return [];
      count++;
      const [path, anchor] = link!.split('#') as [string, string?];
      const file = path === '' ? page : join(dirname(page), path);
      if (!existsSync(file)) return [`${page}: ${link!}`];
      return anchor === undefined || statSync(file).isDirectory() || anchorsOf(file).includes(anchor)
        ? []
        : [`${page}: ${link!}`];
    }),
  );
  expect(dead).toEqual([]);
  expect(count).toBeGreaterThan(200);
});
