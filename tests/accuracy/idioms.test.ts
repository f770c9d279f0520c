import { readFileSync } from 'node:fs';
import { createCanvas, loadImage, type SKRSContext2D } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import { formatDiagnostic, readDocument, readPicture, screens, type Picture } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

type Paint = (context: SKRSContext2D, side: number) => void;

async function picture(name: string, side: number, paint: Paint): Promise<Picture> {
  const context = createCanvas(side, side).getContext('2d');
  paint(context, side);
  const bytes = context.canvas.toBuffer('image/png');
  const { data } = context.getImageData(0, 0, side, side);
  const sample = { width: side, height: side, data: new Uint8ClampedArray(data) };
  return { ...readPicture(name, bytes), drawable: await loadImage(bytes), sample };
}

const plain: Paint = (context, side) => {
  context.fillStyle = '#c08040';
  context.fillRect(0, 0, side, side);
};
const ring: Paint = (context, side) => {
  context.strokeStyle = '#58bfb0';
  context.lineWidth = side / 16;
  context.strokeRect(side / 32, side / 32, (side * 15) / 16, (side * 15) / 16);
};
const vignette: Paint = (context, side) => {
  const shade = context.createRadialGradient(side / 2, side / 2, side / 5, side / 2, side / 2, side * 0.8);
  shade.addColorStop(0, '#00000000');
  shade.addColorStop(1, '#000000c0');
  context.fillStyle = shade;
  context.fillRect(0, 0, side, side);
};
const frame: Paint = (context, side) => {
  context.fillStyle = '#0d4452';
  context.fillRect(0, 0, side, side);
  context.strokeStyle = '#58bfb0';
  context.lineWidth = side / 12;
  context.strokeRect(side / 24, side / 24, (side * 11) / 12, (side * 11) / 12);
};

async function idiomPictures(): Promise<Map<string, Picture>> {
  const coarse = await picture('frame', 96, frame);
  const fine = await picture('frame@3', 288, frame);
  const files = [
    { density: 1, picture: coarse },
    { density: 3, picture: fine },
  ];
  return new Map([
    ['art', await picture('art', 512, plain)],
    ['land', await picture('land', 1024, plain)],
    ['ring', await picture('ring', 512, ring)],
    ['vignette', await picture('vignette', 256, vignette)],
    ['frame', { ...coarse, files }],
  ]);
}

test('at least 60 everyday idioms have no finding on any screen', async () => {
  const read = readDocument(readFileSync('tests/accuracy/idioms.yaml', 'utf8'));
  expect(read.diagnostics.map(formatDiagnostic)).toEqual([]);
  const { findings, views } = checkDocument(read.document!, {
    resources: { fonts: bundledFonts(), pictures: await idiomPictures() },
    screens,
  });
  expect(
    findings.map(
      ({ check, view, widget, other, worst, reasons }) =>
        `${view}: ${check} of ${[widget, other].filter(Boolean).join(' and ')} on ${worst.screen}: ${reasons[0]?.text}`,
    ),
  ).toEqual([]);
  expect(views.length).toBeGreaterThanOrEqual(60);
});
