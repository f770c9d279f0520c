import type { CheckedDocument } from '../document/index.ts';
import { hidingIn } from '../checks/index.ts';
import type { Tree } from '../dress/index.ts';
import { makeScreen } from '../screen/index.ts';
import { isWorse, planOf, type Finding } from '../verdict/index.ts';
import {
  SharedViews,
  openView,
  type Lists,
  type No,
  type Occasion,
  type OccasionKey,
  type Resources,
  type View,
} from '../view/index.ts';
import { unionArea, type Point, type Polygon } from './polygon.ts';
import { proveView, regionOf, type Device, type Gap, type Proof, type Region } from './prove.ts';

/** What is proved, and in what; of what varies, all that the document has where it is left out. */
export interface ProveOptions extends Partial<Lists>, No<OccasionKey> {
  readonly resources: Resources;
  /** All views if left out. */
  readonly views?: readonly string[];
  readonly device: Device;
  readonly region: Region;
  /** Cells of one view on one occasion that are looked at, at the most. */
  readonly mostCells?: number;
  /** Told how many of all occasions are done, with a fraction for the one that is under way. */
  readonly progress?: (done: number, all: number) => void;
}

/** Where one check fails of one widget, or of two, on all occasions together. */
export interface Failure {
  /** As the check tells it where it is worst of all. */
  readonly finding: Finding;
  readonly worst: Point;
  readonly parts: readonly Polygon[];
  /** The share of the region's area, from 0 to 1. */
  readonly share: number;
}

/** On which sizes a view holds, on all occasions. */
export interface ViewProof {
  readonly view: string;
  readonly region: Polygon;
  /** In u. */
  readonly reference: { readonly width: number; readonly height: number };
  readonly occasions: readonly Occasion[];
  /** The largest first. */
  readonly failures: readonly Failure[];
  readonly gaps: readonly Gap[];
  /** What was found in the middle of cells by checks that are not proved. */
  readonly seen: readonly Finding[];
  /** The shares of the region's area on which something fails, and on which nothing is known to fail but not all is proved. */
  readonly failing: number;
  readonly unproved: number;
  readonly cells: number;
  readonly solves: number;
}

/**
 * Proves on which sizes of screens the views of a document hold (docs/proof.md).
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a region without area.
 */
export function proveDocument(document: CheckedDocument, options: ProveOptions): readonly ViewProof[] {
  const { resources, device, region, mostCells, progress, views, ...lists } = options;
  const corners = regionOf(region);
  const reference = makeScreen({ width: region.to.width, height: region.to.height });
  const plan = planOf(document, { ...lists, views, resources, screens: [reference], coverage: 'all' });
  // The recording solver has plans of its own.
  const shared = {
    plain: new SharedViews(document, resources),
    recorded: new SharedViews(document, resources),
  };
  let done = 0;
  const found: Proof[] = [];
  const proofs = plan.batches.map(({ view, occasion }): Proof => {
    const open = (which: keyof typeof shared) =>
      openView(document, view, { resources, ...occasion, shared: shared[which] });
    const plain = open('plain');
    const known = found.find((one) => one.view === view && isSameTo(plain, one));
    if (known) {
      progress?.(++done, plan.batches.length);
      return { ...known, occasion };
    }
    const proof = proveView(open, device, region, {
      mostCells,
      progress: (part) => progress?.(done + part, plan.batches.length),
    });
    found.push(proof);
    progress?.(++done, plan.batches.length);
    return proof;
  });
  const { width, height } = openView(document, plan.views[0]!, { resources }).reference;
  return plan.views.map((view) =>
    together(
      view,
      corners,
      { width, height },
      proofs.filter((proof) => proof.view === view),
    ),
  );
}

/** Whether a view is laid out and drawn, but for colours that hide nothing, as one that is proved: wherever that has been. */
function isSameTo(view: View, { forms }: Proof): boolean {
  return forms.every(({ form, screen }) => {
    const own = view.formOn(view.frameOn(screen));
    if (own === form) return true;
    return (own.alike ?? own) === (form.alike ?? form) && hidesAlike(own.tree, form.tree);
  });
}

function hidesAlike(one: Tree, other: Tree): boolean {
  const [mine, theirs] = [hidingIn(one), hidingIn(other)];
  return mine.every((each, at) => each === theirs[at]);
}

function together(
  view: string,
  region: Polygon,
  reference: ViewProof['reference'],
  proofs: readonly Proof[],
): ViewProof {
  const whole = unionArea([region]);
  const failures = new Map<string, { finding: Finding; worst: Point; parts: Polygon[] }>();
  for (const { finding, worst, parts } of proofs.flatMap(({ findings }) => findings)) {
    const { check, widget, other, pointer } = finding;
    const key = [check, widget, other, pointer].join('\n');
    const known = failures.get(key);
    if (!known) failures.set(key, { finding, worst, parts: [...parts] });
    else {
      known.parts.push(...parts);
      if (isWorse(finding.fails, finding.worst, known.finding.worst))
        Object.assign(known, { finding, worst });
    }
  }
  const all = [...failures.values()].map((one): Failure => {
    const parts = distinct(one.parts);
    return { ...one, parts, share: unionArea(parts) / whole };
  });
  const gaps = proofs.flatMap((proof) => proof.gaps);
  const failed = distinct(all.flatMap(({ parts }) => parts));
  const failing = unionArea(failed) / whole;
  return {
    view,
    region,
    reference,
    occasions: proofs.map(({ occasion }) => occasion),
    failures: all.sort((a, b) => b.share - a.share),
    gaps,
    seen: distinctFindings(proofs.flatMap(({ seen }) => seen)),
    failing,
    unproved: Math.max(
      0,
      unionArea([...failed, ...distinct(gaps.map(({ polygon }) => polygon))]) / whole - failing,
    ),
    cells: proofs.reduce((sum, { cells }) => sum + cells, 0),
    solves: proofs.reduce((sum, { solves }) => sum + solves, 0),
  };
}

/** The same parts come again on every occasion that changes nothing about them. */
function distinct(parts: readonly Polygon[]): readonly Polygon[] {
  const known = new Map<string, Polygon>();
  for (const part of parts)
    known.set(part.map(({ x, y }) => `${x.toFixed(3)},${y.toFixed(3)}`).join(' '), part);
  return [...known.values()];
}

function distinctFindings(findings: readonly Finding[]): readonly Finding[] {
  return [...new Map(findings.map((one) => [[one.check, one.widget, one.other].join('\n'), one])).values()];
}
