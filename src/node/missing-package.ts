/** A package that not everybody needs is not installed: a sentence with what to do. */
export class MissingPackage extends Error {
  override readonly name = 'MissingPackage';
}
