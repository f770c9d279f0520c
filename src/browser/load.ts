import type { CheckedDocument } from '../document/index.ts';
import { LiveView } from '../live/index.ts';
import type { Pack, PackTypes } from '../pack/index.ts';
import type { ScreenSize } from '../screen/index.ts';
import { openView, type Occasion, type Resources } from '../view/index.ts';
import { jsonAt } from './fetched.ts';
import { loadParts, type LoadOptions } from './loaded-parts.ts';

/** What a view is first shown in; the document's first or plainest where it is left out. */
export interface ShowOptions<Types extends PackTypes = PackTypes> {
  readonly theme?: Types['themes'];
  readonly locale?: Types['locales'];
  readonly case?: Types['cases'];
  readonly hudSize?: number;
  readonly textSize?: number;
  /** Values in place of those of the case. */
  readonly values?: Partial<Types['values']>;
  /** The screen until it is mounted; the document's reference if left out. */
  readonly screen?: ScreenSize;
}

/** A packed document with everything it names, ready to be shown. */
export interface Loaded<Types extends PackTypes = PackTypes> {
  readonly document: CheckedDocument;
  readonly resources: Resources;
  /** A view that lives. @throws NoSuchName */
  view<Name extends keyof Types['views'] & string>(
    name: Name,
    options?: ShowOptions<Types>,
  ): LiveView<Types['views'][Name], Types['values']>;
}

/**
 * Loads a packed document with its fonts and pictures, and what sets texts.
 * @param pack As it is imported, or the address of a `.json` that `pimbot pack` wrote.
 * @throws LoadError for a file that does not come. @throws PackError for another version. @throws DOMException `AbortError` when
 * it is given up.
 */
export async function load<Types extends PackTypes = PackTypes>(
  pack: Pack<Types> | URL | string,
  options: LoadOptions = {},
): Promise<Loaded<Types>> {
  const { signal } = options;
  const isAddress = typeof pack === 'string' || pack instanceof URL;
  const base = new URL(isAddress ? pack : '', document.baseURI);
  const given = isAddress ? await jsonAt(base, signal) : pack;
  let now = await loadParts(given, base, options);
  const open = (name: string, how: Partial<Occasion>) => {
    // What nobody said is the document's to say.
    const said = Object.entries(how).filter(([, value]) => value !== undefined);
    return openView(now.document, name, { ...Object.fromEntries(said), resources: now.resources });
  };
  const views = new Map<WeakRef<LiveView>, { readonly name: string; readonly case: string | undefined }>();
  given.changes?.listeners.add((next) => {
    void loadParts(next, base, { ...options, text: now.text, known: now }).then((parts) => {
      now = parts;
      for (const [held, { name, case: first }] of views) {
        const live = held.deref();
        if (!live) views.delete(held);
        else if (Object.hasOwn(now.document.source.views, name))
          live.replace(open(name, { ...live.occasion, case: first }));
      }
    });
  });
  return {
    get document() {
      return now.document;
    },
    get resources() {
      return now.resources;
    },
    view(name, how = {}) {
      const { screen, values, ...rest } = how as ShowOptions<PackTypes>;
      const first = open(name, rest);
      const { width, height } = first.reference;
      const live = new LiveView(first, screen ?? { width, height });
      if (values) live.set(values);
      if (given.changes) views.set(new WeakRef<LiveView>(live), { name, case: rest.case });
      return live;
    },
  };
}
