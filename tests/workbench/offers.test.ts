import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { completionsAt, namesIn } from 'pimbot/tools';
import { offeredTitles } from '../../src/workbench/language/offered.ts';
import { isMap, isScalar, isSeq, parseDocument, stringify, type Node, type Pair } from 'yaml';
import { Chance, rightDocuments } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';

/** Where keys and single values of a document stand. */
function places(text: string): { keys: number[]; values: [start: number, end: number][] } {
  const [keys, values]: [number[], [number, number][]] = [[], []];
  const waiting: unknown[] = [parseDocument(text).contents];
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    if (isSeq(node)) waiting.push(...node.items);
    if (!isMap(node)) continue;
    for (const { key, value } of node.items as Pair<Node, Node>[]) {
      keys.push(key.range![0]);
      if (isScalar(value) && value.range) values.push([value.range[0], value.range[1]]);
      waiting.push(value);
    }
  }
  return { keys, values };
}

/** What may be wrong once a value is another one: what is beside it does not fit it any more. */
const mayFollow =
  /^(key-not-for-kind|key-needs|missing-key|anchor-in-flow|offset-on-span|text-and-children)$/;

test('of any document, what is offered can be put in: no name is unknown, no key is there twice or changed in vain', () => {
  let tried = 0;
  for (const { seed, document: made } of rightDocuments(seedOf(1), rounds(8, 300), readDocument)) {
    const by = new Chance(seed);
    const isFlow = by.is(0.3);
    const text = stringify(made.source, { lineWidth: 0, ...(isFlow && { collectionStyle: 'flow' }) });
    const names = namesIn(readDocument(text, { name: 'any.yaml' }).document!);
    const { keys, values } = places(text);
    const take = (before: string, from: number, to = from) => {
      const shown = before.slice(0, from) + before.slice(to);
      const { options, ...place } = completionsAt(shown, from, names)!;
      const taken = options.length > 0 ? by.pick(options) : undefined;
      return (
        taken && {
          label: taken.label,
          ...place,
          text: shown.slice(0, place.from) + taken.insert + shown.slice(place.to),
          end: place.from + taken.insert.length,
        }
      );
    };
    for (let nth = 0; nth < 30; nth++) {
      const key = by.pick(keys);
      const margin = isFlow
        ? ', '
        : `\n${text.slice(text.lastIndexOf('\n', key) + 1, key).replace(/-/g, ' ')}`;
      const withKey = nth % 2 === 0 ? undefined : take(text.slice(0, key) + margin + text.slice(key), key);
      if (nth % 2 === 1 && !withKey) continue;
      const chosen = withKey ? take(withKey.text, withKey.end) : take(text, ...by.pick(values));
      if (!chosen) continue;
      const wrong = readDocument(chosen.text, { name: 'any.yaml' }).diagnostics.filter(
        ({ severity, code, range }) =>
          severity === 'error' &&
          !mayFollow.test(code) &&
          // Another kind can make what was said before wrong.
          range!.end >= (withKey ?? chosen).from &&
          range!.start <= chosen.end,
      );
      const isUse =
        /^use/.test(withKey?.label ?? 'use') &&
        wrong.every(({ code }) => code === 'name-chain' || code === 'unknown-key');
      if (!isUse)
        expect([seed, withKey?.label, chosen.label, wrong]).toEqual([seed, withKey?.label, chosen.label, []]);
      tried++;
    }
  }
  expect(tried).toBeGreaterThan(rounds(60, 2500));
});

test('every title that something is offered for is that of a value of the schema', () => {
  const written = JSON.stringify(JSON.parse(readFileSync('schema/pimbot.schema.json', 'utf8')));
  for (const title of offeredTitles) expect(written).toContain(`"title":${JSON.stringify(title)}`);
});
