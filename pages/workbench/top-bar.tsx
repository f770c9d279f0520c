import type { State } from 'pimbot';
import { Difference } from './difference.tsx';
import type { Bench } from './bench.ts';
import { ViewChoice } from './view-choice.tsx';
import { layerNames, modes, type Mode } from './names.ts';

const modeNames: { readonly [Name in Mode]: string } = {
  stage: 'Lay out',
  wall: 'All screens',
  sizes: 'All sizes',
  play: 'Play',
};

/** What is shown, in what, and the acts that concern the whole document. */
export function TopBar({ bench }: { readonly bench: Bench }) {
  const summary = bench.summary.value;
  const place = bench.place.value;
  const { occasion } = place;
  const vary = (change: object) => bench.go({ occasion: { ...occasion, ...change } });
  const { done, undone } = bench.history.value;
  return (
    <header class="top">
      <h1>
        <span class="sr">Workbench: </span>
        {bench.files.value.length > 1 ? (
          <select
            aria-label="Document"
            value={place.file}
            onChange={({ currentTarget: choice }) => {
              bench.go({ file: choice.value, view: undefined, selected: [] });
              // Until it is read, the one before is shown.
              choice.value = place.file;
            }}
          >
            {bench.files.value.map((file) => (
              <option key={file} value={file}>
                {bench.drafts.left.value.includes(file) ? `${file} ●` : file}
              </option>
            ))}
          </select>
        ) : (
          place.file.split('/').at(-1)
        )}
        {bench.drafts.unsaved.value && (
          <span class="dot" title="Not saved">
            {' '}
            ●
          </span>
        )}
      </h1>
      {summary && <ViewChoice bench={bench} />}
      <Choice
        id="case"
        label="Values"
        value={occasion.case ?? summary?.cases[0]}
        all={summary?.cases ?? []}
        pick={(value) => vary({ case: value })}
      />
      <Choice
        id="locale"
        label="Language"
        value={occasion.locale ?? summary?.locales[0]}
        all={summary ? [...summary.locales, 'en-XA', 'ar-XB'] : []}
        pick={(locale) => vary({ locale })}
      />
      <Choice
        id="theme"
        label="Theme"
        value={occasion.theme ?? summary?.themes[0]}
        all={summary?.themes ?? []}
        pick={(theme) => vary({ theme })}
      />
      <Size id="hud" label="HUD" value={occasion.hudSize ?? 1} pick={(hudSize) => vary({ hudSize })} />
      <Size
        id="text-size"
        label="Text"
        value={occasion.textSize ?? 1}
        pick={(textSize) => vary({ textSize })}
      />
      <span class="spring" />
      <div class="modes" role="group" aria-label="What the middle shows">
        {modes.map((mode) => (
          <button
            key={mode}
            type="button"
            aria-pressed={bench.mode.value === mode}
            onClick={() => (bench.mode.value = mode)}
          >
            {modeNames[mode]}
          </button>
        ))}
      </div>
      <details class="menu">
        <summary>Show</summary>
        <div>
          <Choice
            id="state"
            label="All controls"
            value={occasion.state ?? ''}
            all={['', 'hover', 'focused', 'pressed', 'disabled']}
            pick={(state) => vary({ state: state === '' ? undefined : (state as State) })}
          />
          {layerNames.map((layer) => (
            <label key={layer}>
              <input
                type="checkbox"
                checked={place.layers.includes(layer)}
                onChange={(event) =>
                  bench.go({
                    layers: event.currentTarget.checked
                      ? [...place.layers, layer]
                      : place.layers.filter((one) => one !== layer),
                  })
                }
              />
              {layer}
            </label>
          ))}
        </div>
      </details>
      <button
        type="button"
        onClick={() => bench.step('undo')}
        disabled={!done.some(({ own }) => own)}
        title="Undo (Ctrl+Z)"
        aria-label="Undo"
      >
        ↶
      </button>
      <button
        type="button"
        onClick={() => bench.step('redo')}
        disabled={!undone.some(({ own }) => own)}
        title="Redo (Ctrl+Shift+Z)"
        aria-label="Redo"
      >
        ↷
      </button>
      {bench.drafts.unsaved.value && (
        <details class="menu changes">
          <summary>Changes</summary>
          <div>
            <Difference before={bench.drafts.saved.value.text} after={bench.history.value.text} />
          </div>
        </details>
      )}
      <button
        type="button"
        class="main"
        onClick={() => bench.save()}
        disabled={!bench.drafts.unsaved.value}
        title="Save (Ctrl+S)"
      >
        Save
      </button>
    </header>
  );
}

function Choice({
  id,
  label,
  value,
  all,
  pick,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: string | undefined;
  readonly all: readonly string[];
  readonly pick: (value: string) => void;
}) {
  if (all.length < 2) return null;
  return (
    <label class="choice">
      <span>{label}</span>
      <select id={id} value={value} onChange={(event) => pick(event.currentTarget.value)}>
        {all.map((one) => (
          <option key={one} value={one}>
            {one === '' ? 'none' : one}
          </option>
        ))}
      </select>
    </label>
  );
}

function Size({
  id,
  label,
  value,
  pick,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly pick: (value: number) => void;
}) {
  return (
    <label class="choice">
      <span>{label}</span>
      <input
        id={id}
        type="number"
        min={0.5}
        max={3}
        step={0.05}
        value={value}
        onChange={(event) => {
          const size = Math.min(10, Math.max(0.1, Number(event.currentTarget.value) || 1));
          // What is there counts, also where it was before.
          event.currentTarget.value = String(size);
          pick(size);
        }}
      />
    </label>
  );
}
