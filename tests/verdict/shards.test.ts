import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const run = (...args: string[]) => pimbotHere(args, folder.path);
const document = 'broken/broken.yaml';
const vary = [
  '--view',
  'console',
  '--hud-size',
  '1',
  '--hud-size',
  '1.5',
  '--state',
  'hover',
  '--screen',
  'desktop',
  '--screen',
  'phone-portrait',
];

beforeAll(() => {
  for (const name of ['broken', 'fathom-post'])
    cpSync(join('examples', name), join(folder.path, name), { recursive: true });
  mkdirSync(join(folder.path, '.git'));
});
afterAll(() => folder.remove());

describe('several machines and threads', () => {
  test('the parts of three shards merge into what one run says, byte for byte', async () => {
    const whole = await run(
      'check',
      document,
      ...vary,
      '--threads',
      '1',
      '--json',
      '--report',
      'whole.sarif',
      '--report',
      'whole.xml',
    );
    expect(whole.code).toBe(1);
    for (const nth of [1, 2, 3]) {
      const part = await run('check', document, ...vary, '--shard', `${nth}/3`, '--out', `part-${nth}.json`);
      expect(part.code).toBe(0);
      expect(part.out).toContain(`part-${nth}.json: shard ${nth} of 3`);
    }
    const merged = await run(
      'merge',
      'part-3.json',
      'part-1.json',
      'part-2.json',
      '--json',
      '--report',
      'merged.sarif',
      '--report',
      'merged.xml',
    );
    expect([merged.code, merged.err]).toEqual([1, whole.err]);
    expect(merged.out).toBe(whole.out);
    for (const end of ['sarif', 'xml'])
      expect(readFileSync(join(folder.path, `merged.${end}`))).toEqual(
        readFileSync(join(folder.path, `whole.${end}`)),
      );
  });

  test('three threads say what one says', async () => {
    const many = [
      'check',
      document,
      '--json',
      '--no-suggest',
      '--coverage',
      'pairs',
      '--hud-size',
      '1',
      '--hud-size',
      '1.2',
      '--hud-size',
      '1.4',
    ];
    const one = await run(...many, '--threads', '1');
    const three = await run(...many, '--threads', '3');
    const { files } = JSON.parse(one.out) as { files: { layouts: number }[] };
    expect(files[0]!.layouts).toBeGreaterThan(300);
    expect(three.out).toBe(one.out);
  });

  test('what cannot be merged is refused in a sentence', async () => {
    expect(await run('merge', 'part-1.json', 'part-2.json')).toMatchObject({
      code: 2,
      out: '',
      err: expect.stringContaining('a part is missing'),
    });
    expect((await run('merge', 'part-1.json', 'part-1.json')).err).toContain(
      '"part-1.json" repeats what another part has',
    );
    expect((await run('merge', 'gone.json')).err).toContain('there is no file "gone.json"');
    writeFileSync(
      join(folder.path, 'cut.json'),
      readFileSync(join(folder.path, 'part-1.json')).subarray(0, 400),
    );
    expect((await run('merge', 'cut.json')).err).toContain('it is not JSON; was it cut short?');
    expect((await run('merge', document)).err).toContain('cannot be used');
    const part = readFileSync(join(folder.path, 'part-1.json'), 'utf8');
    writeFileSync(join(folder.path, 'older.json'), part.replace(/"version":"[^"]+"/, '"version":"0.0.1"'));
    expect((await run('merge', 'older.json')).err).toContain(
      '"older.json" was made by Pimbot 0.0.1, and this is',
    );
    const other = await run(
      'check',
      document,
      '--screen',
      'desktop',
      '--shard',
      '2/3',
      '--out',
      'other.json',
    );
    expect(other.code).toBe(0);
    expect((await run('merge', 'part-1.json', 'other.json', 'part-3.json')).err).toContain(
      'is of another check',
    );
    const path = join(folder.path, document);
    writeFileSync(path, `${readFileSync(path, 'utf8')}\n# later\n`);
    expect((await run('merge', 'part-1.json', 'part-2.json', 'part-3.json')).err).toContain(
      'has changed since it was checked',
    );
  });

  test('a call that makes no sense is told so', async () => {
    expect((await run('check', document, '--shard', '4/3', '--out', 'x.json')).err).toContain('such as 2/4');
    expect((await run('check', document, '--shard', '1/3')).err).toContain('say with --out where');
    expect((await run('check', document, '--out', 'x.json')).err).toContain(
      '--out is for the part of a --shard',
    );
    expect((await run('check', document, '--state', 'lit')).err).toContain('Give one of hover, focused');
    expect((await run('check', document, '--threads', '1.5')).err).toContain('whole number');
  });
});
