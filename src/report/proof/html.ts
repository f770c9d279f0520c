import { occasionKey, type Occasion } from '../../view/index.ts';
import { escapeXml, toSvg } from '../../paint/index.ts';
import { distinct, type Failure, type SketchCell, type ViewProof } from '../../proof/index.ts';
import type { FontBook } from '../../text/index.ts';
import { page } from '../page/page.ts';
import { unusedHtml, type UnusedFile } from '../unused.ts';
import type { Finding } from '../../verdict/index.ts';
import { hole, sentenceOf, sentenceWithHole } from '../wording.ts';
import { bandStyle, hudBands } from './hud-bands.ts';
import { frame, proofMap } from './map.ts';
import { Plot } from './plot.ts';
import { points, sketchData, sketchScript } from './sketch-data.ts';
import {
  borderTexts,
  failureText,
  gapTexts,
  linesOf,
  occasionsText,
  provedText,
  seenTexts,
  unsupportedText,
  verdictText,
  whenOf,
  type ProofInput,
} from './told.ts';

/** A proved file with what its page shows. */
export interface ProofPageInput extends ProofInput {
  readonly fonts: FontBook;
  /** By view, then by failure in its order: the view on the failure's worst screen, as a `data:` address. */
  readonly pictures: readonly (readonly (string | undefined)[])[];
  /** By view: how it is drawn on any size, the usual occasion first. */
  readonly sketches: readonly (readonly Sketched[])[];
}

/** A view on one occasion, to be drawn on any size. */
export interface Sketched {
  readonly occasion: Occasion;
  readonly cells: readonly SketchCell[];
  /** What it is drawn on, a CSS colour. */
  readonly ground: string;
}

/** Something that fails: where, why, and why it ends where it does. */
function failureHtml(failure: Failure, { region, occasions }: ViewProof): string {
  const { check, reasons } = failure.finding;
  const because = reasons.map(({ text }) => `<p>because ${escapeXml(text)}</p>`);
  const borders = borderTexts(failure).map(({ text }) => `<p class="border">${escapeXml(text)}</p>`);
  const head = `<span class="kind">${escapeXml(check)}</span> ${escapeXml(failureText(failure, region, whenOf(failure, occasions)))}`;
  return [head, ...because, ...borders].join('');
}

/** One page that stands by itself: the map of each view, which says of the size under the pointer what fails there, and shows it. */
export function proofHtml(inputs: readonly ProofPageInput[], unused: readonly UnusedFile[] = []): string {
  const all = inputs.flatMap((input) => input.proofs.map((proof, nth) => ({ input, proof, nth })));
  const sections = all.map(({ input, proof, nth }, at) => {
    const svg = toSvg(proofMap(proof, input.fonts), { text: 'outlines', ids: `map-${at}-` });
    const failures = linesOf(proof.failures).map(([first, ...others]) => {
      const rest = others.map((one) => `<li>${failureHtml(one, proof)}</li>`).join('');
      const more = `<details><summary>${others.length} more of the same line</summary><ol>${rest}</ol></details>`;
      return `<li>${failureHtml(first, proof)}${others.length > 0 ? more : ''}</li>`;
    });
    const gaps = gapTexts(proof).map((text) => `<li class="open">not proved: ${escapeXml(text)}</li>`);
    const seen = seenTexts(proof).map(
      ({ finding, text }) =>
        `<li><span class="kind">${escapeXml(finding.check)}</span> ${escapeXml(text)}</li>`,
    );
    const seenPart = `<details><summary>Seen by checks that are not proved (${seen.length})</summary><ol>${seen.join('')}</ol></details>`;
    const shown = input.pictures[nth]?.findIndex(Boolean) ?? -1;
    const picture = shown < 0 ? '' : input.pictures[nth]![shown]!;
    return `<section data-view="${at}">
<div class="two"><div class="map" role="img" aria-label="${escapeXml(verdictText(proof))}">${svg}<b class="cross" hidden></b></div>
<div class="reading"><form><label>Width <input name="width" type="number" min="1" max="99999" inputmode="numeric"></label> <label>Height <input name="height" type="number" min="1" max="99999" inputmode="numeric"></label></form>
<output aria-live="polite">Point at a size, or type one.</output>
<figure class="sketch" hidden><canvas role="img" aria-label="${escapeXml(proof.view)}"></canvas><figcaption></figcaption></figure>
<figure class="worst"${picture === '' ? ' hidden' : ''}><img alt="" src="${picture}"><figcaption>${shown < 0 ? '' : escapeXml(captionOf(proof, shown))}</figcaption></figure></div></div>
${proof.hudSizes ? hudBands(proof.view, proof.hudSizes) : ''}<details${failures.length + gaps.length > 6 ? '' : ' open'}><summary>Everything that fails (${proof.failures.length})</summary><ol>${[...failures, ...gaps].join('')}</ol></details>${seen.length > 0 ? seenPart : ''}</section>`;
  });
  const unsupported = inputs.flatMap((input) =>
    input.unsupported.map((view) => `<p class="none">${escapeXml(unsupportedText(view, input.region))}.</p>`),
  );
  const title = `On which sizes ${all.map(({ proof }) => proof.view).join(', ')} ${all.length === 1 ? 'holds' : 'hold'}`;
  const data = all.map(({ input, proof, nth }) =>
    dataOf(proof, input.pictures[nth] ?? [], input.sketches[nth] ?? []),
  );
  return page({
    title,
    style: proofStyle + bandStyle,
    body: `<header><h1>${escapeXml(title)} <small>${escapeXml(inputs.map(({ file }) => file).join(', '))}</small></h1><p class="none">${escapeXml(provedText())}</p></header>
<main>${unusedHtml(unused)}${unsupported.join('')}${sections.join('\n')}</main>
<script type="application/json" id="proofs">${JSON.stringify(data).replaceAll('<', '\\u003c')}</script>`,
    script: proofScript,
  });
}

function captionOf({ failures }: ViewProof, nth: number): string {
  const { finding, worst } = failures[nth]!;
  return `${finding.widget} ${sentenceOf(finding)}, on ${Math.round(worst.x)} × ${Math.round(worst.y)}`;
}

function dataOf(proof: ViewProof, pictures: readonly (string | undefined)[], sketches: readonly Sketched[]) {
  const { scales } = new Plot(proof.region, frame);
  return {
    view: proof.view,
    sketches: sketches.map(({ occasion, cells, ground }) => ({
      says: occasionsText([occasion], proof.occasions),
      ground,
      ...sketchData(cells),
      fails: proof.failures.map(({ on }) =>
        on
          .filter((one) => occasionKey(one.occasion) === occasionKey(occasion))
          .flatMap(({ parts }) => parts.map(points)),
      ),
    })),
    frame,
    scales,
    region: points(proof.region),
    failures: proof.failures.map(({ finding, parts }, nth) => ({
      says: `${finding.widget} ${saidAnywhere(finding)}`,
      check: finding.check,
      widgets: [finding.widget, ...(finding.other === undefined ? [] : [finding.other])],
      parts: parts.map(points),
      picture: pictures[nth],
      caption: captionOf(proof, nth),
    })),
    gaps: gapsOf(proof),
  };
}

/** What is said of a finding on any size on which it fails: its number is of the one on which it is worst. */
function saidAnywhere(finding: Finding): string {
  const [said, number] = sentenceWithHole(finding, finding.worst, hole);
  if (said.includes(hole))
    return said.replaceAll(hole, `${finding.fails === 'above' ? 'up to' : 'down to'} ${number}`);
  return /\d/.test(said) ? `${said}, where it is worst` : said;
}

/** What is not proved where, each polygon once: it is the same on many occasions. */
function gapsOf({ gaps }: ViewProof): readonly object[] {
  const checks = [...new Set(gaps.map(({ check }) => check))];
  return checks.flatMap((check) => {
    const own = gaps.filter((gap) => gap.check === check).map(({ polygon }) => polygon);
    return distinct(own).map((polygon) => ({ check: check ?? 'the layout', part: points(polygon) }));
  });
}

const proofStyle = `
section { margin: 8px 0 36px; }
.two { display: grid; grid-template-columns: minmax(0, 3fr) minmax(280px, 1fr); gap: 20px; align-items: start; }
@media (max-width: 900px) { .two { grid-template-columns: 1fr; } }
.map { position: relative; cursor: crosshair; }
.map svg { display: block; width: 100%; height: auto; border-radius: 8px; }
.cross { position: absolute; width: 14px; height: 14px; margin: -7px 0 0 -7px; border: 2px solid #fff; border-radius: 50%; box-shadow: 0 0 0 2px #000; pointer-events: none; }
.reading output { display: block; margin: 12px 0; font-size: 16px; white-space: pre-line; min-height: 7em; }
.reading input { width: 6.5em; background: var(--raised); border: 1px solid var(--line); border-radius: 6px; padding: 4px 8px; }
canvas { display: block; width: 100%; border: 1px solid var(--line); border-radius: 4px; }
figure { margin: 0 0 14px; } figure img { width: 100%; border: 1px solid var(--line); border-radius: 4px; } figcaption { color: var(--soft); font-size: 14px; margin-top: 4px; }
details { margin-top: 12px; } summary { cursor: pointer; color: var(--focus); }
header p { margin: 0; }
`;

/** Reads a size from the map or from two fields, and says what fails there. */
const proofScript = `
const proofs = JSON.parse(document.getElementById('proofs').textContent);
const isIn = (part, x, y) => {
  let sign = 0;
  for (let at = 0; at < part.length; at++) {
    const [ax, ay] = part[at], [bx, by] = part[(at + 1) % part.length];
    const side = (bx - ax) * (y - ay) - (by - ay) * (x - ax);
    if (Math.abs(side) < 1e-9) continue;
    if (sign && Math.sign(side) !== sign) return false;
    sign = Math.sign(side);
  }
  return true;
};
${sketchScript}
for (const section of document.querySelectorAll('section[data-view]')) {
  const { view, frame, scales, region, failures, gaps, sketches } = proofs[Number(section.dataset.view)];
  const map = section.querySelector('.map'), cross = section.querySelector('.cross'), said = section.querySelector('output');
  const [wide, high] = section.querySelectorAll('input'), figure = section.querySelector('.worst'), drawing = section.querySelector('.sketch'), canvas = section.querySelector('canvas');
  const show = (width, height) => {
    const shown = map.getBoundingClientRect().width / 1280;
    cross.hidden = !isIn(region, width, height);
    cross.style.left = (frame.x + Math.log2(width / scales.from.x) * scales.perDouble.x) * shown + 'px';
    cross.style.top = (frame.y + Math.log2(height / scales.from.y) * scales.perDouble.y) * shown + 'px';
    drawing.hidden = cross.hidden;
    if (cross.hidden) { said.textContent = width + ' × ' + height + ': not in the range that is proved.'; return; }
    const here = failures.filter(({ parts }) => parts.some((part) => isIn(part, width, height)));
    const open = [...new Set(gaps.filter(({ part }) => isIn(part, width, height)).map(({ check }) => check))];
    const lines = here.map(({ says }) => '✗ ' + says);
    if (open.length > 0) lines.push('? not proved: ' + open.join(', '));
    said.textContent = width + ' × ' + height + (lines.length === 0 ? ': holds.' : '\\n' + lines.join('\\n'));
    // Drawn as it is where something fails here, if it is so on any of its drawings.
    const failing = ({ fails }) => failures.filter((_, nth) => fails[nth].some((part) => isIn(part, width, height)));
    const sketch = sketches.find((one) => failing(one).length > 0) || sketches[0];
    const marked = new Set(sketch && failing(sketch).flatMap(({ widgets }) => widgets));
    drawing.hidden = !sketch || !drawSketch(sketch, canvas, width, height, marked);
    if (sketch) drawing.querySelector('figcaption').textContent = ['Boxes and words on ' + width + ' × ' + height, sketch.says].filter(Boolean).join(', ');
    canvas.setAttribute('aria-label', view + ' on ' + width + ' × ' + height);
    const drawn = here.find(({ picture }) => picture);
    if (!drawn) return;
    figure.hidden = false;
    figure.querySelector('img').src = drawn.picture;
    figure.querySelector('figcaption').textContent = drawn.caption;
  };
  map.addEventListener('pointermove', (event) => {
    const { left, top, width: across } = map.getBoundingClientRect();
    const x = ((event.clientX - left) * 1280) / across, y = ((event.clientY - top) * 1280) / across;
    const width = Math.round(scales.from.x * 2 ** ((x - frame.x) / scales.perDouble.x));
    const height = Math.round(scales.from.y * 2 ** ((y - frame.y) / scales.perDouble.y));
    if (x < frame.x || y < frame.y || x > frame.x + frame.width || y > frame.y + frame.height) return;
    wide.value = width; high.value = height;
    show(width, height);
  });
  for (const field of [wide, high]) field.addEventListener('input', () => {
    if (wide.value > 0 && high.value > 0) show(Number(wide.value), Number(high.value));
  });
}
`;
