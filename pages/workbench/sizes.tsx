import { useSignal } from '@preact/signals';
import { useEffect } from 'preact/hooks';
import type { Bench } from './bench.ts';
import type { Proved } from './messages.ts';
import { freeName } from './names.ts';

/** The map of the proof's own drawing, in px of it. */
const mapWidth = 1280;

/** Less of all sizes is no change that is told. */
const leastShare = 0.00005;

interface Shown {
  readonly bench: Bench;
  readonly proved: Proved;
}

/** Asks for the proof of what is shown, now and after each change. */
function useProof(bench: Bench): Proved | undefined {
  const { proofs } = bench;
  const proved = proofs.proved.value;
  useEffect(() => {
    if (!proved) void proofs.prove();
  }, [bench.version.value, proved]);
  return proved;
}

function show(bench: Bench, width: number, height: number): void {
  bench.free.value = { width, height };
  bench.mode.value = 'stage';
  bench.go({ screen: freeName });
  bench.resizeFree(width, height);
}

/** Every size of screen there is: where the view holds, and where what fails. A click shows the size on the stage. */
export function Sizes({ bench }: { readonly bench: Bench }) {
  const proved = useProof(bench);
  if (!proved)
    return (
      <section class="sizes">
        <p class="empty">Proving every size from 640 × 360 to 7680 × 4320 …</p>
      </section>
    );
  return (
    <section class="sizes" aria-label="Sizes">
      <p class="says">
        {proved.says}.
        <Grown by={proved.holding - (bench.proofs.heldBefore ?? proved.holding)} since="last change" />
      </p>
      <MapOfSizes bench={bench} proved={proved} />
      <Worst bench={bench} proved={proved} />
    </section>
  );
}

/** The same beside the stage: while a widget is dragged, the regions follow. */
export function SizesPanel({ bench }: { readonly bench: Bench }) {
  const { proofs } = bench;
  const proved = useProof(bench);
  const tried = proofs.tried.value;
  const seen = tried ?? proved ?? proofs.last;
  if (!seen) return <p class="empty">Proving every size …</p>;
  const before = tried ? (proved ?? proofs.last)?.holding : proofs.heldBefore;
  return (
    <section class="sizes beside" aria-label="Sizes" aria-busy={!proved}>
      <p class="says">
        Holds on <b>{(seen.holding * 100).toFixed(2)} %</b> of all sizes.
        <Grown by={seen.holding - (before ?? seen.holding)} since={tried ? 'drag' : 'last change'} />
      </p>
      <p class="quiet">640 to 7680 px wide to the right, 360 to 4320 px high down</p>
      <MapOfSizes bench={bench} proved={seen} isCropped />
      {proofs.isSlow.value && !tried && (
        <p class="quiet">This view takes long to prove: the map follows when you let go.</p>
      )}
      <Worst bench={bench} proved={seen} />
    </section>
  );
}

function Grown({ by, since }: { readonly by: number; readonly since: string }) {
  if (Math.abs(by) < leastShare) return null;
  return (
    <b class={by > 0 ? 'good' : 'bad'}>
      {' '}
      {(Math.abs(by) * 100).toFixed(2)} % {by > 0 ? 'more' : 'less'} than before the {since}.
    </b>
  );
}

/** @param isCropped Whether nothing but the plane of sizes is shown, without what explains it. */
function MapOfSizes({ bench, proved, isCropped = false }: Shown & { readonly isCropped?: boolean }) {
  const at = useSignal<{ width: number; height: number; x: number; y: number } | undefined>(undefined);
  const fails = useSignal<readonly string[]>([]);
  const { frame, scales } = proved;
  const [fromX, fromY, across] = isCropped ? [frame.x, frame.y, frame.width] : [0, 0, mapWidth];
  const sizeAt = (event: MouseEvent & { currentTarget: HTMLElement }) => {
    const { left, top, width } = event.currentTarget.getBoundingClientRect();
    const x = fromX + ((event.clientX - left) * across) / width;
    const y = fromY + ((event.clientY - top) * across) / width;
    if (x < frame.x || y < frame.y || x > frame.x + frame.width || y > frame.y + frame.height)
      return undefined;
    return {
      width: Math.round(scales.from.x * 2 ** ((x - frame.x) / scales.perDouble.x)),
      height: Math.round(scales.from.y * 2 ** ((y - frame.y) / scales.perDouble.y)),
      x: ((event.clientX - left) / width) * 100,
      y: event.clientY - top,
    };
  };
  const percent = (part: number, whole: number) => `${(100 * part) / whole}%`;
  return (
    <div
      class={isCropped ? 'map cropped' : 'map'}
      style={isCropped ? { aspectRatio: `${frame.width} / ${frame.height}` } : {}}
      onMouseMove={(event) => {
        const found = sizeAt(event);
        at.value = found;
        if (found) void bench.proofs.read(found.width, found.height).then((list) => (fails.value = list));
      }}
      onMouseLeave={() => (at.value = undefined)}
      onClick={(event) => {
        const found = sizeAt(event);
        if (found) show(bench, found.width, found.height);
      }}
    >
      <img
        alt={`Map of sizes. ${proved.says}.`}
        src={`data:image/svg+xml;utf8,${encodeURIComponent(proved.svg)}`}
        style={
          isCropped
            ? {
                width: percent(mapWidth, frame.width),
                left: percent(-frame.x, frame.width),
                top: percent(-frame.y, frame.height),
              }
            : {}
        }
      />
      {at.value && (
        <p
          class="reading"
          style={{ left: `${isCropped ? 0 : Math.min(70, at.value.x)}%`, top: `${at.value.y + 16}px` }}
        >
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
  );
}

function Worst({ bench, proved }: Shown) {
  return (
    <ul class="worst">
      {proved.failures.slice(0, 12).map(({ text, widget, worst, share }) => (
        <li key={text}>
          <button
            type="button"
            onClick={() => {
              show(bench, worst[0], worst[1]);
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
  );
}
