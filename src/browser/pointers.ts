import type { Hit, InputEffect, InputEvent } from '../input/index.ts';
import type { Listeners } from './listeners.ts';
import { ratioOf } from './surface.ts';

/** What pointers are told to. */
export interface PointerTarget {
  readonly hear: (event: InputEvent) => readonly InputEffect[];
  /** What lies under a place, in device px. */
  readonly at: (x: number, y: number) => Hit | undefined;
  /** Called after a pointer went down. */
  readonly pressed: () => void;
}

/** CSS px a wheel that counts lines turns a line by. */
const linePx = 40;

/** Tells of the pointers and the wheel over a canvas, and shows what lies under them in the cursor. */
export function listenToPointers(
  canvas: HTMLCanvasElement,
  listeners: Listeners,
  target: PointerTarget,
): void {
  const placeOf = ({ clientX, clientY }: MouseEvent) => {
    const { left, top } = canvas.getBoundingClientRect();
    const ratio = ratioOf(canvas);
    return { x: (clientX - left) * ratio, y: (clientY - top) * ratio };
  };
  const tell = (event: PointerEvent, type: 'move' | 'down' | 'up' | 'cancel' | 'out') => {
    const { pointerType, pointerId } = event;
    const device = pointerType === 'touch' || pointerType === 'pen' ? pointerType : 'mouse';
    const place = placeOf(event);
    target.hear({ type, pointer: pointerId, device, ...place });
    if (type === 'move' || type === 'down') canvas.style.cursor = cursorOf(target.at(place.x, place.y));
  };
  listeners.on(canvas, 'pointermove', (event) => {
    // A fast pointer tells of several places at once.
    const all = event.getCoalescedEvents?.() ?? [];
    for (const one of all.length > 0 ? all : [event]) tell(one, 'move');
  });
  listeners.on(canvas, 'pointerdown', (event) => {
    if (event.button !== 0) return;
    canvas.setPointerCapture?.(event.pointerId);
    tell(event, 'down');
    target.pressed();
    event.preventDefault();
  });
  listeners.on(canvas, 'pointerup', (event) => {
    if (event.button === 0) tell(event, 'up');
  });
  listeners.on(canvas, 'pointercancel', (event) => tell(event, 'cancel'));
  listeners.on(canvas, 'pointerleave', (event) => tell(event, 'out'));
  listeners.on(
    canvas,
    'wheel',
    (event) => {
      const unit = event.deltaMode === 1 ? linePx : event.deltaMode === 2 ? canvas.clientHeight : 1;
      const times = ratioOf(canvas) * unit;
      const by = { deltaX: event.deltaX * times, deltaY: event.deltaY * times };
      const effects = target.hear({ type: 'wheel', ...placeOf(event), ...by });
      if (effects.some(({ type }) => type === 'scroll')) event.preventDefault();
    },
    { passive: false },
  );
  const before = canvas.style.cursor;
  listeners.add(() => (canvas.style.cursor = before));
}

function cursorOf(hit: Hit | undefined): string {
  if (hit?.control === undefined) return '';
  return hit.isDisabled ? 'not-allowed' : 'pointer';
}
