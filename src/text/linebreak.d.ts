declare module 'linebreak' {
  /** A place a line may break, of UAX 14. */
  interface Break {
    readonly position: number;
    readonly required: boolean;
  }
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): Break | null;
  }
}
