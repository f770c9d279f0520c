import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const page = readFileSync('docs/recipes.md', 'utf8');
const folder = temporaryFolder();
const block = (start: string) => page.slice(page.indexOf(start) + start.length).split('```')[0]!;
const commands = [...page.matchAll(/```sh\n([^]*?)```/g)].flatMap(([, lines]) => lines!.trim().split('\n'));

beforeAll(() => {
  for (const name of ['out', 'parts']) mkdirSync(join(folder.path, name));
  writeFileSync(join(folder.path, 'hud.yaml'), block('```yaml\n# hud.yaml\n'));
  const german = block('```json\n');
  writeFileSync(join(folder.path, 'de.json'), german);
  writeFileSync(join(folder.path, 'fr.json'), german.replace('Andocken', 'Accoster'));
});
afterAll(folder.remove);

test('docs/recipes.md has commands', () => {
  expect(commands.length).toBeGreaterThan(10);
});

// In their order: what one writes another reads.
test.each(commands)('`%s` runs clean', async (command) => {
  const [program, ...args] = command.split(' ');
  expect(program).toBe('pimbot');
  const { code, out, err } = await pimbotHere(args, folder.path);
  expect({ code, err, out: code === 0 ? '' : out }).toEqual({ code: 0, err: '', out: '' });
});
