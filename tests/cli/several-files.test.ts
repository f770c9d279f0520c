import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { reportSchema } from 'pimbot/tools';
import type { Log } from 'sarif';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

/* Of several files some cannot be used: the others are looked at, and nothing says that all is well. */

const folder = temporaryFolder();
const run = (...args: string[]) => pimbotHere(args, folder.path);
const read = (name: string) => readFileSync(join(folder.path, name), 'utf8');

const good = `pimbot: 1
views:
  dive:
    backdrop: "#001018"
    children:
      - { id: sonar, anchor: right bottom, offset: -24 -24, size: 280, look: { background: "#0a4d68" } }
`;
const files = ['wrong.yaml', 'missing.yaml', 'large.yaml', 'good.yaml'];
const reasons: Record<string, string> = {
  'wrong.yaml': 'a widget has no key "ancor"; did you mean "anchor"?',
  'missing.yaml': 'there is no file "missing.yaml"',
  'large.yaml': 'nothing to check: dive supports none of these screens',
};

beforeAll(() => {
  writeFileSync(join(folder.path, 'good.yaml'), good);
  writeFileSync(join(folder.path, 'wrong.yaml'), good.replace('anchor:', 'ancor:'));
  writeFileSync(
    join(folder.path, 'large.yaml'),
    good.replace('    backdrop', '    supports: { from: 9000x9000 }\n    backdrop'),
  );
});
afterAll(() => folder.remove());

test('check looks at the others, tells each, and ends with 2', async () => {
  const { code, out, err } = await run('check', ...files, '--screen', 'desktop');
  expect(code).toBe(2);
  expect(out).toContain('✓ passed: every widget of 1 view');
  expect(err).toContain('wrong.yaml:6:22: error: a widget has no key "ancor"');
  expect(err).toContain('pimbot: missing.yaml: there is no file "missing.yaml"\n');
  expect(err).toContain('pimbot: large.yaml: nothing to check: dive supports none of these screens\n');
});

test('every report names what was not used, and none says that it passed', async () => {
  const names = ['r.html', 'r.sarif', 'r.xml', 'r.json'];
  const { code, out } = await run(
    'check',
    ...files,
    '--screen',
    'desktop',
    '--json',
    ...names.flatMap((name) => ['--report', name]),
  );
  expect([code, read('r.json')]).toEqual([2, out]);
  const report = JSON.parse(out) as {
    passed: boolean;
    files: { file: string; passed: boolean; errors?: { message: string; line?: number }[] }[];
  };
  expect(new Ajv2020({ strict: false }).validate(reportSchema, report)).toBe(true);
  expect([report.passed, report.files.map(({ file, passed }) => [file, passed])]).toEqual([
    false,
    [
      ['good.yaml', true],
      ['wrong.yaml', false],
      ['missing.yaml', false],
      ['large.yaml', false],
    ],
  ]);
  const page = read('r.html');
  const xml = read('r.xml');
  const [{ invocations }] = (JSON.parse(read('r.sarif')) as Log).runs as [Log['runs'][number]];
  const [invocation] = invocations!;
  expect(invocation!.executionSuccessful).toBe(false);
  for (const [file, reason] of Object.entries(reasons)) {
    const errors = report.files.find((one) => one.file === file)!.errors!;
    expect(errors.map(({ message }) => message)).toEqual([reason]);
    const escaped = reason.replaceAll('"', '&#34;');
    expect([file, page.includes(`<h2>${file} was not used</h2>`), page.includes(escaped)]).toEqual([
      file,
      true,
      true,
    ]);
    expect(xml).toContain(`<testsuite name="${file}" tests="1" failures="0" errors="1" skipped="0">`);
    expect(xml).toContain(escaped);
    const told = invocation!.toolConfigurationNotifications!.map(({ message, locations }) => [
      message.text,
      locations![0]!.physicalLocation!.artifactLocation!.uri,
    ]);
    expect(told).toContainEqual([reason, file]);
  }
  expect(page).toContain('✗ 0 findings, 3 files not used');
  expect(/<testsuites [^>]*errors="(\d+)"/.exec(xml)![1]).toBe('3');
});

test('prove says so too', async () => {
  const { code, out } = await run('prove', ...files, '--report', 'p.html', '--json');
  expect(code).toBe(2);
  const proof = JSON.parse(out) as { passed: boolean; files: { file: string; views?: unknown[] }[] };
  expect([proof.passed, proof.files.map(({ file, views }) => [file, views?.length])]).toEqual([
    false,
    [
      ['good.yaml', 1],
      ['wrong.yaml', undefined],
      ['missing.yaml', undefined],
      ['large.yaml', undefined],
    ],
  ]);
  expect(read('p.html')).toContain('<h2>large.yaml was not used</h2>');
});

test('where none can be used, no report passes either', async () => {
  const { code, out } = await run('check', 'wrong.yaml', '--json', '--report', 'n.html', '--report', 'n.xml');
  expect([code, (JSON.parse(out) as { passed: boolean }).passed]).toEqual([2, false]);
  expect(read('n.html')).not.toContain('✓ passed');
  expect(read('n.xml')).toContain('tests="1" failures="0" errors="1"');
});
