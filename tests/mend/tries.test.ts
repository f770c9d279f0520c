import { expect, test } from '@jest/globals';
import { readDocument, screens } from 'pimbot';
import { TryBudget, checkDocument, findingKey, suggestFor } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

class Counting extends TryBudget {
  looks = 0;

  override spend(looks: number): void {
    this.looks += looks;
    super.spend(looks);
  }
}

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
