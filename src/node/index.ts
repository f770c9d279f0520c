/** What needs Node: files on disk and PNG. */
export { FileProblem, writeWhole } from './files.ts';
export { CheckThreads } from './check-threads.ts';
export type { PlanOptions } from './check-messages.ts';
export type { OpenedProject } from './check-threads.ts';
export { proveOnThreads } from './prove-threads.ts';
export type { ProveJob, ProverOptions } from './prove-threads.ts';
export { packProject } from './pack.ts';
export type { FontCut, PackOptions, PackedProject } from './pack.ts';
export { bundledFonts, openProject } from './project.ts';
export type { Project, ProjectOptions } from './project.ts';
export { MissingPackage } from './missing-package.ts';
export { toPng } from './png.ts';
export { nodeText } from './text.ts';
export { startWorkbench } from './workbench.ts';
export type { Workbench, WorkbenchOptions } from './workbench.ts';
