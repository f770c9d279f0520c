import {
  LiveView,
  ViewInput,
  type DocumentSource,
  type InputEffect,
  type InputEvent,
  type ScreenSize,
  type ViewInputOptions,
} from 'pimbot';
import { opened } from './views.ts';

/** Somebody who plays: does things to a view, and keeps what came of them. */
export class Player {
  readonly live: LiveView;
  readonly input: ViewInput;
  readonly effects: InputEffect[] = [];

  constructor(
    source: DocumentSource | string,
    screen: ScreenSize = { width: 600, height: 400 },
    options: ViewInputOptions = {},
  ) {
    this.live = new LiveView(opened(source), screen);
    this.input = new ViewInput(this.live, options);
  }

  hear(...events: readonly InputEvent[]): this {
    for (const event of events) this.effects.push(...this.input.hear(event));
    return this;
  }

  /** Keys, each down and up. */
  keys(...keys: readonly string[]): this {
    for (const one of keys) {
      const parts = one.split('+');
      const key = one === '+' ? one : parts.at(-1)!;
      const more = { shift: parts.includes('Shift', 0) && parts.length > 1, ctrl: parts.includes('Control') };
      this.hear({ type: 'key-down', key, ...more }, { type: 'key-up', key });
    }
    return this;
  }

  /** Buttons of a pad, each down and up. */
  pad(...buttons: readonly number[]): this {
    for (const button of buttons) this.hear({ type: 'pad-down', button }, { type: 'pad-up', button });
    return this;
  }

  move(x: number, y: number): this {
    return this.hear({ type: 'move', pointer: 1, device: 'mouse', x, y });
  }

  down(x: number, y: number): this {
    return this.hear({ type: 'down', pointer: 1, device: 'mouse', x, y });
  }

  up(x: number, y: number): this {
    return this.hear({ type: 'up', pointer: 1, device: 'mouse', x, y });
  }

  /** A click in the middle of a widget. */
  click(id: string): this {
    const { x, y } = this.middle(id);
    return this.move(x, y).down(x, y).up(x, y);
  }

  /** A finger that goes over some places, each after 16 ms. */
  swipe(...places: readonly (readonly [x: number, y: number])[]): this {
    places.forEach(([x, y], nth) => {
      if (nth > 0) this.wait(16);
      this.hear({ type: nth === 0 ? 'down' : 'move', pointer: 9, device: 'touch', x, y });
    });
    const [x, y] = places.at(-1)!;
    return this.hear({ type: 'up', pointer: 9, device: 'touch', x, y });
  }

  wait(ms: number): this {
    return this.hear({ type: 'time', ms });
  }

  middle(id: string): { readonly x: number; readonly y: number } {
    const { x, y, width, height } = this.live.read(id, { x: 0, y: 0, width: 0, height: 0 });
    return { x: x + width / 2, y: y + height / 2 };
  }

  states(id: string): readonly string[] {
    return this.live.widgets[this.live.indexOf(id)]!.states;
  }

  /** What came of it since this was last asked, as short texts. */
  told(...types: readonly string[]): string[] {
    const all = this.effects.splice(0).filter(({ type }) => types.length === 0 || types.includes(type));
    return all.map((one) => {
      const rest =
        'control' in one ? one.control : 'widget' in one ? one.widget : 'scope' in one ? one.scope : '';
      const more =
        one.type === 'change'
          ? ` ${one.key} ${JSON.stringify(one.value)}`
          : one.type === 'device'
            ? one.device
            : '';
      return `${one.type} ${rest ?? ''}${more}`.trim();
    });
  }
}
