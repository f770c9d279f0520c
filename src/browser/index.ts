/* A live view and a canvas of a page in; a view that is drawn, follows the window and answers pointers, wheels, keys and pads out. */
export { loadText } from './load-text.ts';
export { mount } from './mount.ts';
export type { MountOptions, Mounted } from './mount.ts';
