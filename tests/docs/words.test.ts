import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { checks, documentChecks, documentSchema, themeSchema } from 'pimbot/tools';

/** Turns of phrase that readers stumble over, and what to write instead (docs/style.md). */
const worst: readonly (readonly [RegExp, string])[] = [
  [/\b(is|are) the (least|most)\b(?! (that|of|it|they|which|at|a |so|there))/, 'minimum or maximum'],
  [/is what is said/, 'is set to'],
  [/, which it is in\b/, 'its parent'],
  [/\banew\b/, 'new, again'],
  [/does not stay placed/, 'ends up off-screen, overlapping or unreadable'],
  [/stands? beside what/, 'is off its anchor'],
  [/\bof arc\b(?!\.)/, 'arcmin'],
  [/so that nothing of it/, 'so nothing of it'],
  [/for those who do not see it/, 'for screen readers'],
  [/\bwhosoever\b|\btherein\b|\bthereof\b|\bheretofore\b/, 'a plain word'],
  [/\bmay be left to one\b/, 'can use'],
  [/nothing uses\b/, 'unused'],
  [/did not get something/, 'could not get'],
  [/\bplease note\b|\bsimply\b|\bobviously\b|\bof course\b/i, 'nothing'],
];

function wrongIn(name: string, text: string): string[] {
  return text
    .split('\n')
    .flatMap((line, at) =>
      worst.flatMap(([pattern, instead]) =>
        pattern.test(line) ? [`${name}:${at + 1}: “${pattern.exec(line)![0]}”: write ${instead}`] : [],
      ),
    );
}

describe('plain words', () => {
  const pages = readdirSync('docs').filter((name) => name.endsWith('.md') && name !== 'style.md');

  test.each(['README.md', ...pages.map((name) => join('docs', name))])('%s', (file) => {
    expect(wrongIn(file, readFileSync(file, 'utf8'))).toEqual([]);
  });

  test('the sentences of all checks', () => {
    const lists: Record<string, unknown[]> = {
      edges: ['right'],
      characters: ['x'],
      forms: [{ form: 'few', numbers: [2, 3] }],
      has: ['one', 'two'],
      chosen: ['one', 'two'],
    };
    const facts = new Proxy({}, { get: (_, key) => lists[String(key)] ?? String(key) });
    for (const check of [...checks, ...documentChecks]) {
      const told = (check.sentence as (about: object) => string)({
        facts,
        other: 'other',
        locale: 'de',
        measured: '2',
        limit: '3',
      });
      expect([check.id, ...wrongIn(check.id, told)]).toEqual([check.id]);
      // It goes on from the name of the widget.
      expect(told).toMatch(/^[a-z]/);
      expect(told).not.toMatch(/undefined|\[object|\.$/);
    }
  });

  test('the patterns find what they are for', () => {
    const table = readFileSync('docs/style.md', 'utf8')
      .split('\n')
      .filter((line) => line.startsWith('| ') && !line.startsWith('| not'));
    const [before, after] = [0, 1].map((column) => table.map((line) => line.split('|')[column + 1]!));
    expect(wrongIn('before', before!.join('\n')).length).toBeGreaterThan(8);
    expect(wrongIn('after', after!.join('\n'))).toEqual([]);
  });

  test('every key of a document and a theme says what it is', () => {
    type Node = Readonly<Record<string, unknown>>;
    const silent: string[] = [];
    let keys = 0;
    const walk = (node: unknown, at: string): void => {
      if (typeof node !== 'object' || node === null) return;
      const { properties } = node as Node;
      // What a condition of the schema asks for is no key of its own.
      if (typeof properties === 'object' && properties !== null && !at.endsWith('/if'))
        for (const [key, one] of Object.entries(properties as Record<string, Node>)) {
          keys++;
          // A reference is described where it leads, but for the kinds and states, which are named.
          if (one['description'] === undefined && one['$ref'] === undefined) silent.push(`${at}/${key}`);
        }
      for (const [key, one] of Object.entries(node)) walk(one, `${at}/${key}`);
    };
    walk(documentSchema, 'document');
    walk(themeSchema, 'theme');
    expect(keys).toBeGreaterThan(400);
    expect(silent).toEqual([]);
  });
});
