import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { provedChecks } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const page = readFileSync('docs/proof.md', 'utf8');

function block(language: string): string {
  return new RegExp(`\`\`\`${language}\\n([^]*?)\`\`\``).exec(page)![1]!;
}

test('what docs/proof.md shows of a command is what it says', async () => {
  const folder = temporaryFolder();
  try {
    writeFileSync(join(folder.path, 'hud.yaml'), block('yaml'));
    const { out } = await pimbotHere(
      ['prove', 'hud.yaml', '--from', '420x200', '--to', '1280x800'],
      folder.path,
    );
    expect(out.startsWith(block('text'))).toBe(true);
  } finally {
    folder.remove();
  }
});

test('its example runs as it stands there', () => {
  const { stderr, stdout, status } = spawnSync(
    process.execPath,
    ['--input-type=module', '--eval', block('js')],
    {
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    },
  );
  expect(stderr).toBe('');
  expect(stdout).toContain('from: { width: ');
  expect(status).toBe(0);
});

test('it names every check that is proved', () => {
  const said = /Proved are ([^]*?)\(everything/.exec(page)![1]!;
  expect([...said.matchAll(/`([\w-]+)`/g)].map(([, id]) => id)).toEqual(provedChecks);
});
