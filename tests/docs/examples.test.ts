import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { openProject } from 'pimbot/node';
import { checkDocument, documentSchema, messageOf } from 'pimbot/tools';
import { parse, stringify } from 'yaml';
import { fonts } from '../support/views.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

/* What the pages show as `yaml` (`yml` is for other programs) is YAML that Pimbot reads: whole documents as they are, parts put where they belong. */

interface Block {
  readonly page: string;
  readonly line: number;
  readonly text: string;
}

function blocksOf(page: string): readonly Block[] {
  const text = readFileSync(join('docs', page), 'utf8');
  return [...text.matchAll(/^```yaml\n([^]*?)^```/gm)].map((match) => ({
    page,
    line: text.slice(0, match.index).split('\n').length + 1,
    text: match[1]!,
  }));
}

const pages = readdirSync('docs').filter((name) => name.endsWith('.md'));
const blocks = pages.flatMap(blocksOf);
const keysOfDocuments = new Set(Object.keys(documentSchema.properties));

/** A document around a part of one. */
function whole({ text }: Block): string {
  const part: unknown = parse(text);
  const around = (more: object) =>
    stringify({ pimbot: 1, views: { v: { children: [{ kind: 'text', text: 'x' }] } }, ...more });
  // A comment alone.
  if (part === null) return around({});
  if (Array.isArray(part)) return around({ views: { v: { children: part } } });
  if (typeof part !== 'object') throw new Error('neither a map nor a list');
  if ('pimbot' in part) return text;
  if (Object.keys(part).every((key) => keysOfDocuments.has(key))) return around(part);
  // Keys of a view or a widget.
  return around({ views: { v: { children: [], ...part } } });
}

/** What a part of a document cannot know: styles, components, values and files that are written elsewhere. */
const elsewhere = new Set(['unknown-name', 'file-missing', 'case-lacks-value']);

test('there are examples, and on most pages', () => {
  expect(blocks.length).toBeGreaterThan(25);
});

test.each(blocks.map((block): [string, number, Block] => [block.page, block.line, block]))(
  'docs/%s:%i is read',
  async (_page, _line, block) => {
    if (/^pimbot-theme:/m.test(block.text)) {
      const { path, remove } = temporaryFolder();
      writeFileSync(join(path, 'a.theme.yaml'), block.text);
      writeFileSync(
        join(path, 'hud.yaml'),
        stringify({ pimbot: 1, theme: 'a.theme.yaml', views: { v: { backdrop: '#000' } } }),
      );
      const { diagnostics } = await openProject(join(path, 'hud.yaml'));
      remove();
      expect(diagnostics.filter(({ code }) => code !== 'file-missing')).toEqual([]);
      return;
    }
    const isWhole = /^pimbot:/m.test(block.text);
    const found = readDocument(whole(block)).diagnostics.filter(
      ({ code }) => isWhole || !elsewhere.has(code),
    );
    expect(found.map((one) => messageOf(one))).toEqual([]);
    // What is shown to be copied passes, but for the pages that lead to a finding.
    if (!isWhole || ['first-view.md', 'fix-findings.md'].includes(block.page)) return;
    const { document } = readDocument(block.text);
    const { findings } = checkDocument(document!, { resources: { fonts }, screens });
    const isElsewhere = ({ check }: { check: string }) => check === 'missing-message';
    expect(
      findings.filter((one) => !isElsewhere(one)).map(({ check, widget }) => `${check} ${widget}`),
    ).toEqual([]);
  },
);

test('docs/fix-findings.md shows what the command says of its document', async () => {
  const page = readFileSync('docs/fix-findings.md', 'utf8');
  const folder = temporaryFolder();
  const document = /```yaml\n(# hud\.yaml\n[^]*?)```/.exec(page)![1]!.replace('# hud.yaml\n', '');
  writeFileSync(join(folder.path, 'hud.yaml'), document);
  const { out } = await pimbotHere(['check', 'hud.yaml'], folder.path);
  const shown = /```text\n([^]*?)```/.exec(page)![1]!;
  expect(out).toContain(shown);
  folder.remove();
});
