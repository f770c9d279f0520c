import { expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { checkDocument, mend, suggestFor, type CheckId } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { Counting } from './counting.ts';

/* Where much of a view is small on some screens, the scale is the cause. */

/** One that knows nothing of what was refused before. */
class Forgetful extends Counting {
  override isRefused(): boolean {
    return false;
  }
}

const options = { resources: { fonts: bundledFonts() }, screens };

const hud = (dialog = '', limits = '', size = 26) => `pimbot: 1
reference: { size: 1920x1080, scaling: contain${limits} }
views:
  v:
    backdrop: "#04202a"
    look: { color: "#ffffff", font-size: ${size} }
    children:
      - { id: depth, kind: text, text: 40 m down, anchor: left top, offset: 24 24 }
      - { id: air, kind: text, text: Air, anchor: right top, offset: -24 24 }
      - { id: hull, kind: text, text: Hull, anchor: left bottom, offset: 24 -24 }
${dialog}`;

function offered(text: string, check: CheckId, widget: string) {
  const { document, diagnostics } = readDocument(text);
  expect(diagnostics).toEqual([]);
  const verdict = checkDocument(document!, options);
  const finding = verdict.findings.find((one) => one.check === check && one.widget === widget);
  const suggestion = suggestFor(document!, finding!, verdict, options);
  return { suggestion, before: verdict.findings };
}

/** What a check of a text finds, worked out from nothing. */
const foundIn = (text: string) => checkDocument(readDocument(text).document!, options).findings;

test('what is read gets as many millimetres as all of it needs, by one change', () => {
  const { suggestion, before } = offered(hud(), 'small-text', 'depth');
  expect(suggestion!.say).toMatch(/^reference: least-millimetres: 0\.0\d+$/);
  expect(suggestion!.disturbs).toBe('moves nothing on the reference');
  const small = ({ check }: { readonly check: string }) => check === 'small-text';
  expect(before.filter(small)).toHaveLength(3);
  expect(suggestion!.findings.filter(small)).toEqual([]);
  // Screens that are not concerned were not looked at again: all the same it is what a check finds.
  expect(foundIn(suggestion!.text)).toEqual(suggestion!.findings);
});

test('letters that are coarse get as many px, and what limits there are stay', () => {
  const { suggestion } = offered(hud('', ', limits: "0.2..3"'), 'coarse-text', 'depth');
  expect(suggestion!.say).toMatch(/^reference: limits: "0\.\d+\.\.3"$/);
  expect(foundIn(suggestion!.text)).toEqual(suggestion!.findings);
  expect(suggestion!.findings.filter(({ check }) => check === 'coarse-text')).toEqual([]);
});

test('where something has no room at another scale, each text is mended by itself', () => {
  const wide = '      - { id: chart, anchor: center, size: 1900 400, look: { background: "#0d4452" } }\n';
  expect(offered(hud(wide), 'small-text', 'depth').suggestion!.say).toMatch(/^(v|depth).*font-size/);
});

test('what brings something new is tried for one of them alone: the same comes of it, and less is looked at', () => {
  const wide = '      - { id: chart, anchor: center, size: 1900 400, look: { background: "#0d4452" } }\n';
  const { document } = readDocument(hud(wide));
  const verdict = checkDocument(document!, options);
  const small = verdict.findings.filter(({ check }) => check === 'small-text');
  const mendEach = (budget: Counting) =>
    small.map((finding) => suggestFor(document!, finding, verdict, options, undefined, budget)?.say);
  const [one, forgetful] = [new Counting(), new Forgetful()];
  expect(small).toHaveLength(3);
  expect(mendEach(one)).toEqual(mendEach(forgetful));
  expect(one.looks).toBeLessThan(forgetful.looks);
});

test('all of a document mended, what is small together is mended first, and by one change', () => {
  const one = '      - { id: note, kind: text, text: Slowly, anchor: center, look: { font-size: 25 } }\n';
  const { document } = readDocument(hud(one));
  const verdict = checkDocument(document!, options);
  const { mended, text } = mend(document!, verdict, options, ({ check }) => check === 'small-text');
  expect(mended.map(({ suggestion }) => suggestion.say)).toEqual([
    expect.stringMatching(/^reference: least-millimetres/),
  ]);
  expect(text).not.toContain('when:');
});

test('nothing gets larger on the reference: what is small there is not a matter of the scale', () => {
  expect(offered(hud('', '', 12), 'small-text', 'depth').suggestion?.say ?? 'none').not.toMatch(/reference/);
});
