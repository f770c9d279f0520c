import { Game } from './game.ts';
import { instruments } from './hud.ts';

const sea = document.querySelector<HTMLCanvasElement>('#sea')!;
const game = new Game();
const held = new Set<string>();
let drag: { readonly x: number; readonly y: number } | undefined;
let stick = { x: 0, y: 0 };
let seconds = 0;

const ways: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  a: [-1, 0],
  d: [1, 0],
  w: [0, -1],
  s: [0, 1],
};

/** Keys, the stick of a pad, and a pointer that is held down: towards where it is. */
function steering() {
  let [x, y] = drag ? [drag.x, drag.y] : [stick.x, stick.y];
  for (const key of held) {
    x += ways[key]?.[0] ?? 0;
    y += ways[key]?.[1] ?? 0;
  }
  const far = Math.max(1, Math.hypot(x, y));
  return { x: x / far, y: y / far };
}

const { hud, input, step, dock, isOpen, unmount } = await instruments(
  document.querySelector<HTMLCanvasElement>('#hud')!,
  game,
  (ms) => {
    seconds += ms / 1000;
    game.step(ms / 1000, steering());
    const ratio = devicePixelRatio;
    const [width, height] = [Math.round(sea.clientWidth * ratio), Math.round(sea.clientHeight * ratio)];
    if (sea.width !== width || sea.height !== height) [sea.width, sea.height] = [width, height];
    game.draw(sea.getContext('2d')!, width, height, Math.max(0.6, Math.min(width, height) / 720), seconds);
  },
);

// While a menu is open, keys and stick are its own.
const follow = input.hear.bind(input);
input.hear = (event) => {
  if (event.type === 'key-down' && !isOpen() && event.key in ways) {
    held.add(event.key);
    // The view has no use for it, and hears that there are keys.
    return follow({ type: 'key-down', key: 'Shift' });
  }
  if (event.type === 'key-down' && event.key === 'e') dock();
  if (event.type === 'key-up') held.delete(event.key);
  if (event.type === 'stick' && event.stick === 'left') {
    stick = isOpen() ? { x: 0, y: 0 } : { x: event.x, y: event.y };
    // The view hears that there is a pad, and moves no focus.
    if (!isOpen()) return follow({ type: 'pad-down', button: 16 });
  }
  if (event.type === 'pad-down' && !isOpen()) {
    if (event.button === 0) dock();
    if (event.button === 9) hud.set({ paused: true });
    return follow({ type: 'time', ms: 0 });
  }
  if ((event.type === 'down' || event.type === 'move') && !isOpen()) {
    const { width, height } = hud.frame.screen;
    const isOnSea = input.at(event.x, event.y) === undefined;
    const way = { x: (3 * (event.x - width / 2)) / height, y: (3 * (event.y - height / 2)) / height };
    if ((event.type === 'down' && isOnSea) || drag) drag = way;
  }
  if (event.type === 'up' || event.type === 'cancel' || isOpen()) drag = undefined;
  if (isOpen()) held.clear();
  return follow(event);
};
document.querySelector<HTMLCanvasElement>('#hud')!.focus();
Object.assign(window, { played: { game, hud, input, step, unmount } });
document.body.dataset['ready'] = 'yes';
