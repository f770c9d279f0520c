/* A view and what a game does to it in; the same view kept up to date out, and what of it has changed. */
export { LiveView } from './live-view.ts';
export type { LiveNow, LiveOccasion, MutableRect } from './live-view.ts';
export type { LiveNode } from './node.ts';
