import { expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { SharedChecks, TryBudget, checkDocument, findingKey, suggestFor, type Finding } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { Counting } from './counting.ts';

/** Five small buttons over a plate that is there on tablets alone: larger ones lie on it. */
const text = JSON.stringify({
  pimbot: 1,
  views: {
    rack: {
      backdrop: '#04202a',
      children: [
        ...['Lamp', 'Horn', 'Flare', 'Rope', 'Net'].map((text, nth) => ({
          id: text.toLowerCase(),
          kind: 'button',
          text,
          anchor: 'left top',
          offset: [200 + 300 * nth, 200],
          size: [200, 70],
          look: { 'background': '#125463', 'font-size': 40 },
        })),
        {
          id: 'plate',
          anchor: 'left top',
          offset: [200, 280],
          size: [1400, 100],
          look: { background: '#0b3442' },
          gone: true,
          when: [{ screen: { input: 'touch', aspect: '1.3..1.5' }, change: { gone: false } }],
        },
      ],
    },
  },
});

test('what other changes broke is tried first: the same comes of it, and less is looked at', () => {
  const { document } = readDocument(text);
  const options = { resources: { fonts: bundledFonts() }, screens };
  const verdict = checkDocument(document!, options);
  const failed = verdict.findings.filter(({ check }) => check === 'thumb-target');
  const alone = { looks: 0, said: [] as (string | undefined)[] };
  for (const finding of failed) {
    const budget = new Counting();
    const found = suggestFor(document!, finding, verdict, options, undefined, budget);
    alone.said.push(found?.text, found?.findings.map(findingKey).join(' '), found?.disturbs);
    alone.looks += budget.looks;
  }
  const budget = new Counting();
  const together = failed.flatMap((finding) => {
    const found = suggestFor(document!, finding, verdict, options, undefined, budget);
    return [found?.text, found?.findings.map(findingKey).join(' '), found?.disturbs];
  });
  expect(failed).toHaveLength(5);
  expect(together).toEqual(alone.said);
  expect(budget.looks).toBeLessThan(alone.looks * 0.8);
});

/** A component, conditions, a style and a token; and something that is never shown, on whatever screen. */
const several = `
pimbot: 1
tokens: { color: { sea: "#0b3442", ink: "#3f6670" } }
styles:
  faint: { color: $color.ink, font-size: 20 }
components:
  tool:
    params: { what: text }
    kind: button
    size: 110
    look: { background: $color.sea }
    children:
      - { id: what, kind: text, text: "{what}", anchor: center, look: { color: $color.ink, font-size: 34 } }
  lever:
    kind: button
    text: Pull
    size: 300 70
    look: { background: $color.sea, font-size: 40 }
    when: [{ screen: { aspect: "1.9..2.4" }, change: { size: 20 70 } }]
views:
  rack:
    backdrop: "#04202a"
    children:
      - { use: lever, id: pull, size: 260 70, anchor: center }
      - { id: old, kind: text, text: Nothing, gone: true }
      - { use: tool, id: lamp, what: Lamp, anchor: left bottom, offset: 20 -20 }
      - { id: said, kind: text, text: Nothing has answered since noon, anchor: center top, offset: 0 40, style: faint }
      - { id: wide, kind: text, text: Under way, anchor: left top, when: [{ screen: { aspect: 9..10 }, change: { text: Wide } }] }
  plan:
    backdrop: "#04202a"
    children:
      - { id: title, kind: text, text: Plan, anchor: center top, offset: 0 -30 }
      - { use: tool, id: horn, what: Horn, anchor: right bottom, offset: 40 -20 }
`;

test('what is said to be found with a change is what a check of its text finds', () => {
  const { document } = readDocument(several);
  const options = { resources: { fonts: bundledFonts() }, screens };
  const verdict = checkDocument(document!, options);
  const shared = new SharedChecks(document!, options.resources);
  const budget = new TryBudget();
  const found = verdict.findings.flatMap((finding) => {
    const suggestion = suggestFor(document!, finding, verdict, options, shared, budget);
    return suggestion ? [suggestion] : [];
  });
  // In a component, in a style, and for some screens alone.
  const said = found.map(({ say }) => say);
  expect(said).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/^lamp\.what: look/),
      expect.stringMatching(/^style faint: /),
      expect.stringMatching(/on upright|at aspects/),
    ]),
  );
  for (const { text, findings, mendsToo } of found) {
    const after = checkDocument(readDocument(text).document!, options);
    expect(findings.map(seen).sort()).toEqual(after.findings.map(seen).sort());
    expect(mendsToo).toBe(verdict.findings.length - after.findings.length - 1);
  }
});

/** What a finding says, its layouts and reasons included. */
function seen({ worst, occurrences, reasons, ...finding }: Finding): string {
  const on = occurrences.map(({ screen, measured }) => `${screen} ${measured}`);
  return [
    findingKey(finding as Finding),
    worst.screen,
    worst.measured,
    ...on,
    ...reasons.map(({ text }) => text),
  ].join(' ');
}
