import { checkOf } from '../../checks/index.ts';
import type { ReferenceSource } from '../../document/index.ts';
import type { Screen } from '../../screen/index.ts';
import type { Finding } from '../../verdict/index.ts';
import type { Broken, Change, Remedy } from '../remedy.ts';

/* Where much of a view is small, its scale is the cause, and not each widget. */

/** So many widgets of a view are small together. */
const manyPlaces = 3;

/** The least a u is, said in the document's reference. */
interface Least {
  readonly key: 'limits' | 'least-millimetres';
  /** Lengths of a u are said in steps of this. */
  readonly step: number;
  /** Device px that one is on a screen. */
  readonly inPx: (screen: Screen) => number;
  /** The value of the key. */
  readonly said: (least: number, now: ReferenceSource) => string | number;
  readonly least: (now: ReferenceSource) => number;
}

const limitsOf = ({ limits = '..' }: ReferenceSource) => limits.split('..') as [least: string, most: string];

/** Letters are too coarse by their px. */
const inPixels: Least = {
  key: 'limits',
  step: 0.05,
  inPx: () => 1,
  said: (least, now) => `${least}..${limitsOf(now)[1]}`,
  least: (now) => Number(limitsOf(now)[0]),
};

/** What is read and pressed is too small by its millimetres. */
const onGlass: Least = {
  key: 'least-millimetres',
  step: 0.005,
  inPx: ({ density }) => density / 25.4,
  said: (least) => least,
  least: (now) => now['least-millimetres'] ?? 0,
};

const leastOf = ({ check }: Finding) => (checkOf(check).unit === 'px' ? inPixels : onGlass);

/** What is small in a view for one reason. */
interface Small {
  /** What tells it from others: the view, and what is too small. */
  readonly name: string;
  readonly places: Set<string>;
  readonly findings: Finding[];
}

/** By finding, what is small in its view together with it and for the same reason; undefined where few are. */
export function smallTogether(found: readonly Finding[]): (finding: Finding) => Small | undefined {
  const groups = new Map<string, Small>();
  const nameOf = (one: Finding) => `${one.view} ${leastOf(one).key}`;
  const isSmall = ({ check, outcome }: Finding) => outcome === 'failed' && checkOf(check).growsWithScale;
  for (const one of found) {
    if (!isSmall(one)) continue;
    const name = nameOf(one);
    let group = groups.get(name);
    if (!group) groups.set(name, (group = { name, places: new Set(), findings: [] }));
    group.places.add(one.pointer);
    group.findings.push(one);
  }
  return (finding) => {
    const group = isSmall(finding) ? groups.get(nameOf(finding)) : undefined;
    return group && group.places.size >= manyPlaces ? group : undefined;
  };
}

/** A larger u on the screens on which it is small: as large as all in the view needs, or as the widget does. */
export const largerScale: Remedy = (broken) => {
  const { finding, found, document, widget, on, screens, design } = broken;
  if (on.layout.factor(widget.index) !== 1) return [];
  const least = leastOf(finding);
  const small = smallTogether(found)(finding)?.findings;
  const isEverywhere = new Set(finding.occurrences.map((one) => one.screen)).size === screens.length;
  if (!small || isEverywhere) return [];
  const now = document.source.reference ?? {};
  const needs = [small, [finding]].map((some) => {
    const most = Math.max(...some.map((one) => neededBy(one, broken, least)));
    return Number((Math.ceil(most / least.step - 1e-6) * least.step).toFixed(3));
  });
  // On the reference nothing is to become larger.
  const { screen, scale } = design.frameOn(design.reference);
  const most = scale / least.inPx(screen);
  return [...new Set(needs)]
    .filter((one) => one > least.least(now) && one <= most)
    .map((one) => withLeast(least, one, document.source.reference));
};

/** What a u has to be for a finding to be none, on every screen it is on. */
function neededBy({ occurrences }: Finding, { screens }: Broken, { inPx }: Least): number {
  return Math.max(
    ...occurrences.map(({ screen: name, scale, measured, limit }) => {
      const screen = screens.find((one) => one.name === name);
      return screen && measured! > 0 ? (scale * limit) / measured! / inPx(screen) : Infinity;
    }),
  );
}

function withLeast({ key, said, inPx }: Least, least: number, now: ReferenceSource | undefined): Change {
  const value = said(least, now ?? {});
  return {
    say: `reference: ${key}: ${typeof value === 'string' ? `"${value}"` : value}`,
    isOfCause: true,
    upToScale: (screen) => least * inPx(screen),
    edit: (text) => {
      if (now) text.set('/reference', key, value);
      else text.set('', 'reference', { [key]: value });
    },
  };
}
