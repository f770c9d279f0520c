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
    const facts = new Proxy(
      {},
      { get: (_, key) => (key === 'edges' || key === 'characters' ? ['right'] : String(key)) },
    );
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
    const silent: string[] = [];
    for (const [name, schema] of Object.entries({ document: documentSchema, theme: themeSchema }))
      for (const [key, one] of Object.entries(schema.properties ?? {}))
        if (
          typeof one === 'object' &&
          !('title' in one || 'description' in one || '$ref' in one || 'enum' in one || 'const' in one)
        )
          silent.push(`${name} ${key}`);
    expect(silent).toEqual([]);
  });
});
