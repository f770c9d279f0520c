/** A change that cannot be made: its message is a sentence for people. */
export class EditError extends Error {
  override readonly name = 'EditError';
}
