import { describe, expect, test } from '@jest/globals';
import { drawLayout, openView, readDocument, type DrawOperation, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { fact } from '../support/findings.ts';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import {
  Judge,
  cssPixel,
  extentOf,
  luminance,
  margin,
  painted,
  pixelsWide,
  screen,
  tolerance,
} from './pixel-judge.ts';

/*
 * The painted picture as a second judge: views are drawn by chance, and what the checks say of overlaps, edges, texts that
 * are cut and contrast is measured again in pixels, of what they report and of what they do not.
 */

const fonts = bundledFonts();

const colors = ['#0d4452', '#ffd583', '#7a1f1f', '#ffffff', '#33526b', '#101820', '#8fb8a8', '#c0583a'];

/** Four plates and texts somewhere, some of them in each other's way or over an edge. */
function viewBy(next: () => number): readonly WidgetSource[] {
  const pick = <Value>(values: readonly Value[]) => values[Math.floor(next() * values.length)]!;
  const anchors = ['left top', 'right top', 'center', 'left bottom', 'right bottom', 'center top'];
  return ['a', 'b', 'c', 'd'].map((id): WidgetSource => {
    const offset = [Math.round(next() * 120 - 60), Math.round(next() * 120 - 60)];
    const place = { id, anchor: pick(anchors), offset };
    const size = [60 + Math.round(next() * 90), 34 + Math.round(next() * 50)];
    if (next() < 0.35) return { ...place, size, look: { background: pick(colors) } };
    const look = {
      'background': pick(colors),
      'color': pick(colors),
      'font-size': 18 + Math.round(next() * 14),
    };
    const text = pick(['Depth', 'Keel and brine', 'Rise', 'Saint Barnacle', 'Hull 4 %']);
    return { ...place, kind: 'text', size, wrap: next() < 0.5, text, look };
  });
}

describe('pixels agree with what is said', () => {
  const overlap = new Judge();
  const offScreen = new Judge();
  const cutText = new Judge();
  const lowContrast = new Judge();
  const measuredWrong: string[] = [];
  const next = random(seedOf(20261123));
  for (let nth = 0; nth < rounds(40, 110); nth++) {
    const { document, diagnostics } = readDocument({
      pimbot: 1,
      reference: { size: '480x300' },
      views: { v: { backdrop: '#04202a', children: viewBy(next) } },
    });
    if (!document) throw new Error(JSON.stringify(diagnostics[0]));
    const options = { resources: { fonts }, screens: [screen] };
    const { findings } = checkDocument(document, options);
    const on = openView(document, 'v', options).layoutOn(screen);
    const list = drawLayout(on);
    const of = (index: number) => (one: DrawOperation) => 'widget' in one && one.widget === index;
    // What a text writes beyond its plate is the business of cut-text: seen of a plate is its box.
    const alone = on.widgets.map(({ index }) => painted(list, (one) => of(index)(one) && one.type === 'box'));
    const said = (check: string, widget: string, other?: string) =>
      findings.find(
        (one) => one.check === check && one.widget === widget && (other === undefined || one.other === other),
      );

    for (const { id, index, text, look } of on.widgets) {
      if (index === 0) continue;
      const name = `${nth} ${id}`;
      // Over the edge of the screen.
      const mine = extentOf(alone[index]!)!;
      const over = Math.max(-mine.left, -mine.top, mine.right - screen.width, mine.bottom - screen.height);
      const off = said('off-screen', id);
      offScreen.take(
        off !== undefined,
        over > 0.5,
        Math.abs(over - 0.5) > tolerance,
        `${name} off-screen ${over}`,
      );
      if (off && Math.abs(off.worst.measured! - over) > tolerance)
        measuredWrong.push(`${name} off-screen by ${off.worst.measured}, seen ${over}`);
      // Over each other.
      for (const { id: other, index: second } of on.widgets.slice(1, index)) {
        const shared = extentOf(alone[index]!, 0, alone[second]);
        const by = shared ? Math.min(shared.right - shared.left, shared.bottom - shared.top) : 0;
        const one = said('overlap', other, id);
        // What shares no pixel may share less than one.
        const clear = by === 0 ? !one || one.worst.measured! > tolerance : by > tolerance;
        overlap.take(one !== undefined, by > 0.5, clear, `${name} over ${other} ${by}`);
        if (one && Math.abs(one.worst.measured! - by) > tolerance)
          measuredWrong.push(`${name} overlaps ${other} by ${one.worst.measured}, seen ${by}`);
      }
      if (!text) continue;
      // Letters beyond the box they are in.
      const letters = painted(list, (one) => of(index)(one) && one.type === 'glyphs');
      const ink = extentOf(letters, 40);
      const box = on.layout.rect(index);
      if (ink) {
        const wide = Math.max(box.x - ink.left, ink.right - box.x - box.width);
        const high = Math.max(box.y - ink.top, ink.bottom - box.y - box.height);
        const cut = said('cut-text', id);
        // A line is higher than its letters and has a little room beside them: only what is clear counts.
        const beyond = Math.max(wide, high);
        if (beyond > tolerance) cutText.take(cut !== undefined, true, true, `${name} cut-text ${beyond}`);
        else if (cut === undefined) cutText.take(false, false, true, `${name} cut-text ${beyond}`);
        if (
          cut &&
          fact(cut, 'axis') === 'x' &&
          Math.abs(cut.worst.measured! / 2 - wide) > 3 &&
          look.textAlign === 'center'
        )
          measuredWrong.push(`${name} cut by ${cut.worst.measured}, seen ${wide}`);
      }
      // The letters against all that is painted behind them, pixel by pixel.
      const before = list.operations.findIndex((one) => of(index)(one) && one.type === 'glyphs');
      const behind = painted({ ...list, operations: list.operations.slice(0, before) }, () => true);
      const written = text && extentOf(letters, 40);
      if (!written || over > 0) continue;
      // What is written beyond the screen is not seen.
      const seenArea = {
        left: Math.max(0, written.left),
        top: Math.max(0, written.top),
        right: Math.min(screen.width, written.right),
        bottom: Math.min(screen.height, written.bottom),
      };
      // The softened edges of other letters behind have every shade between those and what is behind them.
      const isUnder = on.widgets.some((other) => {
        const under =
          other.text &&
          other.index < index &&
          extentOf(painted(list, (one) => of(other.index)(one) && one.type === 'glyphs'));
        return (
          under &&
          under.left < seenArea.right &&
          under.right > seenArea.left &&
          under.top < seenArea.bottom &&
          under.bottom > seenArea.top
        );
      });
      if (isUnder) continue;
      const ink2 = letters.findIndex((value, at) => at % 4 === 3 && value > 250);
      if (ink2 < 0) continue;
      const own = luminance(letters, ink2 - 3);
      const leastWithin = (inset: number): number => {
        let least = Infinity;
        for (let y = seenArea.top + margin + inset; y < seenArea.bottom + margin - inset; y++) {
          for (let x = seenArea.left + margin + inset; x < seenArea.right + margin - inset; x++) {
            const ground = luminance(behind, (y * pixelsWide + x) * 4);
            least = Math.min(least, (Math.max(own, ground) + 0.05) / (Math.min(own, ground) + 0.05));
          }
        }
        return least;
      };
      // Softened edges of letters lie on two pixels, and edges of plates are rounded: what the outermost px decide says nothing.
      const ratio = leastWithin(1);
      if (Math.abs(leastWithin(2) / leastWithin(0) - 1) > 0.03) continue;
      const faint = said('low-contrast', id);
      const least = faint?.worst.limit ?? (look.fontSize * cssPixel >= 24 ? 3 : 4.5);
      lowContrast.take(
        faint !== undefined,
        ratio < least,
        Math.abs(ratio / least - 1) > 0.03,
        `${name} contrast ${ratio}`,
      );
      if (faint && Math.abs(faint.worst.measured! / ratio - 1) > 0.03)
        measuredWrong.push(`${name} contrast ${faint.worst.measured}, seen ${ratio}`);
    }
  }

  const results: Record<string, Judge> = {
    'overlap': overlap,
    'off-screen': offScreen,
    'cut-text': cutText,
    'low-contrast': lowContrast,
  };
  test.each(Object.entries(results))(
    '%s: of what it reports and of what it does not',
    (_, { reported, passed, wrong }) => {
      expect(wrong).toEqual([]);
      expect(reported).toBeGreaterThan(rounds(10, 30));
      expect(passed).toBeGreaterThan(rounds(8, 20));
    },
  );

  test('and what is measured is what is seen', () => expect(measuredWrong).toEqual([]));
});
