import type { CheckedDocument } from '../document/index.ts';
import { hidingIn } from '../checks/index.ts';
import type { Tree } from '../dress/index.ts';
import { referenceOf } from '../layout/index.ts';
import { Findings, isWorse, keyOf, occasionsOf, type Finding } from '../verdict/index.ts';
import {
  SharedViews,
  openView,
  supportOf,
  type Lists,
  type No,
  type Occasion,
  type OccasionKey,
  type Resources,
  type View,
} from '../view/index.ts';
import { whyWidget } from '../why/index.ts';
import { bordersOf, type Border } from './borders.ts';
import { proveHudSizes, type HudProof } from './hud-sizes.ts';
import { distinct, shareOf, unionArea, type Point, type Polygon } from './polygon.ts';
import { provedInColors, proveView, type Proof } from './prove.ts';
import { hasArea, regionOf, screenOf, type Device, type Region } from './region.ts';
import type { HudRange } from './surfaces.ts';
import type { Gap } from './told.ts';

/** What is proved, and in what; of what varies, all that the document has where it is left out. */
export interface ProveOptions extends Partial<Lists>, No<OccasionKey> {
  readonly resources: Resources;
  /** All views if left out. */
  readonly views?: readonly string[];
  readonly device: Device;
  readonly region: Region;
  /** Has every HUD size of a range proved too, beside those of `hudSizes`. */
  readonly hudRange?: HudRange;
  /** Cells of one view on one occasion that are looked at, at the most. */
  readonly mostCells?: number;
  /** Called with how many occasions are done, and a fraction of the one under way. */
  readonly progress?: (done: number, all: number) => void;
}

/** Where one check fails of one widget, or of two, on all occasions together. */
export interface Failure {
  /** As the check tells it where it is worst of all. */
  readonly finding: Finding;
  readonly worst: Point;
  readonly parts: readonly Polygon[];
  /** The same on each occasion on which it fails anywhere. */
  readonly on: readonly { readonly occasion: Occasion; readonly parts: readonly Polygon[] }[];
  /** Why it ends where it does, on the occasion on which it is worst. */
  readonly borders: readonly Border[];
  /** The share of the region's area, from 0 to 1. */
  readonly share: number;
}

/** On which sizes a view holds, on all occasions. */
export interface ViewProof {
  readonly view: string;
  /** The sizes that are proved: those that were asked for, as far as the view supports them. */
  readonly sizes: Region;
  readonly region: Polygon;
  /** In u. */
  readonly reference: { readonly width: number; readonly height: number };
  readonly occasions: readonly Occasion[];
  /** The largest first. */
  readonly failures: readonly Failure[];
  readonly gaps: readonly Gap[];
  /** What checks that are not proved found on single sizes. */
  readonly seen: readonly Finding[];
  /** The shares of the region's area on which something fails, and on which nothing is known to fail but not all is proved. */
  readonly failing: number;
  readonly unproved: number;
  readonly cells: number;
  readonly solves: number;
  /** At which HUD sizes of a range it holds on all sizes; undefined where nobody asked for a range. */
  readonly hudSizes?: HudProof;
}

/**
 * Proves on which sizes of screens the views of a document hold (docs/proof.md).
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a region without area.
 */
export function proveDocument(document: CheckedDocument, options: ProveOptions): readonly ViewProof[] {
  const { resources, device, region, hudRange, mostCells, progress, views, ...lists } = options;
  // Refused before anything is opened.
  regionOf(region);
  const plan = occasionsOf(document, { ...lists, views, resources });
  const sizes = new Map(plan.views.map((view) => [view, supportedOf(document, view, region)]));
  const all = plan.views.flatMap((view) => plan.occasions.map((occasion) => ({ view, occasion })));
  const shared = new SharedViews(document, resources);
  let done = 0;
  const found: Proof[] = [];
  const proofs = all.map(({ view, occasion }): Proof => {
    const own = openView(document, view, { resources, ...occasion, shared });
    const known = found.find((one) => one.view === view && isSameTo(own, one));
    if (known) {
      progress?.(++done, all.length);
      return provedInColors(own, device, known);
    }
    const proof = proveView(own, device, sizes.get(view)!, {
      mostCells,
      progress: (part) => progress?.(done + part, all.length),
    });
    found.push(proof);
    progress?.(++done, all.length);
    return proof;
  });
  const { width, height } = referenceOf(document.source.reference);
  return plan.views.map((view) => {
    const proof = together(
      view,
      sizes.get(view)!,
      { width, height },
      proofs.filter((one) => one.view === view),
    );
    const open = (occasion: Occasion) => openView(document, view, { resources, ...occasion, shared });
    const whole = { ...proof, failures: withBorders(proof, open, device) };
    if (!hudRange) return whole;
    const { hudSizes: _, ...others } = lists;
    const { occasions } = occasionsOf(document, { ...others, hudSizes: [1], views: [view], resources });
    const asked = { resources, device, region: sizes.get(view)!, range: hudRange, occasions, mostCells };
    return { ...whole, hudSizes: proveHudSizes(document, view, asked) };
  });
}

/** Failures whose borders are explained, and parts of one, at the most: somebody looks at the largest. */
const mostExplained = 12;
const mostPartsExplained = 400;

/** Failures with the reasons of their borders, on the occasion on which each is worst. */
function withBorders(
  { failures, region }: Together,
  open: (occasion: Occasion) => View,
  device: Device,
): readonly Failure[] {
  let left = mostExplained;
  return failures.map(({ own, occasion, ...failure }): Failure => {
    if (own.length > mostPartsExplained || left === 0) return { ...failure, borders: [] };
    left--;
    const view = open(occasion);
    const whyAt = (point: Point) => {
      const { tree, layout } = view.layoutOn(screenOf(device, point));
      return [failure.finding.widget, failure.finding.other].flatMap((id) => {
        if (id === undefined) return [];
        const widget = tree.widgets.find((one) => one.id === id);
        if (!widget) return [{ text: `${id} is not there`, pointer: failure.finding.pointer }];
        return whyWidget({ tree, layout }, widget.index)
          .filter(({ what }) => what !== 'scale')
          .flatMap(({ reasons }) =>
            reasons.map(({ text, pointer }) => ({ text: `${id}: ${text}`, pointer })),
          );
      });
    };
    return { ...failure, borders: bordersOf(own, region, whyAt) };
  });
}

/** A proof whose borders nobody has explained yet: each failure with its parts on the occasion on which it is worst. */
type Together = Omit<ViewProof, 'failures'> & {
  readonly failures: readonly (Omit<Failure, 'borders'> & {
    readonly own: readonly Polygon[];
    readonly occasion: Occasion;
  })[];
};

/** Whether a view is laid out and drawn, but for colours that hide nothing, as one that is proved: wherever that has been. */
function isSameTo(view: View, { forms, occasion }: Proof): boolean {
  // A form knows no HUD size: that is in the frame.
  if (view.occasion.hudSize !== occasion.hudSize) return false;
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

/** Views apart by whether they support any of the sizes of a region. @throws RangeError for a region without area. */
export function apartBySupport(
  document: CheckedDocument,
  views: readonly string[],
  region: Region,
): { readonly supported: readonly string[]; readonly unsupported: readonly string[] } {
  regionOf(region);
  const isSupported = (view: string) => hasArea(sharedWith(document, view, region));
  return {
    supported: views.filter(isSupported),
    unsupported: views.filter((view) => !isSupported(view)),
  };
}

/** The sizes of a region that a view supports. @throws RangeError where it supports none. */
export function supportedOf(document: CheckedDocument, view: string, region: Region): Region {
  const sizes = sharedWith(document, view, region);
  if (!hasArea(sizes)) throw new RangeError(`${view} supports no size of those, or a line of them alone`);
  return sizes;
}

/** What a region and the support of a view have in common, which may have no area. */
function sharedWith(document: CheckedDocument, view: string, { from, to, aspect }: Region): Region {
  const support = supportOf(document.source.views[view]!.supports);
  return {
    from: {
      width: Math.max(from.width, support.from.width),
      height: Math.max(from.height, support.from.height),
    },
    to: { width: Math.min(to.width, support.to.width), height: Math.min(to.height, support.to.height) },
    aspect: {
      least: Math.max(aspect?.least ?? 0, support.aspect.least),
      most: Math.min(aspect?.most ?? Infinity, support.aspect.most),
    },
  };
}

function together(
  view: string,
  sizes: Region,
  reference: ViewProof['reference'],
  proofs: readonly Proof[],
): Together {
  const region = regionOf(sizes);
  const whole = unionArea([region]);
  type Found = Pick<Together['failures'][number], 'finding' | 'worst' | 'own' | 'occasion'>;
  const failures = new Map<
    string,
    Found & { readonly parts: Polygon[]; readonly on: Failure['on'][number][] }
  >();
  for (const { findings, occasion } of proofs)
    for (const { finding, worst, parts } of findings) {
      const key = keyOf(finding);
      const known = failures.get(key);
      const found: Found = { finding, worst, own: parts, occasion };
      if (!known) failures.set(key, { ...found, parts: [...parts], on: [{ occasion, parts }] });
      else {
        known.parts.push(...parts);
        known.on.push({ occasion, parts });
        if (isWorse(finding.fails, finding.worst, known.finding.worst)) Object.assign(known, found);
      }
    }
  const all = [...failures.values()].map((one) => {
    const parts = distinct(one.parts);
    return { ...one, parts, share: shareOf(unionArea(parts), whole) };
  });
  const gaps = proofs.flatMap((proof) => proof.gaps);
  const seen = new Findings();
  for (const proof of proofs) for (const one of proof.seen) seen.add(one);
  const failed = distinct(all.flatMap(({ parts }) => parts));
  const failing = unionArea(failed);
  const notHeld = unionArea([...failed, ...distinct(gaps.map(({ polygon }) => polygon))]);
  return {
    view,
    sizes,
    region,
    reference,
    occasions: proofs.map(({ occasion }) => occasion),
    failures: all.sort((a, b) => b.share - a.share),
    gaps,
    seen: seen.all,
    failing: shareOf(failing, whole),
    unproved: shareOf(notHeld - failing, whole),
    cells: proofs.reduce((sum, { cells }) => sum + cells, 0),
    solves: proofs.reduce((sum, { solves }) => sum + solves, 0),
  };
}
