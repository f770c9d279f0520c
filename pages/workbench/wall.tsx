import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import type { Screen } from 'pimbot';
import type { Bench } from './bench.ts';
import type { Tally } from './tallies.ts';

const titles: { readonly [group: string]: string } = {
  phone: 'Phones',
  tablet: 'Tablets',
  handheld: 'Handhelds',
  laptop: 'Laptops',
  desktop: 'Desktops',
  wide: 'Wide monitors',
  television: 'Televisions',
  window: 'Windows',
};

/** Every screen at once, by class; those on which the view is laid out alike are one. */
export function Wall({ bench, tall }: { readonly bench: Bench; readonly tall: boolean }) {
  const groups = new Map<string, Screen[]>();
  for (const screen of bench.wallScreens.value)
    groups.set(screen.group, [...(groups.get(screen.group) ?? []), screen]);
  const isTrue = useSignal(false);
  return (
    <section class={tall ? 'wall tall' : 'wall'} aria-label="All screens" tabIndex={0}>
      {tall && (
        <label class="true-scale">
          <input
            type="checkbox"
            checked={isTrue.value}
            onChange={(event) => (isTrue.value = event.currentTarget.checked)}
          />{' '}
          as large as they are beside each other
        </label>
      )}
      {[...groups].map(([group, screens]) => (
        <div key={group} class="group">
          <h2>{titles[group] ?? group}</h2>
          <ul>
            {screens.map((screen) => (
              <Thumb
                key={screen.name}
                bench={bench}
                screen={screen}
                scale={scaleOf(screen, tall ? 150 : 84, isTrue.value && tall)}
              />
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

/** CSS px for a millimetre of glass, where screens are as large as they are beside each other. */
const pxPerMillimetre = 0.45;

/** CSS px for one px of a screen: all as high as each other, or as large as they are on the glass. */
function scaleOf({ width, height, density }: Screen, side: number, isTrue: boolean): number {
  return isTrue ? (pxPerMillimetre * 25.4) / density : Math.min(side / height, (side * 2) / width);
}

const nothing: Tally = { found: 0, errors: 0, isNew: false };

/** How the number of what is found looks: what is not looked at is neither good nor bad. */
function countClass(found: number, errors: number, isOutside: boolean): string {
  if (found === 0) return isOutside ? 'count outside' : 'count none';
  return errors > 0 ? 'count error' : 'count warning';
}

function Thumb({
  bench,
  screen,
  scale,
}: {
  readonly bench: Bench;
  readonly screen: Screen;
  readonly scale: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => bench.attach(screen.name, canvas.current!, scale), [screen.name, scale]);
  const { found, errors, isNew } = bench.judged.tallies.value.get(screen.name) ?? nothing;
  const others = bench.folds.value.find((one) => one.screen === screen.name)?.others ?? [];
  const breaks = [screen.name, ...others].some((name) => bench.breaking.value.has(name));
  const { screen: current } = bench.place.value;
  const isOutside = bench.judged.unsupported.value.has(screen.name);
  const none = isOutside ? 'not supported: not looked at' : 'nothing found';
  const says = found === 0 ? none : `${found} found`;
  return (
    <li class={breaks || isNew ? 'thumb new' : 'thumb'}>
      <button
        type="button"
        data-screen={screen.name}
        aria-pressed={current === screen.name}
        title={`${screen.title}, ${screen.width} × ${screen.height} px${others.length > 0 ? `; laid out alike: ${others.join(', ')}` : ''}. With Shift: beside.`}
        onClick={(event) => {
          if (event.shiftKey) bench.turnBeside({ screen: screen.name });
          else bench.go({ screen: screen.name });
          if (bench.mode.value === 'sizes') bench.mode.value = 'stage';
        }}
        onDblClick={() => (bench.mode.value = 'stage')}
      >
        <canvas
          ref={canvas}
          aria-hidden="true"
          style={{ width: `${screen.width * scale}px`, height: `${screen.height * scale}px` }}
        />
        <span class="name">
          {screen.name}
          {others.length > 0 && <span class="more"> +{others.length}</span>}{' '}
          <span class={countClass(found, errors, isOutside)} title={says} aria-label={says}>
            {found > 0 ? found : isOutside ? '–' : '✓'}
          </span>
        </span>
      </button>
    </li>
  );
}
