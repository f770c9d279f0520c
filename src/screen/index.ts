export { makeScreen } from './screen.ts';
export type { Edges, InputDevice, Screen, ScreenClass, ScreenSize } from './screen.ts';
export { findScreen, screens } from './catalogue.ts';
