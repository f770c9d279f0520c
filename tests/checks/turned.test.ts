import { expect, test } from '@jest/globals';
import { drawLayout, type WidgetSource } from 'pimbot';
import { checkView, checks } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, opened } from '../support/views.ts';
import { painted, screen } from './pixel-judge.ts';

test('plates that are turned any way overlap where pixels are of both, and nowhere else', () => {
  const next = random(seedOf(81));
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  const plate = (id: string): WidgetSource => ({
    id,
    anchor: 'center',
    offset: [Math.round(next() * 180 - 90), Math.round(next() * 180 - 90)],
    size: [30 + Math.round(next() * 130), 20 + Math.round(next() * 80)],
    rotate: pick([0, 0, 8, -30, 45, 90]),
    ...(next() < 0.2 && { skew: 20 }),
    look: { background: '#ff8800' },
  });
  const overlaps = checks.filter(({ id }) => id === 'overlap');
  const met = { said: 0, unsaid: 0 };
  for (let nth = 0; nth < rounds(60, 1500); nth++) {
    const plates = [plate('a'), plate('b')];
    const group: WidgetSource = { id: 'g', anchor: 'left..right top..bottom', rotate: 15, children: plates };
    const view = opened(documentOf(next() < 0.3 ? [group] : plates));
    const said = checkView(view, [screen], overlaps).length > 0;
    const on = view.layoutOn(screen);
    const [mine, theirs] = ['a', 'b'].map((id) =>
      painted(drawLayout(on), (one) => !('widget' in one) || one.widget === on.indexOf(id)),
    );
    let both = 0;
    for (let at = 3; at < mine!.length; at += 4) if (mine![at]! > 250 && theirs![at]! > 250) both++;
    // A corner of a px or two is of no whole pixel.
    if (said ? both === 0 && !isHair(mine!, theirs!) : both > 12)
      expect({ nth, said, both }).toEqual({ nth, said: !said, both });
    met[said ? 'said' : 'unsaid']++;
  }
  expect(Math.min(met.said, met.unsaid)).toBeGreaterThan(rounds(15, 500));
});

/** Whether any pixel is of both in part. */
function isHair(mine: Uint8ClampedArray, theirs: Uint8ClampedArray): boolean {
  for (let at = 3; at < mine.length; at += 4) if (mine[at]! > 0 && theirs[at]! > 0) return true;
  return false;
}
