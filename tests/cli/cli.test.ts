import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, readdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { pimbot, pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const put = (name: string, text: string) => writeFileSync(join(folder.path, name), text);
const run = (...args: string[]) => pimbotHere(args, folder.path);

const good = `pimbot: 1
cases: { typical: { depth: 412 }, worst: { depth: 10994 } }
views:
  dive:
    backdrop: "#001018"
    children:
      - { id: sonar, anchor: right bottom, offset: -24 -24, size: 280, look: { background: "#0a4d68" } }
      - { id: depth, kind: text, anchor: left top, offset: 24 24, text: "{depth} m", look: { font-size: 60 } }
`;
const broken = good.replace('offset: -24 -24', 'offset: 24 -24');

beforeAll(() => {
  mkdirSync(join(folder.path, '.git'));
  put('good.yaml', good);
  put('broken.yaml', broken);
  put('wrong.yaml', good.replace('anchor: right bottom', 'ancor: right bottom'));
  put('two.yaml', good.replace('views:\n', 'views:\n  menu: {}\n'));
  mkdirSync(join(folder.path, 'alone'));
  put('alone/hud.yaml', good);
  put('alone/package.json', '{\n  "dependencies": {\n    "pimbot": "1.0.0"\n  }\n}\n');
});
afterAll(() => folder.remove());

describe('pimbot check', () => {
  test('a clean document: exit 0 and a grid of ticks', async () => {
    const { code, out, err } = await run(
      'check',
      'good.yaml',
      '--screen',
      'desktop',
      '--screen',
      '2560x1080',
    );
    expect([code, err]).toEqual([0, '']);
    expect(out).toContain('desktop    ✓');
    expect(out).toContain('✓ passed: every widget of 1 view on 2 screens in 2 cases (4 layouts)');
  });

  test('a warning is told as one, and --fail-on error lets it pass; an error never', async () => {
    const slip =
      '      - { id: lamp, anchor: right bottom, offset: -324 -26, size: 280, look: { background: "#0a4d68" } }\n';
    put('slip.yaml', good + slip);
    const on = ['--screen', 'desktop', '--case', 'typical'];
    const plain = await run('check', 'slip.yaml', ...on);
    expect([
      plain.code,
      plain.out.includes('! dive/lamp is '),
      plain.out.includes('! 1 warning of 1 cause'),
    ]).toEqual([1, true, true]);
    expect((await run('check', 'slip.yaml', ...on, '--fail-on', 'error')).code).toBe(0);
    expect((await run('check', 'slip.yaml', ...on, '--fail-on', 'warning')).code).toBe(1);
    expect((await run('check', 'broken.yaml', ...on, '--fail-on', 'error')).code).toBe(1);
  });

  test('findings: exit 1, each with measure, limit, screens, reasons and place', async () => {
    const { code, out } = await run('check', 'broken.yaml', '--screen', 'desktop');
    expect(code).toBe(1);
    expect(out).toContain('✗ dive/sonar sticks out 24 px past the right edge of the screen');
    expect(out).toContain("because right edge 1944 u = 100 % of dive's 1920 + 24 offset");
    expect(out).toContain('broken.yaml:7:9');
    expect(out).not.toContain('\u001b');
  });

  test('of many causes each is one sentence, in 128 lines; none is left out, and --verbose has the reasons', async () => {
    const check = ['check', 'examples/broken/broken.yaml', '--no-cache'];
    const report = join(folder.path, 'classic.json');
    const told = (await pimbotHere([...check, '--report', report], '.')).out.trimEnd().split('\n');
    expect(told.length).toBeLessThanOrEqual(128);
    expect(told.filter((line) => [...line].length > 80)).toEqual([]);
    const { files } = JSON.parse(readFileSync(report, 'utf8')) as {
      files: { findings: { outcome: string }[] }[];
    };
    const failed = files[0]!.findings.filter(({ outcome }) => outcome === 'failed').length;
    // A line that was broken goes on after four blanks.
    const sentences = told
      .join('\n')
      .replaceAll(/\n {4}/g, ' ')
      .split('\n');
    const labels = sentences.flatMap((line) => [
      ...line.matchAll(/^[✗!] \S+ .* :\d+ \[[a-z-]+(?: \+(\d+))?\]$/g),
    ]);
    expect(labels.reduce((sum, [, more]) => sum + 1 + Number(more ?? 0), 0)).toBe(failed);
    expect(sentences.join()).toMatch(/--mend all shows the fixes of \d+ causes/);
    const whole = (await pimbotHere([...check, '--no-suggest', '--verbose'], '.')).out;
    expect(whole.match(/^ {4}because /gm)!.length).toBeGreaterThan(failed);
  });

  test('what is said of one of several at a place is said of it alone; others are counted by their checks', async () => {
    const lines = ['One', 'Two', 'Three', 'Four', 'Five', 'Six'].map(
      (text) => `      - { kind: text, text: ${text}, look: { color: "#222" } }`,
    );
    put(
      'tags.yaml',
      `pimbot: 1
components:
  tag:
    params: { name: text }
    children:
      - { kind: text, text: "{name}", max-lines: 1, width: 90, look: { font-size: 9 } }
views:
  v:
    backdrop: "#000"
    arrange: column
    gap: 30
    children:
      - { use: tag, id: a, name: Ida }
      - { use: tag, id: b, name: Too long for the room it has }
${lines.join('\n')}
`,
    );
    const on = ['--screen', 'desktop', '--screen', 'phone-small-portrait', '--no-suggest'];
    const { out } = await run('check', 'tags.yaml', ...on);
    const whole = out.replaceAll(/\n {4}/g, ' ');
    expect(whole).toMatch(
      /v\/b\.text-1 drops 11 characters [^\n]*lines both screens, worst on desktop; :6:9 \[cut-text \+2 small-text \+2 coarse-text\]/,
    );
    expect(whole).not.toContain('widgets:');
    // Too small on one of the screens, too dark on both.
    expect(whole).toMatch(/v\.text-1 has text too small [^\n]* phone-small-portrait; :15:9/);
  });

  test('an unusable document: exit 2, the diagnostics on stderr, the others still reported', async () => {
    const { code, out, err } = await run('check', 'wrong.yaml', 'good.yaml', '--screen', 'desktop');
    expect(code).toBe(2);
    expect(err).toContain('wrong.yaml:7:22: error: a widget has no key "ancor"; did you mean "anchor"?');
    expect(err).toContain('1 error: the document was not used');
    expect(out).toContain('good.yaml');
  });

  test('screens that no view supports: exit 2, for nothing was looked at', async () => {
    put('large.yaml', good.replace('    backdrop', '    supports: { from: 2560x1080 }\n    backdrop'));
    const { code, out, err } = await run('check', 'large.yaml', '--screen', 'desktop');
    expect([code, out, err]).toEqual([
      2,
      '',
      'pimbot: nothing to check: dive supports none of these screens\n',
    ]);
    const some = await run('check', 'large.yaml', '--screen', 'desktop', '--screen', 'ultrawide-1080');
    expect([some.code, some.out.includes('dive does not support 1 screen')]).toEqual([0, true]);
  });

  test('of more views than fit those with findings stand in tables, the others in a line', async () => {
    const name = (nth: number) => `view-with-a-name-${nth}`;
    const view = (nth: number) =>
      `  ${name(nth)}: { backdrop: "#000", children: [{ id: a, size: 100, offset: ${nth * 300} 0, look: { background: "#345" } }] }`;
    const views = Array.from({ length: 10 }, (_, nth) => view(nth + 1));
    writeFileSync(join(folder.path, 'many.yaml'), `pimbot: 1\nviews:\n${views.join('\n')}\n`);
    const { code, out } = await run(
      'check',
      'many.yaml',
      '--summary',
      ...['desktop', 'monitor-5-4'].flatMap((screen) => ['--screen', screen]),
    );
    expect(code).toBe(1);
    expect(out.split('\n').filter((line) => line.length > 80)).toEqual([]);
    const [, ...parts] = out.split(/\n\n(?=  {3,}view|  ✓)/);
    expect(parts).toHaveLength(3);
    expect(parts[0]).toMatch(/^ +view-with-a-name-7 +view-with-a-name-8 +view-with-a-name-9\n/);
    expect(parts[1]).toMatch(/^ +view-with-a-name-10\n/);
    expect(parts[2]!.replaceAll(/\s+/g, ' ').trim()).toBe(
      `✓ on every screen: ${[1, 2, 3, 4, 5, 6].map(name).join(', ')}`,
    );
    // Every view is told once.
    for (let nth = 1; nth <= 10; nth++) expect(out.match(new RegExp(`${name(nth)}\\b`, 'g'))).toHaveLength(1);
  });

  test('a value of a case that a key cannot be: exit 2, with the line of the key and the case', async () => {
    const text = `pimbot: 1
reference: { size: 1920x1080 }
cases: { typical: { w: 200 }, odd: { w: wide } }
views:
  hold: { children: [{ id: a, size: ["{w}", 40] }] }
`;
    writeFileSync(join(folder.path, 'odd.yaml'), text);
    const { code, err } = await run('check', 'odd.yaml', '--screen', 'desktop');
    expect([code, err]).toEqual([
      2,
      `odd.yaml:5:37: error: "size" is one or two sizes, such as "fill 64", and ["{w}",40] gives ["wide",40], in the case "odd"
5 |   hold: { children: [{ id: a, size: ["{w}", 40] }] }
  |                                     ^^^^^^^^^^^

1 error: the document was not used
`,
    ]);
  });

  test('all values that keys cannot be are told at once, and every report names them', async () => {
    const text = `pimbot: 1
styles: { hull: { background: "#112233" } }
cases:
  calm: { shade: 1, look: hull, slots: 1 }
  storm: { shade: 4, look: hul, slots: 2.5 }
views:
  first:
    children:
      - { id: veil, size: 40, look: { opacity: "{shade}", background: "#000000" } }
      - { id: plate, size: 40, style: "{look}", anchor: center }
  second:
    children:
      - { id: slot, repeat: "{slots}", size: 20, style: hull }
`;
    writeFileSync(join(folder.path, 'storm.yaml'), text);
    const { code, err, out } = await run('check', 'storm.yaml', '--screen', 'desktop', '--json');
    expect(code).toBe(2);
    expect(err.split('\n').filter((line) => /^\S+: error|not used/.test(line))).toEqual([
      'storm.yaml:9:48: error: "opacity" is a number from 0 to 1, and "{shade}" gives 4, in the case "storm"',
      'storm.yaml:10:39: error: "style" is the name of a style there is, such as "hull", and "{look}" gives "hul", in the case "storm"',
      'storm.yaml:13:29: error: "repeat" is a whole number from 0 to 1000 or a list, and "{slots}" gives 2.5, in the case "storm"',
      '3 errors: the document was not used',
    ]);
    const { passed, files } = JSON.parse(out) as { passed: boolean; files: { errors: { line: number }[] }[] };
    expect([passed, files[0]!.errors.map(({ line }) => line)]).toEqual([false, [9, 10, 13]]);
    const calm = await run('check', 'storm.yaml', '--screen', 'desktop', '--case', 'calm', '--summary');
    expect(calm.code).toBe(0);
  });

  test('--json is one object, and --report writes the same', async () => {
    const { code, out } = await run(
      'check',
      'broken.yaml',
      'wrong.yaml',
      '--screen',
      'desktop',
      '--json',
      '--report',
      'deep/report.json',
    );
    expect(code).toBe(2);
    expect(readFileSync(join(folder.path, 'deep/report.json'), 'utf8')).toBe(out);
    const report = JSON.parse(out) as { passed: boolean; files: Record<string, unknown>[] };
    expect(report.passed).toBe(false);
    expect(report.files[0]).toMatchObject({
      file: 'broken.yaml',
      passed: false,
      screens: ['desktop'],
      cases: ['typical', 'worst'],
    });
    expect(report.files[0]!.findings).toMatchObject([
      {
        check: 'off-screen',
        widget: 'sonar',
        place: 'broken.yaml:7:9',
        measured: 24,
        limit: 0.5,
        unit: 'px',
        screens: ['desktop'],
      },
    ]);
    expect(report.files[1]).toMatchObject({
      file: 'wrong.yaml',
      errors: [{ code: 'unknown-key', line: 7, column: 22 }],
    });
  });

  test('insets, density and HUD size on any screen', async () => {
    expect(
      (
        await run(
          'check',
          'good.yaml',
          '--screen',
          '2340x1080',
          '--safe',
          '0,96,48,96',
          '--density',
          '420',
          '--hud-size',
          '1.3',
        )
      ).code,
    ).toBe(0);
    const far = await run('check', 'good.yaml', '--screen', '1920x1080', '--density', '900');
    expect([far.code, far.out.includes('[small-text')]).toEqual([1, true]);
  });
});

describe('a pipe', () => {
  test('that is closed early ends the command quietly', () => {
    const command = `"${process.execPath}" bin/pimbot.js where examples/fathom-post/post.yaml --view belt | head -1`;
    const { stdout, stderr } = spawnSync('sh', ['-c', command], {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '', NO_COLOR: '1' },
    });
    expect([stdout.split('\n')[0], stderr]).toEqual([
      'belt on 1920x1080: 1 u = 1 px, surface 1920 × 1080 u',
      '',
    ]);
  });
});

describe('colours', () => {
  test('are whole on a terminal, and a name in a document cannot add any', () => {
    put(
      'hostile.yaml',
      broken.replace('"{depth} m"', '"\\e[31m \\u202e {depth}"').replace('"#001018"', '"#fff"'),
    );
    const { out, code } = pimbot(['check', 'hostile.yaml', '--screen', 'desktop'], folder.path, {
      FORCE_COLOR: '1',
    });
    expect(code).toBe(1);
    expect(out).toContain('\u001b[31m✗\u001b[39m \u001b[1mdive/sonar\u001b[22m');

    expect(out.replace(/\u001b\[(1|2|22|31|32|33|39)m/g, '')).not.toMatch(
      /[\u0000-\u0008\u000b-\u001f\u202e�]/,
    );
  });
});

describe('pimbot where', () => {
  test('--json gives device px', async () => {
    const { code, out } = await run('where', 'good.yaml', '--screen', '2560x1080', '--json');
    expect(code).toBe(0);
    const found = JSON.parse(out) as { view: string; screen: string; widgets: { id: string }[] };
    expect([found.view, found.screen]).toEqual(['dive', '2560x1080']);
    expect(found.widgets[0]).toEqual({ id: 'sonar', x: 2256, y: 776, width: 280, height: 280 });
    expect(found.widgets.map(({ id }) => id)).toEqual(['sonar', 'depth']);
  });

  test('the table says px and u', async () => {
    const { out } = await run('where', 'good.yaml', '--screen', '3840x2160');
    expect(out).toContain('dive on 3840x2160: 1 u = 2 px, surface 1920 × 1080 u');
    expect(out).toMatch(/sonar\s+panel\s+3232\s+1552\s+560\s+560\s+1616\s+776\s+280\s+280/);
  });
});

describe('pimbot draw', () => {
  test('writes SVG and PNG, under names of its own or given ones', async () => {
    expect((await run('draw', 'good.yaml', '--screen', 'square')).out).toBe(
      'dive-square.svg\ndive-square.png\n',
    );
    expect(
      (
        await run(
          'draw',
          'broken.yaml',
          '--screen',
          '800x600',
          '--out',
          'shots/a.png',
          '--findings',
          '--safe-area',
          '--outlines',
        )
      ).code,
    ).toBe(0);
    expect(readFileSync(join(folder.path, 'shots/a.png')).subarray(1, 4).toString()).toBe('PNG');
    expect(readFileSync(join(folder.path, 'dive-square.svg'), 'utf8')).toMatch(/^<svg .*<\/svg>\n$/s);
    expect(readdirSync(join(folder.path, 'shots'))).toEqual(['a.png']);
  });
});

describe('a wrong call is told in one sentence', () => {
  test.each<[string, string[], string]>([
    ['a missing file', ['check', 'gone.yaml'], 'pimbot: there is no file "gone.yaml"'],
    ['a file whose name is another', ['check', 'god.yaml'], 'no file "god.yaml"; did you mean "good.yaml"?'],
    ['a folder', ['where', '.'], 'pimbot: "." cannot be read: it is a folder; name a document in it: '],
    ['a folder with one document', ['check', 'alone'], 'it is a folder; did you mean "alone/hud.yaml"?'],
    ['a folder without one', ['check', 'shots'], 'pimbot: "shots" cannot be read: it is a folder\n'],
    ['an unknown option', ['check', 'good.yaml', '--jsn'], "error: unknown option '--jsn'"],
    ['an unknown command', ['chek', 'good.yaml'], "error: unknown command 'chek'"],
    ['no file', ['check'], "missing required argument 'files'"],
    [
      'an unknown screen',
      ['where', 'good.yaml', '--screen', 'desktp'],
      'pimbot: there is no screen "desktp", and it is not a size such as 1920x1080; did you mean "desktop"?',
    ],
    [
      'insets that are no numbers',
      ['where', 'good.yaml', '--safe', '1,2,3'],
      'Give four distances in device px',
    ],
    [
      'insets that leave nothing',
      ['where', 'good.yaml', '--screen', '100x100', '--safe', '60,0,60,0'],
      'pimbot: the safe insets of screen 100x100 leave nothing of it',
    ],
    ['a HUD size of nothing', ['where', 'good.yaml', '--hud-size', '0'], 'Give a number above 0'],
    [
      'a HUD size without measure',
      ['where', 'good.yaml', '--hud-size', '1e9'],
      'pimbot: a HUD size is a number from 0.1 to 10',
    ],
    [
      'an unknown view',
      ['where', 'good.yaml', '--view', 'dve'],
      'pimbot: there is no view "dve"; did you mean "dive"?',
    ],
    ['an unknown case', ['where', 'good.yaml', '--case', 'best'], 'pimbot: there is no case "best"'],
    [
      'several views',
      ['where', 'two.yaml'],
      'pimbot: "two.yaml" holds several views; say which with --view: menu, dive',
    ],
    [
      'a drawing of another kind',
      ['draw', 'good.yaml', '--out', 'a.gif'],
      'pimbot: "a.gif" is neither an .svg nor a .png file',
    ],
    ['a drawing without area', ['draw', 'good.yaml', '--screen', '0x0'], 'pimbot: there is no screen "0x0"'],
    [
      'a backdrop that is none',
      ['draw', 'good.yaml', '--backdrop', 'sea'],
      'pimbot: "sea" is neither a CSS colour nor a backdrop of the view',
    ],
    ['a place that cannot be written', ['draw', 'good.yaml', '--out', 'good.yaml/a.svg'], 'cannot be used'],
  ])('%s', async (_, args, sentence) => {
    const { code, err } = await run(...args);
    expect(code).toBe(2);
    expect(err).toContain(sentence);
    expect(err).not.toMatch(/\n\s+at |node:internal/);
  });

  test('help has examples, for the program and each command', async () => {
    for (const args of [
      ['--help'],
      ['check', '--help'],
      ['draw', '--help'],
      ['where', '--help'],
      ['screens', '--help'],
    ]) {
      const { code, out } = await run(...args);
      expect(code).toBe(0);
      expect(out).toContain('Examples:');
    }
    expect((await run('--version')).out).toMatch(/^\d+\.\d+\.\d+\n$/);
  });

  test('screens are listed for people and machines', async () => {
    expect((await run('screens', '--verbose')).out).toContain('television with overscan');
    const lines = (await run('screens')).out.split('\n');
    expect(lines.length).toBeGreaterThan(44);
    expect(lines.filter((line) => line.length > 80)).toEqual([]);
    expect(JSON.parse((await run('screens', '--json')).out)).toHaveLength(46);
  });
});

describe('files that a document names', () => {
  const naming = (line: string) => `pimbot: 1\n${line}\nviews: { a: {} }\n`;

  test.each<[string, string, string]>([
    ['a theme outside the project', 'theme: ../../etc/passwd', 'lies outside the project folder'],
    ['a link that leads outside', 'theme: link.yaml', 'lies outside the project folder'],
    [
      'a font that is missing',
      'fonts: { Deep: { 400: deep.ttf } }',
      'bad.yaml:2:23: error: there is no file "deep.ttf"',
    ],
    [
      'a font that is none',
      'fonts: { Deep: { 400: good.yaml } }',
      '"good.yaml" cannot be read as a font: the file is not a TrueType, OpenType or WOFF font',
    ],
  ])('%s', async (_, line, sentence) => {
    put('bad.yaml', naming(line));
    try {
      symlinkSync('/etc/hostname', join(folder.path, 'link.yaml'));
    } catch {
      // It is there from the case before.
    }
    const { code, err } = await run('check', 'bad.yaml');
    expect(code).toBe(2);
    expect(err).toContain(sentence);
    expect(err).toMatch(/^bad\.yaml:2:\d+: error: /);
  });
});
