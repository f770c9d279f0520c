import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import type { OutlineRow } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { KindMark } from './kind-mark.tsx';
import { actOfDrop, actOfStep, dropAt, leastPull, type TreeDrop } from './tree-drag.ts';

/** The widgets of the view, one in the other. */
export function Tree({ bench }: { readonly bench: Bench }) {
  const rows = bench.outline.value?.rows ?? [];
  const closed = useSignal<ReadonlySet<string>>(new Set());
  const filter = useSignal('');
  const list = useRef<HTMLUListElement>(null);
  const held = useRef<{ row: OutlineRow; x: number; y: number } | undefined>(undefined);
  const drop = useSignal<TreeDrop | undefined>(undefined);
  const { selected } = bench.place.value;
  const findings = new Map<string, number>();
  for (const { widget } of bench.judged.findings.value) findings.set(widget, (findings.get(widget) ?? 0) + 1);
  const wanted = filter.value.trim().toLowerCase();
  const isShown = (row: OutlineRow) => {
    if (wanted !== '')
      return (
        row.id.toLowerCase().includes(wanted) ||
        row.kind.includes(wanted) ||
        row.text?.toLowerCase().includes(wanted) === true
      );
    for (let up = row.parent; up >= 0; up = rows[up]!.parent)
      if (closed.value.has(rows[up]!.id)) return false;
    return true;
  };
  const shown = rows.filter(isShown);
  const hasChildren = new Set(rows.map(({ parent }) => parent));
  const [first] = selected;
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [first]);

  const fold = (id: string, open: boolean) => {
    const next = new Set(closed.value);
    if (open) next.delete(id);
    else next.add(id);
    closed.value = next;
  };
  const keyDown = (event: KeyboardEvent, row: OutlineRow, at: number) => {
    const go = (to: OutlineRow | undefined) => {
      if (!to) return;
      event.preventDefault();
      bench.select([to.id]);
      list.current?.querySelector<HTMLElement>(`[data-index="${to.index}"]`)?.focus();
    };
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      const act = actOfStep(rows, row, event.key === 'ArrowUp' ? -1 : 1);
      if (act) void bench.act(act);
    } else if (event.key === 'ArrowDown') go(shown[at + 1]);
    else if (event.key === 'ArrowUp') go(shown[at - 1]);
    else if (event.key === 'ArrowRight' && hasChildren.has(row.index)) fold(row.id, true);
    else if (event.key === 'ArrowLeft') {
      if (hasChildren.has(row.index) && !closed.value.has(row.id)) fold(row.id, false);
      else go(rows[row.parent]);
    } else if (event.key === 'Enter' || event.key === ' ') go(row);
    else if (event.key === 'Delete' && selected.length > 0)
      void bench.act({ do: 'remove', widgets: selected });
  };
  const dragTo = (event: PointerEvent) => {
    const from = held.current;
    if (!from || Math.hypot(event.clientX - from.x, event.clientY - from.y) < leastPull) return;
    const item = document
      .elementFromPoint(event.clientX, event.clientY)
      ?.closest<HTMLElement>('[data-index]');
    const over = item && rows[Number(item.dataset.index)];
    if (!item || !over) return void (drop.value = undefined);
    const { top, height } = item.getBoundingClientRect();
    drop.value = dropAt(rows, from.row, over, (event.clientY - top) / height);
  };
  const letGo = () => {
    const from = held.current;
    const to = drop.value;
    held.current = undefined;
    drop.value = undefined;
    const act = from && to && actOfDrop(rows, from.row, to);
    if (act) void bench.act(act);
  };
  return (
    <section class="tree" aria-label="Widgets">
      <input
        type="search"
        placeholder="Find a widget"
        aria-label="Find a widget"
        value={filter.value}
        onInput={(event) => (filter.value = event.currentTarget.value)}
      />
      <ul role="tree" aria-label="Widgets of the view" aria-multiselectable="true" ref={list}>
        {shown.map((row, at) => (
          <li
            key={row.index}
            role="treeitem"
            data-index={row.index}
            data-widget={row.id}
            aria-level={row.depth + 1}
            aria-selected={selected.includes(row.id)}
            aria-expanded={hasChildren.has(row.index) ? !closed.value.has(row.id) : undefined}
            tabIndex={row.id === (first ?? rows[0]?.id) || (first === undefined && at === 0) ? 0 : -1}
            class={[
              row.isHidden ? 'hidden' : '',
              drop.value?.row === row.index ? `drop ${drop.value.where}` : '',
            ].join(' ')}
            style={{ paddingLeft: `${6 + row.depth * 12}px` }}
            onClick={(event) => {
              if (event.shiftKey || event.ctrlKey || event.metaKey)
                bench.select(
                  selected.includes(row.id) ? selected.filter((id) => id !== row.id) : [...selected, row.id],
                );
              else bench.select([row.id]);
            }}
            onKeyDown={(event) => keyDown(event, row, at)}
            onPointerDown={(event) => {
              if (event.button !== 0 || row.index === 0) return;
              held.current = { row, x: event.clientX, y: event.clientY };
              event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={dragTo}
            onPointerUp={letGo}
            onPointerCancel={() => {
              held.current = undefined;
              drop.value = undefined;
            }}
          >
            {hasChildren.has(row.index) ? (
              <span
                class="twist"
                aria-hidden="true"
                onClick={(event) => {
                  event.stopPropagation();
                  fold(row.id, closed.value.has(row.id));
                }}
              >
                {closed.value.has(row.id) ? '▸' : '▾'}
              </span>
            ) : (
              <span class="twist" aria-hidden="true" />
            )}
            <KindMark kind={row.kind} />
            <span class={row.isNamed ? 'id' : 'id made'} title={row.id}>
              {row.id.split('.').at(-1)}
            </span>
            {row.component !== undefined && <span class="use">{row.component}</span>}
            {row.isRepeated && (
              <svg class="mark" viewBox="0 0 16 16" role="img" aria-label="repeated">
                <title>one entry of a repeat</title>
                <path d="M2.5 5.5h8v8h-8zM5.5 5V2.5h8v8H11" fill="none" stroke="currentColor" />
              </svg>
            )}
            {findings.has(row.id) && (
              <span class="count warning" aria-label={`${findings.get(row.id)} found`}>
                {findings.get(row.id)}
              </span>
            )}
          </li>
        ))}
      </ul>
      <Palette bench={bench} />
    </section>
  );
}

/** New widgets: of a kind, or of one of the document's components. */
function Palette({ bench }: { readonly bench: Bench }) {
  const summary = bench.summary.value;
  const chosen = useSignal('panel');
  if (!summary) return null;
  const [row] = bench.selected.value;
  const rows = bench.outline.value?.rows ?? [];
  let into = row;
  while (into && !into.holds) into = rows[into.parent];
  const parent = into ?? rows[0];
  const add = () => {
    if (!parent) return;
    const [type, name] = chosen.value.split(':');
    const isFree = parent.arrange === 'free';
    const place = isFree ? { anchor: 'center' } : {};
    const widget = type === 'use' ? { use: name!, ...place } : { ...startOf(chosen.value), ...place };
    void bench.act({ do: 'add', parent: parent.id, widget });
  };
  return (
    <div class="palette">
      <label>
        <span class="sr">New widget</span>
        <select value={chosen.value} onChange={(event) => (chosen.value = event.currentTarget.value)}>
          <optgroup label="Kinds">
            {summary.kinds.map((kind) => (
              <option key={kind} value={kind}>
                {kind}
              </option>
            ))}
          </optgroup>
          {summary.components.length > 0 && (
            <optgroup label="Components">
              {summary.components.map((name) => (
                <option key={name} value={`use:${name}`}>
                  {name}
                </option>
              ))}
            </optgroup>
          )}
        </select>
      </label>
      <button type="button" onClick={add} title={`Put it into ${parent?.id ?? 'the view'}`}>
        Add to {parent?.id ?? 'the view'}
      </button>
    </div>
  );
}

/** What a new widget of a kind starts with, so that it can be seen. */
function startOf(kind: string): { readonly kind: never } {
  const sizes: { readonly [kind: string]: object } = {
    panel: { size: [240, 160], look: { background: '#8aa4b080' } },
    text: { text: 'Text', look: { 'font-size': 32 } },
    button: { text: 'Button', size: [200, 64], look: { background: '#8aa4b0' } },
    image: { size: [128, 128] },
    meter: { size: [240, 24], value: 0.6 },
    slider: { size: [240, 48], value: 0.6, label: 'Slider' },
    checkbox: { size: [48, 48], label: 'Checkbox' },
    switch: { size: [88, 48], label: 'Switch' },
    textbox: { size: [280, 64], placeholder: 'Text', label: 'Text' },
    separator: { size: [240, 4] },
    dialog: { size: [480, 320], look: { background: '#8aa4b0' } },
  };
  return { kind: kind as never, ...(sizes[kind] ?? { size: [240, 160] }) };
}
