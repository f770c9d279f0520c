import { expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { checkDocument, suggestFor } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { defects } from '../accuracy/defects.ts';
import { opened } from '../accuracy/run.ts';
import { defectPictures, places } from '../accuracy/sample.ts';
import { isDeep, newSeed, rounds } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { harms, moves, nameOf } from './second-judge.ts';

test('every change offered for a finding by chance mends it, harms nothing and moves what it says', async () => {
  const seed = newSeed();
  const next = random(seed);
  const pictures = await defectPictures();
  let offered = 0;
  let tried = 0;
  while (tried < rounds(20, 200)) {
    const defect = defects[Math.floor(next() * defects.length)]!;
    const nth = Math.floor(next() * places.length);
    const { broken } = defect.make(places[nth]!, nth);
    if (broken.files) continue;
    const { options } = opened(broken, pictures, fonts);
    const text = JSON.stringify(broken.document, null, 1);
    const { document } = readDocument(text, { name: 'broken.json' });
    const before = checkDocument(document!, options);
    const known = new Set(before.findings.map(nameOf));
    for (const finding of before.findings) {
      tried++;
      const suggestion = suggestFor(document!, finding, before, options);
      if (!suggestion) continue;
      offered++;
      const told = `seed ${seed}: ${defect.name} at place ${nth}: ${suggestion.say}`;
      const changed = readDocument(suggestion.text).document!;
      const left = checkDocument(changed, options).findings.map(nameOf);
      expect([told, left.filter((name) => name === nameOf(finding) || !known.has(name))]).toEqual([told, []]);
      expect([told, harms(document!, changed, finding)]).toEqual([told, []]);
      if (finding.view === undefined) continue;
      const { widgets, u } = moves(document!, changed, finding.view);
      const said = suggestion.disturbance;
      expect([told, said.widgets, Math.round(said.u * 100)]).toEqual([told, widgets, Math.round(u * 100)]);
    }
  }
  expect(offered).toBeGreaterThan(isDeep ? tried / 4 : 0);
});
