import { spawn } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const hud = `# The HUD.
pimbot: 1
components:
  gauge: { size: 100, look: { radius: 8 }, children: [ { id: dial, size: 40 } ] }
views:
  dive:
    children:
      - { id: one, size: 100, offset: 40 40 } # first
      - { id: two, size: 100, offset: 40 180 }
      - { id: three, size: 100, offset: 60 400 }
      - { id: box, anchor: right top, size: 400 }
      - { id: left, use: gauge, anchor: left bottom }
      - { id: right, use: gauge, anchor: right bottom }
      - { id: strip, anchor: bottom, arrange: row, size: 400 60, children: [ { id: cell, size: fill 40 } ] }
`;

describe('pimbot edit', () => {
  let folder: ReturnType<typeof temporaryFolder>;
  let file: string;
  beforeEach(() => {
    folder = temporaryFolder();
    file = join(folder.path, 'hud.yaml');
    writeFileSync(file, hud);
  });
  afterEach(() => folder.remove());
  const edit = (...args: string[]) => pimbotHere(['edit', 'hud.yaml', ...args], folder.path);

  test.each([
    ['dive/one --move 12,-4', 'offset: 52 36'],
    ['dive/one --grow 20,0', 'size: [120, 100]'],
    ['dive/cell --grow 0,10', 'size: fill 50'],
    ['dive/one --rotate 15', 'rotate: 15'],
    ['dive/one --set tint=#fff', 'tint: "#fff"'],
    ['dive/one --unset offset', '- { id: one, size: 100 } # first'],
    ['dive/one dive/two dive/three --align left', '- { id: three, size: 100, offset: 40 400 }'],
    ['dive/one dive/two dive/three --space y', 'offset: 40 220'],
    ['dive/three --order 1', '      - { id: three, size: 100, offset: 60 400 }\n      - { id: one'],
    ['dive/two --into box', 'id: box, anchor: right top, size: 400, children: [{ id: two'],
    ['dive/one dive/two --wrap column --id gauges', '- id: gauges'],
    ['dive/one --duplicate', '- { id: one-2, size: 100, offset: 56 56 } # first'],
    ['dive/one --lengths shares', 'offset: 2.083333% 3.703704%'],
    ['dive/one --set look/background=#123', 'offset: 40 40, look: { background: "#123" } } # first'],
    ['dive/left --set look/radius=4 --here', 'use: gauge, anchor: left bottom, look: { radius: 4 } }'],
    [
      'dive/left --set look/opacity=0.5',
      'components:\n  gauge: { size: 100, look: { radius: 8, opacity: 0.5 }',
    ],
    ['dive/left.dial --set look/radius=4 --here', 'set: { dial: { look: { radius: 4 } } }'],
    ['dive/left.dial --set look/radius=4', '{ id: dial, size: 40, look: { radius: 4 } }'],
    ['dive/left.dial --set size=50 --here', 'use: gauge, anchor: left bottom, set: { dial: { size: 50 } }'],
    ['dive/left.dial --set size=50', 'children: [ { id: dial, size: 50 } ]'],
  ])('%s', async (call, expected) => {
    const args = call.split(' ');
    const shown = await edit(...args);
    expect([shown.code, shown.err]).toEqual([0, '']);
    expect(shown.out).toMatch(/^--- hud\.yaml\n\+\+\+ hud\.yaml\n@@/);
    expect(shown.out).toMatch(/Nothing was written; --write applies it\.\n$/);
    expect(readFileSync(file, 'utf8')).toBe(hud);
    expect((await edit(...args, '--write')).code).toBe(0);
    const text = readFileSync(file, 'utf8');
    expect(text).toContain(expected);
    for (const comment of ['# The HUD.', '# first']) expect(text).toContain(comment);
  });

  test('says what else moves, and everything for machines', async () => {
    const { out } = await edit('dive/box', '--move', '-10,0', '--json');
    expect(JSON.parse(out)).toMatchObject({
      view: 'dive',
      widgets: ['box'],
      change: 'move box by -10, 0 u',
      alsoMoved: [],
    });
    expect((JSON.parse(out) as { moves: object[] }).moves).toHaveLength(47);
    expect((await edit('dive/one', '--remove')).out).toMatch(/-.*id: one/);
  });

  test.each([
    [['dive/one'], 'say what to change, such as --anchor, --move 12,-4 or --set "text=Dock"'],
    [['dive/one', '--move', '1'], '"1" is not X,Y for --move, such as 12,-4'],
    [['dive/one', '--move', '1,2', '--rotate', '3'], 'one change at a time: --move and --rotate are 2'],
    [['dive/one', 'dive/two', '--rotate', '3'], '--rotate changes one widget at a time'],
    [['dive/one', '--set', 'size/x=1'], 'the size of "one" has no keys of its own'],
    [['dive/one', '--set', 'size'], '"size" is not KEY=VALUE, such as "offset=12 -4"'],
    [['dive/one', '--wrap', 'row'], 'say with --id what the container is to be called'],
    [['dive/one', '--here', '--move', '1,2'], '--here goes with --set or --unset'],
    [['dive/none', '--move', '1,2'], 'there is no widget "none"; did you mean "one"?'],
    [['dive/one', '--set', 'anchor=nowhere'], 'the change would make the document unusable'],
    [['dive/left.dial', '--remove'], '"left.dial" is written in a component, for all its instances'],
  ])('%j is refused in one sentence', async (args, sentence) => {
    const { code, err } = await edit(...args);
    expect(code).toBe(2);
    expect(err).toContain(`pimbot: ${sentence}`);
    expect(err.trim().split('\n')).toHaveLength(1);
    expect(readFileSync(file, 'utf8')).toBe(hud);
  });

  test('help groups the commands, sixteen at the most', async () => {
    const { out } = await pimbotHere(['--help'], folder.path);
    const groups = ['Look:', 'Check:', 'Change:', 'Ship:'].map((title) => out.indexOf(title));
    expect(groups.every((at) => at > 0)).toBe(true);
    expect(groups).toEqual([...groups].sort((a, b) => a - b));
    const names = out
      .slice(groups[0])
      .match(/^ {2}[a-z]+(?= )/gm)!
      .filter((name) => !/pimbot|help/.test(name));
    expect(names.length).toBeLessThanOrEqual(16);
    expect(names.length).toBeGreaterThan(12);
  });
});

describe('pimbot init', () => {
  test.each(['hud', 'menu', 'page'])('the %s passes every check, and overwrites nothing', async (starter) => {
    const folder = temporaryFolder();
    const made = await pimbotHere(['init', 'new.yaml', '--starter', starter], folder.path);
    expect([made.code, made.err]).toEqual([0, '']);
    expect(made.out).toContain('pimbot open new.yaml');
    const checked = await pimbotHere(['check', 'new.yaml', '--no-cache'], folder.path);
    expect([checked.code, checked.err]).toEqual([0, '']);
    const again = await pimbotHere(['init', 'new.yaml'], folder.path);
    expect(again).toMatchObject({ code: 2, err: 'pimbot: "new.yaml" is there already\n' });
    expect((await pimbotHere(['init', 'new.txt'], folder.path)).err).toContain('end it in .yaml');
    expect(existsSync(join(folder.path, 'new.txt'))).toBe(false);
    folder.remove();
  });
});

describe('pimbot check --watch', () => {
  test('checks again when the document changes, whatever is in it', async () => {
    const folder = temporaryFolder();
    const file = join(folder.path, 'hud.yaml');
    writeFileSync(file, 'pimbot: 1\nviews: { dive: { children: [ { id: a, size: 40 } ] } }\n');
    const child = spawn(
      process.execPath,
      [join(process.cwd(), 'bin/pimbot.js'), 'check', 'hud.yaml', '--watch'],
      { cwd: folder.path },
    );
    let told = '';
    let heard: () => void = () => undefined;
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (piece: Buffer) => {
        told += piece.toString();
        heard();
      });
    // The two streams come in any order.
    const until = async (...what: readonly RegExp[]) => {
      while (!what.every((one) => one.test(told))) await new Promise<void>((done) => (heard = done));
      told = '';
    };
    await until(/passed/, /Waiting for changes/);
    writeFileSync(
      file,
      'pimbot: 1\nviews: { dive: { children: [ { id: a, kind: text, text: Hull, offset: 5000 0 } ] } }\n',
    );
    await until(/hud\.yaml changed/, /✗ dive\/a /, /Waiting/);
    writeFileSync(file, 'pimbot: 1\nviwes: {}\n');
    await until(/did you mean "views"/, /Waiting/);
    child.kill();
    await new Promise((done) => child.once('exit', done));
    folder.remove();
  });
});
