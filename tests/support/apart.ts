import type { Canvas } from '@napi-rs/canvas';

/** The most by which a channel of a pixel differs, of 255. */
export function apart(one: Canvas, other: Canvas): number {
  const [a, b] = [one, other].map(
    (canvas) => canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data,
  );
  let most = 0;
  for (let at = 0; at < a!.length; at++) most = Math.max(most, Math.abs(a![at]! - b![at]!));
  return most;
}
