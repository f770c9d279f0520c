export { reportJson } from './json.ts';
export { reportTerminal } from './terminal.ts';
export { wherePointer } from './report.ts';
export type { Ink, ReportInput } from './report.ts';
export { counted, printable, sentenceOf } from './wording.ts';
