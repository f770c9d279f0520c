// `npm run demo`: checks the Fathom Post views on every screen and leaves drawings and reports in out/.
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './setup.mjs';

ensurePackages();
await ensureBuilt();

const pimbot = join(root, 'bin', 'pimbot.js');
const out = join(root, 'out');
const post = 'examples/fathom-post/post.yaml';
const broken = 'examples/broken/broken.yaml';
const call = (/** @type {string[]} */ ...args) => run(process.execPath, [pimbot, ...args]);
const quietly = (/** @type {string[]} */ ...args) =>
  run(process.execPath, [pimbot, ...args], { stdio: ['ignore', 'ignore', 'inherit'] });

rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
const verdict = call('check', post, '--report', 'out/report.json', '--report', 'out/report.html');
if (verdict !== 0) process.exit(verdict);

const { drawLayout, openView, screens, toSvg } = await import('../dist/index.js');
const { checkDocument, withOverlay } = await import('../dist/tools.js');
const { openProject, toPng, writeWhole } = await import('../dist/node/index.js');

/**
 * Draws a view on a screen as PNG and SVG, with its findings where they are wanted.
 * @param {import('../dist/node/index.js').Project} project @param {string} view
 * @param {import('../dist/index.js').Screen} screen @param {string} path @param {boolean} marked
 */
function draw(project, view, screen, path, marked) {
  const { document, resources } = project;
  if (!document) throw new Error('an example cannot be read');
  const caseName = marked ? 'worst' : undefined;
  const on = openView(document, view, { resources, case: caseName }).layoutOn(screen);
  const options = { resources, screens: [screen], views: [view], cases: marked ? ['worst'] : undefined };
  const overlay = marked ? { safeArea: true, findings: checkDocument(document, options).findings } : {};
  const list = withOverlay(drawLayout(on), on, resources.fonts, overlay);
  writeWhole(join(out, `${path}.png`), toPng(list));
  writeWhole(join(out, `${path}.svg`), toSvg(list));
}

/** Twelve very different ones; the checks run on all. */
const names = [
  'phone-portrait',
  'phone-landscape',
  'fold-open',
  'tablet',
  'handheld',
  'handheld-square',
  'laptop',
  'desktop',
  'ultrawide',
  'super-wide',
  'television',
  'tiny-window',
];
const chosen = screens.filter(({ name }) => names.includes(name));
const drawings = [
  ...['dive', 'dock'].flatMap((view) => chosen.map((screen) => ({ file: post, view, screen, folder: view }))),
  ...['sorting', 'belt', 'logbook', 'tuning'].flatMap((view) =>
    chosen
      .filter(({ name }) => ['phone-portrait', 'handheld', 'desktop'].includes(name))
      .map((screen) => ({ file: post, view, screen, folder: view })),
  ),
  ...screens
    .filter(({ name }) => ['desktop', 'phone-landscape', 'television'].includes(name))
    .map((screen) => ({ file: broken, view: 'dive', screen, folder: 'broken' })),
];
const projects = new Map([
  [post, await openProject(join(root, post))],
  [broken, await openProject(join(root, broken))],
]);
let done = 0;
for (const { file, view, screen, folder } of drawings) {
  if (process.stdout.isTTY) process.stdout.write(`\rDrawing ${++done} of ${drawings.length} `);
  const project = projects.get(file);
  if (project) draw(project, view, screen, `${folder}/${screen.name}`, file === broken);
}
if (process.stdout.isTTY) process.stdout.write('\r\u001b[K');
const failing = quietly(
  'check',
  broken,
  '--report',
  'out/broken/report.json',
  '--report',
  'out/broken/report.html',
);
quietly(
  ...['prove', post, '--view', 'dive', '--locale', 'en', '--theme', 'brine'],
  ...['--map', 'out/dive/sizes.svg', '--report', 'out/sizes.json', '--report', 'out/sizes.html'],
);
const [proved] = JSON.parse(readFileSync(join(out, 'sizes.json'), 'utf8')).files[0].views;
const shown = (/** @type {string} */ path) => relative(process.cwd(), join(out, path)) || '.';
console.log(
  `Drawings, PNG and SVG:      ${shown('dive')}/, ${shown('dock')}/, … six views on up to ${chosen.length} screens`,
);

console.log(`Classic mistakes, marked:   ${shown('broken')}/ (npx pimbot check ${broken} explains each)`);
console.log('In the workbench:           npm run workbench');
console.log('Views that answer to you:    npm run answers');
console.log(`For machines:               ${shown('report.json')}`);
console.log(
  `The report, in a browser:   ${shown('report.html')} (of the mistakes: ${shown('broken/report.html')})`,
);
console.log(`Every size there is:        ${shown('sizes.html')}\n  ${proved.says}.`);
if (failing !== 1) {
  console.error('examples/broken was expected to have findings, and has none.');
  process.exitCode = 1;
}
