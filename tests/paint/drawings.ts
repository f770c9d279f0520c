import { createCanvas, loadImage } from '@napi-rs/canvas';
import { drawLayout, findScreen, openView, readPicture, type DrawList, type WidgetSource } from 'pimbot';
import { openProject, type Project } from 'pimbot/node';
import { documentOf, opened } from '../support/views.ts';

/** The demo, opened. */
export function demo(): Promise<Project> {
  return openProject('examples/fathom-post/post.yaml');
}

export const views = ['dive', 'dock', 'sorting', 'belt', 'logbook', 'tuning'];

/** The smallest first. */
export const screens = [
  'phone-small-landscape',
  'phone-small-portrait',
  'desktop-720',
  'handheld-720',
  'monitor-5-4',
  'laptop-small',
];

const sea = { type: 'color', name: 'sea', color: { r: 0.05, g: 0.25, b: 0.3, a: 1 } } as const;

/** A view of the demo over its own backdrop, or over a plain sea. */
export function drawnView(
  { document, resources }: Project,
  view: string,
  screen: string,
  over: 'its own' | 'sea' = 'its own',
): DrawList {
  const on = openView(document!, view, { resources }).layoutOn(findScreen(screen)!);
  return drawLayout(on, over === 'sea' ? { backdrop: sea } : {});
}

/** A small drawing in which every operation of a draw list stands, each with all that it may say; some may be left out. */
export async function everyOperation(without: readonly string[] = []): Promise<DrawList> {
  const context = createCanvas(24, 24).getContext('2d');
  for (let at = 0; at < 16; at++) {
    context.fillStyle = `rgb(${at * 16} ${255 - at * 12} ${(at * 53) % 256})`;
    context.fillRect((at % 4) * 6, Math.floor(at / 4) * 6, 6, 6);
  }
  const bytes = context.canvas.toBuffer('image/png');
  const picture = { ...readPicture('tile', bytes), drawable: await loadImage(bytes) };
  const plate = { background: 'linear-gradient(120deg, #103040, #80c0a0)', border: '3 #ffd583', radius: 14 };
  const children: readonly WidgetSource[] = [
    { size: '90 60', offset: '10 10', look: { ...plate, shadow: '4 6 8 #000000a0, 0 0 0 2 #0f0' } },
    {
      size: '90 60',
      offset: '120 10',
      look: { background: '#c05838', radius: '0 30 8 50', opacity: 0.6 },
    },
    { size: '80 50', offset: '240 20', rotate: 12, skew: '8 0', look: { ...plate, scale: 0.8 } },
    {
      size: '90 60',
      offset: '10 90',
      overflow: 'clip',
      look: { ...plate, radius: 20 },
      children: [{ size: 80, offset: '40 20', look: { background: '#204080' } }],
    },
    { kind: 'image', image: 'tile', size: '24 24', offset: '120 90' },
    {
      'id': 'sharp',
      'kind': 'image',
      'image': 'tile',
      'size': '96 48',
      'offset': '180 90',
      'slice': 6,
      'image-rendering': 'pixelated',
    },
    {
      kind: 'image',
      image: 'tile',
      size: '48 48',
      offset: '300 90',
      flip: 'x',
      id: 'tinted',
      look: { 'image-tint': '#ff8060', 'opacity': 0.8 },
    },
    {
      kind: 'text',
      text: 'Rise, [Fathom](#ffd583 700), rise',
      offset: '10 170',
      look: {
        'font-size': 30,
        'text-outline': '3 #102030',
        'text-shadow': '2 3 4 #000000c0',
        'color': '#e8fff4',
      },
    },
    {
      kind: 'meter',
      value: 0.6,
      trail: 0.8,
      segments: 5,
      size: '160 18',
      offset: '10 225',
      look: { color: '#40c080' },
    },
    {
      'kind': 'meter',
      'value': 0.7,
      'segments': 6,
      'fill-from': 'counterclockwise',
      'ring': 7,
      'size': 44,
      'offset': '352 120',
      'look': { color: '#ffd583', background: '#103040', border: '2 #80c0a0', radius: 22 },
    },
    { kind: 'slider', value: 0.3, size: '140 12', offset: '200 228' },
    { kind: 'checkbox', checked: true, offset: '360 222', look: { 'font-size': 20 } },
    { kind: 'switch', checked: true, offset: '360 180', look: { 'font-size': 20 } },
    {
      kind: 'dialog',
      anchor: 'right bottom',
      size: '60 40',
      look: { background: '#203040', veil: '#00000040' },
    },
  ];
  const view = opened(
    documentOf(
      children.filter(({ id }) => id === undefined || !without.includes(id)),
      { pictures: { tile: 'tile.png' } },
      { backdrop: '#456070' },
    ),
    { pictures: new Map([['tile', picture]]) },
  );
  return drawLayout(view.layoutOn({ width: 420, height: 260 }));
}
