import type { InputEffect, InputEvent, ViewInputOptions } from '../input/index.ts';
import { ViewInput } from '../input/index.ts';
import type { Rect } from '../layout/index.ts';
import type { LiveView } from '../live/index.ts';
import { CanvasCache, LiveDrawing, repaintOnCanvas, type PaintGame } from '../paint/index.ts';
import { Listeners } from './listeners.ts';
import { Mirror } from './mirror.ts';
import { Pads } from './pads.ts';
import { PreferenceReader, type Preferences } from './preferences.ts';
import { listenToPointers } from './pointers.ts';
import { SafeArea, ratioOf, screenOf } from './surface.ts';
import { TypingElement } from './typing-element.ts';

export interface MountOptions extends ViewInputOptions {
  /** Called once a frame, before the view is drawn; never before `mount` has returned. @param ms Since the frame before. */
  readonly frame?: (ms: number) => void;
  /** Called before the first frame, and when players change their preferences. */
  readonly preferences?: (now: Preferences) => void;
  /** Draws what the game shows in widgets of the kind canvas: within their box, in device px. */
  readonly game?: (widget: string, context: CanvasRenderingContext2D, box: Rect) => void;
  /** Whether the view's first backdrop is drawn behind it; false if left out, as what is there is the game's own. */
  readonly backdrop?: boolean;
  /** Whether it draws once a frame by itself; true if left out. With false, the game calls `frame`. */
  readonly loop?: boolean;
}

/** A view on a canvas of a page. */
export interface Mounted {
  readonly input: ViewInput;
  /** Moves on by so many milliseconds and draws what has changed; for games with a loop of their own. */
  readonly frame: (ms: number) => void;
  /** Takes everything away again: listeners, elements, the loop. */
  readonly unmount: () => void;
}

/** A frame that took longer, in ms, was one in which the page slept. */
const longestFrame = 100;

/**
 * Puts a live view on a canvas: it is as large as the canvas in device px, keeps off notches (`env(safe-area-inset-*)`) and the
 * keyboard of a phone, answers
 * pointers, wheels, keys, pads, input methods and the clipboard, and is drawn where it has changed. Motion is reduced for players
 * who asked their system for it. A canvas without `tabindex` gets 0, so that it can have the keyboard.
 * @throws Error for a canvas that gives no 2d context.
 */
export function mount(canvas: HTMLCanvasElement, live: LiveView, options: MountOptions = {}): Mounted {
  const context = canvas.getContext('2d');
  if (!context) throw new Error('the canvas gives no 2d context: it has another one already');
  const page = canvas.ownerDocument;
  const window = page.defaultView!;
  const listeners = new Listeners();
  const input = new ViewInput(live, options);
  const drawing = new LiveDrawing(live, options.backdrop ? {} : { backdrop: null });
  const cache = new CanvasCache(
    (width, height) => new OffscreenCanvas(width, height),
    () => new Path2D(),
  );
  const pads = new Pads();
  const safe = new SafeArea(page);
  listeners.add(() => safe.remove());

  const hear = (event: InputEvent): readonly InputEffect[] => {
    const effects = input.hear(event);
    for (const effect of effects)
      if (effect.type === 'copy') void window.navigator.clipboard?.writeText(effect.text).catch(() => {});
    return effects;
  };

  /** A canvas of another size has forgotten what was on it. */
  let isBlank = true;
  const fit = () => {
    const screen = screenOf(canvas, safe, ratioOf(canvas));
    if (canvas.width !== screen.width || canvas.height !== screen.height) {
      canvas.width = screen.width;
      canvas.height = screen.height;
      isBlank = true;
    }
    live.resize(screen);
  };
  const sizes = new ResizeObserver(fit);
  sizes.observe(canvas);
  listeners.add(() => sizes.disconnect());
  listeners.on(window, 'resize', fit);

  // The keyboard of a phone, a display turned round, another monitor: the canvas may stay as large as it was.
  const viewport = window.visualViewport;
  if (viewport) for (const name of ['resize', 'scroll']) listeners.on(viewport, name, fit);
  listeners.on(page, 'fullscreenchange', fit);
  if (window.screen.orientation) listeners.on(window.screen.orientation, 'change', fit);

  let isPreferring = true;
  const preferences = new PreferenceReader(window, listeners, () => {
    live.motion = preferences.read().motion;
    isPreferring = true;
  });
  live.motion = preferences.read().motion;

  const before = { tabIndex: canvas.getAttribute('tabindex'), touchAction: canvas.style.touchAction };
  if (before.tabIndex === null) canvas.tabIndex = 0;
  canvas.style.touchAction = 'none';
  listeners.add(() => {
    if (before.tabIndex === null) canvas.removeAttribute('tabindex');
    canvas.style.touchAction = before.touchAction;
  });

  const isTyping = () => input.focused !== undefined && live.nodeOf(input.focused)?.widget.kind === 'textbox';
  const typing = new TypingElement(canvas, listeners, hear, isTyping, (way) => input.isAtEnd(way));

  // Ids of a page are unique, however many canvases there are, or were.
  let nth = 1;
  while (page.getElementById(`view-${nth}`)) nth++;
  const prefix = `view-${nth}`;
  const mirror = new Mirror(canvas, live, input, prefix, (control) => {
    input.focus(control);
    // What cannot take the focus is not pressed; a textbox is pressed by having it.
    if (input.focused !== control || isTyping()) return;
    for (const type of ['key-down', 'key-up'] as const) hear({ type, key: 'Enter' });
  });
  const role = canvas.getAttribute('role');
  if (role === null) canvas.setAttribute('role', 'application');
  listeners.add(() => {
    mirror.remove();
    if (role === null) canvas.removeAttribute('role');
  });

  listenToPointers(canvas, listeners, { hear, at: (x, y) => input.at(x, y), pressed: () => typing.take() });

  const step = (ms: number) => {
    const passed = Math.min(longestFrame, Math.max(0, ms));
    for (const event of pads.events([...(window.navigator.getGamepads?.() ?? [])])) hear(event);
    hear({ type: 'time', ms: passed });
    if (isPreferring) {
      isPreferring = false;
      options.preferences?.(preferences.read());
    }
    options.frame?.(passed);
    live.advance(passed);
    typing.follow();
    const now = drawing.update();
    const whole = { x: 0, y: 0, width: now.width, height: now.height };
    repaintOnCanvas(
      isBlank ? { ...now, changed: [whole] } : now,
      context,
      cache,
      options.game as PaintGame | undefined,
    );
    isBlank = false;
    mirror.follow(passed);
  };
  // Nothing of the game is called before it has what this gives back.
  fit();
  let loop = 0;
  let last: number | undefined;
  const next = (time: number) => {
    loop = window.requestAnimationFrame(next);
    step(time - (last ?? time));
    last = time;
  };
  if (options.loop !== false) loop = window.requestAnimationFrame(next);
  listeners.add(() => window.cancelAnimationFrame(loop));
  return { input, frame: step, unmount: () => listeners.end() };
}
