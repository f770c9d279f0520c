import { makeScreen, type Screen } from './screen.ts';

/**
 * Screens of the kinds games are played on. Sizes, densities and distances are round figures of a class
 * of devices, none of them a product.
 */
export const screens: readonly Screen[] = [
  makeScreen({
    name: 'phone-portrait',
    title: 'phone with a notch, upright',
    width: 1080,
    height: 2400,
    density: 420,
    safe: [96, 0, 60, 0],
    distance: 300,
    inputs: ['touch'],
  }),
  makeScreen({
    name: 'phone-landscape',
    title: 'phone with a notch, on its side',
    width: 2400,
    height: 1080,
    density: 420,
    safe: [0, 96, 48, 96],
    distance: 300,
    inputs: ['touch'],
  }),
  makeScreen({
    name: 'tablet',
    title: 'tablet, 4:3',
    width: 2000,
    height: 1500,
    density: 250,
    safe: [30, 0, 20, 0],
    distance: 400,
    inputs: ['touch'],
  }),
  makeScreen({
    name: 'handheld',
    title: 'handheld with sticks',
    width: 1280,
    height: 800,
    density: 200,
    distance: 400,
    inputs: ['pad', 'touch'],
  }),
  makeScreen({
    name: 'laptop',
    title: 'laptop, 16:10',
    width: 1920,
    height: 1200,
    density: 150,
    distance: 550,
  }),
  makeScreen({ name: 'desktop', title: 'desktop monitor, 1080p', width: 1920, height: 1080, density: 92 }),
  makeScreen({ name: 'desktop-4k', title: 'desktop monitor, 4K', width: 3840, height: 2160, density: 163 }),
  makeScreen({
    name: 'ultrawide',
    title: 'ultrawide monitor, 21:9',
    width: 3440,
    height: 1440,
    density: 109,
    distance: 700,
  }),
  makeScreen({
    name: 'super-wide',
    title: 'super-wide monitor, 32:9',
    width: 5120,
    height: 1440,
    density: 109,
    distance: 700,
  }),
  makeScreen({
    name: 'television',
    title: 'television with overscan, across the room',
    width: 1920,
    height: 1080,
    density: 40,
    safe: [54, 96, 54, 96],
    distance: 2700,
    inputs: ['pad'],
  }),
  makeScreen({
    name: 'tiny-window',
    title: 'small window on a desktop',
    width: 1024,
    height: 576,
    density: 92,
  }),
  makeScreen({
    name: 'square',
    title: 'square panel',
    width: 1440,
    height: 1440,
    density: 120,
    distance: 500,
  }),
];

/** The screen of that name in the catalogue. */
export function findScreen(name: string): Screen | undefined {
  return screens.find((screen) => screen.name === name);
}
