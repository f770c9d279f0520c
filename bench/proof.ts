import { openView, readDocument, type CheckedDocument, type Resources } from 'pimbot';
import { checkView, proveDocument, proveView, screenOf, type Device, type Region } from 'pimbot/tools';
import { bundledFonts, openProject } from 'pimbot/node';
import { median } from './browser.ts';
import { plates } from './checking.ts';

/** A measurement of proving: milliseconds of a proof, and of laying out and checking every size it speaks of. */
export interface Proved {
  readonly name: string;
  readonly proving: number;
  readonly bruteForce: number;
}

const device: Device = { density: 92, distance: 600, inputs: ['mouse', 'keys'] };
const region: Region = { from: { width: 640, height: 360 }, to: { width: 7680, height: 4320 } };
const sizes = (7680 - 640 + 1) * (4320 - 360 + 1);

/** Sizes that are laid out and checked; all of them would take days. */
const sampled = 60;

function proofOf(document: CheckedDocument, resources: Resources, view: string, occasion = {}): Proved {
  const open = () => openView(document, view, { resources, ...occasion });
  const found: number[] = [];
  let cells = 0;
  let solves = 0;
  let widgets = 0;
  for (let round = -3; round < 5; round++) {
    const start = performance.now();
    const proof = proveView(open(), device, region);
    if (round >= 0) found.push(performance.now() - start);
    ({ cells, solves } = proof);
  }
  const plain = open();
  const start = performance.now();
  for (let nth = 0; nth < sampled; nth++) {
    const size = { x: 640 + ((nth * 7919) % 7041), y: 360 + ((nth * 5003) % 3961) };
    widgets = plain.layoutOn(screenOf(device, size)).widgets.length;
    checkView(plain, [screenOf(device, size)]);
  }
  const each = (performance.now() - start) / sampled;
  return {
    name: `${view}, ${widgets} widgets, proved: ${cells} cells, ${solves} layouts (other: every size)`,
    proving: median(found),
    bruteForce: each * sizes,
  };
}

/** One variant of the dive HUD, and a view of about 300 widgets. */
export async function proofs(): Promise<readonly Proved[]> {
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  if (!document) throw new Error('the demo cannot be read');
  const { document: many } = readDocument(plates(72));
  if (!many) throw new Error('the view cannot be read');
  const [view] = Object.keys(many.source.views);
  return [
    proofOf(document, resources, 'dive', { locale: 'en' }),
    proofOf(many, { fonts: bundledFonts() }, view!),
  ];
}

/** The whole demo: six views in everything they vary, once, in seconds. */
export async function demoProved(): Promise<{
  readonly seconds: number;
  readonly cells: number;
  readonly occasions: number;
}> {
  const { document, resources } = await openProject('examples/fathom-post/post.yaml');
  if (!document) throw new Error('the demo cannot be read');
  const start = performance.now();
  const views = proveDocument(document, { resources, device, region });
  return {
    seconds: (performance.now() - start) / 1000,
    cells: views.reduce((sum, { cells }) => sum + cells, 0),
    occasions: views.reduce((sum, { occasions }) => sum + occasions.length, 0),
  };
}
