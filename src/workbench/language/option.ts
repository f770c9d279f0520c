/** Something to choose, before it is known what is around it. */
export interface Option {
  readonly label: string;
  /** What it is: a key, a value, a name of something. */
  readonly detail: string;
  /** A sentence or two, of what it does. */
  readonly info: string;
  /** What is written for it where that is not its label. */
  readonly written?: string;
}
