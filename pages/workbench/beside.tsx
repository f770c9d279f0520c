import { besideText, type Beside } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { freeName } from './names.ts';

/** What a sheet beside shows, in words. */
export function besideTitle({ screen, locale, theme, isSaved }: Beside): string {
  return [screen, locale, theme, isSaved ? 'as saved' : undefined].filter(Boolean).join(', ');
}

/** The names of all screens, those that are laid out alike after the one that stands for them. */
export function screenNames(bench: Bench): string[] {
  return [
    ...bench.wallScreens.value.map(({ name }) => name),
    ...bench.folds.value.flatMap(({ others }) => others),
  ];
}

/** Puts the view beside itself: on another screen, in another language or theme, as it was. */
export function BesideMenu({ bench }: { readonly bench: Bench }) {
  const { beside, screen, occasion } = bench.place.value;
  const summary = bench.summary.value;
  const locales = summary?.locales ?? [];
  const themes = summary?.themes ?? [];
  const now = { locale: occasion.locale ?? locales[0], theme: occasion.theme ?? themes[0] };
  const variants: { readonly one: Beside; readonly name: string }[] = [
    { one: { screen, isSaved: true }, name: 'as it is saved' },
    ...locales
      .filter((locale) => locale !== now.locale)
      .map((locale) => ({ one: { screen, locale }, name: `in ${locale}` })),
    ...themes
      .filter((theme) => theme !== now.theme)
      .map((theme) => ({ one: { screen, theme }, name: `with ${theme}` })),
  ];
  const has = (one: Beside) => beside.some((other) => besideText(other) === besideText(one));
  return (
    <details class="menu">
      <summary id="beside">Beside{beside.length > 0 && ` (${beside.length})`}</summary>
      <div class="start">
        <label>
          <span>a screen</span>
          <select
            aria-label="A screen beside it"
            value=""
            onChange={(event) => {
              const { value } = event.currentTarget;
              event.currentTarget.value = '';
              if (value !== '') bench.turnBeside({ screen: value });
            }}
          >
            <option value="">…</option>
            <option value={freeName}>{freeName}</option>
            {screenNames(bench).map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
        {variants.map(({ one, name }) => (
          <label key={name}>
            <input type="checkbox" checked={has(one)} onChange={() => bench.turnBeside(one)} />
            {name}
          </label>
        ))}
        {beside.length > 0 && (
          <button type="button" onClick={() => bench.go({ beside: [] })}>
            Nothing beside
          </button>
        )}
      </div>
    </details>
  );
}
