import { expect, test } from '@jest/globals';
import { findScreen, readDocument } from 'pimbot';
import { checkDocument, sentenceOf } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

const screens = [findScreen('desktop')!];

/** What is said of a text that a document in one language shows, and of its translation into another. */
function lacks(text: string, language = 'en', translation?: [locale: string, text: string]): string[] {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    language,
    ...(translation && { catalogs: { [translation[0]]: 'other.json' } }),
    cases: { only: { n: 7, who: 'mo' } },
    views: { v: { backdrop: '#000000', children: [{ id: 'w', kind: 'text', text, anchor: 'center' }] } },
  });
  expect(diagnostics).toEqual([]);
  const catalogs = translation && new Map([[translation[0], new Map([[text, translation[1]]])]]);
  const { findings } = checkDocument(document!, { resources: { fonts, catalogs }, screens });
  return findings
    .filter(({ check }) => check === 'missing-plural')
    .map((one) => `${one.worst.locale} ${one.severity} ${sentenceOf(one).replace(/.*plural form /, '')}`);
}

test.each([
  ['English', '{n, plural, one {# crate} other {# crates}}', 'en'],
  ['a number by itself beside a form', '{n, plural, =0 {none} one {# crate} other {# crates}}', 'en'],
  ['places', '{n, selectordinal, one {#st} two {#nd} few {#rd} other {#th}}', 'en'],
  ['Polish', '{n, plural, one {a} few {b} many {c} other {d}}', 'pl'],
  // French has a form for millions alone.
  ['French', '{n, plural, one {# caisse} other {# caisses}}', 'fr'],
  ['Japanese', '{n, plural, other {#箱}}', 'ja'],
  ['Arabic', '{n, plural, zero {0} one {1} two {2} few {3} many {4} other {5}}', 'ar'],
  [
    'Arabic with numbers in place of forms',
    '{n, plural, =0 {0} =1 {1} =2 {2} few {3} many {4} other {5}}',
    'ar',
  ],
  [
    'one taken off',
    '{n, plural, offset:1 =0 {nobody} =1 {you} one {you and # more} other {you and # more}}',
    'en',
  ],
  ['no plural', 'Depth {n, number} m', 'pl'],
])('%s has all forms', (_, text, language) => {
  expect(lacks(text, language)).toEqual([]);
});

test.each([
  ['no form for one', '{n, plural, other {# crates}}', 'en', '"one" (1)'],
  ['places', '{n, selectordinal, one {#st} other {#th}}', 'en', '"two" (2, 22, 32) and "few" (3, 23, 33)'],
  ['as in English', '{n, plural, one {a} other {b}}', 'ru', '"many" (0, 5, 6) and "few" (2, 3, 4)'],
  ['one of two', '{who, select, mo {{n, plural, other {# crates}}} other {x}}', 'en', '"one" (1)'],
  [
    'the number one is not all that is said with one',
    '{n, plural, =1 {a} few {b} many {c} other {d}}',
    'ru',
    '"one" (21, 31, 41)',
  ],
])('%s', (_, text, language, said) => {
  expect(lacks(text, language)).toEqual([`${language} warning ${said}`]);
});

test('it is the translation that has to have the forms of its language', () => {
  const english = '{n, plural, one {# crate} other {# crates}}';
  expect(lacks(english, 'en', ['pl', '{n, plural, one {a} other {b}}'])).toEqual([
    'pl warning "many" (0, 5, 6) and "few" (2, 3, 4)',
  ]);
  expect(lacks(english, 'en', ['pl', '{n, plural, one {a} few {b} many {c} other {d}}'])).toEqual([]);
  expect(lacks(english, 'en', ['pl', 'skrzynie: {n}'])).toEqual([]);
});
