import { useRef } from 'preact/hooks';
import { useSignal } from '@preact/signals';

/** A bar between two parts of the page that makes one of them wider. */
export function Splitter({
  name,
  least,
  most,
  usual,
  side,
}: {
  readonly name: string;
  readonly least: number;
  readonly most: number;
  readonly usual: number;
  readonly side: 'left' | 'right';
}) {
  const width = useSignal(usual);
  const from = useRef<{ x: number; width: number } | undefined>(undefined);
  const set = (next: number) => {
    width.value = Math.min(most, Math.max(least, next));
    document.documentElement.style.setProperty(`--${name}`, `${width.value}px`);
  };
  const way = side === 'left' ? 1 : -1;
  return (
    <div
      class="splitter"
      role="separator"
      aria-orientation="vertical"
      aria-label={side === 'left' ? 'Width of the list of widgets' : 'Width of the details'}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={width.value}
      tabIndex={0}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, width: width.value };
      }}
      onPointerMove={(event) => {
        if (from.current) set(from.current.width + way * (event.clientX - from.current.x));
      }}
      onPointerUp={() => (from.current = undefined)}
      onKeyDown={(event) => {
        if (event.key === 'ArrowLeft') set(width.value - way * 20);
        else if (event.key === 'ArrowRight') set(width.value + way * 20);
      }}
    />
  );
}
