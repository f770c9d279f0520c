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
  read(): readonly number[] {
    const { paddingTop, paddingRight, paddingBottom, paddingLeft } = getComputedStyle(this.#probe);
    return [paddingTop, paddingRight, paddingBottom, paddingLeft].map((side) => parseFloat(side) || 0);
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
  // What lies over the page, as the keyboard of a phone does; while somebody has zoomed in, what is out of sight is not covered.
  const seen = canvas.ownerDocument.defaultView?.visualViewport;
  const isWhole = seen && Math.abs(seen.scale - 1) < 0.01;
  const covered = isWhole ? Math.max(0, Math.min(bottom, clientHeight) - (seen.offsetTop + seen.height)) : 0;
  // What a notch takes is counted from the edge of the window.
  const inset = (taken: number, away: number) => Math.max(0, Math.round((taken - Math.max(0, away)) * ratio));
  return {
    width: Math.max(1, Math.round(width * ratio)),
    height: Math.max(1, Math.round(height * ratio)),
    density: pxPerInch * ratio,
    safe: [
      inset(above!, top),
      inset(beside!, clientWidth - right),
      Math.max(inset(below!, clientHeight - bottom), Math.round(covered * ratio)),
      inset(before!, left),
    ],
  };
}
