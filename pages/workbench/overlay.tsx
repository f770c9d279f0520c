import type { Signal } from '@preact/signals';
import type { OutlineRow } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { Outlined } from './outlined.tsx';
import { Rulers } from './rulers.tsx';
import { grips, heldBox, round, type Box, type Drag } from './stage-drag.ts';

/** What is laid over the drawing and follows the hand: handles, measures, guides. In px of the screen. */
export function Overlay({
  bench,
  drag,
  scale,
}: {
  readonly bench: Bench;
  readonly drag: Signal<Drag | undefined>;
  readonly scale: number;
}) {
  const outline = bench.outline.value;
  const { screen: name, layers } = bench.place.value;
  if (!outline || outline.screen !== name) return null;
  const now = drag.value;
  const has = (layer: string) => layers.includes(layer);
  const px = (css: number) => css / scale;
  const rows = outline.rows;
  const selected = bench.selected.value;
  const [first] = selected;
  const box = heldBox(selected, now);
  return (
    <svg class="overlay" viewBox={`0 0 ${outline.width} ${outline.height}`} aria-hidden="true">
      {has('rulers') && <Rulers outline={outline} box={box ?? first?.rect} px={px} />}
      {selected.map((row) =>
        now?.kind === 'move' || now?.kind === 'resize' ? null : (
          <Outlined key={row.index} row={row} class="chosen" />
        ),
      )}
      {first && has('anchors') && selected.length === 1 && (
        <Tie row={first} drag={now} px={px} box={box ?? first.rect} />
      )}
      {box && (now?.kind === 'move' || now?.kind === 'resize') && <rect class="chosen" {...box} />}
      {first && selected.length === 1 && !now && <Handles row={first} px={px} />}
      {first && selected.length === 1 && !now && <Measures bench={bench} px={px} />}
      {(now?.kind === 'move' || now?.kind === 'resize') &&
        now.snapped?.guides.map((guide, at) => (
          <line
            key={at}
            class={`guide ${guide.kind}`}
            x1={guide.axis === 'x' ? guide.at : guide.from}
            x2={guide.axis === 'x' ? guide.at : guide.to}
            y1={guide.axis === 'x' ? guide.from : guide.at}
            y2={guide.axis === 'x' ? guide.to : guide.at}
          />
        ))}
      {box && first && (now?.kind === 'move' || now?.kind === 'resize') && (
        <Label x={box.x} y={box.y - px(8)} px={px} text={dragText(now, first, box)} />
      )}
      {now?.kind === 'move' && now.into !== undefined && <Into rows={rows} id={now.into} px={px} />}
      {now?.kind === 'rotate' && first && (
        <Label x={first.rect.x} y={first.rect.y - px(8)} px={px} text={`${now.degrees}°`} />
      )}
      {now?.kind === 'order' && (
        <line
          class="insert"
          x1={now.line.x}
          y1={now.line.y}
          x2={now.line.x + now.line.width}
          y2={now.line.y + now.line.height}
        />
      )}
      {now?.kind === 'frame' && (
        <rect
          class="frame"
          x={Math.min(now.start.x, now.end.x)}
          y={Math.min(now.start.y, now.end.y)}
          width={Math.abs(now.end.x - now.start.x)}
          height={Math.abs(now.end.y - now.start.y)}
        />
      )}
    </svg>
  );
}

function dragText(drag: Drag, { unit }: OutlineRow, box: Box): string {
  if (drag.kind === 'move') return `${round(drag.by.x / unit)}, ${round(drag.by.y / unit)} u`;
  return `${round(box.width / unit)} × ${round(box.height / unit)} u`;
}

function Into({
  rows,
  id,
  px,
}: {
  readonly rows: readonly OutlineRow[];
  readonly id: string;
  readonly px: (css: number) => number;
}) {
  const row = rows.find((one) => one.id === id);
  if (!row) return null;
  return (
    <>
      <rect class="into" {...row.rect} />
      <Label x={row.rect.x} y={row.rect.y - px(8)} px={px} text={`into ${id}`} />
    </>
  );
}

/** A short text on a plate, which can be read on any picture. */
function Label({
  x,
  y,
  text,
  px,
}: {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly px: (css: number) => number;
}) {
  const wide = px(text.length * 6.6 + 10);
  const top = Math.max(0, y - px(16));
  return (
    <g>
      <rect class="plate" x={x} y={top} width={wide} height={px(18)} rx={px(3)} />
      <text class="label" x={x + px(5)} y={top + px(13)} font-size={px(12)}>
        {text}
      </text>
    </g>
  );
}

/** Eight handles for edges and corners, and one to turn it. */
function Handles({ row, px }: { readonly row: OutlineRow; readonly px: (css: number) => number }) {
  const { x, y, width, height } = row.rect;
  const side = px(8);
  return (
    <g transform={row.turn ? `matrix(${row.turn.join(' ')})` : undefined}>
      <line class="stem" x1={x + width / 2} y1={y} x2={x + width / 2} y2={y - px(18)} />
      <circle class="grip turn" data-hold="turn" cx={x + width / 2} cy={y - px(20)} r={px(5)} />
      {grips.map((grip) => (
        <rect
          key={`${grip.x} ${grip.y}`}
          class={`grip ${cursorOf(grip.x, grip.y)}`}
          data-hold={`edge ${grip.x} ${grip.y}`}
          x={x + ((grip.x + 1) / 2) * width - side / 2}
          y={y + ((grip.y + 1) / 2) * height - side / 2}
          width={side}
          height={side}
        />
      ))}
    </g>
  );
}

function cursorOf(x: number, y: number): string {
  if (x === 0) return 'ns';
  if (y === 0) return 'ew';
  return x === y ? 'nwse' : 'nesw';
}

/** Where a widget is tied in its room: stakes on the room, a ring at the pivot, a line between. */
function Tie({
  row,
  drag,
  px,
  box,
}: {
  readonly row: OutlineRow;
  readonly drag: Drag | undefined;
  readonly px: (css: number) => number;
  readonly box: Box;
}) {
  const anchor = drag?.kind === 'anchor' ? drag.anchor : row.anchor;
  if (!anchor) return null;
  const { room } = row;
  const pivot = drag?.kind === 'pivot' ? drag.pivot : row.pivot;
  const at = (x: number, y: number) => ({ x: room.x + x * room.width, y: room.y + y * room.height });
  const ring = { x: box.x + pivot.x * box.width, y: box.y + pivot.y * box.height };
  const xs =
    anchor.x0 === anchor.x1
      ? [[0, anchor.x0] as const]
      : ([
          [-1, anchor.x0],
          [1, anchor.x1],
        ] as const);
  const ys =
    anchor.y0 === anchor.y1
      ? [[0, anchor.y0] as const]
      : ([
          [-1, anchor.y0],
          [1, anchor.y1],
        ] as const);
  const middle = at((anchor.x0 + anchor.x1) / 2, (anchor.y0 + anchor.y1) / 2);
  const stake = px(6);
  return (
    <g>
      <rect class="room" {...room} />
      {(xs.length > 1 || ys.length > 1) && (
        <rect
          class="span"
          x={at(anchor.x0, 0).x}
          y={at(0, anchor.y0).y}
          width={(anchor.x1 - anchor.x0) * room.width}
          height={(anchor.y1 - anchor.y0) * room.height}
        />
      )}
      {xs.length === 1 && ys.length === 1 && (
        <line class="tie" x1={middle.x} y1={middle.y} x2={ring.x} y2={ring.y} />
      )}
      {xs.flatMap(([gx, x]) =>
        ys.map(([gy, y]) => {
          const { x: cx, y: cy } = at(x, y);
          return (
            <path
              key={`${gx} ${gy}`}
              class="grip stake"
              data-hold={`anchor ${gx} ${gy}`}
              d={`M${cx} ${cy - stake}L${cx + stake} ${cy}L${cx} ${cy + stake}L${cx - stake} ${cy}Z`}
            />
          );
        }),
      )}
      <circle class="grip ring" data-hold="pivot" cx={ring.x} cy={ring.y} r={px(9)} />
    </g>
  );
}

/** The distances of what is selected to its parent and its neighbours. */
function Measures({ bench, px }: { readonly bench: Bench; readonly px: (css: number) => number }) {
  const closeUp = bench.closeUp.value;
  const [row] = bench.selected.value;
  if (
    !closeUp ||
    !row ||
    closeUp.widget !== row.id ||
    closeUp.screen !== bench.place.value.screen ||
    row.turn
  )
    return null;
  const shown = closeUp.distances.filter(
    ({ to, length }) => (to === 'parent' || to === 'neighbour') && Math.abs(length) * (1 / px(1)) > 14,
  );
  // A neighbour that is nearer than the parent's edge says more.
  const nearest = new Map<string, (typeof shown)[number]>();
  for (const one of shown) {
    const known = nearest.get(one.side);
    if (!known || Math.abs(one.length) < Math.abs(known.length)) nearest.set(one.side, one);
  }
  return (
    <g>
      {[...nearest.values()].map((one) => {
        const text = String(Math.round(one.u * 10) / 10);
        const wide = px(text.length * 6.6 + 8);
        const [x, y] = [(one.x1 + one.x2) / 2, (one.y1 + one.y2) / 2];
        return (
          <g key={one.side}>
            <line class="measure" x1={one.x1} y1={one.y1} x2={one.x2} y2={one.y2} />
            <rect class="plate" x={x - wide / 2} y={y - px(8)} width={wide} height={px(16)} rx={px(3)} />
            <text class="label middle" x={x} y={y + px(4)} font-size={px(11)}>
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
