import { alignWords, type AlignTo } from 'pimbot/tools';
import type { Bench } from './bench.ts';

const alignMarks: { readonly [Name in AlignTo]: string } = {
  left: '⇤',
  center: '⇹',
  right: '⇥',
  top: '⤒',
  middle: '↨',
  bottom: '⤓',
};

/** What can be done with what is selected, beside taking hold of it. */
export function Actions({ bench }: { readonly bench: Bench }) {
  const ids = bench.place.value.selected;
  const selected = bench.selected.value;
  const [first] = selected;
  const none = ids.length === 0 || !first || first.index === 0;
  const rows = bench.outline.value?.rows ?? [];
  const inRow = first?.isPlaced === true;
  const wrap = (arrange: 'free' | 'row' | 'column') => {
    const taken = new Set(rows.map(({ id }) => id));
    let id: string = arrange === 'free' ? 'group' : arrange;
    for (let nth = 2; taken.has(id); nth++) id = `${arrange === 'free' ? 'group' : arrange}-${nth}`;
    void bench.act({ do: 'wrap', widgets: ids, id, arrange });
  };
  const containers = rows.filter((row) => row.holds && !ids.includes(row.id));
  return (
    <div class="actions" role="toolbar" aria-label="Change what is selected">
      {alignWords.map((to) => (
        <button
          key={to}
          type="button"
          disabled={none || inRow}
          title={`Align ${to}`}
          aria-label={`Align ${to}`}
          onClick={() => void bench.act({ do: 'align', widgets: ids, to })}
        >
          {alignMarks[to]}
        </button>
      ))}
      <span class="gap" />
      <button
        type="button"
        disabled={ids.length < 3}
        title="Equal gaps from left to right"
        aria-label="Equal gaps from left to right"
        onClick={() => void bench.act({ do: 'space', widgets: ids, along: 'x' })}
      >
        ⇿
      </button>
      <button
        type="button"
        disabled={ids.length < 3}
        title="Equal gaps from top to bottom"
        aria-label="Equal gaps from top to bottom"
        onClick={() => void bench.act({ do: 'space', widgets: ids, along: 'y' })}
      >
        ⇳
      </button>
      <span class="gap" />
      <label>
        <span class="sr">Wrap in</span>
        <select
          disabled={none}
          value=""
          onChange={(event) => {
            const { value } = event.currentTarget;
            event.currentTarget.value = '';
            if (value !== '') wrap(value as 'free');
          }}
        >
          <option value="">Wrap in …</option>
          <option value="free">a panel</option>
          <option value="row">a row</option>
          <option value="column">a column</option>
        </select>
      </label>
      <label>
        <span class="sr">Move into</span>
        <select
          disabled={none || ids.length > 1}
          value=""
          onChange={(event) => {
            const { value } = event.currentTarget;
            event.currentTarget.value = '';
            if (value !== '') void bench.act({ do: 'into', widget: ids[0]!, parent: value });
          }}
        >
          <option value="">Move into …</option>
          {containers.map(({ id, depth }) => (
            <option key={id} value={id}>
              {'\u00a0'.repeat(depth * 2) + id}
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        disabled={none || ids.length > 1}
        onClick={() => void bench.act({ do: 'dissolve', widget: ids[0]! })}
        title="Take the container out and leave what is in it where it is"
      >
        Dissolve
      </button>
      <span class="gap" />
      <button
        type="button"
        disabled={none}
        onClick={() =>
          void bench.act({ do: 'order', widget: ids[0]!, to: Math.max(0, (first?.place ?? 0) - 1) })
        }
        title="Earlier among its siblings: further back"
      >
        Back
      </button>
      <button
        type="button"
        disabled={none}
        onClick={() => void bench.act({ do: 'order', widget: ids[0]!, to: (first?.place ?? 0) + 1 })}
        title="Later among its siblings: further in front"
      >
        Front
      </button>
      <button type="button" disabled={none} onClick={() => void bench.act({ do: 'duplicate', widgets: ids })}>
        Duplicate
      </button>
      <button type="button" disabled={none} onClick={() => void bench.act({ do: 'remove', widgets: ids })}>
        Delete
      </button>
    </div>
  );
}
