import { expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import {
  makeScreen,
  paintOnCanvas,
  readDocument,
  repaintOnCanvas,
  type CheckedDocument,
  type Resources,
} from 'pimbot';
import { Desk, EditError, LayoutDrawing, type Act } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { makeCase } from '../conformance/generator.ts';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

const anchors = ['left top', 'center', 'right bottom', '25% 80%', 'left..right top', '10%..90% 20%..100%'];
const screens = [
  { width: 1920, height: 1080 },
  { width: 1080, height: 2400 },
  { width: 3440, height: 1440 },
].map(makeScreen);

/** Tries so many changes by chance, and makes each; gives how many were no refusals. */
function triedLikeMade(
  document: CheckedDocument,
  resources: Resources,
  next: () => number,
  times: number,
): number {
  const below = (count: number) => Math.floor(next() * count);
  let made = 0;
  for (let time = 0; time < times; time++) {
    const views = Object.keys(document.source.views);
    const shown = { view: views[below(views.length)]!, occasion: {} };
    const [tried, done] = [new Desk(document, resources, shown), new Desk(document, resources, shown)];
    const screen = screens[below(screens.length)]!;
    const widgets = tried.layoutOn(screen).widgets.slice(1);
    if (widgets.length === 0) continue;
    const widget = widgets[below(widgets.length)]!.id;
    const acts: Act[] = [
      { do: 'move', widgets: [widget], x: below(80) - 40, y: below(80) - 40 },
      { do: 'move', widgets: [widget, widgets[below(widgets.length)]!.id], x: below(80) - 40, y: 3 },
      { do: 'resize', widget, edges: { right: below(60), bottom: below(60) } },
      { do: 'rotate', widget, degrees: below(90) },
      { do: 'anchor', widget, to: anchors[below(anchors.length)]! },
      { do: 'set', widget, key: 'z', value: below(5) },
      { do: 'set', widget, key: 'visible', value: false },
      { do: 'set', widget, key: 'width', value: '{w}' },
      { do: 'set', widget, key: 'gap', value: below(30) },
      { do: 'set', widget, key: 'padding', value: below(30) },
    ];
    const act = acts[below(acts.length)]!;
    const outcome = (change: () => void) => {
      try {
        change();
        return 'made';
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
        return error.message;
      }
    };
    const told = outcome(() => done.perform(act, screen));
    // What is refused for what it would come to is only tried when it is drawn.
    const says = outcome(() => tried.try(act, screen));
    if (told !== 'made') continue;
    expect([act, says]).toEqual([act, 'made']);
    made++;
    for (const on of screens) expect([act, tried.drawing(on)]).toEqual([act, done.drawing(on)]);
  }
  return made;
}

test('what is tried is drawn as what it comes to when it is made', async () => {
  const next = random(seedOf(41));
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  const times = rounds(30, 1500);
  expect(triedLikeMade(document!, resources, next, times)).toBeGreaterThan(times / 3);
  let made = 0;
  for (let seed = seedOf(41); seed < seedOf(41) + rounds(10, 400); seed++) {
    const one = readDocument(
      JSON.stringify({ pimbot: 1, views: { test: { children: makeCase(seed).children } } }, null, 1),
      { name: 'hud.json' },
    );
    made += triedLikeMade(one.document!, { fonts }, next, 6);
  }
  expect(made).toBeGreaterThan(rounds(10, 400));
});

test('what is tried one after the other is painted where it differs, to the pixel', async () => {
  const next = random(seedOf(43));
  const below = (count: number) => Math.floor(next() * count);
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  const screen = makeScreen({ width: 960, height: 540 });
  let [spared, tries] = [0, 0];
  for (const view of Object.keys(document!.source.views)) {
    const desk = new Desk(document!, resources, { view, occasion: {} });
    const drawing = new LayoutDrawing();
    const canvas = createCanvas(screen.width, screen.height);
    const ids = desk.layoutOn(screen).widgets.slice(1);
    let id = '';
    for (let time = 0; time < rounds(8, 200); time++) {
      if (time % 5 === 0) id = ids[below(ids.length)]!.id;
      const acts: (Act | undefined)[] = [
        { do: 'move', widgets: [id], x: below(200) - 100, y: below(200) - 100 },
        { do: 'move', widgets: [id], x: below(200) - 100, y: below(200) - 100 },
        { do: 'resize', widget: id, edges: { right: below(90), bottom: below(60) - 20 } },
        { do: 'rotate', widget: id, degrees: below(360) },
        { do: 'set', widget: id, key: 'look/opacity', value: below(3) / 2 },
        { do: 'set', widget: id, key: 'z', value: below(3) },
        undefined,
      ];
      const act = acts[below(acts.length)];
      try {
        desk.try(act, screen);
      } catch (error) {
        if (!(error instanceof EditError)) throw error;
      }
      // A page sends its screens, and what is sent is another object each time.
      const kept = drawing.update(desk.layoutOn(structuredClone(screen)));
      repaintOnCanvas(kept, canvas.getContext('2d'));
      const whole = createCanvas(screen.width, screen.height);
      paintOnCanvas(desk.drawing(screen), whole.getContext('2d'));
      const [one, other] = [canvas, whole].map((each) => each.data());
      expect([view, time, act, Buffer.compare(one!, other!)]).toEqual([view, time, act, 0]);
      tries++;
      const area = kept.changed.reduce((sum, { width, height }) => sum + width * height, 0);
      if (area < (screen.width * screen.height) / 4) spared++;
    }
  }
  expect(spared).toBeGreaterThan(tries / 10);
});
