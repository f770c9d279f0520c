/* Names and numbers in; screens with their density, insets and inputs out, and the catalogue of them. */
export { makeScreen } from './screen.ts';
export type { Edges, InputDevice, Screen, ScreenClass, ScreenSize } from './screen.ts';
export { findScreen, screens } from './catalogue.ts';
