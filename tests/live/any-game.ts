import { LiveView, openView, type CheckedDocument, type State } from 'pimbot';
import { valuesOfAny, type Chance } from '../support/any-document.ts';
import { fonts } from '../support/views.ts';

/* What a game does to a view of a document by chance. */

/** The first one is that on which a game starts. */
export const screens = [
  { width: 800, height: 600 },
  { width: 1920, height: 1080 },
  { width: 400, height: 850, inputs: ['touch'] },
  { width: 2560, height: 1080, safe: [0, 80, 0, 80] },
] as const;

/** What somebody makes; the message of what is refused. */
export function orRefused<Made>(make: () => Made): Made | string {
  try {
    return make();
  } catch (error) {
    if (/BuildError|RangeError/.test((error as Error).name)) return (error as Error).name;
    throw error;
  }
}

/** What is done to a view but for its values. */
export interface Shown {
  screen: (typeof screens)[number];
  occasion: { hudSize?: number; textSize?: number; locale?: string };
  readonly widgetStates: Record<string, readonly State[]>;
  readonly scrolled: Map<string, readonly [x: number, y: number]>;
}

/** Does something by chance that changes no value. Only widgets that are there once keep what is theirs, whatever comes and goes. */
export function doSomething(live: LiveView, by: Chance, shown: Shown): void {
  if (by.is(0.25)) live.resize((shown.screen = by.pick(screens)));
  if (by.is(0.2)) {
    const change = by.pick([{ hudSize: 1.25 }, { hudSize: 0.8 }, { textSize: 1.5 }, { locale: 'ar-XB' }]);
    shown.occasion = { ...shown.occasion, ...change };
    live.show(change);
  }
  const named = live.widgets.filter(({ id, index }) => index === 0 || /^w\d+$/.test(id));
  if (named.length > 0 && by.is(0.4)) {
    const { id } = by.pick(named);
    const states = by.pick<readonly State[]>([['hover'], ['focused', 'hover'], ['selected'], []]);
    shown.widgetStates[id] = states;
    live.setStates(id, states);
  }
  const scrolling = named.filter(({ box }) => box.x.scrolls || box.y.scrolls);
  if (scrolling.length > 0 && by.is(0.4)) {
    const { id } = by.pick(scrolling);
    const place = [by.whole(0, 60), by.whole(0, 60)] as const;
    shown.scrolled.set(id, place);
    live.scroll(id, ...place);
  }
}

export function atFirst(): Shown {
  return { screen: screens[0], occasion: {}, widgetStates: {}, scrolled: new Map() };
}

/** A view that is opened anew as it is shown now; what is refused instead. @param set Values that are set once it is there. */
export function openedAnew(
  document: CheckedDocument,
  { screen, occasion, widgetStates, scrolled }: Shown,
  { values, set = {} }: { readonly values?: object; readonly set?: object },
): LiveView | string {
  return orRefused(() => {
    const options = {
      resources: { fonts },
      ...occasion,
      widgetStates,
      ...(values && { values: values as never }),
    };
    const live = new LiveView(openView(document, 'test', options), screen);
    live.set(set);
    for (const [id, place] of scrolled) if (live.nodeOf(id)) live.scroll(id, ...place);
    live.advance(1000);
    live.advance(1000);
    return live;
  });
}

/** Sets some values by chance, and has all that is on its way arrive, and what follows from that; gives what was set, or that it is refused. */
export function setSomething(
  live: LiveView,
  by: Chance,
  shown: Shown,
): { readonly set: object; readonly refused: boolean } {
  const names = Array.from({ length: by.whole(1, 3) }, () => by.pick(Object.keys(valuesOfAny)));
  const set = Object.fromEntries(names.map((name) => [name, by.pick(valuesOfAny[name]!)]));
  const said = saidScrolled(live);
  const refused = typeof orRefused(() => live.set(set as never)) === 'string';
  live.advance(1000);
  live.advance(1000);
  // As in a page, what is gone for a while has forgotten how far it was scrolled.
  const saidNow = saidScrolled(live);
  for (const id of shown.scrolled.keys()) {
    // Where a value says another place, that is where it goes.
    if (!live.nodeOf(id) || saidNow.get(id) !== said.get(id)) shown.scrolled.delete(id);
  }
  return { set, refused };
}

/** How far the document has each widget scrolled. */
function saidScrolled({ widgets }: LiveView): ReadonlyMap<string, string> {
  return new Map(widgets.map(({ id, box: { x, y } }) => [id, `${x.scrolled} ${y.scrolled}`]));
}
