import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Blob, Buffer, Direction, Face, Feature, Font, MetricsTag, shape } from 'harfbuzzjs';
import { IntlMessageFormat } from 'intl-messageformat';
import { readFileSync } from 'node:fs';
import { unpackFont } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, fonts, opened } from '../support/views.ts';

/* The shaper as its makers call it, and messages as the makers of their parser format them, beside ours. */

const file = await unpackFont(readFileSync('assets/fonts/inter-700.woff'));

test('glyphs, advances and outlines are those of the shaper as its makers call it', () => {
  const theirs = new Font(new Face(new Blob(file), 0));
  const ours = fonts.face('Inter', 700);
  expect(ours.capHeight).toBe(theirs.getMetricPosition(MetricsTag.CAP_HEIGHT));
  expect([ours.ascent, ours.descent]).toEqual([theirs.hExtents().ascender, -theirs.hExtents().descender]);
  const letter = fc.constantFrom(...'AVToffifl0123456789 .,->:xéß№שλЖ\u0301', '😀');
  fc.assert(
    fc.property(
      fc.array(letter, { maxLength: 12 }),
      fc.boolean(),
      fc.boolean(),
      (letters, rightToLeft, tabular) => {
        const text = letters.join('');
        const buffer = new Buffer();
        buffer.addText(text);
        buffer.guessSegmentProperties();
        buffer.setDirection(rightToLeft ? Direction.RTL : Direction.LTR);
        buffer.setLanguage('de');
        shape(theirs, buffer, tabular ? [new Feature('tnum', 1)] : []);
        const glyphs = buffer.getGlyphInfosAndPositions();
        const shaped = ours.shape(text, rightToLeft, { tabular, language: 'de' });
        expect(shaped.glyphs.map(({ id, cluster, advance }) => [id, cluster, advance])).toEqual(
          glyphs.map(({ codepoint, cluster, xAdvance }) => [codepoint, cluster, xAdvance]),
        );
        for (const { id } of shaped.glyphs) expect(ours.outline(id)).toEqual(theirs.glyphToJson(id));
      },
    ),
    { numRuns: rounds(150, 5_000), seed: seedOf(31) },
  );
});

test('messages say what their makers have them say', () => {
  const number = fc.constantFrom(
    '{n, number}',
    '{n, number, percent}',
    '{n, number, ::.00}',
    '{n, number, integer}',
  );
  const date = fc.constantFrom(
    '{t, date}',
    '{t, date, full}',
    '{t, time}',
    '{t, time, short}',
    '{t, date, ::yMMMd}',
  );
  const words = fc.constantFrom('Depth ', "it''s ", '深さ', '', '{who} ');
  const leaf = fc.tuple(words, fc.oneof(number, date, fc.constant('{who}'))).map((parts) => parts.join(''));
  const choice = fc
    .tuple(leaf, leaf, fc.constantFrom('plural,', 'plural, offset:1', 'selectordinal,'), fc.boolean())
    .map(
      ([one, other, kind, exact]) =>
        `{n, ${kind} ${exact ? '=3 {three #}' : ''} one {# ${one}} few {few} other {# ${other}}}`,
    );
  const select = fc.tuple(leaf, choice).map(([a, b]) => `{who, select, Ida {${a}} other {${b}}}`);
  fc.assert(
    fc.property(
      fc.array(fc.oneof(leaf, choice, select), { minLength: 1, maxLength: 3 }),
      fc.constantFrom('en', 'de', 'ja', 'ar', 'pl'),
      fc.constantFrom(0, 1, 2, 3, 5, 21, 1234.5),
      fc.constantFrom('Ida', 'Otto'),
      (parts, locale, n, who) => {
        const text = parts.join(' ');
        const values = { n, who, t: 1_700_000_000_000 };
        const document = {
          ...documentOf([{ id: 't', kind: 'text' as const, text }]),
          language: locale,
          cases: { typical: values },
        };
        const shown = opened(document).layoutOn({ width: 900, height: 400 }).widgets[1]!.text!.text;
        const theirs = new IntlMessageFormat(text, locale, undefined, { ignoreTag: true }).format(values);
        expect(shown).toBe(theirs);
      },
    ),
    { numRuns: rounds(200, 20_000), seed: seedOf(32) },
  );
});
