import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import type { Bench } from './bench.ts';
import type { ValueRange } from './ranges.ts';

/** Keys that the page keeps for itself while something is played. */
const own: ReadonlySet<string> = new Set(['F5', 'F12']);

/** The selected screen as a working view: pointers, keys and pads reach it, and what they do is told. */
export function Play({ bench }: { readonly bench: Bench }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const events = useRef<object[]>([]);
  const { screen: name } = bench.place.value;
  const { elsewhere, ranges } = bench.played.about.value;
  const valuesWhere = (isWanted: (value: string) => boolean) =>
    Object.entries(bench.played.values.value)
      .filter(([value]) => isWanted(value))
      .map(([value, now]) => (
        <Value
          key={value}
          name={value}
          now={now}
          ranges={ranges}
          set={(next) => void bench.played.set(value, next)}
        />
      ));
  const screen = bench.screenOf(name);
  useEffect(() => bench.attach(`stage ${name}`, canvas.current!), [name]);
  useEffect(() => {
    let ends = false;
    let last = performance.now();
    let frame = 0;
    const tick = async () => {
      if (ends) return;
      const now = performance.now();
      const ms = Math.min(100, now - last);
      last = now;
      await bench.played.hear([...events.current.splice(0), ...padEvents(pads)], ms);
      frame = requestAnimationFrame(() => void tick());
    };
    const pads = new Map<number, boolean[]>();
    void bench.played.start(screen).then(tick);
    canvas.current!.focus();
    return () => {
      ends = true;
      cancelAnimationFrame(frame);
      void bench.stopPlay();
    };
  }, [name, bench.version.value]);

  const at = (event: MouseEvent) => {
    const { left, top, width } = canvas.current!.getBoundingClientRect();
    const times = screen.width / width;
    return { x: (event.clientX - left) * times, y: (event.clientY - top) * times };
  };
  const pointer = (type: 'move' | 'down' | 'up' | 'cancel' | 'out') => (event: PointerEvent) => {
    if (type === 'down') {
      if (event.button !== 0) return;
      canvas.current!.setPointerCapture(event.pointerId);
      canvas.current!.focus();
    }
    const device = event.pointerType === 'touch' || event.pointerType === 'pen' ? event.pointerType : 'mouse';
    events.current.push({ type, pointer: event.pointerId, device, ...at(event) });
  };
  const key = (type: 'key-down' | 'key-up') => (event: KeyboardEvent) => {
    // Tab would keep a hand on the keyboard in here for good: with Escape it leaves.
    if (own.has(event.key) || event.key === 'Escape') return;
    event.preventDefault();
    const { key: pressed, shiftKey: shift, ctrlKey: ctrl, altKey: alt, metaKey: meta } = event;
    events.current.push({ type, key: pressed, shift, ctrl, alt, meta });
  };
  return (
    <section class="playing" aria-label="Play">
      <div class="board">
        <canvas
          ref={canvas}
          tabIndex={0}
          aria-label={`${bench.place.value.view} on ${screen.title}, played`}
          style={{ aspectRatio: `${screen.width} / ${screen.height}` }}
          onPointerMove={pointer('move')}
          onPointerDown={pointer('down')}
          onPointerUp={pointer('up')}
          onPointerCancel={pointer('cancel')}
          onPointerLeave={pointer('out')}
          onWheel={(event) => {
            event.preventDefault();
            events.current.push({ type: 'wheel', ...at(event), deltaX: event.deltaX, deltaY: event.deltaY });
          }}
          onKeyDown={key('key-down')}
          onKeyUp={key('key-up')}
        />
      </div>
      <aside aria-label="Values and events">
        <h2>Values</h2>
        {valuesWhere((value) => !elsewhere.includes(value))}
        {elsewhere.length > 0 && (
          <details>
            <summary>of other views: {elsewhere.length}</summary>
            {valuesWhere((value) => elsewhere.includes(value))}
          </details>
        )}
        <h2>Events</h2>
        <ol class="log" aria-live="off" tabIndex={0} aria-label="Events">
          {bench.played.log.value.map((line, nth) => (
            <li key={nth}>{line}</li>
          ))}
        </ol>
      </aside>
    </section>
  );
}

interface ValueProps {
  readonly name: string;
  /** Its name; entries have that of their list. */
  readonly path?: string;
  readonly now: unknown;
  readonly ranges: { readonly [path: string]: ValueRange };
  readonly set: (value: unknown) => void;
}

/** A value that can be set; of a map its parts, of a list its entries. */
function Value({ name, path = name, now, ranges, set }: ValueProps) {
  const id = `value-${name}`;
  if (Array.isArray(now)) return <Entries name={name} path={path} now={now} ranges={ranges} set={set} />;
  if (typeof now === 'object')
    return Object.entries(now as { [part: string]: unknown }).map(([part, one]) => (
      <Value
        key={part}
        name={`${name}.${part}`}
        path={`${path}.${part}`}
        now={one}
        ranges={ranges}
        set={(next) => set({ ...(now as object), [part]: next })}
      />
    ));
  return (
    <div class="value">
      <label for={id}>{name}</label>
      {typeof now === 'boolean' && (
        <input id={id} type="checkbox" checked={now} onChange={(event) => set(event.currentTarget.checked)} />
      )}
      {typeof now === 'number' && (
        <NumberValue id={id} name={name} now={now} range={ranges[path]} set={set} />
      )}
      {typeof now === 'string' && (
        <input id={id} value={now} onInput={(event) => set(event.currentTarget.value)} />
      )}
    </div>
  );
}

/** The entries of a list; one that is added is as the last one is, or was. */
function Entries({ name, path, now, ranges, set }: ValueProps & { readonly now: readonly unknown[] }) {
  const last = useRef(now.at(-1));
  if (now.length > 0) last.current = now.at(-1);
  return (
    <details class="entries">
      <summary>
        {name}: {now.length} {now.length === 1 ? 'entry' : 'entries'}
      </summary>
      {now.map((entry, nth) => (
        <Value
          key={nth}
          name={`${name}-${nth + 1}`}
          path={path}
          now={entry}
          ranges={ranges}
          set={(next) => set(now.with(nth, next))}
        />
      ))}
      <p>
        <button
          type="button"
          aria-label={`one more of ${name}`}
          disabled={last.current === undefined}
          onClick={() => set([...now, last.current])}
        >
          One more
        </button>
        <button
          type="button"
          aria-label={`one less of ${name}`}
          disabled={now.length === 0}
          onClick={() => set(now.slice(0, -1))}
        >
          One less
        </button>
      </p>
    </details>
  );
}

function NumberValue({
  id,
  name,
  now,
  range = { min: 0, max: 100, step: 1 },
  set,
}: {
  readonly id: string;
  readonly name: string;
  readonly now: number;
  readonly range: ValueRange | undefined;
  readonly set: (value: number) => void;
}) {
  /** What somebody is typing: it counts on Enter, and stays as it is until then, whatever else changes. */
  const typed = useSignal<string | undefined>(undefined);
  const heard = (event: { readonly currentTarget: HTMLInputElement }) => {
    const next = event.currentTarget.valueAsNumber;
    typed.value = undefined;
    if (!Number.isNaN(next)) set(next);
  };
  return (
    <>
      <input id={id} type="range" {...range} value={now} onInput={heard} />
      <input
        type="number"
        step="any"
        aria-label={`${name}, as a number`}
        value={typed.value ?? Math.round(now * 100) / 100}
        onInput={({ currentTarget }) => (typed.value = currentTarget.value)}
        onChange={heard}
        onBlur={() => (typed.value = undefined)}
      />
    </>
  );
}

/** Buttons of pads that went down or up since this was last asked. */
function padEvents(known: Map<number, boolean[]>): object[] {
  const found: object[] = [];
  for (const pad of navigator.getGamepads?.() ?? []) {
    if (!pad) continue;
    const before = known.get(pad.index) ?? [];
    const now = pad.buttons.map(({ pressed }) => pressed);
    now.forEach((pressed, button) => {
      if (pressed !== (before[button] ?? false))
        found.push({ type: pressed ? 'pad-down' : 'pad-up', button });
    });
    known.set(pad.index, now);
  }
  return found;
}
