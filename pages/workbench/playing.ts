import {
  LiveDrawing,
  LiveView,
  ViewInput,
  repaintOnCanvas,
  type CanvasCache,
  type InputEffect,
  type InputEvent,
  type Screen,
} from 'pimbot';
import type { Desk } from 'pimbot/tools';
import type { Asks } from './messages.ts';
import { rangesOf, type ValueRange } from './ranges.ts';

/** A view that is played with: events in, drawings and a log out. */
export class Playing {
  readonly #live: LiveView;
  readonly #input: ViewInput;
  readonly #drawing: LiveDrawing;
  readonly #canvas: OffscreenCanvas;
  readonly #cache: CanvasCache;
  readonly #shown: (bitmap: ImageBitmap) => void;
  readonly #elsewhere: readonly string[];
  readonly #ranges: { readonly [name: string]: ValueRange };
  /** The values the page knows of. */
  readonly #told = new Map<string, unknown>();

  constructor(desk: Desk, screen: Screen, cache: CanvasCache, shown: (bitmap: ImageBitmap) => void) {
    this.#cache = cache;
    this.#ranges = rangesOf(desk.view.document.source.cases);
    this.#elsewhere = desk.valuesElsewhere;
    this.#shown = shown;
    this.#live = new LiveView(desk.view, screen);
    this.#input = new ViewInput(this.#live);
    this.#drawing = new LiveDrawing(this.#live);
    this.#canvas = new OffscreenCanvas(screen.width, screen.height);
  }

  start(): Asks['play']['answer'] {
    this.#show();
    return {
      ids: this.#live.snapshot().widgets.map(({ id }) => id),
      values: this.#changed(),
      elsewhere: this.#elsewhere.filter((name) => this.#live.values.has(name)),
      ranges: this.#ranges,
    };
  }

  hear(
    events: readonly InputEvent[],
    ms: number,
    values?: { [name: string]: unknown },
  ): Asks['hear']['answer'] {
    const log: string[] = [];
    if (values)
      try {
        // The page shows what was set; where that is refused or made another value, it is told.
        for (const [name, value] of Object.entries(values)) this.#told.set(name, value);
        this.#live.set(values as never);
      } catch (error) {
        log.push((error as Error).message);
      }
    for (const event of [...events, { type: 'time', ms } as InputEvent])
      for (const effect of this.#input.hear(event)) log.push(lineOfEffect(effect));
    this.#live.advance(ms);
    this.#show();
    return { log, values: this.#changed() };
  }

  /** Values that are others than the page was told of. */
  #changed(): { readonly [name: string]: unknown } {
    const changed = [...this.#live.values].filter(([name, value]) => this.#told.get(name) !== value);
    for (const [name, value] of changed) this.#told.set(name, value);
    return Object.fromEntries(changed);
  }

  #show(): void {
    const context = this.#canvas.getContext('2d')!;
    repaintOnCanvas(this.#drawing.update(), context, this.#cache);
    void createImageBitmap(this.#canvas).then(this.#shown);
  }
}

/** What an effect of input comes to, on one line. */
function lineOfEffect(effect: InputEffect): string {
  const { type, ...rest } = effect;
  const parts = Object.entries(rest).flatMap(([key, value]) =>
    value === undefined || typeof value === 'object'
      ? []
      : [key === type ? String(value) : `${key} ${String(value)}`],
  );
  return [type, ...parts].join('  ');
}
