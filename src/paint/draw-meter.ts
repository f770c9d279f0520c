import type { Widget } from '../dress/index.ts';
import {
  holeIn,
  meterPieces,
  meterSectors,
  ringOf,
  trackOfRing,
  trailColor,
  turnOfMeter,
  type Rounded,
  type Sector,
} from '../inside/index.ts';
import type { Rgba } from '../theme/index.ts';
import { onPixels } from './areas.ts';
import { plainBox, type DrawOperation } from './draw-list.ts';
import { RoundShape } from './round-path.ts';

/** Between the segments of a meter, in u. */
const segmentGap = 3;

/**
 * The filled part of a meter, and of where it was before; of a ring its track too, where its background is one colour: the hole in it
 * stays clear. @param inner The box inside of its border. @param scale Device px a u is.
 */
export function addMeter(widget: Widget, inner: Rounded, scale: number, operations: DrawOperation[]): void {
  const { index, look, value, trail } = widget;
  const { rect, radius } = inner;
  const round = roundIn(widget, inner, scale);
  operations.push({ type: 'clip', rect, radius });
  const track = trackOfRing(widget);
  if (track) operations.push(sectorOperation(index, round!, whole, track));
  const fillUp = (to: number, color: Rgba) => {
    if (round) {
      const gap = (segmentGap * scale) / (Math.PI * Math.max(1, Math.min(rect.width, rect.height)));
      for (const sector of meterSectors(widget, gap, to))
        operations.push(sectorOperation(index, round, sector, color));
    } else
      for (const piece of meterPieces(rect, widget, segmentGap * scale, to))
        operations.push(plainBox(index, onPixels(piece), color));
  };
  if (trail > value) fillUp(trail, trailColor(look));
  fillUp(value, look.color);
  operations.push({ type: 'restore' });
}

const whole: Sector = { from: 0, to: 1 };

/** How a meter goes round inside of its border; undefined of one that is filled from a side. */
function roundIn(widget: Widget, inner: Rounded, scale: number): RoundShape | undefined {
  const turn = turnOfMeter(widget);
  const ring = ringOf(widget);
  if (turn === undefined) return undefined;
  const hole = ring === undefined ? undefined : holeIn(inner, Math.max(1, Math.round(ring * scale)));
  return new RoundShape(inner.rect, hole, turn);
}

function sectorOperation(widget: number, round: RoundShape, sector: Sector, color: Rgba): DrawOperation {
  return { type: 'path', widget, steps: round.sector(sector), color, opacity: 1 };
}
