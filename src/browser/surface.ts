import type { ScreenSize } from '../screen/index.ts';

/** CSS px to an inch. */
const pxPerInch = 96;

/** Asks the page for `env(safe-area-inset-*)` through an element nobody sees. */
export class SafeArea {
  readonly #probe: HTMLElement;

  constructor(document: Document) {
    this.#probe = document.createElement('div');
    this.#probe.setAttribute('aria-hidden', 'true');
    this.#probe.style.cssText =
      'position:fixed;visibility:hidden;pointer-events:none;width:0;height:0;padding:' +
      ['top', 'right', 'bottom', 'left'].map((side) => `env(safe-area-inset-${side}, 0px)`).join(' ');
    document.body.append(this.#probe);
  }

  /** Top, right, bottom, left, in CSS px. */
  read(): readonly [number, number, number, number] {
    const { paddingTop, paddingRight, paddingBottom, paddingLeft } = getComputedStyle(this.#probe);
    const [top, right, bottom, left] = [paddingTop, paddingRight, paddingBottom, paddingLeft].map(
      (side) => parseFloat(side) || 0,
    );
    return [top!, right!, bottom!, left!];
  }

  remove(): void {
    this.#probe.remove();
  }
}

/** Device px to a CSS px. */
export function ratioOf(canvas: HTMLCanvasElement): number {
  return canvas.ownerDocument.defaultView?.devicePixelRatio || 1;
}

/** The screen a canvas is, in device px: its size on the page, the density, and what notches take of it. */
export function screenOf(canvas: HTMLCanvasElement, safe: SafeArea, ratio: number): ScreenSize {
  const { left, top, right, bottom, width, height } = canvas.getBoundingClientRect();
  const { clientWidth, clientHeight } = canvas.ownerDocument.documentElement;
  const [above, beside, below, before] = safe.read();
  // What a notch takes is counted from the edge of the window.
  const inset = (taken: number, away: number) => Math.max(0, Math.round((taken - Math.max(0, away)) * ratio));
  return {
    width: Math.max(1, Math.round(width * ratio)),
    height: Math.max(1, Math.round(height * ratio)),
    density: pxPerInch * ratio,
    safe: [
      inset(above, top),
      inset(beside, clientWidth - right),
      inset(below, clientHeight - bottom),
      inset(before, left),
    ],
  };
}
