import { useSignal } from '@preact/signals';
import type { Bench } from './bench.ts';

/** Stands for a view that is not there yet; no view has such a name. */
const newView = '+';

/** Which view is shown; a new one is given a name in the same place. */
export function ViewChoice({ bench }: { readonly bench: Bench }) {
  const isNaming = useSignal(false);
  const views = bench.summary.value?.views ?? [];
  const { view } = bench.place.value;
  const end = (name: string) => {
    isNaming.value = false;
    if (name !== '') bench.addView(name);
  };
  return (
    <label class="choice">
      <span>View</span>
      {isNaming.value ? (
        <input
          class="name"
          aria-label="Name of the new view"
          placeholder="its name"
          spellcheck={false}
          ref={(input) => input?.focus()}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'Enter') end(event.currentTarget.value.trim());
            else if (event.key === 'Escape') end('');
          }}
          onBlur={() => end('')}
        />
      ) : (
        <select
          id="view"
          value={view}
          onChange={(event) => {
            const { value } = event.currentTarget;
            if (value !== newView) return bench.go({ view: value, selected: [] });
            event.currentTarget.value = view ?? '';
            isNaming.value = true;
          }}
        >
          {views.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
          <option value={newView}>New view …</option>
        </select>
      )}
    </label>
  );
}
