import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import { freeName, type Bench } from './bench.ts';
import { Overlay } from './overlay.tsx';
import { keyDown, pointer, type PointerType } from './stage-hands.ts';
import { round, type Drag, type Point } from './stage-drag.ts';

/** The screen that is looked at closely: a drawing, what is laid over it, and hands that take hold of widgets. */
export function Stage({ bench }: { readonly bench: Bench }) {
  const place = bench.place.value;
  const screen = bench.screenOf(place.screen);
  const beside = place.beside === undefined ? undefined : bench.screenOf(place.beside);
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

  const across = beside ? screen.width + beside.width : screen.width;
  const down = Math.max(screen.height, beside?.height ?? 0);
  const fit = Math.min((room.value.width - 44 - (beside ? 16 : 0)) / across, (room.value.height - 44) / down);
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
          {screen.width} × {screen.height} px
          {bench.outline.value &&
            ` = ${round(bench.outline.value.surface.width)} × ${round(bench.outline.value.surface.height)} u`}
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
        <div class="easel" style={{ gap: '16px' }}>
          <Sheet
            bench={bench}
            name={screen.name}
            width={screen.width}
            height={screen.height}
            scale={scale}
            onPointer={(type, event, at) =>
              pointer(bench, drag, advice, type, event, at, scale, viewport.current!)
            }
          >
            <Overlay bench={bench} drag={drag} scale={scale} />
          </Sheet>
          {beside && (
            <Sheet
              bench={bench}
              name={beside.name}
              width={beside.width}
              height={beside.height}
              scale={scale}
            />
          )}
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

function ScreenPicker({ bench }: { readonly bench: Bench }) {
  const place = bench.place.value;
  const names = [...bench.wallScreens.value.map(({ name }) => name)];
  for (const { others } of bench.folds.value) names.push(...others);
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
            onChange={(event) => size('width', event.currentTarget.value)}
          />
          ×
          <input
            aria-label="Height in px"
            type="number"
            min={16}
            max={10_000}
            value={height}
            onChange={(event) => size('height', event.currentTarget.value)}
          />
        </span>
      )}
      <label>
        <span class="sr">Beside it</span>
        <select
          id="beside"
          value={place.beside ?? ''}
          onChange={(event) =>
            bench.go({ beside: event.currentTarget.value === '' ? undefined : event.currentTarget.value })
          }
        >
          <option value="">nothing beside</option>
          {options(place.beside ?? '')}
        </select>
      </label>
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
