/** A word of a name, as a pattern. */
export const nameWord = String.raw`[\p{L}_][\p{L}\p{N}_-]*`;

/** The name of a value, or of a part of one that is a map: `depth`, `pick.price`. As a pattern. */
export const valueName = String.raw`${nameWord}(?:\.${nameWord})*`;

const wholeName = new RegExp(`^${valueName}$`, 'u');

/** Whether a text is the name of a value. */
export function isValueName(text: string): boolean {
  return wholeName.test(text);
}

/** The value a name is of, or of a part of: `pick` of `pick.price`. */
export function rootOf(name: string): string {
  const dot = name.indexOf('.');
  return dot < 0 ? name : name.slice(0, dot);
}
