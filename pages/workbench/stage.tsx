import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import { besideText, type Beside } from 'pimbot/tools';
import { BesideMenu, besideTitle, screenNames } from './beside.tsx';
import type { Bench } from './bench.ts';
import { freeName } from './names.ts';
import { Overlay } from './overlay.tsx';
import { StillLayers } from './still-layers.tsx';
import { keyDown, pointer, type PointerType } from './stage-hands.ts';
import { round, type Drag, type Point } from './stage-drag.ts';

/** The screen that is looked at closely: a drawing, what is laid over it, and hands that take hold of widgets. */
export function Stage({ bench }: { readonly bench: Bench }) {
  const place = bench.place.value;
  const screen = bench.screenOf(place.screen);
  const sheets: readonly ShownSheet[] = [
    { name: screen.name, of: screen, beside: undefined },
    ...place.beside.map((one) => ({ name: besideText(one), of: bench.screenOf(one.screen), beside: one })),
  ];
  const viewport = useRef<HTMLDivElement>(null);
  const zoom = useSignal<number | 'fit'>('fit');
  const room = useSignal({ width: 800, height: 500 });
  const drag = useSignal<Drag | undefined>(undefined);
  const advice = useSignal<{ widget: string; anchor: string; why: string } | undefined>(undefined);

  useEffect(() => {
    const observer = new ResizeObserver(() => {
      if (!viewport.current) return;
      const { clientWidth: width, clientHeight: height } = viewport.current;
      room.value = { width, height };
    });
    observer.observe(viewport.current!);
    return () => observer.disconnect();
  }, []);
  useEffect(() => {
    advice.value = undefined;
  }, [place.selected.join(), place.view]);

  const { rows, fit } = arranged(sheets, room.value);
  const scale =
    zoom.value === 'fit' ? Math.max(0.02, Math.min(4, fit)) : zoom.value / (devicePixelRatio || 1);
  useEffect(() => bench.zoomed(scale), [scale]);
  const zoomBy = (factor: number) =>
    (zoom.value = Math.min(16, Math.max(0.05, scale * (devicePixelRatio || 1) * factor)));

  return (
    <section class="stage" aria-label="Stage">
      <div class="stage-bar">
        <ScreenPicker bench={bench} />
        <span class="quiet">
          {place.screen !== freeName && `${screen.width} × ${screen.height} px `}
          {bench.outline.value &&
            `= ${round(bench.outline.value.surface.width)} × ${round(bench.outline.value.surface.height)} u`}
        </span>
        <span class="spring" />
        <button type="button" onClick={() => zoomBy(1 / 1.25)} aria-label="Zoom out" title="Zoom out">
          −
        </button>
        <button
          type="button"
          class="zoom"
          onClick={() => (zoom.value = 'fit')}
          title="Show all of it"
          aria-pressed={zoom.value === 'fit'}
        >
          {Math.round(scale * (devicePixelRatio || 1) * 100)} %
        </button>
        <button
          type="button"
          onClick={() => (zoom.value = 1)}
          title="One px of the screen is one px here"
          aria-pressed={zoom.value === 1}
        >
          1:1
        </button>
        <button type="button" onClick={() => zoomBy(1.25)} aria-label="Zoom in" title="Zoom in">
          +
        </button>
      </div>
      <div
        class="viewport"
        ref={viewport}
        tabIndex={0}
        role="group"
        aria-label={`${place.view ?? ''} on ${screen.title}. Arrow keys move what is selected by 1 u, with Shift by 10.`}
        onKeyDown={(event) => keyDown(bench, event)}
        onWheel={(event) => {
          if (!event.ctrlKey) return;
          event.preventDefault();
          zoomBy(event.deltaY < 0 ? 1.15 : 1 / 1.15);
        }}
      >
        <div class="easel">
          {rows.map((row) => (
            <div key={row[0]!.name} class="sheets">
              {row.map(({ name, of, beside }) =>
                beside ? (
                  <figure key={name}>
                    <figcaption>
                      <button
                        type="button"
                        class="plain"
                        title="Work on this screen"
                        onClick={() => bench.go({ screen: beside.screen })}
                      >
                        {besideTitle(beside)}
                      </button>
                      <button
                        type="button"
                        aria-label={`Take ${besideTitle(beside)} away`}
                        onClick={() => bench.turnBeside(beside)}
                      >
                        ✕
                      </button>
                    </figcaption>
                    <Sheet bench={bench} name={name} width={of.width} height={of.height} scale={scale} />
                  </figure>
                ) : (
                  <figure key={name} class={place.layers.includes('rulers') ? 'ruled' : ''}>
                    {sheets.length > 1 && (
                      <figcaption>
                        <b>{of.name}</b>
                      </figcaption>
                    )}
                    <Sheet
                      bench={bench}
                      name={name}
                      width={of.width}
                      height={of.height}
                      scale={scale}
                      onPointer={(type, event, at) =>
                        pointer(bench, drag, advice, type, event, at, scale, viewport.current!)
                      }
                    >
                      <StillLayers bench={bench} scale={scale} />
                      <Overlay bench={bench} drag={drag} scale={scale} />
                    </Sheet>
                    {place.screen === freeName && (
                      <FreeGrips
                        bench={bench}
                        scale={scale}
                        hold={() => (zoom.value = scale * (devicePixelRatio || 1))}
                      />
                    )}
                  </figure>
                ),
              )}
            </div>
          ))}
        </div>
      </div>
      {advice.value && (
        <p class="advice">
          <span>
            {advice.value.widget} would be tied best to <b>{advice.value.anchor}</b>: {advice.value.why}.
          </span>
          <button
            type="button"
            onClick={() => {
              const { widget, anchor } = advice.value!;
              advice.value = undefined;
              void bench.act({ do: 'anchor', widget, to: anchor });
            }}
          >
            Anchor there, keep the place
          </button>
          <button type="button" aria-label="No, thanks" onClick={() => (advice.value = undefined)}>
            ✕
          </button>
        </p>
      )}
    </section>
  );
}

/** A sheet on the easel. */
interface ShownSheet {
  readonly name: string;
  readonly of: { readonly name: string; readonly width: number; readonly height: number };
  /** Undefined for the one that is worked on. */
  readonly beside: Beside | undefined;
}

/** CSS px around all sheets, between two, and of the line over each. */
const [around, between, caption] = [44, 16, 26];

/** Sheets in as many rows as show them largest. */
function arranged(
  sheets: readonly ShownSheet[],
  room: { readonly width: number; readonly height: number },
): { readonly rows: readonly (readonly ShownSheet[])[]; readonly fit: number } {
  const tries = sheets.map((_, nth) => {
    const perRow = Math.ceil(sheets.length / (nth + 1));
    const rows: ShownSheet[][] = [];
    for (let at = 0; at < sheets.length; at += perRow) rows.push(sheets.slice(at, at + perRow));
    const across = Math.max(...rows.map((row) => row.reduce((sum, { of }) => sum + of.width, 0)));
    const down = rows.reduce((sum, row) => sum + Math.max(...row.map(({ of }) => of.height)), 0);
    const head = sheets.length > 1 ? caption * rows.length : 0;
    const fit = Math.min(
      (room.width - around - between * (perRow - 1)) / across,
      (room.height - around - head - between * (rows.length - 1)) / down,
    );
    return { rows, fit };
  });
  return tries.reduce((best, one) => (one.fit > best.fit ? one : best));
}

/** The right and the lower edge of the free window, and the corner between: to be pulled. */
function FreeGrips({
  bench,
  scale,
  hold,
}: {
  readonly bench: Bench;
  readonly scale: number;
  /** Has the zoom stay as it is while the window grows. */
  readonly hold: () => void;
}) {
  const from = useRef<{ x: number; y: number; width: number; height: number } | undefined>(undefined);
  const { width, height } = bench.free.value;
  const within = (px: number) => Math.round(Math.min(10_000, Math.max(16, px)));
  const grip = (name: string, says: string, x: number, y: number) => (
    <button
      type="button"
      class={`free-grip ${name}`}
      aria-label={says}
      title={says}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        hold();
        from.current = { x: event.clientX, y: event.clientY, width, height };
      }}
      onPointerMove={(event) => {
        const start = from.current;
        if (!start) return;
        const by = (now: number, then: number) => (now - then) / scale;
        bench.resizeFree(
          within(start.width + x * by(event.clientX, start.x)),
          within(start.height + y * by(event.clientY, start.y)),
        );
      }}
      onPointerUp={() => (from.current = undefined)}
      onPointerCancel={() => (from.current = undefined)}
      onKeyDown={(event) => {
        const step = event.shiftKey ? 100 : 10;
        const [right, down] = [
          Number(event.key === 'ArrowRight') - Number(event.key === 'ArrowLeft'),
          Number(event.key === 'ArrowDown') - Number(event.key === 'ArrowUp'),
        ];
        if (right === 0 && down === 0) return;
        // What is selected stays where it is.
        event.preventDefault();
        event.stopPropagation();
        bench.resizeFree(within(width + x * right * step), within(height + y * down * step));
      }}
    />
  );
  return (
    <>
      {grip('right', 'Width of the window', 1, 0)}
      {grip('bottom', 'Height of the window', 0, 1)}
      {grip('corner', 'Width and height of the window', 1, 1)}
    </>
  );
}

function ScreenPicker({ bench }: { readonly bench: Bench }) {
  const place = bench.place.value;
  const names = screenNames(bench);
  const options = (also: string) => (
    <>
      <option value={freeName}>any size</option>
      {names.map((name) => (
        <option key={name} value={name} selected={name === also}>
          {name}
        </option>
      ))}
    </>
  );
  const { width, height } = bench.free.value;
  const size = (key: 'width' | 'height', value: string) => {
    const px = Math.round(Number(value));
    if (px >= 16 && px <= 10_000)
      bench.resizeFree(key === 'width' ? px : width, key === 'height' ? px : height);
    return String(bench.free.value[key]);
  };
  return (
    <>
      <label>
        <span class="sr">Screen</span>
        <select
          id="screen"
          value={place.screen}
          onChange={(event) => bench.go({ screen: event.currentTarget.value })}
        >
          {options(place.screen)}
        </select>
      </label>
      {place.screen === freeName && (
        <span class="free">
          <input
            aria-label="Width in px"
            type="number"
            min={16}
            max={10_000}
            value={width}
            onChange={({ currentTarget: field }) => (field.value = size('width', field.value))}
          />
          ×
          <input
            aria-label="Height in px"
            type="number"
            min={16}
            max={10_000}
            value={height}
            onChange={({ currentTarget: field }) => (field.value = size('height', field.value))}
          />
        </span>
      )}
      <BesideMenu bench={bench} />
    </>
  );
}

function Sheet({
  bench,
  name,
  width,
  height,
  scale,
  onPointer,
  children,
}: {
  readonly bench: Bench;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly onPointer?: (type: PointerType, event: PointerEvent, at: Point) => void;
  readonly children?: preact.ComponentChildren;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => bench.attach(`stage ${name}`, canvas.current!), [name]);
  const tell = (type: PointerType) => (event: PointerEvent) => {
    const { left, top } = sheet.current!.getBoundingClientRect();
    if (type === 'down') sheet.current!.setPointerCapture(event.pointerId);
    onPointer?.(type, event, { x: (event.clientX - left) / scale, y: (event.clientY - top) / scale });
  };
  return (
    <div
      class="sheet"
      ref={sheet}
      style={{ width: `${width * scale}px`, height: `${height * scale}px` }}
      onPointerDown={tell('down')}
      onPointerMove={tell('move')}
      onPointerUp={tell('up')}
      onPointerCancel={tell('cancel')}
    >
      <canvas ref={canvas} class={scale * (devicePixelRatio || 1) >= 1 ? 'sharp' : ''} aria-hidden="true" />
      {children}
    </div>
  );
}
