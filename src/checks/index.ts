/* A scene in; what is wrong in it out. One file a check: what it measures, its facts, its sentence, the names of its remedies. */
export { Acceptances } from './acceptances.ts';
export { idsIn, promiseCheck, promisesOn } from './broken-promise.ts';
export type { PromisedHere } from './broken-promise.ts';
export { apartOf, checkOf, checks, documentChecks } from './registry.ts';
export type {
  AnyDocumentDraft,
  AnyDraft,
  CheckId,
  Facts,
  ListedCheck,
  ListedDocumentCheck,
} from './registry.ts';
export type { Check, DocumentCheck, Outcome, Severity, WhollyLooked } from './check.ts';
export type { RemedyName } from './remedies.ts';
export { isHeld } from './bursts-parent.ts';
export { coveringOf, hiddenBy, hidingIn, isAskewTo } from './covered.ts';
export { pastShare } from './subject/past-share.ts';
export { demandsIn } from './gave-way.ts';
export { fillsItsWindow, isCutOff, isLostInLists, scrollsIn } from './cut-off.ts';
export { stripOver, textRoom } from './cut-text.ts';
export { mayBleed } from './outside-safe-area.ts';
export { readArea, textContrast } from './low-contrast.ts';
export { branchesApart, branchesAtOdds, excusesOf } from './overlap.ts';
export { gapOf, outerOf, placeOf, pxOfAmount, slack as promiseSlack } from './promise-kinds.ts';
export { sliver } from './subject/beds.ts';
export { groundsUpTo, roomOf } from './subject/ground.ts';
export { hollowOf, isRing, pastHole } from './subject/hollow.ts';
export { isPlacedLater } from './subject/tips.ts';
export { usableControls } from './subject/focus-map.ts';
export { lyingOverAt } from './subject/siblings.ts';
export { reachOfRing } from './subject/shown-states.ts';
export { Subject } from './subject/subject.ts';
export { Subjects } from './subject/subjects.ts';
export { namesWritten } from './subject/words-written.ts';
export {
  capitalPx,
  capitalsUnder,
  cssPixels,
  minutesOfArc,
  pxOfArc,
  pxOfCss,
  pxOfMillimetres,
} from './subject/text-size.ts';
