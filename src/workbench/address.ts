import type { State } from '../document/index.ts';
import type { Occasion } from '../view/index.ts';

/** Everything a page shows: what stands in its address, so that somebody else sees the same. */
export interface Place {
  /** The document, by its path in the project. */
  readonly file: string;
  readonly view: string | undefined;
  /** The screen that is looked at closely. */
  readonly screen: string;
  /** What is looked at beside it, in order. */
  readonly beside: readonly Beside[];
  readonly occasion: Partial<Occasion>;
  readonly selected: readonly string[];
  /** The panel at the side that is open. */
  readonly panel: string | undefined;
  /** What is drawn over the view. */
  readonly layers: readonly string[];
}

/** The view once more, on another screen, in another language or theme, or as it was last saved. */
export interface Beside {
  readonly screen: string;
  readonly locale?: string;
  readonly theme?: string;
  /** Whether it is the version on disk. */
  readonly isSaved?: boolean;
}

/** What is beside, as one word of an address: `phone-portrait|locale=de`. */
export function besideText({ screen, locale, theme, isSaved }: Beside): string {
  return [
    screen,
    ...(locale === undefined ? [] : [`locale=${locale}`]),
    ...(theme === undefined ? [] : [`theme=${theme}`]),
    ...(isSaved === true ? ['saved'] : []),
  ].join('|');
}

function besideOf(text: string): Beside {
  const [screen = '', ...rest] = text.split('|');
  const said = (key: string) => rest.find((one) => one.startsWith(`${key}=`))?.slice(key.length + 1);
  const [locale, theme] = [said('locale'), said('theme')];
  return {
    screen,
    ...(locale !== undefined && { locale }),
    ...(theme !== undefined && { theme }),
    ...(rest.includes('saved') && { isSaved: true }),
  };
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
  for (const one of beside) add('beside', besideText(one));
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
    beside: parts.getAll('beside').map(besideOf),
    occasion,
    selected: parts.getAll('selected'),
    panel: text('panel') ?? usual.panel,
    layers: parts.has('layer') ? parts.getAll('layer') : usual.layers,
  };
}
