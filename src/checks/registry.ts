import { allDisabled } from './all-disabled.ts';
import { blownUpPicture } from './blown-up-picture.ts';
import { brokenPromise } from './broken-promise.ts';
import { burstsParent } from './bursts-parent.ts';
import type { Check, DocumentCheck, DocumentDraft, Draft, Said } from './check.ts';
import { coarseText } from './coarse-text.ts';
import { colorsAlike } from './colors-alike.ts';
import { covered } from './covered.ts';
import { crampedTooltip } from './cramped-tooltip.ts';
import { crowdedTargets } from './crowded-targets.ts';
import { cutOff } from './cut-off.ts';
import { cutRing } from './cut-ring.ts';
import { cutText } from './cut-text.ts';
import { dimmedText } from './dimmed-text.ts';
import { driftedInstance } from './drifted-instance.ts';
import { drifted } from './drifted.ts';
import { emptyControl } from './empty-control.ts';
import { faintPart } from './faint-part.ts';
import { focusAstray } from './focus-astray.ts';
import { focusJumps } from './focus-jumps.ts';
import { focusOneWay } from './focus-one-way.ts';
import { focusTrap } from './focus-trap.ts';
import { focusUnreached } from './focus-unreached.ts';
import { gaveWayCheck } from './gave-way.ts';
import { hiddenMore } from './hidden-more.ts';
import { idleAcceptance } from './idle-acceptance.ts';
import { idleChange } from './idle-change.ts';
import { idleCondition } from './idle-condition.ts';
import { leadsNowhere } from './leads-nowhere.ts';
import { leftHole } from './left-hole.ts';
import { longLines } from './long-lines.ts';
import { lowContrast } from './low-contrast.ts';
import { missingFace } from './missing-face.ts';
import { missingGlyph } from './missing-glyph.ts';
import { missingMessage } from './missing-message.ts';
import { missingPlural } from './missing-plural.ts';
import { missingPage } from './missing-page.ts';
import { missingPicture } from './missing-picture.ts';
import { namelessControl } from './nameless-control.ts';
import { nearlyAligned } from './nearly-aligned.ts';
import { nearlySameSize } from './nearly-same-size.ts';
import { nestedControls } from './nested-controls.ts';
import { neverShown } from './never-shown.ts';
import { notANumber } from './not-a-number.ts';
import { oddTextSize } from './odd-text-size.ts';
import { offScreen } from './off-screen.ts';
import { outsideSafeArea } from './outside-safe-area.ts';
import { overlap } from './overlap.ts';
import { pivotAtOdds } from './pivot-at-odds.ts';
import { showsNothing } from './shows-nothing.ts';
import { shrunkText } from './shrunk-text.ts';
import { slicesCross } from './slices-cross.ts';
import { smallTarget } from './small-target.ts';
import { smallText } from './small-text.ts';
import { smallViewport } from './small-viewport.ts';
import { statesAlike } from './states-alike.ts';
import { stretchedPicture } from './stretched-picture.ts';
import { swallowedInput } from './swallowed-input.ts';
import { themeGap } from './theme-gap.ts';
import { thumbTarget } from './thumb-target.ts';
import { tinyPart } from './tiny-part.ts';
import { tornApart } from './torn-apart.ts';
import { twoChosen } from './two-chosen.ts';
import { unevenGaps } from './uneven-gaps.ts';
import { unevenPixels } from './uneven-pixels.ts';
import { unfilledPlaceholder } from './unfilled-placeholder.ts';
import { unpressable } from './unpressable.ts';
import { unusedComponent } from './unused-component.ts';
import { unusedParameter } from './unused-parameter.ts';
import { unusedPicture } from './unused-picture.ts';
import { unusedStyle } from './unused-style.ts';
import { unusedToken } from './unused-token.ts';
import { unusedValue } from './unused-value.ts';
import { valueRange } from './value-range.ts';

/** Every check of a layout, in the order reports list them: placed, readable, pictures, reachable. */
const ofLayouts = [
  brokenPromise,
  offScreen,
  outsideSafeArea,
  overlap,
  covered,
  burstsParent,
  cutOff,
  showsNothing,
  smallViewport,
  hiddenMore,
  gaveWayCheck,
  drifted,
  tornApart,
  leftHole,
  pivotAtOdds,
  nearlyAligned,
  nearlySameSize,
  oddTextSize,
  unevenGaps,
  cutText,
  shrunkText,
  smallText,
  coarseText,
  longLines,
  lowContrast,
  dimmedText,
  faintPart,
  tinyPart,
  colorsAlike,
  valueRange,
  statesAlike,
  cutRing,
  missingGlyph,
  missingFace,
  missingMessage,
  missingPlural,
  unfilledPlaceholder,
  notANumber,
  missingPicture,
  missingPage,
  twoChosen,
  leadsNowhere,
  stretchedPicture,
  blownUpPicture,
  unevenPixels,
  slicesCross,
  smallTarget,
  thumbTarget,
  crowdedTargets,
  crampedTooltip,
  swallowedInput,
  unpressable,
  emptyControl,
  nestedControls,
  allDisabled,
  focusAstray,
  focusUnreached,
  focusTrap,
  focusOneWay,
  focusJumps,
  namelessControl,
] as const;

/** Every check of a document as it is written. */
const ofDocuments = [
  themeGap,
  unusedStyle,
  unusedComponent,
  unusedParameter,
  unusedToken,
  unusedPicture,
  unusedValue,
  driftedInstance,
  idleChange,
  idleCondition,
  neverShown,
  // After all others: what they found may have been accepted.
  idleAcceptance,
] as const;

type Listed = (typeof ofLayouts)[number] | (typeof ofDocuments)[number];
export type CheckId = Listed['id'];

/** The facts of a finding of any check. */
export type Facts = Listed extends infer One
  ? One extends { sentence(said: infer Told): string }
    ? Told extends Said<infer Own>
      ? Own
      : never
    : never
  : never;

/** What any check drafts. */
export type AnyDraft = Draft<Facts>;
export type AnyDocumentDraft = DocumentDraft<Facts>;

/** A check that is in the list. */
export type ListedCheck = Check<Facts> & { readonly id: CheckId };
export type ListedDocumentCheck = DocumentCheck<Facts> & { readonly id: CheckId };

export const checks: readonly ListedCheck[] = ofLayouts as readonly Check<never>[] as readonly ListedCheck[];
export const documentChecks: readonly ListedDocumentCheck[] =
  ofDocuments as readonly DocumentCheck<never>[] as readonly ListedDocumentCheck[];

const byId = new Map<string, ListedCheck | ListedDocumentCheck>(
  [...checks, ...documentChecks].map((one) => [one.id, one]),
);

/** The check of an id. @throws Error for an id that none has: those of findings all have one. */
export function checkOf(id: string): ListedCheck | ListedDocumentCheck {
  const found = byId.get(id);
  if (!found) throw new Error(`there is no check "${id}"`);
  return found;
}

/** What tells a finding apart from others of the same check and widgets; undefined where nothing does. */
export function apartOf(check: CheckId, facts: Facts): string | undefined {
  return checkOf(check).apart?.(facts);
}
