/** What needs Node: files on disk and PNG. */
export { FileProblem, writeWhole } from './files.ts';
export { bundledFonts, openProject } from './project.ts';
export type { Project, ProjectOptions } from './project.ts';
export { toPng } from './png.ts';
