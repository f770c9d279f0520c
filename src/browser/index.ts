/* A packed document and a canvas of a page in; a view that is drawn, follows the window and answers pointers, wheels, keys and pads out. */
export { LoadError } from './fetched.ts';
export { load } from './load.ts';
export type { Loaded, ShowOptions } from './load.ts';
export type { LoadOptions } from './loaded-parts.ts';
export { loadText } from './load-text.ts';
export { mount } from './mount.ts';
export type { MountOptions, Mounted } from './mount.ts';
export type { Preferences } from './preferences.ts';
