import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, type WidgetSource } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';

interface Node {
  readonly z: number;
  readonly inside: readonly Node[];
}

const nodesOf = (depth: number): fc.Arbitrary<Node> =>
  fc.record({
    z: fc.constantFrom(0, 0, 0, -2, -1, 1, 1, 3),
    inside: depth === 0 ? fc.constant([]) : fc.array(nodesOf(depth - 1), { maxLength: 4 }),
  });

/** What is drawn, by the definition: in each parent by height, of the same height as it is written. */
function expected(inside: readonly Node[], id = 'n'): string[] {
  return inside
    .map(({ z, inside: more }, at) => ({ z, at, more }))
    .sort((one, other) => one.z - other.z || one.at - other.at)
    .flatMap(({ at, more }) => [`${id}${at}`, ...expected(more, `${id}${at}`)]);
}

const written = (inside: readonly Node[], id = 'n'): WidgetSource[] =>
  inside.map(({ z, inside: more }, at) => ({
    id: `${id}${at}`,
    size: 10,
    z,
    gone: `{${id}${at}}`,
    children: written(more, `${id}${at}`),
  }));

const idsIn = (inside: readonly Node[], id = 'n'): string[] =>
  inside.flatMap(({ inside: more }, at) => [`${id}${at}`, ...idsIn(more, `${id}${at}`)]);

const without = (ids: readonly string[], gone: ReadonlySet<string>) =>
  ids.filter((id) => ![...gone].some((one) => id.startsWith(one)));

test('widgets are drawn by height in each parent, then as they are written; in a live view whatever comes and goes', () => {
  fc.assert(
    fc.property(
      fc.array(nodesOf(2), { minLength: 1, maxLength: 5 }),
      fc.infiniteStream(fc.nat()),
      (inside, chance) => {
        const ids = idsIn(inside);
        const only = Object.fromEntries(ids.map((id) => [id, false]));
        const view = opened(documentOf(written(inside), { cases: { only } }));
        const drawn = (on: { widgets: readonly { id: string }[]; tree: { order: readonly number[] } }) =>
          on.tree.order.map((index) => on.widgets[index]!.id).slice(1);
        const all = expected(inside);
        const size = { width: 400, height: 300 };
        expect(drawn(view.layoutOn(opened(documentOf([])).layoutOn(size).screen))).toEqual(all);
        const live = new LiveView(view, size);
        const gone = new Set<string>();
        for (let turn = 0; turn < 6; turn++) {
          const id = ids[chance.next().value! % ids.length]!;
          gone[gone.has(id) ? 'delete' : 'add'](id);
          live.set({ [id]: gone.has(id) });
          expect(drawn(live.snapshot())).toEqual(without(all, gone));
        }
      },
    ),
    { numRuns: 150 },
  );
});
