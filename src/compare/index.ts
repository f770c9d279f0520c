/* Two documents in; what moved, grew, looks different and is found anew out. */
export { compareSnapshots } from './compare.ts';
export type { ChangeKind, ChangedLayout, Comparison, WidgetChange } from './compare.ts';
export type { FindingChanges, FoundAgain } from './found.ts';
export { tellingLayouts } from './telling.ts';
export { readProofs, writtenProofs } from './saved-proofs.ts';
export type { SavedProofs } from './saved-proofs.ts';
export { readSnapshot } from './saved-snapshot.ts';
export { layoutKey, snapshotOf } from './snapshot.ts';
export type { SeenFinding, SeenView, SeenWidget, Snapshot } from './snapshot.ts';
