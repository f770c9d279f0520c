import { cpSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Log } from 'sarif';
import { readDocument } from 'pimbot';
import { random } from '../../bench/trees.ts';
import { defects } from '../accuracy/defects.ts';
import { places, type Sample } from '../accuracy/sample.ts';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';
import { pageData } from '../support/findings.ts';
import { newSeed, rounds } from '../support/deep.ts';

interface Told {
  readonly files: readonly {
    readonly findings: readonly {
      readonly check: string;
      readonly outcome: string;
      readonly severity: string;
      readonly view?: string;
      readonly widget: string;
      readonly message: string;
      readonly measured: number | null;
    }[];
  }[];
}

const folder = temporaryFolder();
const one = (text: string) => text.replace(/\s+/g, ' ');

beforeAll(() => {
  cpSync('examples', join(folder.path, 'examples'), { recursive: true });
  writeFileSync(join(folder.path, 'package.json'), '{}');
});
afterAll(() => folder.remove());

/** A document of a few mistakes, each a view of its own. */
function mistakes(seed: number): string {
  const next = random(seed);
  const views: Record<string, object> = {};
  const rest: Record<string, unknown> = {};
  for (let nth = 0; nth < 6; nth++) {
    const defect = defects[Math.floor(next() * defects.length)]!;
    const { broken }: { broken: Sample } = defect.make(places[nth % places.length]!, nth);
    if (broken.files || broken.document.components || broken.document.catalogs) continue;
    const { views: own, ...more } = broken.document;
    views[`v${nth}`] = own.v!;
    for (const [key, value] of Object.entries(more)) {
      const known = rest[key];
      const both = isMap(known) && isMap(value);
      rest[key] = both ? { ...known, ...value } : value;
    }
  }
  return JSON.stringify({
    ...rest,
    cases: { typical: { hull: 86, page: 'none', note: 'for {all}', n: 4, list: ['a'] } },
    views,
  });
}

function isMap(value: unknown): value is object {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The same check in every form a report has. */
async function everyForm(file: string, ...more: string[]) {
  const args = ['check', file, '--no-suggest', '--screen', 'desktop', '--screen', 'phone-portrait', ...more];
  const reports = ['r.html', 'r.sarif', 'r.xml'].flatMap((name) => ['--report', name]);
  const { out, err } = await pimbotHere([...args, '--json', ...reports], folder.path);
  if (out === '') throw new Error(err);
  const read = (name: string) => readFileSync(join(folder.path, name), 'utf8');
  const { findings } = (JSON.parse(out) as Told).files[0]!;
  return {
    findings,
    verbose: (await pimbotHere([...args, '--verbose'], folder.path)).out,
    short: (await pimbotHere(args, folder.path)).out,
    page: (
      JSON.parse(pageData(read('r.html'))) as {
        findings: { name: string; sentence: string; severity: string }[];
      }
    ).findings,
    sarif: (JSON.parse(read('r.sarif')) as Log).runs[0]!.results!,
    junit: read('r.xml'),
  };
}

const unescaped = (xml: string) =>
  xml.replace(/&#(\d+);/g, (_, code: string) => String.fromCharCode(Number(code)));

function compare({ findings, verbose, short, page, sarif, junit }: Awaited<ReturnType<typeof everyForm>>) {
  const messages = findings.map(({ message }) => message).sort();
  expect(page.map(({ name, sentence }) => `${name} ${sentence}`).sort()).toEqual(messages);
  expect(sarif.map(({ level }) => level).sort()).toEqual(
    findings.map(({ outcome, severity }) => (outcome === 'failed' ? severity : 'none')).sort(),
  );
  // The terminal breaks lines; each finding starts one with its mark.
  const told = one(verbose);
  const marks = verbose.split('\n').filter((line) => /^[✗!?] \S/u.test(line) && !/^[✗!] \d+ \w+/u.test(line));
  expect(marks.length).toBe(findings.length);
  for (const { view, message } of findings)
    expect(told).toContain(one(view === undefined ? message : `${view}/${message}`));
  for (const message of messages) {
    expect(one(sarif.map(({ message: { text } }) => text).join('\n'))).toContain(one(message));
    expect(one(unescaped(junit))).toContain(one(message));
  }
  const failed = findings.filter(({ outcome }) => outcome === 'failed');
  const errors = failed.filter(({ severity }) => severity === 'error').length;
  const said = /(?:✗ ([\d,]+) errors?)?(?:, )?(?:! ([\d,]+) warnings?)? of [\d,]+ causes? in/u.exec(
    one(short),
  );
  expect([Number(said?.[1] ?? 0), Number(said?.[2] ?? 0)]).toEqual([errors, failed.length - errors]);
  // No line is longer than a terminal is wide, but for one word that is.
  for (const line of [...verbose.split('\n'), ...short.split('\n')])
    if (line.length > 80 && !line.includes('·')) expect(line.trim().split(' ').length).toBeLessThan(3);
}

describe('every form of a report tells the same findings with the same numbers', () => {
  test('of the examples', async () => {
    for (const file of ['examples/broken/broken.yaml', 'examples/broken/written.yaml']) {
      const forms = await everyForm(file);
      compare(forms);
      expect(forms.findings.length).toBeGreaterThan(5);
    }
  });

  test('of documents full of mistakes', async () => {
    const seed = newSeed();
    const all = rounds(4, 60);
    let compared = 0;
    for (let nth = 0; compared < all && nth < 20 * all; nth++) {
      const text = mistakes(seed + nth);
      // Mistakes that are put together may name values and styles of one another that are not there: three of ten do.
      if (!readDocument(text).document) continue;
      compared++;
      writeFileSync(join(folder.path, 'made.json'), text);
      try {
        compare(await everyForm('made.json', '--no-cache'));
      } catch (error) {
        throw new Error(`seed ${seed + nth}`, { cause: error });
      }
    }
    expect(compared).toBe(all);
  });

  test('two widgets with the same mistake are both told', async () => {
    const at = (id: string, y: number) => ({
      id,
      anchor: 'left top',
      offset: `1640 ${y}`,
      size: '256 96',
      look: { background: '#456' },
    });
    const views = { v: { backdrop: '#000', children: [at('a', 24), at('b', 300)] } };
    writeFileSync(
      join(folder.path, 'twins.json'),
      JSON.stringify({ pimbot: 1, reference: { size: '1920x1080', limits: '1..' }, views }),
    );
    compare(await everyForm('twins.json'));
  });
});
