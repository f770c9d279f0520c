import { plainBox, plainLine, type DrawList, type DrawOperation } from '../../paint/index.ts';
import { aspectsOf, type Polygon, type ViewProof } from '../../proof/index.ts';
import type { FontBook } from '../../text/index.ts';
import { beyond, good, grouped, ink, kinds, open, paper, quiet, wrapped } from './drawn.ts';
import { aspectText, verdictText } from './told.ts';

/*
 * The strip of a proof: every aspect there is, from narrow to wide, and at which of them what fails on some size. Where a view scales
 * with its screen it looks alike on all sizes of one aspect, so that the strip says all the map does.
 */

const wide = 1280;
const left = 84;
const width = 1112;
const head = 132;
const bar = 30;
const row = 62;

/** Aspects that have a name. */
const known = [9 / 16, 3 / 4, 1, 4 / 3, 16 / 9, 21 / 9, 32 / 9];

/** From the least to the most, as numbers of width by height. */
interface Span {
  readonly least: number;
  readonly most: number;
}

/** Aspects that parts of the plane of sizes have, in order; what touches is one. */
export function aspectSpans(parts: readonly Polygon[]): readonly Span[] {
  const spans: { least: number; most: number }[] = [];
  for (const { least, most } of parts.map(aspectsOf).sort((a, b) => a.least - b.least)) {
    const last = spans.at(-1);
    if (last && least <= last.most * touching) last.most = Math.max(last.most, most);
    else spans.push({ least, most });
  }
  return spans;
}

/** Aspects nearer than this are one: half a px on the largest screen. */
const touching = 1 + 1e-4;

/** Draws the strip of one view, 1280 px wide. */
export function proofStrip(proof: ViewProof, fonts: FontBook): DrawList {
  const groups = grouped(proof.failures);
  const gaps = proof.gaps.map(({ polygon }) => polygon);
  const rows = 1 + groups.length + (gaps.length > 0 ? 1 : 0);
  const height = head + rows * row + 44;
  const operations: DrawOperation[] = [plainBox(-1, { x: 0, y: 0, width: wide, height }, paper)];
  const say = (text: string, x: number, baseline: number, size: number, color = ink, weight = 400) => {
    const line = plainLine(text, fonts, { size, weight });
    operations.push(line.drawn(x, baseline, color));
    return line.width;
  };
  const all = aspectsOf(proof.region);
  const perDouble = width / Math.log2(all.most / all.least);
  const at = (aspect: number) => left + Math.log2(aspect / all.least) * perDouble;
  say(`At which aspects ${proof.view} holds`, left, 52, 30, ink, 700);
  wrapped(verdictText(proof), wide - left - 40, 17, fonts)
    .slice(0, 2)
    .forEach((line, nth) => say(line, left, 80 + nth * 22, 17, quiet));
  const bars = (top: number, spans: readonly Span[], color: typeof ink) => {
    for (const { least, most } of spans)
      operations.push(
        plainBox(-1, { x: at(least), y: top, width: Math.max(2, at(most) - at(least)), height: bar }, color),
      );
  };
  const line = (nth: number, says: string, detail: string) => {
    const top = head + nth * row;
    const words = says.length > 110 ? `${says.slice(0, 109)}…` : says;
    const end = say(words, left, top + bar + 20, 15, ink, 700);
    say(detail, left + end + 12, top + bar + 20, 13, quiet);
    return top;
  };
  const failing = proof.failures.flatMap(({ parts }) => parts);
  const top = line(0, 'holds on every size of these aspects', '');
  operations.push(plainBox(-1, { x: left, y: top, width, height: bar }, good));
  bars(top, aspectSpans([...failing, ...gaps]), beyond);
  groups.forEach(({ says, parts }, nth) => {
    const spans = aspectSpans(parts);
    const words = spans.map(({ least, most }) => `${aspectText(least)} to ${aspectText(most)}`);
    const own = line(nth + 1, says, words.length > 3 ? `${words.length} ranges` : words.join(', '));
    operations.push(plainBox(-1, { x: left, y: own, width, height: bar }, beyond));
    bars(own, spans, kinds[nth % kinds.length]!.color);
  });
  if (gaps.length > 0) {
    const own = line(groups.length + 1, 'not proved', '');
    operations.push(plainBox(-1, { x: left, y: own, width, height: bar }, beyond));
    bars(own, aspectSpans(gaps), open);
  }
  const end = head + rows * row;
  for (const aspect of known) {
    if (aspect < all.least - 1e-9 || aspect > all.most + 1e-9) continue;
    const x = at(aspect);
    for (let nth = 0; nth < rows; nth++)
      operations.push(
        plainBox(-1, { x: x - 0.5, y: head + nth * row, width: 1, height: bar }, { ...paper, a: 0.6 }),
      );
    const name = plainLine(aspectText(aspect), fonts, { size: 13, weight: 400 });
    operations.push(name.drawn(Math.min(wide - name.width - 8, x - name.width / 2), end + 14, ink));
  }
  say('Width by height of the screen.', left, end + 36, 13, quiet);
  return { width: wide, height, title: `At which aspects ${proof.view} holds`, operations };
}
