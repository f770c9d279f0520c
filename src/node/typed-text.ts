/** What somebody has typed into a file and not saved; undefined of files that nobody edits. @param path Without links. */
export type TypedText = (path: string) => string | undefined;
