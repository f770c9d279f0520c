import type { Act, OutlineRow } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import {
  anchorAt,
  anchorWords,
  containerAt,
  inFrame,
  moveAct,
  moveTo,
  orderAt,
  pivotAt,
  resizeAct,
  resizeTo,
  rowsOf,
  widgetsAt,
  type Drag,
  type Grip,
  type Point,
} from './stage-drag.ts';

/** How near something has to be to catch, in CSS px. */
const reach = 6;
/** A pointer that moves less than this, in CSS px, clicks. */
const still = 3;

export type PointerType = 'down' | 'move' | 'up' | 'cancel';

interface Held<T> {
  value: T;
}

/** What a pointer does on the stage: it takes hold, pulls, lets go. */
export function pointer(
  bench: Bench,
  drag: Held<Drag | undefined>,
  advice: Held<{ widget: string; anchor: string; why: string } | undefined>,
  type: PointerType,
  event: PointerEvent,
  at: Point,
  scale: number,
  viewport: HTMLElement,
): void {
  const outline = bench.outline.value;
  if (!outline) return;
  if (type === 'down') {
    if (event.button === 1)
      drag.value = {
        kind: 'pan',
        start: { x: event.clientX, y: event.clientY },
        left: viewport.scrollLeft,
        top: viewport.scrollTop,
      };
    else if (event.button === 0) drag.value = pressed(bench, event, at);
    viewport.focus({ preventScroll: true });
    event.preventDefault();
    return;
  }
  const now = drag.value;
  if (!now) return;
  if (type === 'move') {
    if (now.kind === 'pan') {
      viewport.scrollLeft = now.left - event.clientX + now.start.x;
      viewport.scrollTop = now.top - event.clientY + now.start.y;
      return;
    }
    const next = moved(bench, now, event, at, scale);
    drag.value = next;
    const act = actOf(bench, next);
    if (act && next.kind !== 'order') bench.try(act);
    return;
  }
  drag.value = undefined;
  if (type === 'cancel') return bench.try(undefined);
  if (now.kind === 'press') return clicked(bench, event, at);
  if (now.kind === 'frame') return framed(bench, now);
  const act = actOf(bench, now);
  if (!act) return bench.try(undefined);
  void bench.act(act).then(async (made) => {
    if (!made || now.kind !== 'move' || now.ids.length !== 1) return;
    const [widget] = now.ids;
    const found = await bench.advice(widget!);
    advice.value = found && { widget: widget!, ...found };
  });
}

/** What a pointer that goes down takes hold of. */
function pressed(bench: Bench, event: PointerEvent, at: Point): Drag | undefined {
  const { target } = event;
  const held = target instanceof Element ? target.closest<SVGElement>('[data-hold]') : null;
  const [row] = bench.selected.value;
  if (held && row) {
    const [hold, x = '0', y = '0'] = held.dataset.hold!.split(' ');
    const grip = { x: Number(x), y: Number(y) } as Grip;
    const none = { left: 0, top: 0, right: 0, bottom: 0 };
    if (hold === 'edge')
      return { kind: 'resize', start: at, id: row.id, grip, edges: none, snapped: undefined };
    if (hold === 'turn') return { kind: 'rotate', id: row.id, base: row.rotate, degrees: row.rotate };
    if (hold === 'anchor' && row.anchor)
      return {
        kind: 'anchor',
        id: row.id,
        corner: event.altKey && grip.x === 0 && grip.y === 0 ? { x: 1, y: 1 } : grip,
        anchor: row.anchor,
      };
    if (hold === 'pivot') return { kind: 'pivot', id: row.id, pivot: row.pivot };
  }
  const under = widgetsAt(bench.outline.value!, at);
  const ids = bench.place.value.selected;
  const selected = under.find(({ id }) => ids.includes(id));
  if (selected && !event.shiftKey) return { kind: 'press', start: at, ids };
  if (under.length === 0) return { kind: 'frame', start: at, end: at };
  return { kind: 'press', start: at, ids: event.shiftKey ? ids : [under[0]!.id] };
}

function moved(bench: Bench, now: Drag, event: PointerEvent, at: Point, scale: number): Drag {
  const outline = bench.outline.value!;
  const near = event.ctrlKey || event.metaKey ? 0 : reach / scale;
  const around = (row: OutlineRow) => outline.rows[row.parent]?.turn;
  switch (now.kind) {
    case 'press': {
      if (Math.hypot(at.x - now.start.x, at.y - now.start.y) * scale < still || event.shiftKey) return now;
      if (now.ids.join() !== bench.place.value.selected.join()) bench.select(now.ids);
      const [row] = rowsOf(outline, now.ids);
      if (!row) return now;
      if (row.isPlaced && !event.altKey) {
        const found = orderAt(outline, row.id, at);
        return found ? { kind: 'order', start: now.start, id: row.id, ...found } : now;
      }
      return moved(
        bench,
        {
          kind: 'move',
          start: now.start,
          ids: now.ids,
          by: { x: 0, y: 0 },
          snapped: undefined,
          into: undefined,
        },
        event,
        at,
        scale,
      );
    }
    case 'move': {
      const way = { x: at.x - now.start.x, y: at.y - now.start.y };
      // With Shift along one axis alone.
      if (event.shiftKey) way[Math.abs(way.x) > Math.abs(way.y) ? 'y' : 'x'] = 0;
      const into = event.altKey && now.ids.length === 1 ? containerAt(outline, now.ids, at) : undefined;
      const [row] = rowsOf(outline, now.ids);
      const parent = row && outline.rows[row.parent]?.id;
      return { ...now, ...moveTo(outline, now.ids, way, near), into: into === parent ? undefined : into };
    }
    case 'resize': {
      const way = { x: at.x - now.start.x, y: at.y - now.start.y };
      return { ...now, ...resizeTo(outline, now.id, now.grip, way, near, event.shiftKey) };
    }
    case 'rotate': {
      const [row] = rowsOf(outline, [now.id]);
      const { rect, pivot } = row!;
      const center = { x: rect.x + rect.width * pivot.x, y: rect.y + rect.height * pivot.y };
      const { x, y } = inFrame(around(row!), at);
      const angle = (Math.atan2(x - center.x, center.y - y) * 180) / Math.PI;
      const step = event.ctrlKey || event.metaKey ? 1 : 15;
      return { ...now, degrees: Math.round(angle / step) * step };
    }
    case 'anchor': {
      const [row] = rowsOf(outline, [now.id]);
      return { ...now, anchor: anchorAt(row!, now.corner, inFrame(around(row!), at), near) };
    }
    case 'pivot': {
      const [row] = rowsOf(outline, [now.id]);
      return { ...now, pivot: pivotAt(row!, inFrame(row!.turn, at), near) };
    }
    case 'order': {
      const found = orderAt(outline, now.id, at);
      return found ? { ...now, ...found } : now;
    }
    case 'frame':
      return { ...now, end: at };
    default:
      return now;
  }
}

/** The change that a drag comes to; undefined where it comes to none. */
function actOf(bench: Bench, drag: Drag): Act | undefined {
  const outline = bench.outline.value!;
  switch (drag.kind) {
    case 'move':
      if (drag.into !== undefined) return { do: 'into', widget: drag.ids[0]!, parent: drag.into };
      return drag.by.x === 0 && drag.by.y === 0 ? undefined : moveAct(outline, drag.ids, drag.by);
    case 'resize':
      return Object.values(drag.edges).every((one) => one === 0)
        ? undefined
        : resizeAct(outline, drag.id, drag.edges);
    case 'rotate':
      return drag.degrees === drag.base
        ? undefined
        : { do: 'rotate', widget: drag.id, degrees: drag.degrees };
    case 'anchor':
      return { do: 'anchor', widget: drag.id, to: anchorWords(drag.anchor) };
    case 'pivot': {
      const [row] = rowsOf(outline, [drag.id]);
      if (!row?.anchor) return undefined;
      return {
        do: 'anchor',
        widget: drag.id,
        to: anchorWords(row.anchor),
        pivot: `${drag.pivot.x} ${drag.pivot.y}`,
      };
    }
    case 'order': {
      const [row] = rowsOf(outline, [drag.id]);
      return row?.place === drag.to ? undefined : { do: 'order', widget: drag.id, to: drag.to };
    }
    default:
      return undefined;
  }
}

/** A click selects the topmost widget; a click on what is selected the next one below it. */
function clicked(bench: Bench, event: PointerEvent, at: Point): void {
  const under = widgetsAt(bench.outline.value!, at).map(({ id }) => id);
  const now = bench.place.value.selected;
  if (event.shiftKey) {
    const [top] = under;
    if (top !== undefined) bench.select(now.includes(top) ? now.filter((id) => id !== top) : [...now, top]);
    return;
  }
  const place = now.length === 1 ? under.indexOf(now[0]!) : -1;
  const next = under[(place + 1) % under.length];
  bench.select(next === undefined ? [] : [next]);
}

/** Everything wholly in a frame that was pulled. */
function framed(bench: Bench, { start, end }: Extract<Drag, { kind: 'frame' }>): void {
  const { rows } = bench.outline.value!;
  const [left, right] = [Math.min(start.x, end.x), Math.max(start.x, end.x)];
  const [top, bottom] = [Math.min(start.y, end.y), Math.max(start.y, end.y)];
  const inside = rows.filter(
    ({ rect, index, isHidden }) =>
      index > 0 &&
      !isHidden &&
      rect.x >= left &&
      rect.y >= top &&
      rect.x + rect.width <= right &&
      rect.y + rect.height <= bottom,
  );
  const indexes = new Set(inside.map(({ index }) => index));
  bench.select(inside.filter(({ parent }) => !indexes.has(parent)).map(({ id }) => id));
}

/** What keys do on the stage: move, resize and reorder what is selected, delete and duplicate it. */
export function keyDown(bench: Bench, event: KeyboardEvent): void {
  const ids = bench.place.value.selected;
  const arrows: { [key: string]: Point } = {
    ArrowLeft: { x: -1, y: 0 },
    ArrowRight: { x: 1, y: 0 },
    ArrowUp: { x: 0, y: -1 },
    ArrowDown: { x: 0, y: 1 },
  };
  const way = arrows[event.key];
  const outline = bench.outline.value;
  if (way && ids.length > 0 && outline) {
    event.preventDefault();
    const times = event.shiftKey ? 10 : 1;
    const [row] = rowsOf(outline, ids);
    if (event.altKey)
      void bench.act({
        do: 'resize',
        widget: ids[0]!,
        edges: { right: way.x * times, bottom: way.y * times },
      });
    else if (row?.isPlaced && row.place !== undefined)
      void bench.act({ do: 'order', widget: row.id, to: Math.max(0, row.place + way.x + way.y) });
    else void bench.act({ do: 'move', widgets: ids, x: way.x * times, y: way.y * times });
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    if (ids.length > 0) void bench.act({ do: 'remove', widgets: ids });
  } else if (event.key === 'Escape') bench.select([]);
  else if (event.key === 'd' && (event.ctrlKey || event.metaKey) && ids.length > 0) {
    event.preventDefault();
    void bench.act({ do: 'duplicate', widgets: ids });
  }
}
