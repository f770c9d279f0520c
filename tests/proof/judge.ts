import type { View } from 'pimbot';
import {
  checkView,
  checks,
  depthIn,
  provedChecks,
  screenOf,
  type Device,
  type Check,
  type Finding,
  type Point,
  type Proof,
  type Region,
} from 'pimbot/tools';
import { random } from '../../bench/trees.ts';

/** What a proof and the checks themselves say of some sizes, where it is not the same. */
export interface Judged {
  readonly asked: number;
  /** How many of those a proof says nothing of. */
  readonly unproved: number;
  readonly wrong: readonly string[];
}

/** A border may be on either side of a size that lies on it, in px. */
const tie = 1e-6;

/**
 * Lays a view out on single sizes, asks every proved check, and compares with the polygons.
 * @param slack Sizes nearer to a border than this, in px, may be on either side.
 */
export function judge(
  checksOn: (size: Point) => ReadonlySet<string>,
  proof: Proof,
  sizes: readonly Point[],
  slack = tie,
): Judged {
  let unproved = 0;
  const wrong: string[] = [];
  for (const size of sizes) {
    const failing = checksOn(size);
    for (const check of provedChecks) {
      if (proof.gaps.some((gap) => (gap.check ?? check) === check && depthIn(gap.polygon, size) >= -slack)) {
        unproved++;
        continue;
      }
      const depths = proof.findings
        .filter(({ finding }) => finding.check === check)
        .flatMap(({ parts }) => parts.map((part) => depthIn(part, size)));
      const deepest = Math.max(-Infinity, ...depths);
      const isRight = failing.has(check) ? deepest > -slack : deepest < slack;
      if (!isRight)
        wrong.push(
          `${check} on ${size.x}x${size.y}: ${failing.has(check) ? 'fails' : 'passes'}, and is ${deepest} px inside of where it is proved to fail`,
        );
    }
  }
  return { asked: sizes.length, unproved, wrong };
}

/** Which checks fail on a size, found by laying it out. */
export function asking(
  view: View,
  device: Device,
  only: readonly Check[] = checks,
): (size: Point) => ReadonlySet<string> {
  return (size) => {
    const findings = checkView(view, [screenOf(device, size)], only);
    return new Set(findings.filter(({ outcome }) => outcome === 'failed').map(({ check }) => check));
  };
}

/** Whether a check fails of a widget, and of the other one it is about, on a size. */
export function failsOn(
  view: View,
  device: Device,
  size: Point,
  of: Pick<Finding, 'check' | 'widget' | 'other'>,
  /** What tells it apart from others of the same widgets, where that counts. */
  apart?: string,
): boolean {
  return checkView(view, [screenOf(device, size)]).some(
    (one) =>
      one.outcome === 'failed' &&
      one.check === of.check &&
      one.widget === of.widget &&
      one.other === of.other &&
      (apart === undefined || apartOf(one) === apart),
  );
}

/** What tells a finding apart from others of the same check and widgets, such as the edge. */
export function apartOf({ check, facts }: Finding): string | undefined {
  const { apart } = checks.find(({ id }) => id === check) as {
    apart?: (facts: unknown) => string | undefined;
  };
  return apart?.(facts);
}

/** Whole sizes of a region by chance, and as many on both sides of the borders of what fails. */
export function sizesOf({ from, to }: Region, { findings }: Proof, count: number, seed: number): Point[] {
  const next = random(seed);
  const whole = (least: number, most: number) => least + Math.floor(next() * (most - least + 1));
  const anywhere = Array.from({ length: count }, () => ({
    x: whole(from.width, to.width),
    y: whole(from.height, to.height),
  }));
  const parts = findings.flatMap((one) => one.parts);
  if (parts.length === 0) return anywhere;
  const beside = Array.from({ length: count }, () => {
    const part = parts[whole(0, parts.length - 1)]!;
    const at = whole(0, part.length - 1);
    const [one, other] = [part[at]!, part[(at + 1) % part.length]!];
    const share = next();
    return {
      x: Math.round(one.x + (other.x - one.x) * share) + whole(-1, 1),
      y: Math.round(one.y + (other.y - one.y) * share) + whole(-1, 1),
    };
  });
  return [...anywhere, ...beside].filter(
    ({ x, y }) => x >= from.width && x <= to.width && y >= from.height && y <= to.height,
  );
}
