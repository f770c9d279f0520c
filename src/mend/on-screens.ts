import type { Json, ScreenConditionSource, WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Screen } from '../screen/index.ts';
import { changedBy, pointerOfKey } from '../edit/index.ts';
import { holds, readCondition } from '../skeleton/index.ts';
import { keysWhere, type Broken, type Change, type KeysThere } from './remedy.ts';

/*
 * What is wrong on some screens is mended on screens of their kind: elsewhere the author was right.
 */

type Keys = { readonly [key: string]: Json };
type Kind = Pick<KeysThere, 'screen' | 'where'>;

/** Kinds of screens that conditions tell from others, those of which people speak first. @param failing What they have to take in. */
function kindsAround(broken: Broken, failing: readonly Screen[], keys: Keys): readonly Kind[] {
  const aspects = failing.map((screen) => {
    const { width, height } = broken.view.frameOn(screen);
    return width / height;
  });
  // One that is closer would be right on these screens and on none between.
  const widest = Math.ceil(Math.max(...aspects) * 10) / 10;
  const narrowest = Math.floor(Math.min(...aspects) * 10) / 10;
  const { when = [] } = broken.widget.source as WidgetSource;
  const isSaidElsewhere = when.some(({ change }) => Object.keys(keys).some((key) => key in change));
  return [
    { screen: { input: 'touch', orientation: 'portrait' }, where: 'on upright touch screens' },
    { screen: { orientation: 'portrait' }, where: 'on upright screens' },
    { screen: { input: 'touch' }, where: 'on touch screens' },
    { screen: { aspect: `..${widest}` }, where: `at aspects up to ${widest}` },
    // What comes after wins: narrower screens, for which something is said, keep that.
    ...(isSaidElsewhere
      ? [
          {
            screen: { aspect: `${narrowest}..${widest}` },
            where: `at aspects from ${narrowest} to ${widest}`,
          },
        ]
      : []),
  ];
}

/** Views that are too small for where things stand in them, by their size in u. */
function smallViews({ view }: Broken, failing: readonly Screen[]): readonly Kind[] {
  const frames = failing.map((screen) => view.frameOn(screen));
  const most = (side: 'width' | 'height') => upToTen(frames.map((frame) => frame[side]));
  const height = most('height');
  return [
    narrowViews(most('width')),
    { screen: { height: `..${height}` }, where: `where the view is up to ${height} u high` },
  ];
}

/** Views up to a width in u. */
export function narrowViews(width: number): Kind {
  return { screen: { width: `..${width}` }, where: `where the view is up to ${width} u wide` };
}

/** The next ten at or above the largest of some lengths. */
export function upToTen(lengths: readonly number[]): number {
  return Math.ceil(Math.max(...lengths) / 10) * 10;
}

/** On so small a share of the screens nothing grows on all of them by more than a little; and by much only for half of them. */
const few = 0.25;
const half = 0.5;
const little = 1.25;
const much = 2;

/** Whether a condition says one of some keys: a change of them is one for its screens alone. */
export function isConditional({ widget }: Broken, keys: Keys): boolean {
  const { look = {} } = widget.source as WidgetSource;
  const isIn = (path: string) => changedBy(pointerOfKey(widget, path)) !== undefined;
  const sizes = Object.keys(keys).filter((key) => key !== 'look');
  // A look that goes with a size is said where the size is.
  if (sizes.length > 0) return sizes.some(isIn);
  // Of a look key by key: what a condition does not say of it stays where it is.
  return Object.keys(keys['look'] ?? {}).some((part) => part in look && isIn(`look/${part}`));
}

/** Whether some keys may grow wherever they hold, as much as a finding needs: on many screens, or by little. */
export function mayGrow(broken: Broken, keys: Keys): boolean {
  const { finding, screens, measured, limit } = broken;
  if (isConditional(broken, keys)) return true;
  const failing = new Set(finding.occurrences.map(({ screen }) => screen)).size;
  const growth = limit / measured;
  return growth <= little || failing >= (growth <= much ? few : half) * screens.length;
}

/**
 * Changes that say keys for the kind of screens a finding is of alone, the narrowest kind first; where upright ones need more
 * than the others of that kind, one for each. None where it is of all or most screens, or where a condition says those keys now.
 * @param keysFor The keys that mend a finding where it is worst of some screens.
 * @param widgets Who says them; the widget itself if left out.
 */
export function onTheirScreens(
  broken: Broken,
  keysFor: (worst: Broken) => Keys | undefined,
  widgets: readonly Widget[] = [broken.widget],
): readonly Change[] {
  return onKinds(broken, keysFor, widgets, (failing, keys) => kindsAround(broken, failing, keys));
}

/** The same of keys that say where a widget stands: where a view is too narrow or too low for that, too. */
export function whereTheyStand(
  broken: Broken,
  keysFor: (worst: Broken) => Keys | undefined,
): readonly Change[] {
  return onKinds(broken, keysFor, [broken.widget], (failing, keys) => [
    ...kindsAround(broken, failing, keys),
    ...smallViews(broken, failing),
  ]);
}

function onKinds(
  broken: Broken,
  keysFor: (worst: Broken) => Keys | undefined,
  widgets: readonly Widget[],
  kindsFor: (failing: readonly Screen[], keys: Keys) => readonly Kind[],
): readonly Change[] {
  const { screens, finding } = broken;
  const keys = keysFor(broken);
  if (!keys || isConditional(broken, keys)) return [];
  const names = new Set(finding.occurrences.map(({ screen }) => screen));
  const failing = screens.filter(({ name }) => names.has(name));
  const whole = screens.length - failing.length;
  if (whole === 0) return [];
  return kindsFor(failing, keys).flatMap(({ screen, where }) => {
    const there = screens.filter((one) => isOf(broken, screen, one));
    const others = there.filter(({ name }) => !names.has(name)).length;
    if (there.length - others < failing.length || 2 * others > whole) return [];
    const upright = there.filter((one) => isOf(broken, { orientation: 'portrait' }, one));
    const wide = there.filter((one) => !upright.includes(one));
    const isUprightWorst = upright.some(({ name }) => name === finding.worst.screen);
    const worstWide = screen.input !== undefined && isUprightWorst ? broken.among(wide) : undefined;
    const own = worstWide && keysFor(worstWide);
    const isTwo = own !== undefined && JSON.stringify(own) !== JSON.stringify(keys);
    return [
      keysWhere(
        widgets,
        isTwo
          ? [
              { screen, where, keys: own },
              { screen: { ...screen, orientation: 'portrait' }, where: 'on upright ones', keys },
            ]
          : [{ screen, where, keys }],
      ),
    ];
  });
}

function isOf({ view }: Broken, condition: ScreenConditionSource, screen: Screen): boolean {
  const { width, height } = view.frameOn(screen);
  return holds(readCondition(condition), { screen, width, height });
}
