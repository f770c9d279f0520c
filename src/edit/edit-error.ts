/** Somebody asked for a change that cannot be made; a sentence for people. */
export class EditError extends Error {
  override readonly name = 'EditError';
}
