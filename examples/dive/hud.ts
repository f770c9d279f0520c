import { emptySlot, slotAfter } from 'pimbot';
import { load, mount } from 'pimbot/browser';
import dive from './dive.yaml';
import { stations, type Game } from './game.ts';

/** The instruments over a game. */
export async function instruments(canvas: HTMLCanvasElement, game: Game, frame: (ms: number) => void) {
  const loaded = await load(dive);
  const hud = loaded.view('dive', {
    values: { near: false, calling: false, alarmed: false, docked: false, tuned: false, paused: false },
  });
  const {
    input,
    frame: step,
    unmount,
  } = mount(canvas, hud, {
    deviceValue: 'device',
    // With `still` time goes by only when somebody says so: tests do not depend on how fast a machine is.
    loop: !new URLSearchParams(location.search).has('still'),
    preferences({ contrast }) {
      const theme = contrast === 'more' ? 'lantern' : 'brine';
      hud.set({ theme });
      hud.show({ theme });
    },
    frame(ms) {
      frame(isOpen() ? 0 : ms);
      show(ms);
    },
    game: (_, context, { x, y, width }) => sonar(context, x + width / 2, y + width / 2, width / 2),
  });
  let radio = emptySlot;
  let sweep = 0;
  const isOpen = () => (['docked', 'tuned', 'paused'] as const).some((one) => hud.values.get(one) === true);
  const say = (text: string, key?: string) =>
    (radio = slotAfter(radio, { type: 'say', message: { text, ...(key !== undefined && { key }) } }));

  const show = (ms: number) => {
    const { hull, air, battery, parcels, course, y, sinceStruck, nearest } = game;
    radio = slotAfter(radio, { type: 'time', ms }, { least: 3500, most: 6000 });
    sweep += ms / 900;
    const alarm =
      hull < 0.3 ? 'Hull nearly gone' : air < 0.25 ? 'Air is low' : sinceStruck < 2 ? 'Ground struck' : '';
    const call = radio.shown[0]?.message.text;
    hud.set({
      depth: Math.round(y),
      course,
      hull,
      air,
      battery,
      parcels,
      station: nearest.station.name,
      away: nearest.metres,
      near: nearest.isNear && !isOpen(),
      alarm,
      alarmed: alarm !== '',
      calling: call !== undefined,
      ...(call !== undefined && { call }),
    });
    hud.touch('sonar');
  };

  const sonar = (context: CanvasRenderingContext2D, x: number, y: number, radius: number) => {
    context.strokeStyle = 'rgb(88 191 176 / 60%)';
    context.lineWidth = Math.max(1, radius / 60);
    for (const ring of [0.33, 0.66]) {
      context.beginPath();
      context.arc(x, y, radius * ring, 0, 2 * Math.PI);
      context.stroke();
    }
    context.beginPath();
    context.moveTo(x, y);
    context.lineTo(x + radius * Math.cos(sweep), y + radius * Math.sin(sweep));
    context.stroke();
    for (const station of stations) {
      const [dx, dy] = [(station.x - game.x) / 1000, (station.y - game.y) / 1000];
      // What is out of range is shown at the rim, so that one knows where to go.
      const far = Math.max(1, Math.hypot(dx, dy) / 0.9);
      context.fillStyle = far > 1 ? '#58bfb0' : '#ffc75f';
      context.beginPath();
      context.arc(x + (radius * dx) / far, y + (radius * dy) / far, radius / 18, 0, 2 * Math.PI);
      context.fill();
    }
  };

  const onClick = (id: Parameters<typeof hud.indexOf>[0], does: () => void) =>
    input.listen(id, ({ type }) => {
      if (type === 'click') does();
    });
  const dock = () => {
    if (!game.nearest.isNear || isOpen()) return;
    hud.set({ docked: true });
    say(`Welcome to ${game.nearest.station.name}.`);
  };
  onClick('dock-here', dock);
  onClick('stop', () => hud.set({ paused: true }));
  onClick('resume', () => hud.set({ paused: false }));
  for (const id of ['tune', 'tune-here'] as const) onClick(id, () => hud.set({ tuned: true }));
  onClick('done', () => hud.set({ tuned: false }));
  onClick('cast-off', () => hud.set({ docked: false }));
  onClick('deliver', () => {
    say(game.parcels > 0 ? 'All there. Thank you, Limpet.' : 'Nothing for us today?', 'mail');
    game.parcels = 0;
  });
  onClick('refit', () => {
    game.hull = game.air = game.battery = 1;
  });
  input.listen('', (effect) => {
    if (effect.type === 'back' && effect.scope === undefined) hud.set({ paused: !isOpen() });
    if (effect.type !== 'change') return;
    const to = effect.to?.name;
    if (to === 'hud') hud.show({ hudSize: 0.75 + 0.75 * Number(hud.values.get('hud')) });
    if (to === 'words') hud.show({ textSize: 0.8 + 0.6 * Number(hud.values.get('words')) });
    if (to === 'theme') hud.show({ theme: hud.values.get('theme') === 'brine' ? 'brine' : 'lantern' });
    if (to === 'language') hud.show({ locale: hud.values.get('language') === 'de' ? 'de' : 'en' });
  });
  say('Kelp Nine to Limpet: coffee is on when you dock.');
  say('Mind the current below nine hundred.');
  return { hud, input, step, dock, isOpen, unmount };
}
