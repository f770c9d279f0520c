import {
  aspectsOf,
  boundsOf,
  heldAspects,
  holdsBetween,
  partsOf,
  provedChecks,
  shareOf,
  unionArea,
  type Aspects,
  type Failure,
  type Gap,
  type HudFailure,
  type HudProof,
  type HudRange,
  type Polygon,
  type Region,
  type ViewProof,
} from '../../proof/index.ts';
import type { CheckedDocument } from '../../document/index.ts';
import type { Finding } from '../../verdict/index.ts';
import { byPlace } from '../causes.ts';
import { factors, type Occasion } from '../../view/index.ts';
import { printable, sentenceOf } from '../wording.ts';

/** A proved file and what came of it. */
export interface ProofInput {
  /** As the user named it. */
  readonly file: string;
  readonly document: CheckedDocument;
  readonly proofs: readonly ViewProof[];
  /** Views that support no size of the region: nothing of them is proved. */
  readonly unsupported: readonly string[];
  readonly region: Region;
  /** What stands for the kind of device, such as `desktop`. */
  readonly device: string;
}

/** What is said of a view that supports no size of a region. */
export function unsupportedText(view: string, region: Region): string {
  return `${printable(view)} supports no size ${regionText(region)}: nothing of it was proved`;
}

/** Whether nothing fails on any size, and all of it is proved. */
export function holds({ failures, gaps, hudSizes }: ViewProof): boolean {
  const isHeld = failures.length === 0 && gaps.length === 0;
  return isHeld && (hudSizes === undefined || hudHolds(hudSizes));
}

/** Whether nothing fails at any HUD size of a range, and all of it is proved. */
export function hudHolds({ failures, gaps, refused }: HudProof): boolean {
  return refused === undefined && failures.length === 0 && gaps.length === 0;
}

/** `640 × 360` */
export function sizeText(width: number, height: number): string {
  return `${Math.round(width)} × ${Math.round(height)}`;
}

function sizeOf({ width, height }: { readonly width: number; readonly height: number }): string {
  return sizeText(width, height);
}

/** The sizes that are proved, in words. */
export function regionText({ from, to, aspect }: Region): string {
  const sizes = `from ${sizeOf(from)} to ${sizeOf(to)}`;
  const { least, most } = aspect ?? { least: 0, most: Infinity };
  const said = [
    ...(least > 0 ? [`from ${aspectText(least)}`] : []),
    ...(most < Infinity ? [`to ${aspectText(most)}`] : []),
  ];
  return said.length === 0 ? sizes : `${sizes} with an aspect ${said.join(' ')}`;
}

const named: readonly (readonly [aspect: number, name: string])[] = [
  [9 / 16, '9:16'],
  [3 / 4, '3:4'],
  [1, '1:1'],
  [5 / 4, '5:4'],
  [4 / 3, '4:3'],
  [3 / 2, '3:2'],
  [16 / 10, '16:10'],
  [16 / 9, '16:9'],
  [21 / 9, '21:9'],
  [32 / 9, '32:9'],
];

/** An aspect as people call it, else as a number. */
export function aspectText(aspect: number): string {
  const known = named.find(([value]) => Math.abs(value - aspect) < 0.0005);
  return known ? known[1] : String(Math.round(aspect * 1000) / 1000);
}

/** A share of a region, in %; one that is not nothing never reads as nothing, nor one that is not all as all. */
export function shareText(share: number): string {
  const percent = 100 * share;
  if (percent > 0 && percent < 0.01) return 'less than 0.01 %';
  // Slivers that rounding leaves between parts are no sizes.
  if (share < 1 - 1e-6 && percent > 99.99) return 'more than 99.99 %';
  return `${Math.round(percent * 100) / 100} %`;
}

/**
 * What becomes of a finding on every size, where a change mends it on screens.
 * @param failing The share of the sizes on which it still fails. @param open That on which its check is not proved.
 */
export function proofWords(failing: number, open: number, sizes: Region): string {
  if (failing > 0)
    return `on other sizes it still fails: on ${shareText(failing)} of those ${regionText(sizes)}`;
  return open > 0
    ? `not proved on ${shareText(open)} of the sizes ${regionText(sizes)}`
    : `proved on every size ${regionText(sizes)}`;
}

/** On which sizes a view holds, in one sentence that starts with the view. */
export function verdictText(proof: ViewProof): string {
  const name = printable(proof.view);
  if (holds(proof)) return `${name} holds on every size ${regionText(proof.sizes)}`;
  const parts = partsOf(proof);
  const between = holdsBetween(proof.region, parts, proof.reference);
  const held = widest(heldAspects(proof.region, parts), proof.reference);
  const said: string[] = [];
  if (between) said.push(`every size from ${sizeOf(between.from)} to ${sizeOf(between.to)}`);
  else if (held) said.push(`every size of the aspects ${aspectText(held.least)} to ${aspectText(held.most)}`);
  const share = shareText(Math.min(1, proof.failing));
  const fails = proof.failing > 0 ? `fails on ${share} of the sizes ${regionText(proof.sizes)}` : '';
  const open =
    proof.unproved > 0 ? `${fails === '' ? '' : ', and '}is not proved on ${shareText(proof.unproved)}` : '';
  const rest = said.length > 0 ? `; it holds on ${said.join(', and on ')}` : '';
  return `${name} ${fails}${open}${rest}`;
}

/** What was seen of checks that are not proved: where else they would say so is not known. */
export function seenTexts({ seen, occasions }: ViewProof): readonly SeenText[] {
  return seen.map((finding) => {
    const where = occasionsText(finding.occurrences, occasions);
    const on = `seen on ${finding.worst.screen}${where === '' ? '' : ` ${where}`}`;
    return { finding, text: `${on}: ${printable(finding.widget)} ${printable(sentenceOf(finding))}` };
  });
}

interface SeenText {
  readonly finding: Finding;
  readonly text: string;
}

/** Reasons of a border that are told. */
const mostBorderReasons = 2;

/** Where something ends and why, a line each, with what was written. */
export function borderTexts({
  borders,
}: Pick<Failure, 'borders'>): readonly { readonly text: string; readonly pointer: string }[] {
  return borders.flatMap(({ from, to, kind, reasons }) => {
    const where = `ends from ${sizeText(from.x, from.y)} to ${sizeText(to.x, to.y)}`;
    if (kind === 'limit')
      return [
        { text: `${where}: beyond, the same sums stay within the limit`, pointer: reasons[0]?.pointer ?? '' },
      ];
    return reasons.slice(0, mostBorderReasons).map(({ text, pointer }) => ({
      text: `${where}: beyond, ${printable(text)}`,
      pointer,
    }));
  });
}

/** The line of a document that promises the sizes around the reference on which all holds; undefined where nothing is to be said. */
export function supportLine(proof: ViewProof): string | undefined {
  if (proof.failures.length === 0) return undefined;
  const between = holdsBetween(proof.region, partsOf(proof), proof.reference);
  if (!between) return undefined;
  const { from, to } = between;
  const { least, most } = proof.sizes.aspect ?? { least: 0, most: Infinity };
  // Of other aspects nothing was proved.
  const range = `${least > 0 ? short(least) : ''}..${most < Infinity ? short(most) : ''}`;
  const aspect = range === '..' ? '' : `, aspect: "${range}"`;
  return `supports: { from: ${from.width}x${from.height}, to: ${to.width}x${to.height}${aspect} }`;
}

function short(value: number): string {
  return String(Number(value.toPrecision(12)));
}

/** The range that has the reference's aspect in it, else the widest. */
function widest(held: readonly Aspects[], { width, height }: ViewProof['reference']): Aspects | undefined {
  const aspect = width / height;
  const own = held.find(({ least, most }) => least <= aspect && aspect <= most);
  return own ?? held.toSorted((a, b) => b.most / b.least - a.most / a.least)[0];
}

/** At which HUD sizes a view holds on all of its sizes, in one sentence. */
export function hudText(hud: HudProof): string {
  const { range, holds: held, refused } = hud;
  const whole = `HUD size from ${rangeText(range)}`;
  if (refused !== undefined) return `is not proved between the HUD sizes ${rangeText(range)}: ${refused}`;
  if (hudHolds(hud)) return `holds on them at every ${whole}`;
  if (held.length === 0) return `holds on all of them at no ${whole}`;
  return `holds on all of them ${atHudSizes(held)}, of those from ${rangeText(range)}`;
}

/** Something that fails as the HUD size changes, in words. */
export function hudFailureText(failure: HudFailure, hud: HudProof): string {
  const { finding } = failure;
  return `${printable(finding.widget)} ${printable(sentenceOf(finding))} ${hudWhereText(failure, hud)}`;
}

/** Where it fails. */
export function hudWhereText({ hudSizes, aspects, worst, occasions }: HudFailure, hud: HudProof): string {
  const on = occasionsText(occasions, hud.occasions);
  return `${on === '' ? '' : `${on} `}${atHudSizes(hudSizes)}, aspects ${aspectText(aspects.least)} to ${aspectText(aspects.most)}; told at ${hudSizeText(worst.hudSize)} on ${sizeText(worst.width, worst.height)}`;
}

/** `at HUD sizes 0.75 to 1, 1.25 to 1.5` */
export function atHudSizes(ranges: readonly HudRange[]): string {
  const texts = ranges.map(rangeText);
  return `at HUD ${texts.length === 1 && !texts[0]!.includes(' ') ? 'size' : 'sizes'} ${texts.join(', ')}`;
}

/** `0.75 to 1.5` */
function rangeText({ least, most }: HudRange): string {
  const [from, to] = [hudSizeText(least), hudSizeText(most)];
  return from === to ? from : `${from} to ${to}`;
}

function hudSizeText(size: number): string {
  return String(Math.round(size * 1000) / 1000);
}

/** What is said of some occasions beside others: `in the case worst in the theme lantern`; empty of all of them. */
export function occasionsText(found: readonly Occasion[], all: readonly Occasion[]): string {
  return factors
    .map((factor) => {
      const values = (some: readonly Occasion[]) => [...new Set(some.map((one) => one[factor.key]))];
      return factor.where(values(found), values(all));
    })
    .filter((text) => text !== '')
    .join(' ');
}

/** On which of all occasions something fails, in words. */
export function whenOf({ on }: Pick<Failure, 'on'>, all: readonly Occasion[]): string {
  return occasionsText(
    on.map(({ occasion }) => occasion),
    all,
  );
}

/** What a failure is told of. */
type Told = Pick<Failure, 'finding' | 'parts' | 'worst'>;

/** Where something fails, in words: the sizes and aspects around all of it, and its worst size. */
export function failureText({ finding, parts, worst }: Told, region: Polygon, occasions = ''): string {
  const share = shareOf(unionArea(parts), unionArea([region]));
  const bounds = parts.map(boundsOf);
  const [left, top] = [Math.min(...bounds.map((one) => one.left)), Math.min(...bounds.map((one) => one.top))];
  const [right, bottom] = [
    Math.max(...bounds.map((one) => one.right)),
    Math.max(...bounds.map((one) => one.bottom)),
  ];
  const aspects = parts.map(aspectsOf);
  const least = Math.min(...aspects.map((one) => one.least));
  const most = Math.max(...aspects.map((one) => one.most));
  const where = `on ${shareText(share)} of the sizes${occasions === '' ? '' : ` ${occasions}`}: between ${sizeText(left, top)} and ${sizeText(right, bottom)}, aspects ${aspectText(least)} to ${aspectText(most)}; worst on ${sizeText(worst.x, worst.y)}`;
  return `${printable(finding.widget)} ${printable(sentenceOf(finding))} ${where}`;
}

const reasons: { readonly [Reason in Gap['reason']]: string } = {
  curved: 'what is compared there is no straight line over the sizes',
  many: 'more cells, or more that fails, than is looked at',
  crowded: 'so much lies in one place that not all of it was compared',
  odd: 'the check and the proof say different things there',
};

/** What is not proved and why, one line for each check and reason, the largest first. */
export function gapTexts({ gaps, region }: ViewProof): readonly string[] {
  const whole = unionArea([region]);
  const byReason = new Map<string, Gap[]>();
  for (const gap of gaps) {
    const key = `${gap.check ?? ''} ${gap.reason}`;
    byReason.set(key, [...(byReason.get(key) ?? []), gap]);
  }
  return [...byReason.values()]
    .map((all) => ({ gap: all[0]!, area: unionArea(all.map(({ polygon }) => polygon)) }))
    .sort((a, b) => b.area - a.area)
    .map(({ gap, area }) => {
      const what = gap.check ?? 'the layout';
      return `${what}, on ${shareText(shareOf(area, whole))} of the sizes: ${reasons[gap.reason]}`;
    });
}

/** What fails, by the line it is written on: entries of one repeat are told as one, the largest of them first. */
export function linesOf<One extends { readonly finding: Finding }>(
  failures: readonly One[],
): readonly (readonly [One, ...One[]])[] {
  const failureOf = new Map(failures.map((one) => [one.finding, one]));
  return byPlace([...failureOf.keys()]).map(([first, ...others]) => [
    failureOf.get(first)!,
    ...others.map((one) => failureOf.get(one)!),
  ]);
}

/** `Proved: off-screen, …` */
export function provedText(): string {
  return `Proved: ${provedChecks.join(', ')}. Every other check was asked on single sizes: the corners, and one of each larger cell.`;
}
