import { expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { contains, desktop, proofStrip, proveDocument } from 'pimbot/tools';
import { fonts } from '../support/views.ts';
import { random } from '../../bench/trees.ts';

const text = `pimbot: 1
reference: { size: 1600x900, scaling: none }
views:
  dive:
    backdrop: "#000"
    children:
      - { id: port, anchor: left top, size: 400 80, look: { background: "#345" } }
      - { id: starboard, anchor: right top, size: 400 80, look: { background: "#543" } }
      - { id: tall, anchor: left top, offset: 0 100, size: 60 700, look: { background: "#354" } }
`;

test('a bar covers the aspects at which something fails on some size, and no others', () => {
  const { document } = readDocument(text);
  const [proof] = proveDocument(document!, {
    resources: { fonts },
    device: desktop,
    region: { from: { width: 640, height: 360 }, to: { width: 3840, height: 2160 } },
  });
  expect(proof!.failures.map(({ finding }) => finding.check).sort()).toEqual(['off-screen', 'overlap']);
  const { operations } = proofStrip(proof!, fonts);
  const boxes = operations.flatMap((one) => (one.type === 'box' && one.rect.height === 30 ? [one.rect] : []));
  const [least, most] = [640 / 2160, 3840 / 360];
  const rows = [...new Set(boxes.map(({ y }) => y))];
  expect(rows).toHaveLength(3);
  const next = random(7);
  for (let turn = 0; turn < 400; turn++) {
    const aspect = least * (most / least) ** next();
    const x = 84 + (1112 * Math.log2(aspect / least)) / Math.log2(most / least);
    const sizes = Array.from({ length: 600 }, (_, nth) => {
      const height = 360 * 6 ** (nth / 599);
      return { x: height * aspect, y: height };
    }).filter(({ x: width }) => width >= 640 && width <= 3840);
    proof!.failures.forEach(({ parts }, nth) => {
      const fails = sizes.some((size) => parts.some((part) => contains(part, size)));
      const bars = boxes.filter(({ y, width }) => y === rows[nth + 1] && width > 1 && width < 1112);
      // Between two sizes that were looked at there may be one that fails: a px more.
      const covers = (by: number) => bars.some((bar) => x >= bar.x - by && x <= bar.x + bar.width + by);
      if (fails) expect([aspect, nth, covers(1)]).toEqual([aspect, nth, true]);
      else expect([aspect, nth, covers(-1)]).toEqual([aspect, nth, false]);
    });
  }
});
