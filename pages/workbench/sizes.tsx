import { useSignal } from '@preact/signals';
import { useEffect, useRef } from 'preact/hooks';
import type { Bench } from './bench.ts';
import { freeName } from './names.ts';

/** The map of the proof's own drawing, in px of it. */
const mapWidth = 1280;

/** Every size of screen there is: where the view holds, and where what fails. A click shows the size on the stage. */
export function Sizes({ bench }: { readonly bench: Bench }) {
  const proved = bench.proved.value;
  const at = useSignal<{ width: number; height: number; x: number; y: number } | undefined>(undefined);
  const fails = useSignal<readonly string[]>([]);
  const before = useRef<number | undefined>(undefined);
  useEffect(() => {
    if (!proved) void bench.prove();
  }, [bench.version.value, proved]);
  useEffect(() => {
    if (proved) return () => (before.current = proved.holding);
    return undefined;
  }, [proved]);
  if (!proved)
    return (
      <section class="sizes">
        <p class="empty">Proving every size from 640 × 360 to 7680 × 4320 …</p>
      </section>
    );
  const { frame, scales } = proved;
  const grown = before.current === undefined ? 0 : proved.holding - before.current;
  const sizeAt = (event: MouseEvent & { currentTarget: HTMLElement }) => {
    const { left, top, width } = event.currentTarget.getBoundingClientRect();
    const [x, y] = [((event.clientX - left) * mapWidth) / width, ((event.clientY - top) * mapWidth) / width];
    if (x < frame.x || y < frame.y || x > frame.x + frame.width || y > frame.y + frame.height)
      return undefined;
    return {
      width: Math.round(scales.from.x * 2 ** ((x - frame.x) / scales.perDouble.x)),
      height: Math.round(scales.from.y * 2 ** ((y - frame.y) / scales.perDouble.y)),
      x: ((event.clientX - left) / width) * 100,
      y: event.clientY - top,
    };
  };
  const show = (width: number, height: number) => {
    bench.free.value = { width, height };
    bench.mode.value = 'stage';
    bench.go({ screen: freeName });
    bench.resizeFree(width, height);
  };
  return (
    <section class="sizes" aria-label="Sizes">
      <p class="says">
        {proved.says}.
        {Math.abs(grown) > 0.00005 && (
          <b class={grown > 0 ? 'good' : 'bad'}>
            {' '}
            {grown > 0 ? 'More' : 'Less'} than before the last change by {(Math.abs(grown) * 100).toFixed(2)}{' '}
            % of all sizes.
          </b>
        )}
      </p>
      <div
        class="map"
        onMouseMove={(event) => {
          const found = sizeAt(event);
          at.value = found;
          if (found) void bench.readSize(found.width, found.height).then((list) => (fails.value = list));
        }}
        onClick={(event) => {
          const found = sizeAt(event);
          if (found) show(found.width, found.height);
        }}
      >
        <img
          alt={`Map of sizes. ${proved.says}.`}
          src={`data:image/svg+xml;utf8,${encodeURIComponent(proved.svg)}`}
        />
        {at.value && (
          <p class="reading" style={{ left: `${Math.min(70, at.value.x)}%`, top: `${at.value.y + 16}px` }}>
            <b>
              {at.value.width} × {at.value.height}
            </b>
            {fails.value.length === 0 ? (
              <span> holds</span>
            ) : (
              fails.value.slice(0, 4).map((text) => <span key={text}>✗ {text}</span>)
            )}
          </p>
        )}
      </div>
      <ul class="worst">
        {proved.failures.slice(0, 12).map(({ text, widget, worst, share }) => (
          <li key={text}>
            <button
              type="button"
              onClick={() => {
                show(worst[0], worst[1]);
                bench.select([widget]);
              }}
            >
              {text}
              <span class="quiet">
                {' '}
                {(share * 100).toFixed(2)} % of all sizes, worst at {worst[0]} × {worst[1]}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
