import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { parse } from 'yaml';
import { readDocument } from 'pimbot';
import { documentSchema, themeSchema } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { shapeErrors, type Schema } from '../../src/document/shape.ts';
import { newSeed, rounds } from '../support/deep.ts';
import { told } from '../support/views.ts';

/* Our reading of the shipped schemas beside that of a validator that knows nothing of Pimbot. */

const ajv = new Ajv2020({ allErrors: true, allowUnionTypes: true, strictTypes: false });
const read = (path: string) => parse(readFileSync(path, 'utf8')) as unknown;
const formats = [
  {
    schema: documentSchema,
    judge: ajv.compile(documentSchema),
    values: [
      'examples/fathom-post/post.yaml',
      'examples/broken/broken.yaml',
      'examples/broken/written.yaml',
    ].map(read),
  },
  {
    schema: themeSchema,
    judge: ajv.compile(themeSchema),
    values: ['examples/fathom-post/brine.theme.yaml', 'examples/fathom-post/lantern.theme.yaml'].map(read),
  },
];

type Holder = { [key: string]: unknown };

/** A copy with some of its values and keys changed by chance. */
function changed(value: unknown, next: () => number): unknown {
  const copy = structuredClone(value);
  const holders: Holder[] = [];
  const stack = [copy];
  for (let one = stack.pop(); one !== undefined; one = stack.pop()) {
    if (typeof one !== 'object' || one === null) continue;
    holders.push(one as Holder);
    for (const inner of Object.values(one as Holder)) if (typeof inner === 'object') stack.push(inner);
  }
  const pick = <Value>(list: readonly Value[]) => list[Math.floor(next() * list.length)]!;
  const scraps = [
    null,
    0,
    -1,
    1e9,
    0.5,
    true,
    '',
    'center',
    '16/9',
    '$color.x',
    [],
    ['a', 1],
    {},
    { use: 'gauge' },
    { a: 1 },
  ];
  for (let change = 0; change < 3; change++) {
    const holder = pick(holders);
    const keys = Object.keys(holder);
    if (keys.length === 0) continue;
    const key = pick(keys);
    const kind = next();
    if (kind < 0.5) holder[key] = structuredClone(pick(scraps));
    else if (kind < 0.7 && !Array.isArray(holder)) delete holder[key];
    else if (kind < 0.9 && !Array.isArray(holder))
      holder[pick(['widht', 'use', 'kind', '4', 'a b', 'look'])] = pick(scraps);
    else holder[key] = pick(holders);
  }
  return JSON.parse(JSON.stringify(copy, noCircles())) as unknown;
}

/** Leaves out what leads back to what it is in. */
function noCircles() {
  const above: unknown[] = [];
  return function (this: unknown, _: string, value: unknown) {
    if (typeof value !== 'object' || value === null) return value;
    while (above.length > 0 && above.at(-1) !== this) above.pop();
    if (above.includes(value)) return undefined;
    above.push(value);
    return value;
  };
}

test('says of documents and themes that went wrong, and of right ones, what another validator says', () => {
  const [seed, count] = [newSeed(), rounds(60, 1500)];
  const next = random(seed);
  let wrong = 0;
  for (const { schema, judge, values } of formats) {
    for (const value of values) {
      expect(shapeErrors(value as never, schema as Schema)).toEqual([]);
      for (let round = 0; round < count; round++) {
        const one = changed(value, next);
        const isRight = judge(one);
        const theirs = (judge.errors ?? []).flatMap(({ keyword, instancePath, params, propertyName }) => {
          if (keyword === 'if' || keyword === 'propertyNames') return [];
          const { additionalProperty, missingProperty } = params as Record<string, string | undefined>;
          return [`${instancePath} ${additionalProperty ?? missingProperty ?? propertyName ?? ''}`];
        });
        const ours = shapeErrors(one as never, schema as Schema).map(
          ({ pointer, key }) => `${pointer} ${key ?? ''}`,
        );
        expect([seed, ours.length === 0, [...new Set(ours)].sort()]).toEqual([
          seed,
          isRight,
          [...new Set(theirs)].sort(),
        ]);
        if (!isRight) wrong++;
      }
    }
  }
  expect(wrong).toBeGreaterThan(count);
});

test('what an instance gives to a parameter is of its type, whatever key of widgets is called so', () => {
  const read = (step: unknown) =>
    told(
      readDocument({
        pimbot: 1,
        components: { row: { params: { step: 'number' }, children: [{ kind: 'text', text: '{step}' }] } },
        views: { v: { children: [{ use: 'row', step } as never] } },
      }),
    );
  expect(read(5)).toEqual([]);
  expect(read('five').join()).toContain('"step" is a number, not "five"');
});
