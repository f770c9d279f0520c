import type { State } from '../document/index.ts';
import type { Occasion } from '../view/index.ts';

/** Everything a page shows: what stands in its address, so that somebody else sees the same. */
export interface Place {
  /** The document, by its path in the project. */
  readonly file: string;
  readonly view: string | undefined;
  /** The screen that is looked at closely. */
  readonly screen: string;
  /** The one beside it. */
  readonly beside: string | undefined;
  readonly occasion: Partial<Occasion>;
  readonly selected: readonly string[];
  /** The panel at the side that is open. */
  readonly panel: string | undefined;
  /** What is drawn over the view. */
  readonly layers: readonly string[];
}

/** A place as the part of an address after `#`. What is as usual is left out. */
export function addressOf({ file, view, screen, beside, occasion, selected, panel, layers }: Place): string {
  const parts = new URLSearchParams();
  const add = (key: string, value: string | number | undefined) => {
    if (value !== undefined && value !== '') parts.append(key, String(value));
  };
  add('file', file);
  add('view', view);
  add('screen', screen);
  add('beside', beside);
  add('case', occasion.case);
  add('locale', occasion.locale);
  add('theme', occasion.theme);
  add('hud-size', occasion.hudSize === 1 ? undefined : occasion.hudSize);
  add('text-size', occasion.textSize === 1 ? undefined : occasion.textSize);
  add('state', occasion.state);
  for (const id of selected) add('selected', id);
  add('panel', panel);
  for (const layer of layers) add('layer', layer);
  return parts.toString();
}

/** The same read back; what an address does not say is as in `usual`. */
export function placeOf(address: string, usual: Place): Place {
  const parts = new URLSearchParams(address.replace(/^#/, ''));
  const text = (key: string) => parts.get(key) ?? undefined;
  const size = (key: string) => {
    const value = Number(parts.get(key) ?? 'none');
    return value >= 0.1 && value <= 10 ? value : undefined;
  };
  const occasion: { -readonly [Key in keyof Occasion]?: Occasion[Key] } = {
    case: text('case'),
    locale: text('locale'),
    theme: text('theme'),
    hudSize: size('hud-size'),
    textSize: size('text-size'),
    state: text('state') as State | undefined,
  };
  for (const key of Object.keys(occasion) as (keyof Occasion)[])
    if (occasion[key] === undefined) delete occasion[key];
  return {
    file: text('file') ?? usual.file,
    view: text('view') ?? usual.view,
    screen: text('screen') ?? usual.screen,
    beside: text('beside'),
    occasion,
    selected: parts.getAll('selected'),
    panel: text('panel') ?? usual.panel,
    layers: parts.has('layer') ? parts.getAll('layer') : usual.layers,
  };
}
