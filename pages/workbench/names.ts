import type { Place } from 'pimbot/tools';

/** What is drawn over the view on the stage. */
export const layerNames = [
  'findings',
  'outlines',
  'safe area',
  'anchors',
  'targets',
  'focus',
  'contrast',
  'reading',
  'rulers',
] as const;
export const panelNames = ['inspect', 'why', 'findings', 'sizes', 'text'] as const;
export type PanelName = (typeof panelNames)[number];
export const modes = ['stage', 'wall', 'sizes', 'play'] as const;
export type Mode = (typeof modes)[number];

/** The name of the screen that is pulled to any size. */
export const freeName = 'any size';

/** What the page shows first. */
export const usualPlace: Place = {
  file: '',
  view: undefined,
  screen: 'desktop',
  beside: [],
  occasion: {},
  selected: [],
  panel: 'inspect',
  layers: ['findings', 'anchors'],
};
