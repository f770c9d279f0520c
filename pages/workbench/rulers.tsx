import type { Outline } from 'pimbot/tools';
import type { Box } from './stage-drag.ts';

const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000];
/** CSS px between two numbers, at the least. */
const leastGap = 56;

/** Lengths in u along the top and the left edge, and what is selected on them. */
export function Rulers({
  outline,
  box,
  px,
}: {
  readonly outline: Outline;
  readonly box: Box | undefined;
  readonly px: (css: number) => number;
}) {
  const { width, height, frame, surface } = outline;
  const unit = frame.width / surface.width;
  const step = steps.find((one) => one * unit >= px(leastGap)) ?? steps.at(-1)!;
  const ticks = (length: number) =>
    Array.from({ length: Math.floor(length / step) + 1 }, (_, nth) => nth * step);
  const band = px(16);
  return (
    <g class="rulers">
      <rect class="band" x={0} y={-band} width={width} height={band} />
      <rect class="band" x={-band} y={0} width={band} height={height} />
      {box && <rect class="held" x={box.x} y={-band} width={box.width} height={band} />}
      {box && <rect class="held" x={-band} y={box.y} width={band} height={box.height} />}
      {ticks(surface.width).map((u) => {
        const x = frame.x + u * unit;
        return (
          <g key={`x ${u}`}>
            <line class="tick" x1={x} x2={x} y1={-band} y2={0} />
            <text class="number" x={x + px(3)} y={-px(5)} font-size={px(10)}>
              {u}
            </text>
          </g>
        );
      })}
      {ticks(surface.height).map((u) => {
        const y = frame.y + u * unit;
        return (
          <g key={`y ${u}`}>
            <line class="tick" x1={-band} x2={0} y1={y} y2={y} />
            <text
              class="number"
              transform={`translate(${-px(12)} ${y + px(3)}) rotate(90)`}
              font-size={px(10)}
            >
              {u}
            </text>
          </g>
        );
      })}
    </g>
  );
}
