import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { reportSchema } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const folder = temporaryFolder();
const document = `pimbot: 1
cases: { typical: { depth: 412 }, worst: { depth: 10994 } }
themes: { day: day.yaml }
views:
  dive:
    look: { font-size: 40, color: "#ffffff" }
    children:
      - { id: sonar, anchor: right bottom, offset: 24 -24, size: 280, look: { background: "#0a4d68" } }
      - { id: depth, kind: text, anchor: left top, offset: 24 24, width: 120, text: "{depth} m", wrap: false }
`;
beforeAll(() => {
  mkdirSync(join(folder.path, '.git'));
  writeFileSync(join(folder.path, 'hud.yaml'), document);
  writeFileSync(join(folder.path, 'day.yaml'), 'pimbot-theme: 1\nstyles: { plate: { radius: 4 } }\n');
  writeFileSync(join(folder.path, 'wrong.yaml'), document.replace('anchor: right', 'ancor: right'));
});
afterAll(() => folder.remove());

describe('the JSON report', () => {
  const validate = new Ajv2020({ strict: false }).compile(reportSchema);

  test.each([
    ['with findings and suggestions', ['hud.yaml', '--screen', 'desktop', '--screen', 'square']],
    [
      'of pairs',
      ['hud.yaml', '--coverage', 'pairs', '--hud-size', '1', '--hud-size', '1.2', '--state', 'focused'],
    ],
    ['with a file that cannot be used', ['wrong.yaml', 'hud.yaml', '--screen', 'desktop']],
  ])('%s is as its schema says', async (_, args) => {
    const { out } = await pimbotHere(['check', ...args, '--json'], folder.path);
    const report: unknown = JSON.parse(out);
    validate(report);
    expect(validate.errors ?? []).toEqual([]);
    expect(validate({ ...(report as object), more: 1 })).toBe(false);
  });

  test('the shipped schema is the one the code has', () => {
    expect(JSON.parse(readFileSync('schema/pimbot-report.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(reportSchema)),
    );
  });
});

describe('a check that is stopped', () => {
  test('at any moment leaves the report of before whole', async () => {
    const old = '{ "the report": "of before" }';
    const path = join(folder.path, 'out.json');
    let finished = 0;
    for (const after of [60, 200, 350, 500, 700, 1000, 1500]) {
      writeFileSync(path, old);
      const child = spawn(
        process.execPath,
        [resolve('bin/pimbot.js'), 'check', 'hud.yaml', '--report', 'out.json'],
        {
          cwd: folder.path,
          stdio: 'ignore',
          env: { ...process.env, NODE_OPTIONS: '' },
        },
      );
      const timer = setTimeout(() => child.kill('SIGKILL'), after);
      await new Promise((done) => child.on('exit', done));
      clearTimeout(timer);
      const text = readFileSync(path, 'utf8');
      if (text === old) continue;
      finished++;
      expect((JSON.parse(text) as { pimbot: number }).pimbot).toBe(1);
    }
    // Whatever was begun lies beside it under another name.
    expect(readdirSync(folder.path).filter((name) => name.startsWith('out.json')).length).toBeLessThanOrEqual(
      8 - finished,
    );
  });
});
