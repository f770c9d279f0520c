/* Rectangles in; what a moving one lines up with, and how far one is from what is around it. */
export { distancesOf, type Distance } from './distances.ts';
export { snap, type Guide, type Ground, type Moving, type Snapped } from './snap.ts';
